import { usesByName, type BlockSheet } from '@/core/sheet';
import type { UnitSystem } from '@/core/length';
import type { CountedPaper } from '@/features/bags/CountingBoard';
import { offThread } from '@/server/pool';
import { sayMeasure } from '@/ui/sayMeasure';

/** Papers of a project by name, each once, with what it is easily taken for. */
export async function countedPapers(
  sheets: readonly BlockSheet[],
  system: UnitSystem,
): Promise<CountedPaper[]> {
  const uses = usesByName(sheets);
  const kinds = new Map(
    sheets.flatMap(({ bag }) => bag.papers.map(({ name, kind }) => [name, kind] as const)),
  );
  const papers = [...kinds].map(([name, kind]) => ({ name, ...kind }));
  const alike = await offThread('lookAlikes', papers);
  const looksLike = papers.map((_, index) =>
    alike
      .flatMap((one) => {
        if (one.kind !== 'pair' || !one.papers.includes(index)) return [];
        const isFirst = one.papers[0] === index;
        const other = papers[isFirst ? one.papers[1] : one.papers[0]]?.name ?? '';
        const [own, its] = isFirst ? (['a', 'b'] as const) : (['b', 'a'] as const);
        return [`Like ${other}: ${one.tellBy.name} ${sayMeasure(one.tellBy, own, system)}, not ${sayMeasure(one.tellBy, its, system)}`]; // prettier-ignore
      })
      .join('; '),
  );
  return papers.map(({ name, outline, areaMm2 }, index) => ({
    name,
    outline,
    areaMm2,
    looksLike: looksLike[index] ?? '',
    uses: uses.get(name) ?? 1,
  }));
}
