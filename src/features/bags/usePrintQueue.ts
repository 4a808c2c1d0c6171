'use client';
import { useState } from 'react';
import { RefusedError } from '@/ui/api';
import { newId } from '@/ui/newId';
import { useOutbox } from '@/ui/useOutbox';
import { printLabel, type PrintedLabel } from './labelPrinter';

interface Job {
  readonly id: string;
  readonly label: PrintedLabel;
}

/** Labels on their way to the printer: they wait on this device in their order until each has come out, once. */
export function usePrintQueue(projectId: string) {
  const [why, setWhy] = useState('');
  const { waiting, put } = useOutbox<Job>({
    key: `kevlo-labels-${projectId}`,
    deliver: async ({ id, label }) => {
      const waits = await printLabel(id, label);
      setWhy(waits ?? '');
      if (waits !== undefined) throw new RefusedError(0, 'printer', waits, 'It goes on by itself.');
    },
    onRefused: () => undefined,
  });
  return { waiting: waiting.length, why, print: (label: PrintedLabel) => put({ id: newId(), label }) };
}
