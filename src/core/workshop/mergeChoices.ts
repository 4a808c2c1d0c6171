import type { BastingChoices, BlockDocument, OrderChoices } from '../block';
import { isSamePaper } from '../shapes';
import { chooseOne, mergeRecords, mergeSets } from './threeWay';

type Choices = Pick<BlockDocument, 'order' | 'basting' | 'notes'>;
type Kind = NonNullable<BastingChoices['kinds']>[number];

/** The chosen order, folds and notes of two people, each choice by itself; where both chose the same one anew, mine. */
export function mergeChoices(base: Choices, mine: Choices, theirs: Choices): Choices {
  const order = mergeOrder(base.order, mine.order, theirs.order);
  const basting = mergeBasting(base.basting, mine.basting, theirs.basting);
  const notes = mergeRecords(base.notes, mine.notes, theirs.notes);
  return {
    ...(order ? { order } : {}),
    ...(basting ? { basting } : {}),
    ...(Object.keys(notes).length > 0 ? { notes } : {}),
  };
}

function mergeOrder(
  base: OrderChoices | undefined,
  mine: OrderChoices | undefined,
  theirs: OrderChoices | undefined,
): OrderChoices | undefined {
  if (!mine && !theirs) return undefined;
  const [b, m, t] = [base, mine, theirs].map((one) => {
    const { pins = [], apart = [], before = [], ...rest } = one ?? { school: 'best' };
    return { pins, apart, before, rest };
  }) as [Split, Split, Split];
  const [pins, apart, before] = [
    mergeSets(b.pins, m.pins, t.pins),
    mergeSets(b.apart, m.apart, t.apart),
    mergeSets(b.before, m.before, t.before),
  ];
  const order: OrderChoices = {
    ...(mergeRecords<unknown>(b.rest, m.rest, t.rest) as Split['rest']),
    ...(pins.length > 0 ? { pins } : {}),
    ...(apart.length > 0 ? { apart } : {}),
    ...(before.length > 0 ? { before } : {}),
  };
  return order.school === 'best' && Object.keys(order).length === 1 ? undefined : order;
}

interface Split extends Required<Pick<OrderChoices, 'pins' | 'apart' | 'before'>> {
  readonly rest: Omit<OrderChoices, 'pins' | 'apart' | 'before'>;
}

function mergeBasting(
  base: BastingChoices | undefined,
  mine: BastingChoices | undefined,
  theirs: BastingChoices | undefined,
): BastingChoices | undefined {
  const [own, other] = [mine?.kinds ?? [], theirs?.kinds ?? []];
  const find = (list: readonly Kind[] = [], { outline }: Kind) =>
    list.find((one) => isSamePaper(one.outline, outline));
  const papers = [...own, ...other.filter((one) => !find(own, one))];
  const kinds = papers.flatMap(
    (one) => chooseOne(find(base?.kinds, one), find(own, one), find(other, one)) ?? [],
  );
  const patches = mergeRecords(base?.patches, mine?.patches, theirs?.patches);
  const isEmpty = kinds.length === 0 && Object.keys(patches).length === 0;
  if (isEmpty) return undefined;
  return {
    ...(kinds.length > 0 ? { kinds } : {}),
    ...(Object.keys(patches).length > 0 ? { patches } : {}),
  };
}
