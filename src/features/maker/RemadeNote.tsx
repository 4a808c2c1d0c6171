import Typography from '@mui/material/Typography';
import { counted, firstSentence } from '@/core/words';
import { Framed } from './MakerNotes';
import type { MakersBlock } from './useMakerBlock';

/** Steps named here; more are told by their number. */
const MOST_NAMED = 3;

/** Said at the top: what was sewn with papers or cloth that the block no longer has, and what becomes of it. */
export default function RemadeNote({ block }: { readonly block: MakersBlock }) {
  const { steps } = block.sheet;
  const changed = steps.flatMap((step, index) => (block.remade.has(step.id) ? [{ step, index }] : []));
  if (changed.length === 0) return null;
  return (
    <Framed color="error.main">
      <strong>Your host changed papers or cloth of this block.</strong> {counted(changed.length, 'step')} that you had
      done {changed.length === 1 ? 'is' : 'are'} to be done again:
      <ul>
        {changed.slice(0, MOST_NAMED).map(({ step, index }) => (
          <li key={step.id}>
            Step {index + 1}: {firstSentence(step.text)}
          </li>
        ))}
      </ul>
      {changed.length > MOST_NAMED && <Typography>and {changed.length - MOST_NAMED} more.</Typography>}
      <Typography>
        What is made already does not fit any more. Keep it whole, sew nothing to it, and ask your host: new papers and
        cloth may be in your next bag.
      </Typography>
    </Framed>
  ); // prettier-ignore
}
