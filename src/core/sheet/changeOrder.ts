import { changeWishes, type OrderChange, type School } from '../assembly';
import { buildSeamGraph, type BlockDocument, type OrderChoices } from '../block';
import type { BastePolicy } from '../papers';
import { orderOf, wishesOf } from './orderWishes';
import type { HandWish } from './sayHand';
import type { JoinStep, Step } from './step';

/** What a host does to the join of a step: the school where the unit gets one, the other step where it takes its place. */
export interface OrderPress {
  readonly kind: OrderChange['kind'];
  readonly stepId: string;
  readonly school?: School;
  readonly atStepId?: string;
}

/**
 * Changes the order of work as the host does it on the step shown.
 * @param shown the steps that the host saw, and the patches whose numbers they give
 * @returns the document with the change, and what it does in a sentence; or why it cannot be made
 */
export function changeOrder(
  document: BlockDocument,
  shown: { readonly steps: readonly Step[]; readonly patches: readonly { readonly id: string }[] },
  press: OrderPress,
): { readonly document: BlockDocument; readonly says: string } | { readonly refused: string } {
  const place = new Map(document.patches.map(({ id }, index) => [id, index]));
  const now = (unit: readonly number[]) =>
    unit.flatMap((patch) => place.get(shown.patches[patch]?.id ?? '') ?? []);
  const steps = shown.steps.filter((step): step is JoinStep => step.kind === 'join');
  const joins = steps.map(({ left, right }) => ({ left: now(left), right: now(right) }));
  const indexOf = (id: string | undefined) => steps.findIndex((step) => step.id === id);
  const join = indexOf(press.stepId);
  const change = (): OrderChange => {
    switch (press.kind) {
      case 'school':
        return { kind: 'school', join, school: press.school };
      case 'place':
        return { kind: 'place', join, at: indexOf(press.atStepId) };
      default:
        return { kind: press.kind, join };
    }
  };
  const { wishes, idle } = wishesOf(document.patches, document.order);
  const changed = changeWishes(buildSeamGraph(document.patches), joins, wishes, change());
  if ('refused' in changed) return changed;
  const order = orderOf(document.patches, document.order, changed.wishes);
  // What speaks of patches that are gone stays listed until the host takes it back.
  const gone = <T>(wish: HandWish['wish'], list: readonly T[] = []) =>
    list.filter((_, index) => idle.some((one) => one.wish === wish && one.index === index));
  const { pins, apart, before } = document.order ?? {};
  const kept = {
    pins: gone('pins', pins),
    apart: gone('apart', apart),
    before: gone('before', before),
  };
  return { document: withOrder(document, added(order ?? { school: 'best' }, kept)), says: changed.says };
}

type Wished = Required<Pick<OrderChoices, HandWish['wish']>>;

function added(order: OrderChoices, more: Wished): OrderChoices {
  const both = <T>(own: readonly T[] = [], other: readonly T[]) => [...own, ...other];
  return withoutEmpty({
    ...order,
    pins: both(order.pins, more.pins),
    apart: both(order.apart, more.apart),
    before: both(order.before, more.before),
  });
}

/** The same block by another school; what the host wants besides stays. */
export function withSchool(document: BlockDocument, school: School): BlockDocument {
  return withOrder(document, { ...document.order, school });
}

/** The same block with its upper layers sewn on in another way. */
export function withApplique(document: BlockDocument, applique: OrderChoices['applique']): BlockDocument {
  const { applique: _was, ...order } = document.order ?? { school: 'best' };
  return withOrder(document, applique ? { ...order, applique } : order);
}

/** The same block with like units made one after another, each where it comes, or as it serves. */
export function withBatches(document: BlockDocument, isBatched: boolean | undefined): BlockDocument {
  const { isBatched: _was, ...order } = document.order ?? { school: 'best' };
  return withOrder(document, isBatched === undefined ? order : { ...order, isBatched });
}

/** The same block with its patches basted all at first, unit by unit, or each just before its join. */
export function withPolicy(document: BlockDocument, policy: BastePolicy): BlockDocument {
  const { policy: _was, ...order } = document.order ?? { school: 'best' };
  return withOrder(document, policy === 'all-first' ? order : { ...order, policy });
}

/** The same block with stitches, needleful or thread of its own; none: as the project sews. */
export function withSewing(document: BlockDocument, sewing: OrderChoices['sewing']): BlockDocument {
  const { sewing: _was, ...order } = document.order ?? { school: 'best' };
  return withOrder(document, sewing && Object.keys(sewing).length > 0 ? { ...order, sewing } : order);
}

/** Takes one wish of the host back, or all of them. */
export function takeBack(document: BlockDocument, wish?: Pick<HandWish, 'wish' | 'index'>): BlockDocument {
  const { order } = document;
  if (!order) return document;
  if (!wish) {
    const { pins: _pins, apart: _apart, before: _before, ...rest } = order;
    return withOrder(document, rest);
  }
  const list = order[wish.wish] ?? [];
  return withOrder(
    document,
    withoutEmpty({ ...order, [wish.wish]: list.filter((_, i) => i !== wish.index) }),
  );
}

function withoutEmpty(order: OrderChoices): OrderChoices {
  const { pins = [], apart = [], before = [], ...rest } = order;
  return {
    ...rest,
    ...(pins.length > 0 ? { pins } : {}),
    ...(apart.length > 0 ? { apart } : {}),
    ...(before.length > 0 ? { before } : {}),
  };
}

function withOrder(
  { order: _was, ...document }: BlockDocument,
  order: OrderChoices | undefined,
): BlockDocument {
  const isProposed = !order || (order.school === 'best' && Object.keys(order).length === 1);
  return isProposed ? document : { ...document, order };
}
