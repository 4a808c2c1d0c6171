'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useForm } from 'react-hook-form';
import type { ProjectLine, ProjectState } from '@/server/projects';
import { send } from '@/ui/api';
import { FileButton } from '@/ui/FileButton';
import { formatDay } from '@/ui/formatDay';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';
import { SignOutButton } from '@/ui/SignOutButton';

interface ProjectListProps {
  readonly name: string;
  readonly projects: readonly ProjectLine[];
}

export function ProjectList({ name, projects }: ProjectListProps) {
  const inUse = projects.filter(({ state }) => state === 'in-use');
  const isTwin = (own: ProjectLine) =>
    projects.some((other) => other.id !== own.id && other.name === own.name && other.shop === own.shop);
  return (
    <Box component="main" sx={{ maxWidth: 720, mx: 'auto', mt: 5, px: 2 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'baseline' }}>
        <Typography variant="h1">Your projects</Typography>
        <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
          <Link href="/account">{name}</Link>
          <SignOutButton />
        </Stack>
      </Stack>
      <Stack spacing={1} sx={{ my: 3 }}>
        {projects.length === 0 && (
          <Typography>No project yet. Make the first one below; then bring in its block drawings.</Typography>
        )}
        {inUse.map((project) => (
          <Paper
            key={project.id}
            component={Link}
            href={`/p/${project.id}`}
            sx={{ p: 2, display: 'block', textDecoration: 'none', color: 'text.primary' }}
          >
            <Typography variant="h2" component="span">
              {project.name}
            </Typography>
            <Typography color="textSecondary">
              {[
                project.isSample && 'a sample to play with',
                project.shop,
                isTwin(project) && `begun on ${dateOf(project)}`,
                project.role === 'helper' && 'you help here',
              ]
                .filter(Boolean)
                .join(' · ')}
            </Typography>
          </Paper>
        ))}
      </Stack>
      <PutAway title="Archived" projects={projects.filter(({ state }) => state === 'archived')} />
      <PutAway title="In the bin" projects={projects.filter(({ state }) => state === 'binned')} />
      <NewProject />
      <Sample sample={inUse.find(({ isSample }) => isSample)} />
      <ImportProject />
    </Box>
  );
}

const dateOf = ({ createdAt }: ProjectLine) => formatDay(createdAt);

/** Projects that are archived or lie in the bin: each can be taken back, and deleted from the bin. */
function PutAway({ title, projects }: { title: string; projects: readonly ProjectLine[] }) {
  const router = useRouter();
  const { error, isBusy, run } = useSend();
  const put = ({ id }: ProjectLine, state: ProjectState) =>
    run(async () => {
      await send('POST', `/api/projects/${id}/state`, { state });
      router.refresh();
    });
  if (projects.length === 0) return null;
  return (
    <Box component="details" sx={{ mb: 2 }}>
      <Box component="summary" sx={{ cursor: 'pointer' }}>
        {title} ({projects.length})
      </Box>
      <ErrorNote error={error} />
      {projects.map((project) => (
        <Stack key={project.id} direction="row" spacing={1} sx={{ alignItems: 'center', mt: 1 }}>
          <Typography sx={{ flex: 1 }}>
            {project.name}, begun on {dateOf(project)}
          </Typography>
          <Button size="small" disabled={isBusy} onClick={() => void put(project, 'in-use')}>
            Take {project.name} back
          </Button>
          {project.state === 'binned' && (
            <Button
              size="small"
              color="error"
              disabled={isBusy}
              onClick={() =>
                window.confirm(`Delete ${project.name} with all blocks, bags and progress for good?`) &&
                void put(project, 'deleted')
              }
            >
              Delete for good
            </Button>
          )}
        </Stack>
      ))}
    </Box>
  );
}

function NewProject() {
  const router = useRouter();
  const { register, handleSubmit, formState, reset } = useForm({
    defaultValues: { name: '', shop: '', unitSystem: 'inch' },
  });
  const { error, isBusy, run } = useSend();
  useUnsaved(formState.isDirty);
  const submit = handleSubmit((values) =>
    run(async () => {
      const { id } = await send<{ id: string }>('POST', '/api/projects', values);
      reset();
      router.push(`/p/${id}/blocks`);
    }),
  );
  return (
    <Paper sx={{ p: 2 }}>
      <Typography variant="h3" component="h2" sx={{ mb: 1.5 }}>
        New project
      </Typography>
      <form onSubmit={submit} noValidate>
        <Stack spacing={1.5}>
          <ErrorNote error={error} />
          <TextField label="Name" {...register('name')} error={error?.where === 'name'} />
          <TextField
            label="Shop or group (may stay empty)"
            {...register('shop')}
            error={error?.where === 'shop'}
          />
          <TextField
            label="Lengths in"
            select
            defaultValue="inch"
            slotProps={{ htmlInput: register('unitSystem') }}
          >
            <MenuItem value="inch">inches</MenuItem>
            <MenuItem value="metric">centimetres and millimetres</MenuItem>
          </TextField>
          <Button type="submit" variant="contained" disabled={isBusy} sx={{ alignSelf: 'flex-start' }}>
            Make the project
          </Button>
        </Stack>
      </form>
    </Paper>
  );
}

/** A project to play with, and its end. */
function Sample({ sample }: { sample: ProjectLine | undefined }) {
  const router = useRouter();
  const { error, isBusy, run } = useSend();
  const load = () =>
    run(async () => {
      const { id } = await send<{ id: string }>('POST', '/api/projects/sample', {});
      router.push(`/p/${id}`);
    });
  const throwAway = (id: string) =>
    run(async () => {
      for (const state of ['binned', 'deleted']) await send('POST', `/api/projects/${id}/state`, { state });
      router.refresh();
    });
  return (
    <Paper sx={{ p: 2, mt: 2 }}>
      <Typography variant="h3" component="h2" sx={{ mb: 1 }}>
        A sample to play with
      </Typography>
      <Stack spacing={1.5} sx={{ alignItems: 'flex-start' }}>
        <Typography color="textSecondary">
          Nine blocks, fourteen invented makers and their progress. Change what you like: nobody else sees it,
          and it can be thrown away.
        </Typography>
        <ErrorNote error={error} />
        {sample ? (
          <Button
            color="error"
            disabled={isBusy}
            onClick={() =>
              window.confirm('Throw the sample away for good, with all that you changed in it?') &&
              void throwAway(sample.id)
            }
          >
            {isBusy ? 'Being thrown away …' : 'Throw the sample away'}
          </Button>
        ) : (
          <Button variant="outlined" disabled={isBusy} onClick={() => void load()}>
            {isBusy ? 'Being made: a few seconds …' : 'Make a sample'}
          </Button>
        )}
      </Stack>
    </Paper>
  );
}

/** Brings in a project file that was saved elsewhere: the whole file or nothing. */
function ImportProject() {
  const router = useRouter();
  const { error, isBusy, run } = useSend();
  const take = (file: File | undefined) =>
    file &&
    run(async () => {
      const { id } = await send<{ id: string }>('POST', '/api/projects/import', { file: await file.text() });
      router.push(`/p/${id}/blocks`);
    });
  return (
    <Paper sx={{ p: 2, mt: 2 }}>
      <Typography variant="h3" component="h2" sx={{ mb: 1 }}>
        A project from a file
      </Typography>
      <Stack spacing={1.5} sx={{ alignItems: 'flex-start' }}>
        <Typography color="textSecondary">
          Blocks, settings and setting come in as a new project; a file with a fault is refused as a whole.
          The format is described by a <a href="/schema/kevlo.project.1.schema.json">published schema</a>.
        </Typography>
        <ErrorNote error={error} />
        <FileButton accept=".json,application/json" disabled={isBusy} onFile={(file) => void take(file)}>
          {isBusy ? 'Being brought in …' : 'Choose a project file'}
        </FileButton>
      </Stack>
    </Paper>
  );
}
