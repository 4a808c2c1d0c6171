import {
  SCHOOLS,
  comparedWith,
  planAssembly,
  type AssemblyPlan,
  type SewingSettings,
  type WishList,
} from '../assembly';
import type { OrderChoices, SeamGraph, UnitPair } from '../block';
import type { ReadWishes } from './orderWishes';

/** One thing that the host changed in the order. */
export interface HandWish {
  readonly wish: WishList;
  /** Its number in the document's list. */
  readonly index: number;
  readonly text: string;
  /** Why the order does not follow it, where it does not. */
  readonly idle?: string;
}

/** What the host changed in the order, and what it costs against the order that is proposed. */
export interface Hand {
  readonly says: string;
  readonly wishes: readonly HandWish[];
}

/** Units of up to this many patches are spelled out by their numbers. */
const MOST_NUMBERS = 6;

/** Tells what the host changed; nothing where only the proposed order or a school is used. Cost: that of one more plan. */
export function sayHand(
  graph: SeamGraph,
  plan: AssemblyPlan,
  read: ReadWishes,
  order: OrderChoices | undefined,
  sewing: SewingSettings,
): Hand | undefined {
  const { pins = [], apart = [], before = [] } = order ?? {};
  if (!order || pins.length + apart.length + before.length === 0) return undefined;
  const best = planAssembly(graph, sewing);
  const place = new Map(graph.patches.map(({ id }, index) => [id, index + 1]));
  const unit = (ids: readonly string[]) => {
    const numbers = ids.map((id) => place.get(id) ?? 0).sort((a, b) => a - b);
    const shown = numbers.slice(0, MOST_NUMBERS).map((number) => (number === 0 ? '?' : number)).join(', '); // prettier-ignore
    return numbers.length > MOST_NUMBERS ? `${shown} … (${numbers.length} patches)` : shown;
  };
  const idle = [...read.idle, ...plan.idle.map((one) => ({ ...one, index: read.numberOf(one.wish, one.index) }))]; // prettier-ignore
  const wish = (kind: WishList, index: number, text: string): HandWish => {
    const why = idle.find((one) => one.wish === kind && one.index === index)?.why;
    return { wish: kind, index, text, ...(why === undefined ? {} : { idle: why }) };
  };
  const pair = ([a, b]: UnitPair, between: string) => `${unit(a)} ${between} ${unit(b)}`;
  return {
    says: saysOf(plan.totals, best.totals),
    wishes: [
      ...pins.map(({ patches, school }, index) => {
        const by = school === undefined ? '' : `, by “${SCHOOLS[school as keyof typeof SCHOOLS].name}”`;
        return wish('pins', index, `Always made: the unit of ${unit(patches)}${by}`);
      }),
      ...apart.map((two, index) => wish('apart', index, `Never joined: ${pair(two, 'and')}`)),
      ...before.map((two, index) => wish('before', index, `In this order: ${pair(two, 'before')}`)),
    ],
  };
}

function saysOf(own: AssemblyPlan['totals'], best: AssemblyPlan['totals']): string {
  const said = comparedWith(own, best, 'the one with the fewest bends');
  return said.startsWith('Costs') ? `Your order c${said.slice(1)}` : `Your order: ${said}`;
}
