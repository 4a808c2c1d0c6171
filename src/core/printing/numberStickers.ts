import type { BlockSheet } from '../sheet';
import { times } from '../words';
import { MARGIN_MM, PAGE_MM, type Ink, type PageSize, type PrintJob } from './ink';

/** Side of the square in which a sticker stands, and radius of its ring, mm. */
const [PITCH_MM, RADIUS_MM] = [16, 6.5];
/** Room above the stickers of a step for its heading, mm. */
const HEAD_MM = 8;
const NUMBER_MM = 4;

/**
 * A sticker with number and hand for every paper of a block, sorted as the papers are wrapped: what is wrapped together stands
 * together. To be cut apart, or printed on a whole adhesive sheet.
 */
export function numberStickers(name: string, sheet: BlockSheet, size: PageSize): PrintJob {
  const [widthMm, heightMm] = PAGE_MM[size];
  const across = Math.floor((widthMm - 2 * MARGIN_MM) / PITCH_MM);
  const pages: { ink: Ink[] }[] = [];
  let y = Infinity;
  const room = (needMm: number) => {
    if (y + needMm <= heightMm - MARGIN_MM) return;
    pages.push({ ink: [] });
    y = MARGIN_MM;
  };
  const add = (...ink: Ink[]) => pages.at(-1)?.ink.push(...ink);
  for (const { heading, patches } of groupsOf(sheet)) {
    room(HEAD_MM + PITCH_MM);
    add({ kind: 'text', at: { x: MARGIN_MM, y: y + 5 }, text: `${name}: ${heading}`, sizeMm: 3.4, align: 'left' });
    y += HEAD_MM;
    for (let from = 0; from < patches.length; from += across) {
      room(PITCH_MM);
      patches.slice(from, from + across).forEach((patch, column) => {
        const at = { x: MARGIN_MM + (column + 0.5) * PITCH_MM, y: y + PITCH_MM / 2 };
        const hand = sheet.patches[patch]?.hand ?? 'none';
        const text = `${patch + 1}${hand === 'none' ? '' : ` ${hand}`}`;
        add(
          { kind: 'dot', at, radiusMm: RADIUS_MM, isFilled: false },
          { kind: 'text', at: { x: at.x, y: at.y + NUMBER_MM * 0.36 }, text, sizeMm: NUMBER_MM, align: 'centre' },
        );
      });
      y += PITCH_MM;
    }
  } // prettier-ignore
  return { title: `${name}: number stickers`, widthMm, heightMm, pages };
}

/** Papers by the steps that wrap them. */
function groupsOf({ steps, kinds, patches }: BlockSheet) {
  return steps.flatMap((step) => {
    if (step.kind !== 'baste') return [];
    const first = patches[step.patches[0] ?? 0];
    const heading = `${times(step.patches.length, kinds[first?.kind ?? 0]?.name ?? 'paper')} in ${first?.fabric ?? ''}`;
    return [{ heading, patches: step.patches }];
  });
}
