import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { sayInnerLine, type InnerBags } from '@/core/bags';
import { times } from '@/core/words';

/** What goes into which inner bag of one block; nothing where it has no unit twice. */
export function InnerBagsList({ inner: { units, rest, spares } }: { readonly inner: InnerBags }) {
  if (units.length === 0) return null;
  return (
    <Box component="section" aria-label="Inner bags" sx={{ mt: 1 }}>
      <Typography>
        <strong>Inner bags:</strong>
      </Typography>
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {units.map(({ name, copies, lines }) => (
          <li key={name}>{`${copies} × ${name}, in each: ${lines.map(sayInnerLine).join('; ')}`}</li>
        ))}
        {rest.length > 0 && <li>{`loose: ${rest.map(sayInnerLine).join('; ')}`}</li>}
        {spares.length > 0 && (
          <li>{`spare papers: ${spares.map(({ count, kindName }) => times(count, kindName)).join('; ')}`}</li>
        )}
      </Box>
    </Box>
  );
}
