import Box from '@mui/material/Box';
import { counted } from '@/core/words';
import Typography from '@mui/material/Typography';

/** A maker who has begun a block. */
export interface MakerBegun {
  readonly name: string;
  readonly done: number;
  readonly total: number;
  /** Steps that count although they were sewn in another order. */
  readonly covered: number;
  readonly isOwnOrder: boolean;
}

/** Who has begun the block: what a change of the order means for them. */
export function BegunMakers({ makers }: { makers: readonly MakerBegun[] }) {
  if (makers.length === 0) return null;
  const touched = makers.filter(({ covered, isOwnOrder }) => covered > 0 || isOwnOrder);
  return (
    <Box component="section" aria-label="Makers who have begun" sx={{ mt: 2 }} className="no-print">
      <Typography color="textSecondary">
        {makers.length} {makers.length === 1 ? 'maker has' : 'makers have'} begun this block.{' '}
        {touched.length === 0
          ? 'All of them sew by this order; whatever you change, what they have sewn counts.'
          : 'What they sewed by an older order counts:'}
      </Typography>
      {touched.length > 0 && (
        <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
          {touched.map(({ name, done, total, covered, isOwnOrder }) => (
            <li key={name}>
              {name}: {done} of {counted(total, 'step')}, {covered} of them sewn in another way
              {isOwnOrder ? '; the steps on their page go round it' : ''}
            </li>
          ))}
        </Box>
      )}
    </Box>
  );
}
