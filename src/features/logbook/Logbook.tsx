'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import useSWR from 'swr';
import { MOST_LOG_LINES, logCsv } from '@/core/formats';
import { counted } from '@/core/words';
import type { LogEntry, LogKind } from '@/server/logbook';
import { asRefusal, read, send } from '@/ui/api';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { FileButton } from '@/ui/FileButton';
import { formatDay } from '@/ui/formatDay';
import { newId } from '@/ui/newId';
import { Notice } from '@/ui/Notice';
import { useNotice } from '@/ui/Notices';
import { smallerPicture } from '@/ui/smallerPicture';
import { useLive } from '@/ui/useLive';
import { useSend } from '@/ui/useSend';
import { useUnsaved } from '@/ui/useUnsaved';
import { EVERYTHING, KIND_NAMES, isCut, logLines, sayEntry, type LogChoice } from './logWords';

interface LogbookProps {
  readonly projectId: string;
  readonly project: string;
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly initial: readonly LogEntry[];
}

const ALL = 'all';
const PROJECT = 'project';
const KINDS = [
  ['written', 'notes, decisions and who was stuck'],
  ['next-time', 'for next time'],
  ['decision', 'decisions'],
  ['trouble', 'who was stuck'],
  ['change', 'changes'],
  ['all', 'everything'],
] as const;
/** So many lines are shown at once. */
const PAGE = 100;

/** One dated thread of the project: what was noted, decided, changed, and who was stuck; searched, filtered and taken along. */
export function Logbook({ projectId, project, blocks, initial }: LogbookProps) {
  const notice = useNotice();
  const address = `/api/projects/${projectId}/log`;
  const { data: entries = initial, mutate } = useSWR<readonly LogEntry[]>(address, read, { fallbackData: initial });
  useLive(projectId, ['logbook', 'troubles', 'settings', 'blocks', 'makers', 'calendar'], () => mutate());
  const [choice, setChoice] = useState<LogChoice>(EVERYTHING);
  const [most, setMost] = useState(PAGE);
  const lines = logLines(entries, choice);
  const blockName = (id: string | null) => (id === null ? '' : (blocks.find((one) => one.id === id)?.name ?? 'a block that is gone'));
  const set = (more: Partial<LogChoice>) => {
    setChoice({ ...choice, ...more });
    setMost(PAGE);
  };
  const remove = async (id: string, isRemoved: boolean): Promise<void> => {
    try {
      await send('PATCH', address, { id, isRemoved });
      if (isRemoved) notice({ text: 'The line is taken out.', undo: () => remove(id, false) });
      await mutate();
    } catch (error) {
      notice({ text: asRefusal(error).message });
    }
  };
  const csv = logCsv(lines.map((entry) => ({ at: entry.at, kind: KIND_NAMES[entry.kind], block: blockName(entry.blockId), by: entry.by ?? '', text: sayEntry(entry) })));
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1, mb: 1.5 }}>
        <Typography variant="h2">Logbook</Typography>
        <Button component="a" download={`${project} logbook.csv`} href={`data:text/csv;charset=utf-8,${encodeURIComponent(csv)}`}>
          These lines as CSV
        </Button>
      </Stack>
      <WriteForm projectId={projectId} blocks={blocks} onWritten={() => void mutate()} />
      <Box className="no-print" sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(190px, 1fr))', gap: 1.5, my: 2 }}>
        <TextField label="Find words" value={choice.words} onChange={({ target }) => set({ words: target.value })} />
        <Choice label="About" value={choice.block} choices={[[ALL, 'everything'], [PROJECT, 'the whole project'], ...blocks.map(({ id, name }) => [id, name] as const)]} onChange={(block) => set({ block })} />
        <Choice label="Show" value={choice.kind} choices={KINDS} onChange={(kind) => set({ kind: kind as LogChoice['kind'] })} />
      </Box>
      <Typography role="status" color="textSecondary">{counted(lines.length, 'line')}</Typography>
      {entries.length === 0 && <Notice title="Nothing is written yet">What you would like to know next time: write it down while it is fresh.</Notice>}
      <Box component="ol" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {lines.slice(0, most).map((entry) => (
          <Box component="li" key={`${entry.kind}${entry.id}`} sx={{ py: 1, borderBottom: 1, borderColor: 'divider' }}>
            <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 1 }}>
              <Typography color="textSecondary">
                {formatDay(entry.at)} · {KIND_NAMES[entry.kind]}
                {entry.blockId !== null && ` · ${blockName(entry.blockId)}`}
                {entry.by !== null && ` · ${entry.by}`}
              </Typography>
              {(entry.kind === 'note' || entry.kind === 'decision' || entry.kind === 'next-time') && (
                <Button className="no-print" size="small" variant="text" aria-label={`Take out: ${entry.text.slice(0, 60)}`} onClick={() => void remove(entry.id, true)}>
                  Take out
                </Button>
              )}
            </Stack>
            <Typography sx={{ whiteSpace: 'pre-line', overflowWrap: 'anywhere' }}>{sayEntry(entry)}</Typography>
            {entry.picture && (
              <Box component="img" src={`${address}/${entry.id}`} width={entry.picture.width} height={entry.picture.height} alt={`Picture to: ${entry.text.slice(0, 60)}`} loading="lazy" sx={{ maxWidth: 360, width: '100%', height: 'auto', mt: 1 }} />
            )}
          </Box>
        ))}
      </Box>
      {lines.length > most && (
        <Button sx={{ mt: 1 }} onClick={() => setMost(most + PAGE)}>
          {`${lines.length - most} older`}
        </Button>
      )}
      {isCut(entries) && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          {`Of what was written, of changes and of who was stuck the newest ${MOST_LOG_LINES} each are here.`}
        </Typography>
      )}
    </Box>
  );
} // prettier-ignore

interface WriteFormProps {
  readonly projectId: string;
  readonly blocks: LogbookProps['blocks'];
  readonly onWritten: () => void;
}

function WriteForm({ projectId, blocks, onWritten }: WriteFormProps) {
  const [text, setText] = useState('');
  const [kind, setKind] = useState<LogKind>('note');
  const [block, setBlock] = useState(PROJECT);
  const [id, setId] = useState(newId);
  const [picture, setPicture] = useState<File | undefined>();
  const { error, isBusy, run } = useSend();
  useUnsaved(text.trim() !== '' || picture !== undefined);
  const write = () =>
    run(async () => {
      await send('POST', `/api/projects/${projectId}/log`, { id, kind, blockId: block === PROJECT ? null : block, text: text.trim(), ...(picture ? { image: await smallerPicture(picture) } : {}) });
      setText('');
      setPicture(undefined);
      setId(newId());
      onWritten();
    });
  return (
    <Paper
      component="form"
      className="no-print"
      sx={{ p: 2 }}
      onSubmit={(event) => {
        event.preventDefault();
        void write();
      }}
    >
      <Stack spacing={1.5}>
        <ErrorNote error={error} />
        <TextField label="Write it down" multiline minRows={2} value={text} onChange={({ target }) => setText(target.value)} slotProps={{ htmlInput: { maxLength: 4000 } }} />
        <Stack direction="row" sx={{ gap: 1.5, flexWrap: 'wrap' }}>
          <Box sx={{ minWidth: 170 }}>
            <Choice label="As a" value={kind} choices={[['note', 'note'], ['decision', 'decision'], ['next-time', 'thing for next time']]} onChange={(one) => setKind(one as LogKind)} />
          </Box>
          <Box sx={{ minWidth: 190 }}>
            <Choice label="On" value={block} choices={[[PROJECT, 'the whole project'], ...blocks.map((one) => [one.id, one.name] as const)]} onChange={setBlock} />
          </Box>
          <FileButton accept="image/*" onFile={setPicture}>
            {picture ? `Picture: ${picture.name}` : 'Add a picture'}
          </FileButton>
          {picture && <Button onClick={() => setPicture(undefined)}>Without it</Button>}
          <Button type="submit" variant="contained" disabled={isBusy || text.trim() === ''}>
            Write
          </Button>
        </Stack>
      </Stack>
    </Paper>
  );
} // prettier-ignore
