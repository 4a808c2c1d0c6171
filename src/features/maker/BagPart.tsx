'use client';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { formatLength, formatThread, parseLength, type UnitSystem } from '@/core/length';
import { BASTE_METHODS } from '@/core/basting';
import { counted, timesWord } from '@/core/words';
import { Silhouette } from '@/ui/drawing';
import { PlainButton } from '@/ui/PlainButton';
import { NEEDLEFUL_MM, useOwnThread } from './useOwnThread';
import type { MakersBlock } from './useMakerBlock';

interface BagPartProps {
  readonly maker: { readonly id: string; readonly choice: string };
  readonly block: MakersBlock;
  readonly system: UnitSystem;
}

interface NeedlefulProps {
  readonly own: ReturnType<typeof useOwnThread>;
  readonly system: UnitSystem;
}

/** Where a maker says how far one needleful of theirs went: thread is reckoned by it from then on. */
function Needleful({ own: { thread, isMeasured, measure }, system }: NeedlefulProps) {
  const [typed, setTyped] = useState('');
  const [fault, setFault] = useState('');
  const { least, most } = NEEDLEFUL_MM;
  const keep = () => {
    try {
      const mm = parseLength(typed, system === 'inch' ? 'in' : 'cm');
      if (mm < least || mm > most) throw new Error();
      measure(mm);
      setTyped('');
      setFault('');
    } catch {
      setFault(`“${typed}” cannot be. Give a length from ${formatLength(least, system)} to ${formatLength(most, system)}.`);
    }
  };
  return (
    <Box sx={{ my: 1 }}>
      <Typography>
        {isMeasured ? 'By your own measure one needleful sews' : 'One needleful is taken to sew'} {formatLength(thread.seamOfNeedlefulMm, system)} of seam. Measure one of yours, and thread is reckoned by it.
      </Typography>
      <Box component="form" sx={{ display: 'flex', gap: 1, mt: 0.5, flexWrap: 'wrap' }} onSubmit={(event) => { event.preventDefault(); keep(); }}>
        <Box component="label" sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
          Mine sewed
          <Box component="input" value={typed} placeholder={system === 'inch' ? '9″' : '23 cm'} aria-invalid={fault !== ''} onChange={({ target }: React.ChangeEvent<HTMLInputElement>) => setTyped(target.value)} sx={{ width: 90, minHeight: 44, font: 'inherit', px: 1 }} />
        </Box>
        <PlainButton type="submit" disabled={typed.trim() === ''}>Keep it</PlainButton>
        {isMeasured && <PlainButton onClick={() => measure(undefined)}>As usual again</PlainButton>}
      </Box>
      {fault !== '' && <Typography role="alert" color="error">{fault}</Typography>}
    </Box>
  );
} // prettier-ignore

/** What lies in this block’s bag, what to lay ready, and how to begin. */
export default function BagPart({ maker, block: { sheet, saved, instead = [] }, system }: BagPartProps) {
  const { bag, basting } = sheet;
  const own = useOwnThread(maker.id, sheet.thread);
  const { thread } = own;
  const size = (millimetres: number) => formatLength(millimetres, system);
  const methods = [...new Set(basting.kinds.map(({ method }) => method))].map((method) => BASTE_METHODS[method].name.toLowerCase()); // prettier-ignore
  return (
    <Box component="section" aria-label="In the bag">
      {maker.choice !== '' && <Typography>{`As you chose: ${maker.choice}.`}</Typography>}
      <Box component="ul" sx={{ listStyle: 'none', p: 0, my: 1 }}>
        {bag.papers.map(({ kind, name, count, spares, left, right }) => (
          <Box component="li" key={name} sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.5 }}>
            <Silhouette outline={kind.outline} size={40} label={`Outline of ${name}`} />
            <span>
              <strong>{count + spares}</strong> {timesWord(name)} {name}
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
      {instead.map(({ what, instead: other }) => (
        <Typography key={what} sx={{ my: 0.5 }}>
          <strong>In your bag:</strong> {other} in place of {what}.
        </Typography>
      ))}
      <Typography>
        <strong>Lay ready:</strong> needle, scissors, thimble, about {formatThread(thread.metres, system)} of thread
        ({counted(thread.needlefuls, 'needleful')}), and for the papers: {methods.join(', ')}.
      </Typography>
      <Needleful own={own} system={system} />
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
