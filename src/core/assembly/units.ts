import { itemAt } from '../lists';

/** Patches that grow together to units: which of them are one by now. Near-constant time (union by path halving). */
export class Units {
  readonly #parent: Int32Array;

  constructor(patches: number) {
    this.#parent = Int32Array.from({ length: patches }, (_, patch) => patch);
  }

  unite(a: number, b: number): void {
    this.#parent[this.#root(b)] = this.#root(a);
  }

  areOne(a: number, b: number): boolean {
    return this.#root(a) === this.#root(b);
  }

  #root(patch: number): number {
    let at = patch;
    for (let up = itemAt(this.#parent, at); up !== at; up = itemAt(this.#parent, at)) {
      this.#parent[at] = itemAt(this.#parent, up);
      at = up;
    }
    return at;
  }
}
