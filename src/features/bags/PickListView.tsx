import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { packedBlocks, pickList, pickStops, shareStops, type PickStop } from '@/core/bags';
import { formatLength } from '@/core/length';
import { counted } from '@/core/words';
import type { DropOfBlocks } from '@/core/packing';
import type { Maker } from '@/server/makers';
import type { Project } from '@/server/projects';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { PlainButton } from '@/ui/PlainButton';
import { SortableList } from '@/ui/SortableList';
import type { BagBlock } from './bagBlock';

interface PickListViewProps {
  readonly blocks: readonly BagBlock[];
  readonly makers: readonly Maker[];
  readonly drops: readonly DropOfBlocks[];
  readonly project: Pick<Project, 'unitSystem' | 'allowanceMm'>;
  /** Keys of the places along the shelf, as far as someone said. */
  readonly walk: readonly string[];
  /** Places are put in another order; none where that is not done here. */
  readonly onWalk?: (walk: readonly string[]) => void;
}

const ALL = 'all';
const MOST_HELPERS = 12;

/** What all bags, or those of a drop, take: place by place along the shelf, with how each total comes about, shared among helpers. */
export function PickListView({ blocks, makers, drops, project, walk, onWalk }: PickListViewProps) {
  const [drop, setDrop] = useState(ALL);
  const [helpers, setHelpers] = useState(1);
  const [isMoving, setIsMoving] = useState(false);
  const own = drops.find(({ id }) => id === drop);
  const wanted = own ? blocks.filter(({ id }) => own.blocks.includes(id)) : blocks;
  const list = pickList(packedBlocks(wanted, makers, { allowanceMm: project.allowanceMm, system: project.unitSystem }));
  const stops = pickStops(list, walk);
  const shares = shareStops(stops, helpers);
  const move = (id: string, toId: string) => {
    const keys = stops.map(({ key }) => key);
    const to = keys.indexOf(toId);
    // Places that this drop does not visit keep theirs.
    onWalk?.([...keys.filter((key) => key !== id).toSpliced(to, 0, id), ...walk.filter((key) => !keys.includes(key))]);
  };
  return (
    <Box>
      <Stack direction="row" className="no-print" sx={{ gap: 1.5, flexWrap: 'wrap', alignItems: 'center', mb: 1.5 }}>
        {drops.length > 0 && (
          <Box sx={{ width: 190 }}>
            <Choice label="For" value={drop} choices={[[ALL, 'all bags'], ...drops.map(({ id, title }) => [id, title] as const)]} onChange={setDrop} />
          </Box>
        )}
        <Box sx={{ width: 140 }}>
          <NumberField label="Helpers who pick" value={helpers} least={1} most={MOST_HELPERS} isWhole onChange={setHelpers} />
        </Box>
        {onWalk && (
          <PlainButton aria-expanded={isMoving} onClick={() => setIsMoving(!isMoving)}>
            {isMoving ? 'The places are right' : 'Order of the shelf'}
          </PlainButton>
        )}
      </Stack>
      <Typography gutterBottom>
        {`${own ? `${own.title}, for` : 'For'} ${counted(makers.length, 'maker')}, one bag for each block that they sew: ${counted(stops.length, 'place')}. Each place on the shelf is visited once.`}
      </Typography>
      {isMoving && (
        <Box className="no-print" sx={{ maxWidth: 520, mb: 2 }}>
          <Typography color="textSecondary" sx={{ mb: 0.5 }}>
            Drag a place to where it stands as you walk along the shelf, or take it up with the space bar.
          </Typography>
          <SortableList label="Places along the shelf" what="the place" items={stops.map(({ key, title }) => ({ id: key, content: <span>{title}</span> }))} onMove={move} />
        </Box>
      )}
      {shares.map((share, helper) => (
        <Box key={helper} component="section" aria-label={shares.length > 1 ? `Helper ${helper + 1}` : 'Pick list'}>
          {shares.length > 1 && (
            <Typography variant="h3" sx={{ mt: 3 }}>
              {`Helper ${helper + 1}: ${counted(share.length, 'place')}, ${counted(share.reduce((sum, { pieces }) => sum + pieces, 0), 'piece')}`}
            </Typography>
          )}
          <Lines stops={share} project={project} />
        </Box>
      ))}
    </Box>
  );
} // prettier-ignore

function Lines({ stops, project }: { readonly stops: readonly PickStop[]; readonly project: Pick<Project, 'unitSystem'> }) {
  const size = (millimetres: number) => formatLength(millimetres, project.unitSystem);
  return (
    <TableContainer>
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>Place</TableCell>
            <TableCell>What</TableCell>
            <TableCell align="right">Total</TableCell>
            <TableCell>Per bag × bags</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {stops.flatMap(({ key, title, lines }) =>
            lines.map((line, index) => {
              const cut = 'widthMm' in line ? `${size(line.widthMm)} × ${size(line.lengthMm)}` : '';
              return (
                <TableRow key={`${key}${index}`} sx={{ breakInside: 'avoid' }}>
                  <TableCell sx={{ fontWeight: 600 }}>{index === 0 ? title : ''}</TableCell>
                  <TableCell>{key === 'top' ? `${line.what}, ${cut}` : cut || 'papers'}</TableCell>
                  <TableCell align="right">
                    <strong>{line.total}</strong>
                  </TableCell>
                  <TableCell>{line.parts.map(({ block, perBag, bags }) => `${block} ${perBag} × ${bags}`).join(' + ')}</TableCell>
                </TableRow>
              );
            }),
          )}
        </TableBody>
      </Table>
    </TableContainer>
  );
} // prettier-ignore
