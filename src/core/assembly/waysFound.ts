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
  private size = 0;
  private least = Infinity;

  clear(): void {
    this.size = 0;
    this.least = Infinity;
  }

  /** Whether a way of that cost could still pay, wherever it ends. */
  couldTake(cost: number): boolean {
    return cost < this.least + START_COST;
  }

  /** Whether a way of that cost could be the cheapest that ends there. */
  couldEnd(cost: number, end: number): boolean {
    if (!this.couldTake(cost)) return false;
    const at = this.placeOf(end);
    return at === this.size || cost < (this.cost[at] ?? Infinity);
  }

  offer(cost: number, end: number, last: UnitSet, lastWay: number): void {
    if (!this.couldEnd(cost, end)) return;
    const at = this.placeOf(end);
    if (at === this.size) this.size += 1;
    this.cost[at] = cost;
    this.end[at] = end;
    this.last[at] = last;
    this.lastWay[at] = lastWay;
    this.least = Math.min(this.least, cost);
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

  private placeOf(end: number): number {
    let at = 0;
    while (at < this.size && this.end[at] !== end) at++;
    return at;
  }
}
