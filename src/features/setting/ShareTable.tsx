import Button from '@mui/material/Button';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import Typography from '@mui/material/Typography';
import type { StripShare } from '@/core/setting';

interface ShareTableProps {
  readonly shares: readonly StripShare[];
  readonly leftOver: readonly string[];
  readonly nameOf: (cell: number) => string;
  readonly onMove: (from: number, by: -1 | 1) => void;
}

/** The blocks in the order in which they are made, each with the strips and cornerstones that go into its bag. */
export function ShareTable({ shares, leftOver, nameOf, onMove }: ShareTableProps) {
  return (
    <>
      <Table
        size="small"
        aria-label="Strips for each block, in the order of making"
        sx={{ '& td, & th': { px: 0.75 } }}
      >
        <TableHead>
          <TableRow>
            <TableCell>Made</TableCell>
            <TableCell align="right">Level</TableCell>
            <TableCell align="right">Upright</TableCell>
            <TableCell align="right">Corners</TableCell>
            <TableCell />
          </TableRow>
        </TableHead>
        <TableBody>
          {shares.map(({ cell, horizontal, vertical, cornerstones }, index) => (
            <TableRow key={cell}>
              <TableCell>
                {index + 1}. {nameOf(cell)}
              </TableCell>
              <TableCell align="right">{horizontal}</TableCell>
              <TableCell align="right">{vertical}</TableCell>
              <TableCell align="right">{cornerstones}</TableCell>
              <TableCell sx={{ whiteSpace: 'nowrap' }}>
                {([-1, 1] as const).map((by) => (
                  <Button
                    key={by}
                    size="small"
                    variant="text"
                    disabled={index + by < 0 || index + by >= shares.length}
                    aria-label={`Make ${nameOf(cell)} ${by < 0 ? 'earlier' : 'later'}`}
                    onClick={() => onMove(index, by)}
                    sx={{ minWidth: 32, minHeight: 32, p: 0 }}
                  >
                    {by < 0 ? '↑' : '↓'}
                  </Button>
                ))}
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Typography>
        {leftOver.length === 0
          ? 'Every strip and cornerstone is used once; nothing is left to the end.'
          : leftOver.length === 1
            ? '1 strip touches no block: it is left to the end.'
            : `${leftOver.length} strips touch no block: they are left to the end.`}
      </Typography>
    </>
  );
}
