import { useRef, useState } from 'react';
import { pushed } from '@/core/fussy';
import { formatLength, type UnitSystem } from '@/core/length';
import { counted } from '@/core/words';
import { send } from '@/ui/api';
import { useSend } from '@/ui/useSend';
import { fussyRequest, readFound, type FussyFound, type FussyWish } from './fussyRequest';

/** What was found for a wish, and what would give more. */
export interface FussyAnswer extends FussyWish {
  readonly found: FussyFound;
  /** Undefined while it is looked for. */
  readonly more?: readonly string[];
}

/** A point of the paper is tried this much further, mm: what an eye does not see on a print. */
const SHIFT_MM = 2;
const SHIFTS = [['left', -1, 0], ['right', 1, 0], ['up', 0, -1], ['down', 0, 1]] as const; // prettier-ignore

/** Finds the most whole sets on a piece of cloth, then what would give more of the first ones. */
export function useFussy(projectId: string, system: UnitSystem) {
  const [answer, setAnswer] = useState<FussyAnswer | undefined>();
  const { error, isBusy, run } = useSend();
  const latest = useRef(0);
  const ask = async (request: object) => readFound(await send('POST', `/api/projects/${projectId}/fussy`, request));
  const find = (wish: FussyWish) =>
    run(async () => {
      const own = ++latest.current;
      const found = await ask(fussyRequest(wish));
      if (own !== latest.current) return;
      setAnswer({ ...wish, found });
      const first = { ...wish, points: wish.points.slice(0, 1) };
      const before = found.points[0]?.sets ?? 0;
      const gain = async (request: object) => ((await ask(request)).points[0]?.sets ?? 0) - before;
      const more: string[] = [];
      const { repeatHeightMm } = wish.cloth;
      const longer = await gain(fussyRequest({ ...first, lengthMm: wish.lengthMm + repeatHeightMm }));
      if (longer > 0) more.push(`A piece longer by one repeat (${formatLength(repeatHeightMm, system)}) gives ${counted(longer, 'set')} more.`);
      const tighter = await gain(fussyRequest(first, (paper) => paper.tighter));
      if (tighter > 0) more.push(`An allowance narrower by 1/16″ (1.6 mm) gives ${counted(tighter, 'set')} more.`);
      for (const [word, dx, dy] of SHIFTS) {
        if (own !== latest.current) return;
        const points = first.points.map((point) => ({ ...point, motif: pushed(point.motif, dx * SHIFT_MM, dy * SHIFT_MM) }));
        const shifted = await gain(fussyRequest({ ...first, points }));
        if (shifted > 0) more.push(`The paper laid ${formatLength(SHIFT_MM, system)} further ${word} gives ${counted(shifted, 'set')} more.`);
      }
      if (own === latest.current) setAnswer({ ...wish, found, more });
    });
  const clear = () => {
    latest.current += 1;
    setAnswer(undefined);
  };
  return { answer, error, isBusy, find, clear };
} // prettier-ignore
