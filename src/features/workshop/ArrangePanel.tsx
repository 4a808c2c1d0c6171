'use client';
import { itemAt } from '@/core/lists';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { changePatches, type LiveReport } from '@/core/workshop';
import { ringsFrom } from '@/core/cloth';
import { middleOf } from './boardMiddle';
import type { Workshop } from './useWorkshop';

interface ArrangePanelProps {
  readonly shop: Workshop;
  readonly report: LiveReport | undefined;
}

/** Picking by kind, ring and wedge; filling round; groups, locks, layers and raw sides. */
export function ArrangePanel({ shop, report }: ArrangePanelProps) {
  const { picked, patches } = shop;
  const [folds, setFolds] = useState('6');
  const count = /^\d{1,2}$/.test(folds.trim()) ? Number(folds) : 0;
  const isCount = count >= 2 && count <= 60;
  const none = picked.length === 0;
  const setLayer = (by: number) =>
    shop.edit(
      (now) =>
        changePatches(now, picked, (one) => ({ ...one, layer: Math.max(0, Math.min(999, one.layer + by)) })),
      by > 0 ? 'Layer up' : 'Layer down',
    );
  return (
    <Stack spacing={2}>
      <Part title="Pick">
        <Button size="small" onClick={() => shop.pick(patches.map((_, index) => index))}>
          All
        </Button>
        <Button
          size="small"
          disabled={none || !report}
          onClick={() => report && shop.pick(ofSameKind(report, picked))}
        >
          Same paper
        </Button>
        <Button size="small" disabled={none} onClick={() => shop.pick(ofSameCloth(shop))}>
          Same cloth
        </Button>
        <Button
          size="small"
          disabled={none || !report}
          onClick={() => report && shop.pick(nextRing(report, picked))}
        >
          Next ring
        </Button>
        <Button size="small" disabled={none || !isCount} onClick={() => shop.pick(wedge(shop, count))}>
          Wedge
        </Button>
      </Part>
      <FillPart shop={shop} folds={folds} onFolds={setFolds} count={isCount ? count : undefined} />
      <Part title="Ring">
        <Button size="small" disabled={!shop.paper || patches.length === 0} onClick={shop.ring}>
          Lay {shop.paper ? shop.paper.name : 'the paper in hand'} on every edge it fits
        </Button>
      </Part>
      <PickedPart shop={shop} />
      <Part title="Appliqué layers">
        <Button size="small" disabled={none} onClick={() => setLayer(1)}>
          Lay over the rest
        </Button>
        <Button
          size="small"
          disabled={none || picked.every((index) => patches[index]?.layer === 0)}
          onClick={() => setLayer(-1)}
        >
          One layer down
        </Button>
        {picked.length === 1 && report && <Sides shop={shop} report={report} index={itemAt(picked, 0)} />}
      </Part>
    </Stack>
  );
}

interface FillPartProps {
  readonly shop: Workshop;
  /** Times in a turn, as typed, and as read. */
  readonly folds: string;
  readonly onFolds: (text: string) => void;
  readonly count: number | undefined;
}

/** Filling round a centre by turning what is there, plain or mirrored. */
function FillPart({ shop, folds, onFolds, count }: FillPartProps) {
  const [mirror, setMirror] = useState('90');
  const mirrorDeg = /^-?\d{1,3}(\.\d+)?$/.test(mirror.trim()) ? Number(mirror) : undefined;
  const isEmpty = shop.patches.length === 0;
  return (
    <Part title="Fill round the centre">
      <TextField
        label="Times in a turn"
        value={folds}
        onChange={(event) => onFolds(event.target.value)}
        error={count === undefined}
        helperText={count === undefined ? 'from 2 to 60' : `every ${Math.round(36000 / count) / 100}°`}
        sx={{ width: 130 }}
      />
      <TextField
        label="Mirror at, °"
        value={mirror}
        onChange={(event) => setMirror(event.target.value)}
        error={mirrorDeg === undefined}
        helperText="0 level, 90 upright"
        sx={{ width: 130 }}
      />
      <Button
        size="small"
        disabled={count === undefined || isEmpty}
        onClick={() => count && shop.fill(count)}
      >
        Fill by turning
      </Button>
      <Button
        size="small"
        disabled={count === undefined || mirrorDeg === undefined || isEmpty}
        onClick={() => count && mirrorDeg !== undefined && shop.fill(count, mirrorDeg)}
      >
        Fill by turning and mirror
      </Button>
      <Button size="small" onClick={() => shop.setTool('centre')} aria-pressed={shop.tool === 'centre'}>
        {shop.centre ? 'Move the centre' : 'Set the centre'}
      </Button>
      <Button
        size="small"
        disabled={shop.picked.length === 0}
        onClick={() => shop.setCentre(nextCorner(shop))}
      >
        Centre at next corner of the picked
      </Button>
    </Part>
  );
}

/** What can be done with what is picked. */
function PickedPart({ shop }: { readonly shop: Workshop }) {
  const { picked } = shop;
  const none = picked.length === 0;
  return (
    <Part title="The picked">
      <Button size="small" disabled={none} onClick={() => shop.turnPicked(-15)}>
        Turn back 15°
      </Button>
      <Button size="small" disabled={none} onClick={() => shop.turnPicked(15)}>
        Turn 15°
      </Button>
      <Button size="small" disabled={picked.length < 2} onClick={shop.group}>
        Group
      </Button>
      <Button size="small" disabled={none} onClick={shop.ungroup}>
        Ungroup
      </Button>
      <Button size="small" disabled={none} onClick={() => shop.lock(true)}>
        Lock
      </Button>
      <Button size="small" disabled={none} onClick={() => shop.lock(false)}>
        Unlock
      </Button>
    </Part>
  );
}

function Part({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={title}>
      <Typography variant="h3" gutterBottom>
        {title}
      </Typography>
      <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        {children}
      </Stack>
    </div>
  );
}

/** What becomes of each side of one paper; a press chooses the other, another goes back to what follows from the layers. */
function Sides({ shop, report, index }: { shop: Workshop; report: LiveReport; index: number }) {
  const sides = report.sides[index]?.filter(({ is }) => is !== 'sewn') ?? [];
  const set = (side: number, is: 'raw' | 'turned' | undefined) =>
    shop.edit(
      (now) =>
        changePatches(now, [index], ({ edges = {}, ...one }) => {
          const { [side]: _was, ...rest } = edges;
          const next = is === undefined ? rest : { ...rest, [side]: is };
          return Object.keys(next).length > 0 ? { ...one, edges: next } : one;
        }),
      'Raw or turned',
    );
  return sides.map(({ side, is, reason, isChosen }) => (
    <Button
      key={side}
      size="small"
      variant="text"
      onClick={() => set(side, isChosen ? undefined : is === 'raw' ? 'turned' : 'raw')}
      sx={{ textAlign: 'left' }}
    >
      Side {side + 1}: {is} ({reason}).{' '}
      {isChosen ? 'Put back' : is === 'raw' ? 'Turn it under' : 'Leave it raw'}
    </Button>
  ));
}

function ofSameKind({ kindOf }: LiveReport, picked: readonly number[]): number[] {
  const kinds = new Set(picked.map((index) => kindOf[index]));
  return kindOf.flatMap((kind, index) => (kinds.has(kind) ? [index] : []));
}

function ofSameCloth({ patches, picked }: Workshop): number[] {
  const cloths = new Set(picked.map((index) => patches[index]?.fabric));
  return patches.flatMap(({ fabric }, index) => (cloths.has(fabric) ? [index] : []));
}

/** The papers one seam further out than what is picked. */
function nextRing({ neighbours }: LiveReport, picked: readonly number[]): number[] {
  return ringsFrom(neighbours, picked).flatMap((ring, index) => (ring === 1 ? [index] : []));
}

/** The papers in the same wedge of the centre as the first that is picked. */
function wedge({ patches, picked, centre }: Workshop, folds: number): number[] {
  const about = centre ?? middleOf(patches, patches.map((_, index) => index)); // prettier-ignore
  const angle = (index: number) => {
    const { x, y } = middleOf(patches, [index]);
    return Math.hypot(x - about.x, y - about.y) < 1 ? undefined : Math.atan2(y - about.y, x - about.x);
  };
  const first = angle(itemAt(picked, 0)) ?? 0;
  return patches.flatMap((_, index) => {
    const own = angle(index);
    if (own === undefined) return [];
    const off = Math.abs(((own - first + 3 * Math.PI) % (2 * Math.PI)) - Math.PI);
    return off < Math.PI / folds + 1e-6 ? [index] : [];
  });
}

/** The corner after the present centre, round the first paper that is picked. */
function nextCorner({ patches, picked, centre }: Workshop) {
  const corners = patches[itemAt(picked, 0)]?.outline.corners ?? [];
  const at = corners.findIndex(({ x, y }) => centre && Math.hypot(x - centre.x, y - centre.y) < 0.1);
  return corners[(at + 1) % corners.length];
}
