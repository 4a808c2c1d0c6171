import Box from '@mui/material/Box';
import { useId, type KeyboardEvent } from 'react';
import { boxOf, boxOfPoints, toPolygon, type Outline } from '@/core/geometry';
import type { Picture, ShownPaper } from '@/core/practice';
import type { BlockSheet, SheetPatch } from '@/core/sheet';
import { FoldLayer, PatchLabel, PatchLayer, PatchMark } from '@/ui/drawing';
import { middleOf } from '@/ui/outlinePath';
import { SwatchPatterns, swatchFill } from '@/ui/swatches';

/** Patches that can be tapped, those that are, and what is said of them once it is answered. */
export interface Tapping {
  readonly among: ReadonlySet<number>;
  readonly tapped: ReadonlySet<number>;
  /** Undefined once it is answered. */
  readonly onTap: ((patch: number) => void) | undefined;
  readonly right: ReadonlySet<number> | undefined;
}

interface PracticePictureProps {
  readonly picture: Picture;
  readonly sheet: BlockSheet;
  readonly fabrics: readonly string[];
  readonly tapping?: Tapping | undefined;
  /** Whether tails are drawn: once it is answered. */
  readonly showTails: boolean;
  readonly height: number | string;
}

/** What a question shows: the block so far, papers on the table, or two patches from behind. */
export function PracticePicture(props: PracticePictureProps) {
  const { picture, sheet, height } = props;
  if (picture.shows === 'papers') return <Papers papers={picture.papers} height={height} />;
  if (picture.shows === 'patches')
    return <FromBehind patches={picture.patches.flatMap((patch) => sheet.patches[patch] ?? [])} numbers={picture.patches} {...props} />; // prettier-ignore
  return <SoFar {...props} picture={picture} />;
}

const FRAME = { display: 'block', width: '100%', border: 1, borderColor: 'divider', bgcolor: 'background.paper' } as const; // prettier-ignore

/** The block with what is sewn in its cloth, what waits faint, what is asked about blank. */
function SoFar({
  picture: { upTo, held, hidden },
  sheet,
  fabrics,
  tapping,
  height,
}: PracticePictureProps & { readonly picture: Extract<Picture, { shows: 'block' }> }) {
  const prefix = `pr${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const { patches, widthMm, heightMm, steps } = sheet;
  const sewn = new Set(
    steps.slice(0, Math.min(upTo, steps.length)).flatMap((step) => (step.kind === 'join' ? [...step.left, ...step.right] : [])), // prettier-ignore
  );
  const blank = new Set(hidden);
  const inHand = new Set(held);
  const margin = Math.max(widthMm, heightMm) * 0.03 + 2;
  return (
    <Box
      component="svg"
      role={tapping ? 'group' : 'img'}
      aria-label={`The work so far: ${sewn.size} of ${patches.length} patches are sewn`}
      viewBox={`${-margin} ${-margin} ${widthMm + 2 * margin} ${heightMm + 2 * margin}`}
      sx={{ ...FRAME, height }}
    >
      <defs>
        <SwatchPatterns prefix={prefix} fabrics={fabrics} scale={Math.max(1, widthMm / 250)} />
      </defs>
      {patches.map((patch, index) => {
        if (blank.has(index))
          return (
            <PatchMark key={patch.id} outline={patch.outline} fill="none" strokeWidth={0.4} dash="2 3" />
          );
        const isFaint = inHand.size > 0 ? !inHand.has(index) : !sewn.has(index) && upTo < steps.length;
        return (
          <Tappable key={patch.id} index={index} patch={patch} tapping={tapping}>
            <g opacity={isFaint ? 0.25 : 1}>
              <PatchMark outline={patch.outline} fill={swatchFill(prefix, fabrics, patch.fabric)} {...lookOf(index, tapping)} />
              <PatchLabel at={middleOf(patch.outline)} text={String(index + 1)} size={labelSize(patch.outline)} />
            </g>
          </Tappable>
        ); // prettier-ignore
      })}
    </Box>
  );
}

function labelSize(outline: Outline): number {
  const { minX, minY, maxX, maxY } = boxOf(outline);
  return Math.min(9, Math.max(2.5, Math.sqrt((maxX - minX) * (maxY - minY)) / 3.2));
}

/** Tapped is thick; once answered, what was right is green and what was wrong is red. */
function lookOf(index: number, tapping: Tapping | undefined): { stroke?: string; strokeWidth?: number } {
  if (!tapping) return {};
  const isTapped = tapping.tapped.has(index);
  const { right } = tapping;
  if (right?.has(index)) return { stroke: 'var(--mui-palette-success-main)', strokeWidth: isTapped ? 5 : 3 };
  if (right && isTapped) return { stroke: 'var(--mui-palette-error-main)', strokeWidth: 5 };
  return isTapped ? { stroke: 'var(--mui-palette-primary-main)', strokeWidth: 5 } : {};
}

interface TappableProps {
  readonly index: number;
  readonly patch: SheetPatch;
  readonly tapping: Tapping | undefined;
  readonly children: React.ReactNode;
}

function Tappable({ index, patch, tapping, children }: TappableProps) {
  if (!tapping?.among.has(index)) return <g>{children}</g>;
  const { onTap, tapped } = tapping;
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key !== ' ' || !onTap) return;
    event.preventDefault();
    event.stopPropagation();
    onTap(index);
  };
  return (
    <Box
      component="g"
      role="checkbox"
      tabIndex={0}
      aria-checked={tapped.has(index)}
      aria-disabled={onTap === undefined}
      aria-label={`Paper ${index + 1}, ${patch.fabric}`}
      onClick={() => onTap?.(index)}
      onKeyDown={onKeyDown}
      sx={{ cursor: onTap ? 'pointer' : 'default', '&:focus-visible': { outline: 'none', '& path': { strokeWidth: 4 } } }} // prettier-ignore
    >
      {children}
    </Box>
  );
}

/** How each of several papers is turned on the table, degrees: none lies as another does. */
const TURNS = [0, 140, 255, 40];

/** Papers by themselves as they lie while they are wrapped, with their folds and the corner that is asked about. */
function Papers({
  papers,
  height,
}: {
  readonly papers: readonly ShownPaper[];
  readonly height: number | string;
}) {
  const size = Math.max(...papers.map(({ outline }) => { const box = boxOf(outline); return Math.hypot(box.maxX - box.minX, box.maxY - box.minY); })); // prettier-ignore
  const cell = size * (papers.length > 1 ? 1.1 : 1.25);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={papers.length > 1 ? `${papers.length} papers, turned this way and that` : 'A paper, its paper side towards you'} // prettier-ignore
      viewBox={`0 0 ${cell * papers.length} ${cell * 1.12}`}
      sx={{ ...FRAME, height }}
    >
      {papers.map((paper, index) => (
        <g key={index} transform={`translate(${cell * (index + 0.5)} ${cell / 2})`}>
          {papers.length > 1 ? (
            <>
              <g transform={`rotate(${TURNS[index % TURNS.length] ?? 0})`}>
                <Lone outline={paper.outline} />
              </g>
              <text y={cell * 0.58} fontSize={cell * 0.08} textAnchor="middle" fill="currentColor">
                {index + 1}
              </text>
            </>
          ) : (
            <Wrapped paper={paper} />
          )}
        </g>
      ))}
    </Box>
  );
}

function Lone({ outline }: { readonly outline: Outline }) {
  const box = boxOf(outline);
  return (
    <g transform={`translate(${-(box.minX + box.maxX) / 2} ${-(box.minY + box.maxY) / 2})`}>
      <PatchMark outline={outline} fill="none" strokeWidth={2} />
    </g>
  );
}

/** A paper from its paper side: the mirror of the front, with numbers that stay upright. */
function Wrapped({ paper: { outline, foldOrder = [], corner } }: { readonly paper: ShownPaper }) {
  const box = boxOf(outline);
  const at = corner === undefined ? undefined : outline.corners[corner];
  return (
    <g transform={`matrix(-1 0 0 1 ${(box.minX + box.maxX) / 2} ${-(box.minY + box.maxY) / 2})`}>
      <PatchMark outline={outline} fill="none" strokeWidth={2} />
      <FoldLayer patches={[{ id: 'paper', outline, foldOrder }]} isFlipped />
      {at && (
        <circle
          cx={at.x}
          cy={at.y}
          r={Math.hypot(box.maxX - box.minX, box.maxY - box.minY) * 0.06}
          fill="none"
          stroke="var(--mui-palette-error-main)"
          strokeWidth={3}
          vectorEffect="non-scaling-stroke"
        />
      )}
    </g>
  );
}

/** Two patches from behind, their folds numbered; their tails once it is answered. */
function FromBehind({
  patches,
  numbers,
  fabrics,
  showTails,
  height,
}: Pick<PracticePictureProps, 'fabrics' | 'showTails' | 'height'> & {
  readonly patches: readonly SheetPatch[];
  readonly numbers: readonly number[];
}) {
  const prefix = `pb${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const box = boxOfPoints(patches.flatMap(({ outline }) => toPolygon(outline, 0.2)));
  const [wide, high] = [box.maxX - box.minX, box.maxY - box.minY];
  const pad = Math.max(wide, high) * 0.2;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`Patches ${numbers.map((patch) => patch + 1).join(' and ')} from the back, their folds numbered${showTails ? ', with their tails' : ''}`}
      viewBox={`${box.minX - pad} ${box.minY - pad} ${wide + 2 * pad} ${high + 2 * pad}`}
      sx={{ ...FRAME, height }}
    >
      <defs>
        <SwatchPatterns prefix={prefix} fabrics={fabrics} scale={Math.max(0.6, wide / 250)} />
      </defs>
      <g transform={`matrix(-1 0 0 1 ${box.minX + box.maxX} 0)`}>
        <PatchLayer
          patches={patches}
          numbers={numbers}
          fabrics={fabrics}
          prefix={prefix}
          ink={() => 'normal'}
          isFlipped
          showTails={showTails}
        />
        <FoldLayer patches={patches} isFlipped />
      </g>
    </Box>
  );
}
