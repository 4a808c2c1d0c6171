import type { Step } from '@/core/sheet';

/** A step in a few words, for lists. */
export function shortText(step: Step): string {
  const sentence = (step.text.split(/[.:]/)[0] ?? '').replace(/ \(\d+ patches\)| \(patches [\d, ]+\)/g, '');
  const bends =
    step.kind === 'join' && step.bends > 0 ? ` (${step.bends} ${step.bends === 1 ? 'bend' : 'bends'})` : '';
  return `${sentence}${bends}${step.kind === 'join' && step.pin ? ' · always made' : ''}`;
}
