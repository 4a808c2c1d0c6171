import type { BastePolicy } from '@/core/papers';

/** How the times of basting are called. */
export const POLICY_NAMES: Readonly<Record<BastePolicy, string>> = {
  'all-first': 'Baste everything first',
  'per-unit': 'Baste unit by unit',
  'just-in-time': 'Baste each just before it is joined',
};
