import { EMPTY_CALENDAR, dayAt, plusDays, type Calendar, type Drop } from '@/core/calendar';
import type { Recipe } from '@/core/generate';

/** The invented project of the demo: nothing of it is of the real world. */

export const INCH = 25.4;

type DemoBlock =
  { readonly name: string; readonly file: string } | { readonly name: string; readonly recipe: Recipe };

/** The nine blocks: three come as drawings through the import, six are made by the generators. */
export const DEMO_BLOCKS: readonly DemoBlock[] = [
  { name: 'Signal Lamp', file: 'signal-lamp.svg' },
  { name: 'Star Chart', file: 'star-chart.svg' },
  {
    name: 'Porthole',
    recipe: {
      kind: 'plate',
      fabrics: ['Woad', 'Fog', 'Beacon'],
      blades: 14,
      innerMm: 1.5 * INCH,
      outerMm: 5.5 * INCH,
      tip: 'pointed',
      centre: 'yes',
    },
  },
  { name: 'Gangway', file: 'gangway.svg' },
  {
    name: 'Wake',
    recipe: {
      kind: 'clamshell',
      fabrics: ['Fog', 'Woad', 'Calico'],
      widthMm: 2.5 * INCH,
      columns: 5,
      rows: 6,
    },
  },
  {
    name: 'Rope Coil',
    recipe: {
      kind: 'star',
      fabrics: ['Rope', 'Madder', 'Calico', 'Tar'],
      points: 8,
      edgeMm: 3 * INCH,
      surround: 'set-in',
    },
  },
  {
    name: 'Kelp',
    recipe: {
      kind: 'framed-diamond',
      fabrics: ['Beacon', 'Lichen', 'Calico'],
      widthMm: 3 * INCH,
      heightMm: 6 * INCH,
      stripMm: INCH / 2,
      rounds: 3,
    },
  },
  {
    name: 'Lighthouse',
    recipe: {
      kind: 'beams',
      fabrics: ['Madder', 'Beacon', 'Fog', 'Tar', 'Calico'],
      edgeMm: 2 * INCH,
      reachMm: 6 * INCH,
      diamondMm: INCH,
    },
  },
  {
    name: 'Landing',
    recipe: { kind: 'disc', fabrics: ['Rope', 'Lichen'], wedges: 12, radiusMm: 5.5 * INCH, portion: 'whole' },
  },
];

/** An invented maker with their pace. */
interface DemoMaker {
  readonly name: string;
  /** How far through what is handed out. */
  readonly share: number;
  readonly isStuck?: boolean;
  /** Weeks in which nothing was entered any more. */
  readonly silent?: number;
}

export const MAKERS: readonly DemoMaker[] = [
  { name: 'Ottoline Pell', share: 1 },
  { name: 'Bram Vesterly', share: 0.82 },
  { name: 'Ines Quillfeather', share: 0.74 },
  { name: 'Marit Holloway-Sund', share: 0.66 },
  { name: 'Tobiah Renn', share: 0.61 },
  { name: 'Clemency Voss', share: 0.55 },
  { name: 'Hedda Marsh', share: 0.5 },
  { name: 'Jory Tamblyn', share: 0.46, isStuck: true },
  { name: 'Suvi Arrowsmith', share: 0.46, isStuck: true },
  { name: 'Prudence Okell', share: 0.38 },
  { name: 'Anselm Drury', share: 0.31 },
  { name: 'Wilhelmina Fosse', share: 0.22 },
  { name: 'Kit Larkrise', share: 0.12, silent: 5 },
  { name: 'Dorothea Imms', share: 0 },
];

/** Five drops about today, the first two handed out; a circle every other week, and a week in which the shop is closed. */
export function demoCalendar(blockIds: readonly string[], now: Date): Calendar {
  const today = dayAt(now.getTime(), 'UTC');
  const drop = (index: number, days: number): Drop => ({
    kind: 'drop',
    id: `drop-${index + 1}`,
    title: `Drop ${index + 1}`,
    day: plusDays(today, days),
    blocks: blockIds.slice(2 * index, 2 * index + 2),
    isFixed: index < 2,
  });
  return {
    ...EMPTY_CALENDAR,
    hoursPerWeek: 1.25,
    suppliers: [{ name: 'Cotton Yard', leadDays: 16 }],
    entries: [
      ...[-56, -26, 9, 40, 75].map((days, index) => drop(index, days)),
      { kind: 'meeting', id: 'circle', day: plusDays(today, -54), title: 'Sewing circle', at: '18:30', minutes: 120, place: 'Back room of the shop', everyWeeks: 4, times: 6, note: 'Bring the block in hand, needles and thread.' },
      { kind: 'holiday', id: 'closed', day: plusDays(today, 27), until: plusDays(today, 36), title: 'Shop is closed' },
    ],
  }; // prettier-ignore
}

/** So many makers have given no address. */
export const UNREACHED = 2;

/** Where a made-up maker is written to: nowhere. */
export function demoAddress(name: string): string {
  return `${name.toLowerCase().replaceAll(' ', '.')}@maker.example`;
}
