import { foldEvents } from '@/core/progress';
import { Making, type BlockSummary } from '@/core/sheet';
import { listKits } from '../bags';
import { listSummaries } from '../blocks';
import type { Sql } from '../database';
import { listMakers } from '../makers';
import { readEvents } from '../progress';
import type { Project } from '../projects';

/** Whose work a changed block would undo: steps done with papers or cloth that it no longer has, and bags packed for it as it was. */
export interface Touched {
  readonly makers: readonly { readonly id: string; readonly name: string; readonly steps: number }[];
  readonly bags: readonly { readonly id: string; readonly name: string }[];
}

const NOTHING: Touched = { makers: [], bags: [] };

/** What a block as it would be touches of what is sewn and packed. @param after the block as it would be */
export async function workTouched(
  sql: Sql,
  project: Project,
  blockId: string,
  after: BlockSummary,
): Promise<Touched> {
  const { blocks } = await listSummaries(sql, project);
  const before = blocks.find(({ id }) => id === blockId)?.summary;
  if (!before) return NOTHING;
  const lost = lostSteps(before, after);
  // Another order, a note, folds: nobody has to be asked about.
  if (lost.size === 0 && before.bag === after.bag) return NOTHING;
  const [makers, events, kits] = await Promise.all([
    listMakers(sql, project),
    readEvents(sql, project),
    listKits(sql, project),
  ]);
  const made = new Map(before.steps.map((step) => [step.id, step.made]));
  const nameOf = new Map(makers.map(({ id, name }) => [id, name]));
  return {
    makers: makers.flatMap(({ id, name }) => {
      const own = events.find((pair) => pair.makerId === id && pair.blockId === blockId)?.events ?? [];
      const { done } = foldEvents(own, made.keys(), (step) => made.get(step));
      const steps = [...done].filter((step) => lost.has(step)).length;
      return steps > 0 ? [{ id, name, steps }] : [];
    }),
    bags:
      before.bag === after.bag
        ? []
        : kits.flatMap(({ blockId: own, makerId, status, packedMark }) => {
            const name = nameOf.get(makerId);
            const isAsPacked = own === blockId && status !== 'to-pack' && (packedMark ?? before.bag) === before.bag;
            return name !== undefined && isAsPacked ? [{ id: makerId, name }] : [];
          }),
  };
} // prettier-ignore

/** Steps of a block as it is, some patch of which would be made of something else, or would be gone. */
function lostSteps(before: BlockSummary, after: BlockSummary): ReadonlySet<string> {
  const [was, is] = [before, after].map(({ marks }) => new Making((patch) => marks[patch])) as [
    Making,
    Making,
  ];
  return new Set(before.steps.filter(({ units }) => was.of(units.flat()) !== is.of(units.flat())).map(({ id }) => id)); // prettier-ignore
}
