/** Marks on things with numbers from 0, wiped all at once at no cost: a set that is emptied often and never grows. */
export class Marks {
  readonly #round: Uint32Array;
  #now = 1;

  constructor(count: number) {
    this.#round = new Uint32Array(count);
  }

  wipe(): void {
    this.#now += 1;
  }

  add(index: number): void {
    this.#round[index] = this.#now;
  }

  has(index: number): boolean {
    return this.#round[index] === this.#now;
  }

  /** Takes a mark away. @returns whether there was one */
  delete(index: number): boolean {
    if (this.#round[index] !== this.#now) return false;
    this.#round[index] = 0;
    return true;
  }
}

/** One thing for each owner, made when it is first asked for: room to work in that is used again. */
export function keptFor<Owner extends object, T>(make: (owner: Owner) => T): (owner: Owner) => T {
  const kept = new WeakMap<Owner, T>();
  return (owner) => {
    let own = kept.get(owner);
    if (own === undefined) kept.set(owner, (own = make(owner)));
    return own;
  };
}
