import Box from '@mui/material/Box';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { PickLine, PickList } from '@/core/bags';
import { formatLength } from '@/core/length';
import { counted } from '@/core/words';
import type { Project } from '@/server/projects';

interface PickListViewProps {
  readonly list: PickList;
  readonly project: Pick<Project, 'unitSystem'>;
  readonly makers: number;
}

/** What all bags take: one line per thing, with how its total comes about. */
export function PickListView({ list, project, makers }: PickListViewProps) {
  const size = (millimetres: number) => formatLength(millimetres, project.unitSystem);
  return (
    <Box>
      <Typography gutterBottom>
        For {counted(makers, 'maker')}, one bag for each block that they sew. Each shelf is visited once.
      </Typography>
      <Typography variant="h3" sx={{ mt: 2 }}>
        Papers
      </Typography>
      <Lines lines={list.papers.map((line) => ({ ...line, name: line.what }))} first="Paper" />
      {list.extras.length > 0 && (
        <>
          <Typography variant="h3" sx={{ mt: 2 }}>
            For the places in the top
          </Typography>
          <Lines
            lines={list.extras.map((line) => ({
              ...line,
              name: `${line.what}, ${size(line.widthMm)} × ${size(line.lengthMm)}`,
            }))}
            first="Cut"
          />
        </>
      )}
      {list.cloth.map(({ fabric, lines }) => (
        <Box key={fabric} sx={{ breakInside: 'avoid' }}>
          <Typography variant="h3" sx={{ mt: 2 }}>
            {fabric}
          </Typography>
          <Lines
            lines={lines.map((line) => ({ ...line, name: `${size(line.widthMm)} × ${size(line.lengthMm)}` }))}
            first="Cut"
          />
        </Box>
      ))}
    </Box>
  );
}

function Lines({ lines, first }: { lines: readonly (PickLine & { name: string })[]; first: string }) {
  return (
    <TableContainer>
      <Table size="small">
        <TableHead>
          <TableRow>
            <TableCell>{first}</TableCell>
            <TableCell align="right">Total</TableCell>
            <TableCell>Per bag × bags</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {lines.map(({ name, total, parts }) => (
            <TableRow key={name}>
              <TableCell>{name}</TableCell>
              <TableCell align="right">
                <strong>{total}</strong>
              </TableCell>
              <TableCell>
                {parts.map(({ block, perBag, bags }) => `${block} ${perBag} × ${bags}`).join(' + ')}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
