import { useCallback, useEffect, useState } from 'react';
import { RefusedError, read, send } from '@/ui/api';
import { useOutbox } from '@/ui/useOutbox';
import type { PageData } from './useMakerBlock';

type MakersTrouble = PageData['troubles'][number];

/** Something that the maker says about being stuck. */
export interface Word {
  readonly id: string;
  readonly troubleId: string;
  readonly symptom?: string;
  readonly text: string;
  readonly image?: string;
}

/** Answers are looked for this often while the page is open, ms. */
const LOOK_MS = 60_000;

/** Under which a device keeps what a maker said and what is not sent yet. */
export const wordsKey = (makerId: string) => `kevlo-words-${makerId}`;

/**
 * A maker’s troubles with what was said to and fro. What is said waits on the device until there is a connection and the host has
 * heard of the trouble itself.
 * @param isUnheard whether the tick that a trouble began with waits on this device
 */
export function useTroubles(token: string, { maker, troubles }: PageData, isUnheard: (troubleId: string) => boolean) {
  const [known, setKnown] = useState<readonly MakersTrouble[]>(troubles);
  const [fault, setFault] = useState<RefusedError | undefined>();
  const address = `/api/m/${token}/words`;
  const { waiting, put, isOffline } = useOutbox<Word>({
    key: wordsKey(maker.id),
    deliver: async (word) => {
      if (isUnheard(word.troubleId)) throw new RefusedError(0, 'unheard', 'The host has not heard of it yet.', 'It goes after its tick.');
      setKnown(await send<MakersTrouble[]>('POST', address, word));
      setFault(undefined);
    },
    onRefused: setFault,
  });
  const look = useCallback(() => {
    if (document.visibilityState === 'hidden') return;
    read<MakersTrouble[]>(address).then(setKnown, () => undefined);
  }, [address]);
  useEffect(() => {
    const timer = setInterval(look, LOOK_MS);
    document.addEventListener('visibilitychange', look);
    window.addEventListener('online', look);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', look);
      window.removeEventListener('online', look);
    };
  }, [look]);
  return { known, waiting, say: put, isOffline, fault };
} // prettier-ignore
