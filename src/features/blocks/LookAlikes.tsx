'use client';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { wrap } from 'comlink';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { boxOfPoints, toPolygon, type Outline } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import {
  LETTER_RULE,
  PAPER_MARKS,
  type ChosenMark,
  type LookAlike,
  type NamedPaper,
  type PaperMark,
} from '@/core/shapes';
import { asRefusal, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { outlinePath } from '@/ui/outlinePath';
import { sayMeasure } from '@/ui/sayMeasure';
import type { ImportWorker } from '@/workers/importWorker';

interface ProjectPaper extends NamedPaper {
  readonly blocks: readonly string[];
  /** The mark that it bears, proposed or chosen. */
  readonly mark?: PaperMark;
  /** What the host chose, if anything. */
  readonly chosen?: ChosenMark['mark'];
}

/** Papers of the whole project that are easily swapped, drawn over each other, with what tells them apart. */
export function LookAlikes({
  projectId,
  papers,
  system,
}: {
  projectId: string;
  papers: readonly ProjectPaper[];
  system: UnitSystem;
}) {
  const [found, setFound] = useState<readonly LookAlike[] | undefined>();
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/importWorker.ts', import.meta.url), { type: 'module' });
    void wrap<ImportWorker>(worker).lookAlikes(papers).then(setFound);
    return () => worker.terminate();
  }, [papers]);
  return (
    <Box component="section" sx={{ mt: 4 }}>
      <Typography variant="h2" gutterBottom>
        Hard to tell apart
      </Typography>
      {found === undefined && <Typography color="textSecondary">The papers are being compared …</Typography>}
      {found?.length === 0 && (
        <Typography>No two papers of this project are easily taken for each other.</Typography>
      )}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(330px, 1fr))', gap: 2 }}>
        {found?.map((one, index) => (
          <Paper key={index} sx={{ p: 1.5, display: 'flex', gap: 2, alignItems: 'center' }}>
            {one.kind === 'pair' ? (
              <Pair projectId={projectId} one={one} papers={papers} system={system} />
            ) : (
              <Hands one={one} paper={papers[one.paper]} />
            )}
          </Paper>
        ))}
      </Box>
    </Box>
  );
}

function Pair({
  projectId,
  one,
  papers,
  system,
}: {
  projectId: string;
  one: Extract<LookAlike, { kind: 'pair' }>;
  papers: readonly ProjectPaper[];
  system: UnitSystem;
}) {
  const [a, b] = [papers[one.papers[0]], papers[one.papers[1]]];
  if (!a || !b) return null;
  return (
    <>
      <Overlay still={a.outline} over={one.laidOn} />
      <Box sx={{ minWidth: 0, flex: 1 }}>
        <strong>{a.name}</strong> ({a.blocks.join(', ')}) and <strong>{b.name}</strong> ({b.blocks.join(', ')}
        )
        <Typography color="textSecondary">
          Laid on each other they differ by {one.distanceMm.toFixed(1)} mm at most. Tell them by the{' '}
          {one.tellBy.name}: {sayMeasure(one.tellBy, 'a', system)} against{' '}
          {sayMeasure(one.tellBy, 'b', system)}.
        </Typography>
        <Stack sx={{ mt: 1.25, gap: 1.25 }}>
          <MarkChoice projectId={projectId} paper={a} />
          <MarkChoice projectId={projectId} paper={b} />
        </Stack>
      </Box>
    </>
  );
}

function Hands({
  one,
  paper,
}: {
  one: Extract<LookAlike, { kind: 'hands' }>;
  paper: ProjectPaper | undefined;
}) {
  if (!paper) return null;
  return (
    <>
      <Overlay still={paper.outline} over={one.turned} />
      <Box>
        <strong>{paper.name}</strong> ({paper.blocks.join(', ')}) comes left and right
        <Typography color="textSecondary">
          One is the mirror image of the other. Each is printed with its letter: {LETTER_RULE}, or half of
          them cannot be placed.
        </Typography>
      </Box>
    </>
  );
}

/** The mark that a paper bears on lists, labels, steps and printed papers; the host may choose another. */
function MarkChoice({ projectId, paper }: { projectId: string; paper: ProjectPaper }) {
  const router = useRouter();
  const notice = useNotice();
  const choose = async (mark: ChosenMark['mark'] | 'proposed') => {
    const before = paper.chosen ?? 'proposed';
    const put = (one: typeof mark) =>
      send('PATCH', `/api/projects/${projectId}/marks`, { outline: paper.outline, mark: one }).then(() =>
        router.refresh(),
      );
    try {
      await put(mark);
      notice({ text: `The mark of ${paper.name} is changed everywhere.`, undo: () => put(before) });
    } catch (error) {
      notice({ text: asRefusal(error).message });
    }
  };
  return (
    <TextField
      select
      label={`Mark of ${paper.name}`}
      value={paper.chosen ?? 'proposed'}
      onChange={(event) => void choose(event.target.value as ChosenMark['mark'] | 'proposed')}
      fullWidth
    >
      <MenuItem value="proposed">
        {paper.chosen ? 'as proposed' : `${paper.mark ?? 'plain'} (proposed)`}
      </MenuItem>
      <MenuItem value="none">plain</MenuItem>
      {PAPER_MARKS.map((mark) => (
        <MenuItem key={mark} value={mark}>
          {mark}
        </MenuItem>
      ))}
    </TextField>
  );
}

function Overlay({ still, over }: { still: Outline; over: Outline }) {
  const { minX, minY, maxX, maxY } = boxOfPoints([...toPolygon(still, 0.5), ...toPolygon(over, 0.5)]);
  const pad = (maxX - minX + maxY - minY) * 0.03;
  const box = `${minX - pad} ${minY - pad} ${maxX - minX + 2 * pad} ${maxY - minY + 2 * pad}`;
  return (
    <svg width={96} height={96} viewBox={box} aria-hidden="true" style={{ flexShrink: 0 }}>
      <path
        d={outlinePath(still)}
        fill="var(--mui-palette-primary-main)"
        fillOpacity={0.22}
        stroke="var(--mui-palette-primary-main)"
        strokeWidth={2}
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={outlinePath(over)}
        fill="none"
        stroke="var(--mui-palette-error-main)"
        strokeWidth={2}
        strokeDasharray="5 3"
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}
