import Box from '@mui/material/Box';
import type { Problem } from '@/core/block';
import type { SheetPatch } from '@/core/sheet';
import { patchNumbers, sayNumbers } from '@/ui/patchNumbers';

/** Most problems listed at once; the drawing shows them all. */
const MOST_LISTED = 30;

/** Problems in sentences, with the numbers that the drawing shows on the patches concerned. */
export function ProblemList({
  problems,
  patches,
}: {
  problems: readonly Problem[];
  patches: readonly SheetPatch[];
}) {
  const numbers = patchNumbers(patches);
  return (
    <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
      {problems.slice(0, MOST_LISTED).map(({ message, patches: ids }, index) => (
        <li key={index}>
          {message}
          {sayNumbers(ids, numbers)}
        </li>
      ))}
      {problems.length > MOST_LISTED && (
        <li>… and {problems.length - MOST_LISTED} more, ringed on the drawing.</li>
      )}
    </Box>
  );
}
