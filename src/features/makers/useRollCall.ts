'use client';
import { useState } from 'react';
import useSWR from 'swr';
import type { RollEntry, RollLine } from '@/server/progress';
import { read, send } from '@/ui/api';
import { newId } from '@/ui/newId';
import { useNotice } from '@/ui/Notices';
import { useLive } from '@/ui/useLive';
import { useOutbox } from '@/ui/useOutbox';

export interface Roll {
  readonly day: string;
  readonly lines: readonly RollLine[];
}

/** Something said without what the page adds to it. */
type Said<T> = T extends RollEntry ? Omit<T, 'id' | 'at'> : never;
export type RollWord = Said<RollEntry>;

/** What was said before, so that it can be said again. */
interface Undoable {
  readonly back: RollWord;
  readonly what: string;
}

/** The roll as it is called: what was said counts at once, waits on this device without a connection, and can be taken back. */
export function useRollCall(projectId: string, initial: Roll) {
  const notice = useNotice();
  const address = `/api/projects/${projectId}/roll`;
  const { data = initial, mutate } = useSWR<Roll>(address, read, { fallbackData: initial });
  useLive(projectId, ['progress', 'makers', 'blocks'], () => mutate());
  const { waiting, put, isOffline } = useOutbox<RollEntry>({
    key: `kevlo-roll-${projectId}`,
    deliver: async (entry) => {
      await send('POST', address, { entries: [entry] });
      // Shown before it leaves the list of what waits: a count never jumps back.
      await mutate(async () => read<Roll>(address).catch(() => undefined), { populateCache: (next, before) => next ?? before ?? initial, revalidate: false });
    },
    onRefused: ({ what, mend }) => notice({ text: `${what} ${mend}` }),
    onSent: () => void mutate(),
  });
  const [done, setDone] = useState<readonly Undoable[]>([]);
  const lines = data.lines.map((line) => waiting.reduce(withEntry, line));
  const tell = (word: RollWord) => put({ ...word, id: newId(), at: new Date().toISOString() } as RollEntry);
  const say = (word: RollWord, what: string) => {
    const line = lines.find(({ makerId }) => makerId === word.makerId);
    const back = line && opposite(line, word);
    if (!back) return;
    tell(word);
    setDone((own) => [...own, { back, what }]);
  };
  const last = done.at(-1);
  const undo = last && (() => {
    tell(last.back);
    setDone((own) => own.slice(0, -1));
  });
  return { day: data.day, lines, say, undo, undoes: last?.what, waiting: waiting.length, isOffline };
} // prettier-ignore

/** A line with one thing more said of it. */
export function withEntry(line: RollLine, entry: RollEntry): RollLine {
  if (entry.makerId !== line.makerId) return line;
  if ('day' in entry) return { ...line, isAbsent: entry.kind === 'absent' };
  const { now } = line;
  if (!now || now.blockId !== entry.blockId) return line;
  if (!('key' in entry)) return { ...line, now: { ...now, isStuck: entry.kind === 'stuck' } };
  const units = now.units.map((unit) =>
    unit.key === entry.key ? { ...unit, done: Math.min(unit.count, entry.count) } : unit,
  );
  return { ...line, now: { ...now, units } };
}

/** What makes a line again what it is now; nothing where a word changes nothing. */
export function opposite(line: RollLine, word: RollWord): RollWord | undefined {
  const { makerId } = line;
  if ('day' in word) {
    const isAbsent = word.kind === 'absent';
    return isAbsent === line.isAbsent ? undefined : { makerId, day: word.day, kind: isAbsent ? 'present' : 'absent' }; // prettier-ignore
  }
  if (!line.now || line.now.blockId !== word.blockId) return undefined;
  if (!('key' in word)) {
    const isStuck = word.kind === 'stuck';
    return isStuck === line.now.isStuck ? undefined : { makerId, blockId: word.blockId, kind: isStuck ? 'unstuck' : 'stuck' }; // prettier-ignore
  }
  const unit = line.now.units.find(({ key }) => key === word.key);
  return unit && unit.done !== word.count ? { ...word, count: unit.done } : undefined;
}

/** The unit a maker is at: the first that is not all done. */
export const unitAt = ({ now }: RollLine) => now?.units.find(({ done, count }) => done < count);
