'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { worthOf } from '@/core/cloth';
import { CUT_SCHOOLS, cutBySchool, handWork, type CutSchool, type StandardCut } from '@/core/cutting';
import { formatBolt, formatLength, type UnitSystem } from '@/core/length';
import type { GivenCut } from '@/core/order';
import type { PieceKind } from '@/core/nesting';
import { counted, times } from '@/core/words';
import type { ShelvedCloth } from '@/server/cloth';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Facts } from '@/ui/Facts';
import { formatMinutes } from '@/ui/formatMinutes';
import { useMoney } from '@/ui/money';
import { LayoutDrawing } from './LayoutDrawing';
import { OwnCuts } from './OwnCuts';
import { UsedAreas } from './UsedAreas';
import { isSameGround, useLayout, type Layout, type UsedArea } from './useLayout';

/** The pieces that one bag takes of one cloth. */
export interface BagPieces {
  readonly blockId: string;
  readonly block: string;
  readonly fabric: string;
  readonly kinds: readonly PieceKind[];
  readonly bags: number;
}

interface LayoutPanelProps {
  readonly bags: readonly BagPieces[];
  readonly shelf: readonly ShelvedCloth[];
  readonly system: UnitSystem;
  /** Pieces of cloth that bags are given whole, and how that is changed. */
  readonly given: readonly GivenCut[];
  readonly onGive: (given: readonly GivenCut[]) => void;
  readonly ownCuts: readonly StandardCut[];
  readonly onOwnCuts: (cuts: readonly StandardCut[]) => void;
  /** What scissors cut in a minute, mm. */
  readonly handMmPerMinute: number;
  readonly allowanceMm: number;
}

/** One bag's pieces of one cloth, laid out to be cut round with scissors; what that saves against strips. */
export function LayoutPanel({
  bags,
  shelf,
  system,
  given,
  onGive,
  ownCuts,
  onOwnCuts,
  handMmPerMinute,
  allowanceMm,
}: LayoutPanelProps) {
  const { layout: laid, start, stop, clear } = useLayout(system);
  const [chosen, setChosen] = useState(() => String(fullest(bags)));
  const [used, setUsed] = useState<Readonly<Record<string, readonly UsedArea[]>>>({});
  const [school, setSchool] = useState<CutSchool>('exact');
  const [layers, setLayers] = useState(1);
  const asked = bags[Number(chosen)];
  const bag = useMemo(
    () => asked && { ...asked, kinds: cutBySchool(asked.kinds, school, { allowanceMm, system }) },
    [asked, school, allowanceMm, system],
  );
  const cloth = shelf.find(({ name }) => name === bag?.fabric);
  if (!bag || !cloth) return null;
  // Once the cloth is said to be narrower, or to lie otherwise, it is no layout of it any more.
  const layout = laid && isSameGround(laid.of, cloth) ? laid : undefined;
  const areas = used[cloth.name] ?? [];
  const choose = (value: string) => {
    clear();
    setChosen(value);
  };
  const chooseSchool = (next: CutSchool) => {
    clear();
    setSchool(next);
  };
  const own = given.find(({ blockId, fabric }) => blockId === bag.blockId && fabric === bag.fabric);
  const give = (cut: StandardCut | undefined) => {
    const others = given.filter((one) => one !== own);
    onGive(cut ? [...others, { blockId: bag.blockId, fabric: bag.fabric, ...cut }] : others);
  };
  const isRunning = layout !== undefined && layout.spent < 1;
  return (
    <Box component="section" id="layout" aria-label="Cutting layout" sx={{ mt: 4 }}>
      <Typography variant="h3">Laid out for one bag</Typography>
      <Typography sx={{ mb: 1.5 }}>
        The pieces laid close, as they are to be cut. Cut these by hand along the lines; for rotary strips use
        the sizes in the bag list.
      </Typography>
      <LayoutTools
        {...{ bags, chosen, school, layers }}
        onChoose={choose}
        onSchool={chooseSchool}
        onLayers={setLayers}
        onStop={isRunning ? stop : undefined}
        onStart={() => void start(bag.kinds, cloth, { used: areas, ownCuts })}
      />
      <UsedAreas
        areas={areas}
        widthMm={cloth.widthMm}
        system={system}
        onChange={(next) => {
          clear();
          setUsed({ ...used, [cloth.name]: next });
        }}
      />
      <OwnCuts cuts={ownCuts} system={system} onChange={onOwnCuts} />
      {own && (
        <Typography sx={{ mt: 1 }}>
          {`Each bag of ${bag.block} is given a ${own.name} of ${bag.fabric}, not its pieces cut. `}
          <Button size="small" onClick={() => give(undefined)}>
            Cut its pieces instead
          </Button>
        </Typography>
      )}
      {isRunning && (
        <LinearProgress
          variant="determinate"
          value={100 * layout.spent}
          aria-label="Improving the layout"
          sx={{ mt: 1.5 }}
        />
      )}
      {layout?.nested && (
        <LaidOut {...{ layout, bag, cloth, system, handMmPerMinute, layers }} used={areas} onGive={give} />
      )}
    </Box>
  );
}

interface LaidOutProps extends LayoutFactsProps {
  readonly used: readonly UsedArea[];
  readonly onGive: (cut: StandardCut) => void;
}

/** The layout that was found: what it saves, the piece that a bag can be given whole, the drawing, and what lies there. */
function LaidOut({ used, onGive, ...facts }: LaidOutProps) {
  const { layout, bag, cloth, system } = facts;
  const { cut, nested } = layout;
  return (
    <Stack spacing={2} sx={{ mt: 2 }}>
      <LayoutFacts {...facts} />
      {cut && (
        <Button onClick={() => onGive(cut)} sx={{ alignSelf: 'start' }}>
          {`Give each bag of ${bag.block} this ${cut.name}`}
        </Button>
      )}
      {nested && <LayoutDrawing kinds={bag.kinds} {...{ nested, used, cloth, system }} />}
      <Box component="ol" sx={{ m: 0, pl: 3, columns: { sm: 2 } }}>
        {bag.kinds.map(({ id, count }) => (
          <li key={id}>{times(count, id)}</li>
        ))}
      </Box>
    </Stack>
  );
}

interface LayoutToolsProps {
  readonly bags: readonly BagPieces[];
  readonly chosen: string;
  readonly school: CutSchool;
  readonly layers: number;
  readonly onChoose: (chosen: string) => void;
  readonly onSchool: (school: CutSchool) => void;
  readonly onLayers: (layers: number) => void;
  readonly onStart: () => void;
  /** While a layout is improved. */
  readonly onStop: (() => void) | undefined;
}

/** Which bag is laid out, how closely its pieces are cut, and how many layers at once. */
function LayoutTools({ bags, chosen, school, layers, onChoose, onSchool, onLayers, onStart, onStop }: LayoutToolsProps) {
  return (
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center', flexWrap: 'wrap' }} useFlexGap>
        <Box sx={{ width: 300 }}>
          <Choice
            label="Bag and cloth"
            value={chosen}
            choices={bags.map(({ block, fabric }, index) => [String(index), `${block}, ${fabric}`])}
            onChange={onChoose}
          />
        </Box>
        <Box sx={{ width: 300 }}>
          <Choice
            label="Cut"
            value={school}
            choices={CUT_SCHOOLS}
            onChange={(value) => onSchool(value as CutSchool)}
          />
        </Box>
        <Box sx={{ width: 200 }}>
          <NumberField
            label="Layers cut at once by hand"
            value={layers}
            least={1}
            most={8}
            isWhole
            onChange={onLayers}
          />
        </Box>
        {onStop ? (
          <Button onClick={onStop}>Stop and keep this</Button>
        ) : (
          <Button variant="contained" onClick={onStart}>
            Lay it out
          </Button>
        )}
      </Stack>
  );
} // prettier-ignore

/** The bag with the most pieces of one cloth: there a layout saves most. */
function fullest(bags: readonly BagPieces[]): number {
  const pieces = bags.map(({ kinds }) => kinds.reduce((sum, { count }) => sum + count, 0));
  return Math.max(0, pieces.indexOf(Math.max(...pieces)));
}

/** What a cut costs by its share of the bolt, where a price is known. */
function worthText(
  cloth: ShelvedCloth,
  { widthMm, lengthMm }: StandardCut,
  money: (amount: number) => string,
): string {
  const worth = worthOf(cloth, widthMm, lengthMm);
  return worth > 0 ? `, ${money(worth)} by its share of the bolt` : '';
}

interface LayoutFactsProps {
  readonly layout: Layout;
  readonly bag: BagPieces;
  readonly cloth: ShelvedCloth;
  readonly system: UnitSystem;
  readonly handMmPerMinute: number;
  readonly layers: number;
}

function LayoutFacts({ layout: { nested, cut }, bag, cloth, system, handMmPerMinute, layers }: LayoutFactsProps) {
  const money = useMoney();
  if (!nested) return null;
  const { lengthMm, stripsLengthMm, density, boundLengthMm } = nested;
  const saved = stripsLengthMm === undefined ? 0 : (stripsLengthMm - lengthMm) * bag.bags;
  const worth = (saved / 1000) * cloth.pricePerMetre;
  const rows: (readonly [string, string])[] = [
    ['off the bolt', `${formatLength(lengthMm, system)} for one bag; ${Math.round(density * 100)} % of it is used`],
    ['by strips', stripsLengthMm === undefined ? 'some pieces do not go across' : formatLength(stripsLengthMm, system)],
    ['no layout is below', formatLength(boundLengthMm, system)],
  ];
  if (saved > 0)
    rows.push(['saved', `${formatBolt(saved, system)} for ${counted(bag.bags, 'bag')}${worth > 0 ? `, worth ${money(worth)}` : ''}`]);
  const byHand = handWork(bag.kinds, handMmPerMinute, layers);
  rows.push(['cut round by hand', `${formatBolt(byHand.lineMm, system)} of cutting line for one bag, about ${formatMinutes(byHand.minutes)} at ${formatLength(handMmPerMinute, system)} a minute`]);
  rows.push(['smallest cut sold', cut === undefined ? 'is looked for …' : cut === null ? 'none was found that holds all' : `${cut.name}${worthText(cloth, cut, money)}`]);
  return <Facts rows={rows} />;
} // prettier-ignore
