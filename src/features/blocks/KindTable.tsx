import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableContainer from '@mui/material/TableContainer';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { formatArea, type UnitSystem } from '@/core/length';
import type { SheetKind } from '@/core/sheet';
import { Silhouette } from '@/ui/drawing';

/** Paper kinds with their silhouette, count, hands and area. */
export function KindTable({ kinds, system }: { kinds: readonly SheetKind[]; system: UnitSystem }) {
  return (
    <TableContainer>
      <Table size="small" aria-label="Paper kinds">
        <TableHead>
          <TableRow>
            <TableCell />
            <TableCell>Paper</TableCell>
            <TableCell align="right">Count</TableCell>
            <TableCell>Way up</TableCell>
            <TableCell align="right">Area each</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {kinds.map((kind) => (
            <TableRow key={kind.id}>
              <TableCell sx={{ width: 52 }}>
                <Silhouette outline={kind.outline} size={32} label={`Outline of ${kind.name}`} />
              </TableCell>
              <TableCell>{kind.name}</TableCell>
              <TableCell align="right">{kind.count}</TableCell>
              <TableCell>
                {kind.left + kind.right > 0 ? `${kind.left} L, ${kind.right} R` : 'either'}
              </TableCell>
              <TableCell align="right">{formatArea(kind.areaMm2, system)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </TableContainer>
  );
}
