import type { Patch } from '../block';

/** Gives ids that no patch and no group has yet: the name with the next free number. */
export class FreshIds {
  private readonly taken: Set<string>;
  private readonly next_ = new Map<string, number>();

  constructor(patches: readonly Patch[]) {
    this.taken = new Set(patches.flatMap(({ id, group }) => (group === undefined ? [id] : [id, group])));
  }

  /** @param like a name, with or without a number at its end */
  next(like: string): string {
    const stem = like.replace(/-?\d+$/, '') || 'p';
    for (let number = this.next_.get(stem) ?? 1; ; number++) {
      const id = stem.length === 1 ? `${stem}${number}` : `${stem}-${number}`;
      if (this.taken.has(id)) continue;
      this.next_.set(stem, number + 1);
      this.taken.add(id);
      return id;
    }
  }
}
