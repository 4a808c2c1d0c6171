import { itemAt } from '../lists';
import type { Patch } from '../block';

/** How a cloth is drawn: its ground and figure as #rrggbb, and the number of its weave, so that colour is not all. */
export interface ClothLook {
  readonly ground: string;
  readonly figure: string;
  readonly weave: number;
}

/** Weaves that there are to choose from. */
export const WEAVE_COUNT = 12;

const GROUNDS: readonly (readonly [string, string])[] = [
  ['#e3c98e', '#8a5f12'],
  ['#efe6d2', '#b7a582'],
  ['#c3cccf', '#6f7f86'],
  ['#a9b787', '#5b6d35'],
  ['#c9796a', '#7b2418'],
  ['#cdb491', '#7c6343'],
  ['#4a5a66', '#93a5b1'],
  ['#7ea3c4', '#224f78'],
  ['#b3a0bd', '#5d4469'],
  ['#d8a874', '#814d17'],
  ['#8fb5ab', '#2c5f55'],
  ['#dcc1c0', '#8f4f50'],
];

/** The look of the cloth that comes as the so-manieth to a project. */
export function lookByNumber(number: number): ClothLook {
  const [ground, figure] = itemAt(GROUNDS, number % GROUNDS.length);
  return { ground, figure, weave: number % WEAVE_COUNT };
}

/** The look of a cloth of some colour: that colour, with a figure that stands out from it. */
export function lookOfColour(colour: string, number: number): ClothLook {
  const [r, g, b] = channels(colour);
  const isDark = 0.299 * r + 0.587 * g + 0.114 * b < 128;
  const towards = isDark ? 255 : 0;
  const figure = `#${[r, g, b].map((one) => hex(one + (towards - one) * 0.45)).join('')}`;
  return { ground: `#${[r, g, b].map(hex).join('')}`, figure, weave: number % WEAVE_COUNT };
}

/**
 * Looks of the cloths that are new to a project: by their colour where a drawing told it, else the next one.
 * @param known names of the cloths that it has
 * @param fabrics names that are used, in the order in which they come
 */
export function looksOfNew(
  known: readonly string[],
  fabrics: readonly string[],
  colours: Readonly<Record<string, string>>,
): Record<string, ClothLook> {
  const fresh = [...new Set(fabrics)].filter((name) => !known.includes(name));
  const looks = fresh.map((name, i) => {
    const colour = Object.hasOwn(colours, name) ? colours[name] : undefined;
    const number = known.length + i;
    return [name, colour === undefined ? lookByNumber(number) : lookOfColour(colour, number)] as const;
  });
  return Object.fromEntries(looks);
}

/** Words for colours, as a shop says them. */
const WORDS: readonly (readonly [string, string])[] = [
  ['black', '#111111'], ['charcoal', '#3a3a3c'], ['grey', '#808080'], ['silver', '#c0c4c6'], ['white', '#fbfbfb'],
  ['cream', '#f2e8cf'], ['sand', '#d9c49a'], ['tan', '#b98d5a'], ['brown', '#6b4423'], ['rust', '#a4482a'],
  ['red', '#c62828'], ['burgundy', '#6d1a2d'], ['pink', '#e9a0b4'], ['rose', '#c75b7a'], ['coral', '#ee7b63'],
  ['orange', '#e58a2b'], ['mustard', '#c8921b'], ['yellow', '#f0d14b'], ['lime', '#a8c94a'], ['green', '#3f8f4a'],
  ['olive', '#6f7336'], ['forest', '#24512f'], ['teal', '#2b7a78'], ['turquoise', '#58c1bd'], ['sky', '#9cc9e8'],
  ['blue', '#2f66b8'], ['navy', '#1f2e4f'], ['slate', '#4a5a66'], ['lavender', '#b3a0d0'], ['purple', '#6b3d8f'],
  ['plum', '#57294d'],
]; // prettier-ignore

/** The word for a colour: of those that shops use the nearest. */
export function nameOfColour(colour: string): string {
  const own = channels(colour);
  // Red counts for more in light colours, blue in dark ones: near enough to how far apart two colours look.
  const apart = (other: readonly number[]) => {
    const red = ((own[0] as number) + itemAt(other, 0)) / 2;
    const [dr, dg, db] = own.map((one, i) => one - itemAt(other, i)) as [number, number, number];
    return (2 + red / 256) * dr * dr + 4 * dg * dg + (2 + (255 - red) / 256) * db * db;
  };
  const [first] = [...WORDS].sort(([, a], [, b]) => apart(channels(a)) - apart(channels(b)));
  return (first as readonly [string, string])[0];
}

/** Whether a cloth is called by a colour's number, as drawings without names of cloths have it. */
export function isColour(fabric: string): boolean {
  return (
    /^#([0-9a-f]{3}|[0-9a-f]{6})$/i.test(fabric) || /^rgb\(\s*\d+\s*,\s*\d+\s*,\s*\d+\s*\)$/i.test(fabric)
  );
}

/**
 * Gives cloths that are called by a colour's number a name, “navy”, “cream 2”, and says of each which colour it has.
 * @param known cloths of the project and their colours: a colour that one of them has is that cloth
 */
export function nameCloths(
  patches: readonly Patch[],
  known: Readonly<Record<string, string>> = {},
): { patches: readonly Patch[]; colours: Readonly<Record<string, string>> } {
  const used = new Set(
    [...Object.keys(known), ...patches.map(({ fabric }) => fabric)].map((name) => name.toLowerCase()),
  );
  const names = new Map<string, string>();
  const colours: Record<string, string> = {};
  for (const { fabric } of patches) {
    if (names.has(fabric) || !isColour(fabric)) continue;
    const same = Object.entries(known).find(([, colour]) => isSameColour(colour, fabric));
    if (same) {
      names.set(fabric, same[0]);
      continue;
    }
    const word = nameOfColour(fabric);
    let name = word;
    for (let n = 2; used.has(name); n++) name = `${word} ${n}`;
    used.add(name);
    names.set(fabric, name);
    colours[name] = fabric;
  }
  if (names.size === 0) return { patches, colours };
  return {
    patches: patches.map((patch) => ({ ...patch, fabric: names.get(patch.fabric) ?? patch.fabric })),
    colours,
  };
}

function isSameColour(a: string, b: string): boolean {
  return channels(a).join() === channels(b).join();
}

function channels(colour: string): [number, number, number] {
  const rgb = /^rgb\(\s*(\d+)\s*,\s*(\d+)\s*,\s*(\d+)/i.exec(colour);
  if (rgb)
    return [rgb[1], rgb[2], rgb[3]].map((one) => Math.min(255, Number(one))) as [number, number, number];
  const digits = colour.replace('#', '');
  const whole = digits.length === 3 ? [...digits].map((one) => one + one).join('') : digits.padEnd(6, '0');
  return [0, 2, 4].map((at) => parseInt(whole.slice(at, at + 2), 16) || 0) as [number, number, number];
}

function hex(value: number): string {
  return Math.round(Math.min(255, Math.max(0, value)))
    .toString(16)
    .padStart(2, '0');
}
