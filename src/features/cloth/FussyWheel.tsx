import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ShelfCloth } from '@/core/cloth';
import { wheelOf, type Motif } from '@/core/fussy';
import { counted } from '@/core/words';
import { RepeatPattern } from '@/ui/swatches';
import type { FussyPaper } from './fussyRequest';
import { usePictureOf } from './pictureOf';

interface FussyWheelProps {
  readonly paper: FussyPaper;
  readonly cloth: ShelfCloth;
  readonly fabrics: readonly string[];
  readonly motif: Motif;
}

/** Copies of the paper round its sharpest corner as they will look when they are sewn, allowance hidden; and the mirror image. */
export function FussyWheel({ paper, cloth, fabrics, motif }: FussyWheelProps) {
  const photo = usePictureOf(paper.fabric);
  const { corner, copies, isClosed } = wheelOf(paper.paper);
  const reach = Math.max(...paper.paper.map(({ x, y }) => Math.hypot(x - corner.x, y - corner.y))) * 1.03;
  // The print lies on the paper as the paper lies on the print, the other way round.
  const print = `translate(${motif.about.x} ${motif.about.y}) rotate(${-motif.turnDeg})`;
  const points = paper.paper.map(({ x, y }) => `${x},${y}`).join(' ');
  const wheel = (name: string, scale: string) => (
    <Box
      component="svg"
      role="img"
      aria-label={`${counted(copies, 'copy', 'copies')} of ${paper.id} round a corner${name === 'mirror' ? ', mirrored' : ''}`}
      viewBox={`${-reach} ${-reach} ${2 * reach} ${2 * reach}`}
      sx={{ width: '50%', maxWidth: 220, display: 'block' }}
    >
      <defs>
        <RepeatPattern
          id={`fussy-${name}`}
          fabric={paper.fabric}
          fabrics={fabrics}
          widthMm={cloth.repeatWidthMm}
          heightMm={cloth.repeatHeightMm}
          isHalfDrop={cloth.isHalfDrop}
          transform={print}
          picture={photo}
        />
      </defs>
      <g transform={scale}>
        {Array.from({ length: copies }, (_, copy) => (
          <g key={copy} transform={`rotate(${(360 / copies) * copy}) translate(${-corner.x} ${-corner.y})`}>
            <polygon points={points} fill={`url(#fussy-${name})`} stroke="currentColor" strokeWidth={reach / 300} />
          </g>
        ))}
      </g>
    </Box>
  );
  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        {wheel('front', '')}
        {wheel('mirror', 'scale(-1 1)')}
      </Box>
      <Typography color="textSecondary">
        {copies === 1 ? 'One alone' : counted(copies, 'copy', 'copies')} as sewn{copies > 1 && !isClosed ? ' (they do not close: the angle is no part of a full turn)' : ''}; beside it the mirror image, as it is seen from the back.
      </Typography>
    </Box>
  );
} // prettier-ignore
