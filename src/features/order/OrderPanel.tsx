'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { wrap } from 'comlink';
import { useRef, useState } from 'react';
import type { School, SchoolSummary } from '@/core/assembly';
import type { OrderChoices } from '@/core/block';
import type { BastePolicy } from '@/core/papers';
import { withApplique, withBatches, withPolicy, type BlockSheet } from '@/core/sheet';
import { formatMinutes } from '@/ui/formatMinutes';
import type { OrderWorker } from '@/workers/orderWorker';
import { PapersPanel } from './PapersPanel';
import { useSchool } from './useSchool';
import { useDocumentChange } from './useDocumentChange';

/** How upper layers may be sewn on. The first is proposed: press first, then the outer papers may come out. */
const APPLIQUE: Readonly<Record<string, { says: string; choice?: NonNullable<OrderChoices['applique']> }>> = {
  before: { says: 'papers out first, background stays' },
  cut: {
    says: 'papers out first, background cut away behind',
    choice: { papersOut: 'before', isCutAway: true },
  },
  after: {
    says: 'papers stay in, background cut away, papers out from behind',
    choice: { papersOut: 'after', isCutAway: true },
  },
  slit: {
    says: 'papers stay in, out through a slit behind',
    choice: { papersOut: 'after', isCutAway: false },
  },
};

function appliqueName(choice: OrderChoices['applique']): string {
  const { papersOut = 'before', isCutAway = papersOut === 'after' } = choice ?? {};
  if (papersOut === 'before') return isCutAway ? 'cut' : 'before';
  return isCutAway ? 'after' : 'slit';
}

interface OrderPanelProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly sheet: BlockSheet;
}

/** The schools side by side, what each costs, and the papers in the hand over the time of sewing. */
export function OrderPanel({ projectId, blockId, sheet }: OrderPanelProps) {
  const change = useDocumentChange(projectId, blockId);
  const [comparison, setComparison] = useState<readonly SchoolSummary[] | 'busy' | undefined>();
  const worker = useRef<Worker>(null);
  const { school, order = { school } } = sheet.plan;
  const compare = async () => {
    setComparison('busy');
    const own = new Worker(new URL('../../workers/orderWorker.ts', import.meta.url), { type: 'module' });
    worker.current = own;
    const found = await wrap<OrderWorker>(own).compare(sheet.patches, sheet.sewing);
    own.terminate();
    if (worker.current === own) setComparison(found);
  };
  const cancel = () => {
    worker.current?.terminate();
    worker.current = null;
    setComparison(undefined);
  };
  const use = useSchool(projectId, blockId);
  const setBatches = (value: string) =>
    change('The order of work is changed. Ticks on joins that stay the same are kept.', (document) =>
      withBatches(document, value === 'free' ? undefined : value === 'together'),
    );
  const setPolicy = (policy: BastePolicy) =>
    change('Basting stands elsewhere in the order now. What is basted counts.', (document) =>
      withPolicy(document, policy),
    );
  const setApplique = (value: string) =>
    change('The appliqué steps are changed.', (document) => withApplique(document, APPLIQUE[value]?.choice));
  const joins = sheet.steps.flatMap((step) => (step.kind === 'join' ? [step] : []));
  const hasRepeats = joins.some(({ repeat }) => repeat);
  const hasLayers = sheet.patches.some(({ layer }) => layer !== sheet.patches[0]?.layer);
  return (
    <Stack spacing={2} sx={{ mt: 3 }} className="no-print">
      {(hasRepeats || hasLayers) && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2 }}>
          {hasRepeats && (
            <TextField
              select
              size="small"
              label="Units that are alike"
              value={order.isBatched === undefined ? 'free' : order.isBatched ? 'together' : 'apart'}
              onChange={({ target }) => void setBatches(target.value)}
              sx={{ maxWidth: 420 }}
            >
              <MenuItem value="free">one after another where it costs nothing</MenuItem>
              <MenuItem value="together">always one after another</MenuItem>
              <MenuItem value="apart">each where it comes</MenuItem>
            </TextField>
          )}
          {hasLayers && (
            <TextField
              select
              size="small"
              label="Appliqué"
              value={appliqueName(order.applique)}
              onChange={({ target }) => void setApplique(target.value)}
              sx={{ maxWidth: 420 }}
            >
              {Object.entries(APPLIQUE).map(([name, { says }]) => (
                <MenuItem key={name} value={name}>
                  {says}
                </MenuItem>
              ))}
            </TextField>
          )}
        </Box>
      )}
      <PapersPanel projectId={projectId} sheet={sheet} onPolicy={(next) => void setPolicy(next)} />
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center' }}>
        <Typography variant="h3">Other orders</Typography>
        {comparison === 'busy' ? (
          <>
            <Typography role="status">All schools are being planned …</Typography>
            <Button onClick={cancel}>Cancel</Button>
          </>
        ) : (
          <Button onClick={() => void compare()}>Compare the schools</Button>
        )}
      </Stack>
      {comparison && comparison !== 'busy' && (
        <SchoolTable schools={comparison} current={school} onUse={use} />
      )}
    </Stack>
  );
}

interface SchoolTableProps {
  readonly schools: readonly SchoolSummary[];
  readonly current: School;
  readonly onUse: (school: School) => void;
}

function SchoolTable({ schools, current, onUse }: SchoolTableProps) {
  return (
    <TableContainer>
      <Table size="small" aria-label="Schools compared">
        <TableHead>
          <TableRow>
            <TableCell>Order</TableCell>
            <TableCell align="right">Bends</TableCell>
            <TableCell align="right">Threads</TableCell>
            <TableCell align="right">Time</TableCell>
            <TableCell align="right">Largest unit</TableCell>
            <TableCell align="right">Made alike</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {schools.map((one) => (
            <TableRow key={one.school} selected={one.school === current}>
              <TableCell>
                <strong>{one.name}</strong>
                <Typography variant="body2" color="textSecondary">
                  {one.what} {one.says}
                </Typography>
              </TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                {one.bends} (least {one.bendsLeast})
              </TableCell>
              <TableCell align="right">{one.threadStarts}</TableCell>
              <TableCell align="right" sx={{ whiteSpace: 'nowrap' }}>
                {formatMinutes(one.minutes)}
              </TableCell>
              <TableCell align="right">{one.largestUnit}</TableCell>
              <TableCell align="right">{Math.round(one.repeatedShare * 100)} %</TableCell>
              <TableCell>
                {one.school === current ? (
                  'in use'
                ) : (
                  <Button size="small" onClick={() => onUse(one.school)} aria-label={`Use ${one.name}`}>
                    Use
                  </Button>
                )}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
