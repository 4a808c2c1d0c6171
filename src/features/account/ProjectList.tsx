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
import { send } from '@/ui/api';
import { FileButton } from '@/ui/FileButton';
import { ErrorNote } from '@/ui/ErrorNote';
import { useSend } from '@/ui/useSend';
import { SignOutButton } from '@/ui/SignOutButton';

interface ProjectListProps {
  readonly name: string;
  readonly projects: readonly { readonly id: string; readonly name: string; readonly shop: string }[];
}

export function ProjectList({ name, projects }: ProjectListProps) {
  return (
    <Box component="main" sx={{ maxWidth: 720, mx: 'auto', mt: 5, px: 2 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', alignItems: 'baseline' }}>
        <Typography variant="h1">Your projects</Typography>
        <Stack direction="row" spacing={1} sx={{ alignItems: 'center' }}>
          <Typography color="textSecondary">{name}</Typography>
          <SignOutButton />
        </Stack>
      </Stack>
      <Stack spacing={1} sx={{ my: 3 }}>
        {projects.length === 0 && (
          <Typography>No project yet. Make the first one below; then bring in its block drawings.</Typography>
        )}
        {projects.map((project) => (
          <Paper
            key={project.id}
            component={Link}
            href={`/p/${project.id}`}
            sx={{ p: 2, display: 'block', textDecoration: 'none', color: 'text.primary' }}
          >
            <Typography variant="h2" component="span">
              {project.name}
            </Typography>
            <Typography color="textSecondary">{project.shop}</Typography>
          </Paper>
        ))}
      </Stack>
      <NewProject />
      <ImportProject />
    </Box>
  );
}

function NewProject() {
  const router = useRouter();
  const { register, handleSubmit } = useForm({ defaultValues: { name: '', shop: '', unitSystem: 'inch' } });
  const { error, isBusy, run } = useSend();
  const submit = handleSubmit((values) =>
    run(async () => {
      const { id } = await send<{ id: string }>('POST', '/api/projects', values);
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
