'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { scaleLinear } from 'd3';
import { useState } from 'react';
import useSWR from 'swr';
import { counted, firstSentence } from '@/core/words';
import type { Maker } from '@/server/makers';
import type { BlockUnits as Units } from '@/server/progress';
import { read } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { formatMinutes } from '@/ui/formatMinutes';
import { LinkButton } from '@/ui/LinkButton';
import { useLive } from '@/ui/useLive';
import { asRefusal } from '@/ui/api';

interface BlockUnitsProps {
  readonly projectId: string;
  readonly blockId: string;
  readonly makers: readonly Maker[];
  readonly onClose: () => void;
}

/** One block of the wall, nearer: its units by maker, each unit’s steps on asking, and which steps take longer than planned. */
export function BlockUnits({ projectId, blockId, makers, onClose }: BlockUnitsProps) {
  const { data, error, mutate } = useSWR<Units, unknown>(`/api/projects/${projectId}/progress?block=${blockId}`, read);
  useLive(projectId, ['progress', 'blocks'], () => mutate());
  const [opened, setOpened] = useState<string | undefined>();
  const unit = data?.units.find(({ key }) => key === opened);
  return (
    <Box component="section" aria-label="Units of a block" sx={{ border: 1, borderColor: 'primary.main', p: 2, mb: 2 }}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', gap: 1, flexWrap: 'wrap', mb: 1 }}>
        <Typography variant="h3">{data ? `${data.name}, unit by unit` : 'Units'}</Typography>
        <Stack direction="row" spacing={1}>
          <LinkButton href={`/p/${projectId}/order/${blockId}`}>Its order of work</LinkButton>
          <Button onClick={onClose}>Close</Button>
        </Stack>
      </Stack>
      {error !== undefined && <ErrorNote error={asRefusal(error)} />}
      {!data && error === undefined && <Typography role="status">One moment …</Typography>}
      {data && <UnitTable data={data} makers={makers} opened={opened} onOpen={(key) => setOpened(key === opened ? undefined : key)} />}
      {unit && (
        <Box sx={{ mt: 1.5 }}>
          <Typography variant="h4" component="h4">{`${unit.name}: ${counted(unit.steps.length, 'step')}, ${formatMinutes(unit.minutes)}`}</Typography>
          <StepList unit={unit} inOrder={data?.inOrder ?? 0} makers={makers} href={(id) => `/p/${projectId}/order/${blockId}?step=${id}`} />
        </Box>
      )}
      {data && data.slow.length > 0 && (
        <Box sx={{ mt: 1.5 }}>
          <Typography variant="h4" component="h4">Takes longer than planned</Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {data.slow.map(({ stepId, number, text, standardMinutes, medianMinutes, timed }) => (
              <li key={stepId}>
                {`Step ${number}, ${firstSentence(text)} ${formatMinutes(medianMinutes)} in the middle of ${timed} timed, planned ${formatMinutes(standardMinutes)}: teach it, or plan more under Settings.`}
              </li>
            ))}
          </Box>
        </Box>
      )}
    </Box>
  );
} // prettier-ignore

interface StepListProps {
  readonly unit: Units['units'][number];
  readonly inOrder: number;
  readonly makers: readonly Maker[];
  readonly href: (stepId: string) => string;
}

/** The steps of a unit: each filled as far as the group has done it, with its count and who is stuck on it. */
function StepList({ unit, inOrder, makers, href }: StepListProps) {
  return (
    <Box component="ol" tabIndex={0} aria-label={`Steps of ${unit.name}`} sx={{ m: 0, p: 0, listStyle: 'none', maxHeight: 300, overflow: 'auto', '& > li': { px: 1, py: 0.25, mb: '2px' } }}>
      {unit.steps.map(({ id, number, text, done, stuck }) => (
        <li key={id} style={{ background: filled(done, inOrder, stuck.length > 0) }}>
          <a href={href(id)}>{number}</a> {firstSentence(text)} {`Done by ${done} of ${inOrder}.`}
          {stuck.length > 0 && <b>{` Stuck: ${stuck.map((one) => makers.find((maker) => maker.id === one)?.name ?? 'a maker not shown').join(', ')}.`}</b>}
        </li>
      ))}
    </Box>
  );
} // prettier-ignore

interface UnitTableProps {
  readonly data: Units;
  readonly makers: readonly Maker[];
  readonly opened: string | undefined;
  readonly onOpen: (key: string) => void;
}

/** A cell is filled as far as its unit is done, and says it in figures. */
function UnitTable({ data, makers, opened, onOpen }: UnitTableProps) {
  const own = new Map(data.makers.map((entry) => [entry.makerId, entry]));
  return (
    <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="region" aria-label="Units by maker">
      <Box component="table" sx={{ borderCollapse: 'collapse', '& td, & th': { px: 1, py: 0.5, textAlign: 'left', border: '1px solid', borderColor: 'divider', whiteSpace: 'nowrap' } }}>
        <thead>
          <tr>
            <th scope="col">Maker</th>
            {data.units.map(({ key, name, count }) => (
              <th scope="col" key={key}>
                <Button size="small" variant="text" aria-expanded={key === opened} onClick={() => onOpen(key)}>
                  {name} · {count}
                </Button>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {makers.flatMap((maker) => {
            const entry = own.get(maker.id);
            if (!entry) return [];
            return (
              <tr key={maker.id}>
                <th scope="row">{maker.name}</th>
                {entry.done === null ? (
                  <td colSpan={data.units.length}>goes round what they sewed by an older order</td>
                ) : (
                  data.units.map(({ key, count }, index) => <UnitCell key={key} done={entry.done?.[index] ?? 0} count={count} isStuck={entry.stuckAt === index} />)
                )}
              </tr>
            );
          })}
        </tbody>
      </Box>
    </Box>
  );
} // prettier-ignore

const share = scaleLinear([0, 1], [0, 100]).clamp(true);

/** A ground that is coloured as far as something is done. */
function filled(done: number, count: number, isStuck: boolean): string {
  const end = `${share(done / Math.max(1, count))}%`;
  const color = `color-mix(in srgb, var(--mui-palette-${isStuck ? 'error' : done >= count ? 'success' : 'primary'}-main) 30%, transparent)`;
  return `linear-gradient(to right, ${color} ${end}, transparent ${end})`;
} // prettier-ignore

function UnitCell({ done, count, isStuck }: { readonly done: number; readonly count: number; readonly isStuck: boolean }) {
  return (
    <td style={{ background: filled(done, count, isStuck) }}>
      {done} of {count}
      {isStuck && ' · stuck'}
    </td>
  );
} // prettier-ignore
