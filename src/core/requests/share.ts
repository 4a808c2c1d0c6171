import { shareStock, type SharedStock, type WantingBag } from '../bags';
import type { Solver } from '../solver';
import { checkDistinct, listAt, numberAt, recordAt, refuse, requestOf, textAt } from './read';

const MOST_BAGS = 20_000;
const MOST_COUNT = 1e7;

export interface ShareRequest {
  readonly stock: ReadonlyMap<string, number>;
  readonly bags: readonly WantingBag[];
}

/** Reads a `kevlo.share-request/1`. @throws InvalidInputError `request` */
export function readShareRequest(text: string): ShareRequest {
  const request = requestOf(text, 'kevlo.share-request/1');
  const bags = listAt(request.bags, 'bags', MOST_BAGS).map((value, index) => {
    const place = `bags[${index}]`;
    const bag = recordAt(value, place);
    return {
      id: textAt(bag.id, `${place}.id`),
      drop: dropAt(bag.drop, `${place}.drop`),
      needs: countsAt(bag.needs, `${place}.needs`),
    };
  });
  checkDistinct(bags.map(({ id }) => id), 'bags'); // prettier-ignore
  const drops = [...new Set(bags.map(({ drop }) => drop))].sort(inOrder);
  const rankOf = new Map(drops.map((drop, rank) => [drop, rank]));
  return {
    stock: countsAt(request.stock, 'stock'),
    bags: bags.map(({ id, drop, needs }) => ({ id, rank: rankOf.get(drop) ?? 0, needs })),
  };
}

/** A drop is a number, a date or a name; “drop 2” comes before “drop 10”. */
function dropAt(value: unknown, place: string): string {
  return typeof value === 'number'
    ? String(numberAt(value, place, { least: -1e9, most: 1e9 }))
    : textAt(value, place);
}

const byNumber = new Intl.Collator('en', { numeric: true });
function inOrder(a: string, b: string): number {
  const [one, other] = [Number(a), Number(b)];
  return Number.isFinite(one) && Number.isFinite(other) ? one - other : byNumber.compare(a, b);
}

function countsAt(value: unknown, place: string): Map<string, number> {
  const counts = Object.entries(recordAt(value, place));
  if (counts.length > MOST_BAGS) refuse(place, `${counts.length} things are more than ${MOST_BAGS}.`, 'Split the request.'); // prettier-ignore
  return new Map(counts.map(([thing, count]) => [thing, numberAt(count, `${place}.${thing}`, { least: 0, most: MOST_COUNT, isWhole: true })])); // prettier-ignore
}

/** Shares the stock of a request among its bags. @param seconds when to stop with the best so far */
export function share({ stock, bags }: ShareRequest, solver: Solver, seconds: number): SharedStock {
  return shareStock(stock, bags, solver, seconds);
}

/** The answer as a `kevlo.share-result/1`. */
export function shareResult({ complete, missing, isProven }: SharedStock): object {
  return { format: 'kevlo.share-result/1', complete, missing: Object.fromEntries(missing), isProven };
}
