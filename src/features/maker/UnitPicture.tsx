import Box from '@mui/material/Box';
import { useId } from 'react';
import { boxOfPoints } from '@/core/geometry';
import type { BlockSheet, Step } from '@/core/sheet';
import { PatchLabel, PatchMark } from '@/ui/drawing';
import { middleOf } from '@/ui/outlinePath';
import { SwatchPatterns, swatchFill } from '@/ui/swatches';

interface UnitPictureProps {
  readonly sheet: Pick<BlockSheet, 'patches'>;
  /** The step that makes the unit. */
  readonly step: Step | undefined;
  readonly fabrics: readonly string[];
}

/** Height of the numbers as a share of the picture: where many patches lie in it they are smaller, so that their cloths are seen. */
const LABEL_SHARE = { few: 0.16, many: 0.115 };
const FEW = 3;

/** What a step makes, small and as it lies in the block, each patch in its cloth and with the number of its paper. */
export function UnitPicture({ sheet, step, fabrics }: UnitPictureProps) {
  const prefix = `unit${useId().replace(/\W/g, '')}`;
  if (step?.kind !== 'join') return null;
  const unit = [...step.left, ...step.right].flatMap((index) => {
    const patch = sheet.patches[index];
    return patch ? [{ ...patch, number: index + 1 }] : [];
  });
  const { minX, minY, maxX, maxY } = boxOfPoints(unit.flatMap(({ outline }) => outline.corners));
  const size = Math.max(maxX - minX, maxY - minY);
  const margin = size * 0.04;
  const label = unit.length > FEW ? LABEL_SHARE.many : LABEL_SHARE.few;
  return (
    <Box
      component="svg"
      aria-hidden="true"
      data-unit={unit.map(({ number }) => number).join(' ')}
      viewBox={`${minX - margin} ${minY - margin} ${maxX - minX + 2 * margin} ${maxY - minY + 2 * margin}`}
      sx={{ width: 104, height: 104, flex: 'none' }}
    >
      <defs>
        <SwatchPatterns prefix={prefix} fabrics={fabrics} scale={Math.max(1, size / 80)} />
      </defs>
      {unit.map(({ id, outline, fabric }) => (
        <PatchMark key={id} outline={outline} fill={swatchFill(prefix, fabrics, fabric)} />
      ))}
      {unit.map(({ id, outline, number }) => (
        <PatchLabel key={id} at={middleOf(outline)} text={`${number}`} size={size * label} />
      ))}
    </Box>
  );
}
