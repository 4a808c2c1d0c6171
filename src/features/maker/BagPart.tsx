'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { formatLength, type UnitSystem } from '@/core/length';
import { BASTE_METHODS } from '@/core/basting';
import { counted } from '@/core/words';
import { Silhouette } from '@/ui/drawing';
import type { MakersBlock } from './useMakerBlock';

interface BagPartProps {
  readonly block: MakersBlock;
  readonly system: UnitSystem;
}

/** What lies in this block’s bag, what to lay ready, and how to begin. */
export default function BagPart({ block: { sheet, saved }, system }: BagPartProps) {
  const { bag, thread, basting } = sheet;
  const size = (millimetres: number) => formatLength(millimetres, system);
  const methods = [...new Set(basting.kinds.map(({ method }) => method))].map((method) => BASTE_METHODS[method].name.toLowerCase()); // prettier-ignore
  return (
    <Box component="section" aria-label="In the bag">
      <Box component="ul" sx={{ listStyle: 'none', p: 0, my: 1 }}>
        {bag.papers.map(({ kind, name, count, spares, left, right }) => (
          <Box component="li" key={name} sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.5 }}>
            <Silhouette outline={kind.outline} size={40} label={`Outline of ${name}`} />
            <span>
              <strong>{count + spares}</strong> × {name}
              {spares > 0 && ` (${counted(spares, 'spare')} among them)`}
              {left + right > 0 && `; wrap ${left} L and ${right} R`}
            </span>
          </Box>
        ))}
        {bag.fabrics.map(({ fabric, cuts }) => (
          <Box component="li" key={fabric} sx={{ py: 0.5 }}>
            <strong>{fabric}:</strong>{' '}
            {cuts.map(({ count, widthMm, lengthMm }) => `${count} of ${size(widthMm)} × ${size(lengthMm)}`).join(', ')}
          </Box>
        ))}
        {bag.extras.map(({ kindName, count, widthMm, lengthMm }) => (
          <Box component="li" key={`${kindName} ${widthMm} ${lengthMm}`} sx={{ py: 0.5 }}>
            {count} × {kindName}, {size(widthMm)} × {size(lengthMm)}
          </Box>
        ))}
      </Box>
      <Typography>
        <strong>Lay ready:</strong> needle, scissors, thimble, about {Math.ceil(thread.metres)} m of thread
        ({counted(thread.needlefuls, 'needleful')}), and for the papers: {methods.join(', ')}.
      </Typography>
      <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
        Before the first seam
      </Typography>
      <Box component="ol" sx={{ pl: 3, my: 0.5 }}>
        <li>
          Flip the picture to the back and lay the papers out as it shows them, letters up: so they lie while you wrap.
        </li>
        <li>Write each number on the side that faces you, or stick it on.</li>
        <li>Wrap them in the order of the steps, and put each back in its place.</li>
        <li>Flip the picture to the front again and look: every cloth where it belongs?</li>
      </Box>
      {saved !== '' && (
        <Typography sx={{ mt: 1 }}>
          <strong>When it is done, save for later blocks:</strong> {saved}.
        </Typography>
      )}
    </Box>
  ); // prettier-ignore
}
