'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { counted } from '@/core/words';
import { looksOfNew } from '@/core/cloth';
import { boxOfPoints, toPolygon } from '@/core/geometry';
import type { UnitSystem } from '@/core/length';
import type { SheetPatch } from '@/core/sheet';
import { ClothLooks, useClothLooks } from '@/ui/ClothLooks';
import { BlockDrawing, type DrawingMark } from '@/ui/drawing';
import type { Preview } from '@/workers/importWorker';
import { KindTable } from './KindTable';
import { ProblemList } from './ProblemList';

interface DrawingPreviewProps {
  readonly preview: Exclude<Preview, { kind: 'refused' }>;
  readonly knownFabrics: readonly string[];
  readonly system: UnitSystem;
}

/** A drawing before it is saved: its patches, and every fault and problem at its place. */
export function DrawingPreview({ preview, knownFabrics, system }: DrawingPreviewProps) {
  const [isFlipped, setIsFlipped] = useState(false);
  const { drawing } = preview;
  const view = useMemo(() => viewOf(preview), [preview]);
  const fabrics = useMemo(
    () => [...new Set([...knownFabrics, ...view.patches.map(({ fabric }) => fabric)])].sort(),
    [knownFabrics, view],
  );
  const looks = useClothLooks();
  const fresh = useMemo(() => {
    const used = drawing.patches.map(({ fabric }) => fabric);
    return looksOfNew(Object.keys(looks), used, drawing.colours);
  }, [looks, drawing]);
  const problems = [...drawing.problems, ...(preview.kind === 'good' ? preview.sheet.problems : [])];
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 3fr) minmax(300px, 2fr)' },
        gap: 2.5,
      }}
    >
      <ClothLooks looks={{ ...looks, ...fresh }}>
        <BlockDrawing
          label="The drawing"
          patches={view.patches}
          kindNames={view.kindNames}
          widthMm={view.widthMm}
          heightMm={view.heightMm}
          fabrics={fabrics}
          system={system}
          marks={view.marks}
          isFlipped={isFlipped}
          onFlip={() => setIsFlipped(!isFlipped)}
          height={440}
        />
      </ClothLooks>
      <Box>
        {drawing.faults.length > 0 && (
          <Alert severity="error" variant="outlined" icon={false} sx={{ mb: 2 }}>
            <strong>The drawing cannot be used yet.</strong>
            <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
              {drawing.faults.slice(0, 20).map((fault, i) => (
                <li key={i}>
                  {fault.message} {fault.mend}
                  <details>
                    <summary>For whoever made the drawing</summary>
                    {fault.technical}
                  </details>
                </li>
              ))}
            </Box>
          </Alert>
        )}
        {problems.length > 0 && (
          <Alert severity="warning" variant="outlined" icon={false} sx={{ mb: 2 }}>
            <strong>
              {problems.length} {problems.length === 1 ? 'thing' : 'things'} to look at; the rings on the
              drawing show where.
            </strong>
            <ProblemList problems={problems} patches={view.patches} />
          </Alert>
        )}
        {preview.kind === 'good' && (
          <>
            {problems.length === 0 && (
              <Alert severity="success" variant="outlined" icon={false} sx={{ mb: 2 }}>
                All edges fit.
              </Alert>
            )}
            <Typography variant="h3" gutterBottom>
              {counted(preview.sheet.patches.length, 'paper')}
            </Typography>
            <KindTable kinds={preview.sheet.kinds} system={system} />
          </>
        )}
      </Box>
    </Box>
  );
}

function viewOf(preview: Exclude<Preview, { kind: 'refused' }>) {
  const { drawing } = preview;
  const points = drawing.patches.flatMap(({ outline }) => toPolygon(outline, 0.5));
  const box =
    points.length > 0
      ? boxOfPoints(points)
      : { minX: 0, minY: 0, maxX: drawing.widthMm, maxY: drawing.heightMm };
  const shift = ({ x, y }: { x: number; y: number }) => ({ x: x - box.minX, y: y - box.minY });
  const places = [...drawing.faults, ...drawing.problems].map(({ at, message }): DrawingMark => ({
    at: shift(at),
    label: message,
  }));
  if (preview.kind === 'good') {
    const { sheet } = preview;
    const marks = [...places, ...sheet.problems.map(({ at, message }) => ({ at, label: message }))];
    return {
      patches: sheet.patches,
      kindNames: sheet.kinds.map(({ name }) => name),
      widthMm: sheet.widthMm,
      heightMm: sheet.heightMm,
      marks,
    };
  }
  const patches = drawing.patches.map((patch): SheetPatch => ({
    ...patch,
    outline: { ...patch.outline, corners: patch.outline.corners.map(shift) },
    kind: 0,
    hand: 'none',
    foldOrder: [],
    tails: [],
  }));
  return {
    patches,
    kindNames: ['patch'],
    widthMm: box.maxX - box.minX,
    heightMm: box.maxY - box.minY,
    marks: places,
  };
}
