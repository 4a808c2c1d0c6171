import type { Step } from '@/core/sheet';
import { firstSentence } from '@/core/words';

/** A step in a few words, for lists. */
export function shortText(step: Step): string {
  const first = firstSentence(step.text).replace(/[.:].*$/, '');
  const sentence = first
    .replace(/^Right sides together, s/, 'S')
    .replace(/ \(\d+ patches\)| \([\d, ]+\)/g, '');
  const bends =
    step.kind === 'join' && step.bends > 0 ? ` (${step.bends} ${step.bends === 1 ? 'bend' : 'bends'})` : '';
  return `${sentence}${bends}${step.kind === 'join' && step.pin ? ' · always made' : ''}`;
}
