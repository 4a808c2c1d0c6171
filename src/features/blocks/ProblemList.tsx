import Box from '@mui/material/Box';
import type { Problem } from '@/core/block';
import type { SheetPatch } from '@/core/sheet';

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
  const numbers = new Map(patches.map(({ id }, index) => [id, index + 1]));
  return (
    <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
      {problems.slice(0, MOST_LISTED).map(({ message, patches: ids }, index) => {
        const known = ids.flatMap((id) => (numbers.has(id) ? [`${id} is ${numbers.get(id)}`] : []));
        return (
          <li key={index}>
            {message}
            {known.length > 0 ? ` (On the drawing ${known.join(', ')}.)` : ''}
          </li>
        );
      })}
      {problems.length > MOST_LISTED && (
        <li>… and {problems.length - MOST_LISTED} more, ringed on the drawing.</li>
      )}
    </Box>
  );
}
