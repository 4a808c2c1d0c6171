import type { UnitSet } from './unitSet';
import { START_COST } from './treeWays';

/** No way, no place: where a unit has neither. */
export const NONE = -1;

/**
 * Ways of making every set of units, each by its number: what it costs, where its last thread ends, which part is made last (as a
 * set, 0 for a single unit) and in which way that is made. Those of one set stand together, the cheapest first.
 */
export class WayTable {
  readonly cost: number[] = [];
  readonly end: number[] = [];
  readonly last: UnitSet[] = [];
  readonly lastWay: number[] = [];
  /** For each set its first way and how many it has. */
  readonly first: Int32Array;
  readonly count: Int32Array;

  constructor(units: number) {
    this.first = new Int32Array(2 ** units).fill(NONE);
    this.count = new Int32Array(2 ** units);
  }

  add(set: UnitSet, cost: number, end: number, last: UnitSet, lastWay: number): void {
    if (this.count[set] === 0) this.first[set] = this.cost.length;
    this.count[set] = (this.count[set] ?? 0) + 1;
    this.cost.push(cost);
    this.end.push(end);
    this.last.push(last);
    this.lastWay.push(lastWay);
  }
}

/** Ways found of making one set that can still pay: for each end the cheapest, at most the saving of one thread dearer than the cheapest of all. */
export class WaysFound {
  private readonly cost: number[] = [];
  private readonly end: number[] = [];
  private readonly last: UnitSet[] = [];
  private readonly lastWay: number[] = [];
  /** For each end, from none on, its place among the ways that were found, from one on; 0 for those that have none. */
  private readonly placeOf: Int32Array;
  private size = 0;
  private least = Infinity;

  /** @param ends how many different ends there are, numbered from 0 */
  constructor(ends: number) {
    this.placeOf = new Int32Array(ends + 1);
  }

  clear(): void {
    for (let at = 0; at < this.size; at++) this.placeOf[(this.end[at] ?? NONE) - NONE] = 0;
    this.size = 0;
    this.least = Infinity;
  }

  /** Whether a way of that cost could still pay, wherever it ends. */
  couldTake(cost: number): boolean {
    return cost < this.least + START_COST;
  }

  /** Whether a way of that cost could be the cheapest that ends there. */
  couldEnd(cost: number, end: number): boolean {
    if (cost >= this.least + START_COST) return false;
    const place = this.placeOf[end - NONE] ?? 0;
    return place === 0 || cost < (this.cost[place - 1] ?? Infinity);
  }

  offer(cost: number, end: number, last: UnitSet, lastWay: number): void {
    if (!this.couldEnd(cost, end)) return;
    const place = (this.placeOf[end - NONE] ||= ++this.size);
    this.cost[place - 1] = cost;
    this.end[place - 1] = end;
    this.last[place - 1] = last;
    this.lastWay[place - 1] = lastWay;
    if (cost < this.least) this.least = cost;
  }

  /** Puts those that pay and cost less than a limit into a table, the cheapest first; of equals the one found first. */
  moveTo(table: WayTable, set: UnitSet, limit: number): void {
    const most = Math.min(limit, this.least + START_COST);
    for (;;) {
      let next = NONE;
      for (let i = 0; i < this.size; i++) {
        const cost = this.cost[i] ?? Infinity;
        if (cost < most && (next === NONE || cost < (this.cost[next] ?? Infinity))) next = i;
      }
      if (next === NONE) return;
      table.add(set, this.cost[next] ?? 0, this.end[next] ?? NONE, this.last[next] ?? 0, this.lastWay[next] ?? NONE); // prettier-ignore
      this.cost[next] = Infinity;
    }
  }
}
