import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
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

/** One picture: what it shows, in its own coordinates, and where its copies of the paper lie. */
interface Picture {
  readonly name: string;
  readonly label: string;
  readonly viewBox: string;
  /** Lays a copy of the paper. */
  readonly copies: readonly string[];
  readonly strokeWidth: number;
  readonly mirrorX?: number;
  readonly behind?: ReactNode;
}

/**
 * Copies of the paper as they will look when they are sewn, allowance hidden: where they lie in their block, and round the
 * sharpest corner where they close there. The mirror image beside it.
 */
export function FussyWheel({ paper, cloth, fabrics, motif }: FussyWheelProps) {
  const photo = usePictureOf(paper.fabric);
  const { copies, isClosed } = wheelOf(paper.paper);
  const isInBlock = paper.laid !== undefined && paper.laid.motions.length > 0;
  const wheel = isClosed || !isInBlock ? wheelPicture(paper) : undefined;
  const front = wheel ?? blockPicture(paper);
  const pictures = [front, mirrored(front), ...(wheel && isInBlock ? [blockPicture(paper)] : [])];
  // The print lies on the paper as the paper lies on the print, the other way round.
  const print = `translate(${motif.about.x} ${motif.about.y}) rotate(${-motif.turnDeg})`;
  const points = paper.paper.map(({ x, y }) => `${x},${y}`).join(' ');
  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        {pictures.map(({ name, label, viewBox, copies: laid, strokeWidth, mirrorX, behind }) => (
          <Box key={name} component="svg" role="img" aria-label={label} viewBox={viewBox} sx={{ width: `${100 / pictures.length}%`, maxWidth: 220, display: 'block' }}>
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
            <g transform={mirrorX === undefined ? undefined : `translate(${mirrorX} 0) scale(-1 1)`}>
              {behind}
              {laid.map((transform) => (
                <polygon key={transform} transform={transform} points={points} fill={`url(#fussy-${name})`} stroke="currentColor" strokeWidth={strokeWidth} />
              ))}
            </g>
          </Box>
        ))}
      </Box>
      <Typography color="textSecondary">
        {wheel
          ? `${copies === 1 ? 'One alone' : `${counted(copies, 'copy', 'copies')} round a corner`}${copies > 1 && !isClosed ? ' (they do not close: the angle is no part of a full turn)' : ''}; beside it the mirror image, as it is seen from the back${isInBlock ? `, and the papers as they lie in ${paper.block}` : ''}.`
          : `The papers as they lie in ${paper.block}; beside it the mirror image, as it is seen from the back.`}
      </Typography>
    </Box>
  );
} // prettier-ignore

function wheelPicture({ id, paper }: FussyPaper): Picture {
  const { corner, copies } = wheelOf(paper);
  const reach = Math.max(...paper.map(({ x, y }) => Math.hypot(x - corner.x, y - corner.y))) * 1.03;
  return {
    name: 'front',
    label: `${counted(copies, 'copy', 'copies')} of ${id} round a corner`,
    viewBox: `${-reach} ${-reach} ${2 * reach} ${2 * reach}`,
    copies: Array.from({ length: copies }, (_, copy) => `rotate(${(360 / copies) * copy}) translate(${-corner.x} ${-corner.y})`), // prettier-ignore
    strokeWidth: reach / 300,
  };
}

/** The block with the paper on each of its patches that has its shape. */
function blockPicture({ id, block, laid }: FussyPaper): Picture {
  const { widthMm = 1, heightMm = 1, motions = [], around } = laid ?? {};
  const rim = Math.max(widthMm, heightMm) / 100;
  return {
    name: 'block',
    label: `${counted(motions.length, 'copy', 'copies')} of ${id} in ${block}`,
    viewBox: `${-rim} ${-rim} ${widthMm + 2 * rim} ${heightMm + 2 * rim}`,
    copies: motions.map(({ cos, sin, x, y }) => `matrix(${cos} ${sin} ${-sin} ${cos} ${x} ${y})`),
    strokeWidth: rim / 3,
    behind: <path d={around} fill="none" stroke="currentColor" strokeWidth={rim / 4} opacity={0.35} />,
  };
}

function mirrored(picture: Picture): Picture {
  const [left = 0, , width = 0] = picture.viewBox.split(' ').map(Number);
  return {
    ...picture,
    name: `${picture.name}-mirror`,
    label: `${picture.label}, mirrored`,
    mirrorX: 2 * left + width,
  };
}
