import { itemAt } from '../lists';
import type { Join, SewingSettings } from '../assembly';
import type { SeamGraph } from '../block';
import { threadOn } from '../thread';

/** Which thread a join is sewn with, and how much. */
export interface ThreadChoice {
  /** The cloths along the join, by name. */
  readonly cloths: readonly string[];
  /** The one to match, where it is known which is lighter. */
  readonly match?: string;
  /** The number on the spool. */
  readonly weight: number;
  /** Thread taken up by the stitches, mm, and needlefuls that are begun for it. */
  readonly threadMm: number;
  readonly needlefuls: number;
}

/**
 * Chooses the thread for a join: it matches the lighter cloth. Which is lighter is known of cloths that are named by
 * their colour (#rgb, #rrggbb) and of those that the host calls very pale.
 * @param pale cloths that the host calls very pale
 */
export function threadChoice(
  graph: SeamGraph,
  join: Join,
  pale: ReadonlySet<string>,
  { stitchesPerMm, usableNeedlefulMm, threadWeight }: SewingSettings,
): ThreadChoice {
  const all = join.seams.flatMap((seam) =>
    itemAt(graph.seams, seam).patches.map((patch) => graph.patches[patch]?.fabric as string),
  );
  const cloths = [...new Set(all)].sort();
  const threadMm = threadOn(join.lengthMm, stitchesPerMm);
  const match = lightest(cloths, pale);
  return {
    cloths,
    ...(match === undefined ? {} : { match }),
    weight: threadWeight,
    threadMm,
    needlefuls: Math.ceil(threadMm / usableNeedlefulMm - 1e-9),
  };
}

function lightest(cloths: readonly string[], pale: ReadonlySet<string>): string | undefined {
  if (cloths.length === 1) return cloths[0];
  const light = cloths.filter((cloth) => pale.has(cloth));
  if (light.length > 0) return light[0];
  const known = cloths.map((cloth) => ({ cloth, lightness: lightnessOf(cloth) }));
  if (known.some(({ lightness }) => lightness === undefined)) return undefined;
  return known.sort((a, b) => (b.lightness as number) - (a.lightness as number))[0]?.cloth;
}

/** Relative luminance of a colour's name as WCAG 2 defines it, 0 to 1; undefined for other names. */
function lightnessOf(name: string): number | undefined {
  const digits = /^#([0-9a-f]{3}|[0-9a-f]{6})$/i.exec(name)?.[1];
  if (!digits) return undefined;
  const full = digits.length === 3 ? [...digits].map((digit) => digit + digit).join('') : digits;
  const [r, g, b] = [0, 2, 4].map((at) => {
    const share = parseInt(full.slice(at, at + 2), 16) / 255;
    return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

/** The choice in a sentence. */
export function sayThread({ cloths, match, weight, needlefuls }: ThreadChoice): string {
  const count = needlefuls > 1 ? ` It takes ${needlefuls} needlefuls.` : '';
  if (cloths.length === 1) return `Thread of weight ${weight}: match ${match}.${count}`;
  const which = match ?? `the lighter of ${cloths.slice(0, -1).join(', ')} and ${cloths.at(-1)}`;
  const why = match === undefined ? '' : ', the lightest here';
  return `Thread of weight ${weight}: match ${which}${why}, or take a mid grey; look at the front after ten stitches.${count}`;
}
