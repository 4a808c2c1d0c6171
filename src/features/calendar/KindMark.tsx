import type { AgendaItem } from '@/core/calendar';

export type AgendaKind = AgendaItem['kind'];

/** What each kind of date is called, the outline of its mark on a square of 12, and its colour. */
export const KINDS: Readonly<Record<AgendaKind, { readonly name: string; readonly path: string; readonly color: string }>> = {
  drop: { name: 'Drop', path: 'M1 4h10v7H1zM4 4V2h4v2', color: 'var(--mui-palette-primary-main)' },
  packing: { name: 'Packing', path: 'M1 6h10M1 6v5h10V6M3 3l3 2 3-2', color: 'var(--mui-palette-warning-main)' },
  order: { name: 'Order', path: 'M1 2h10v8H1zM1 5h10M4 5v5', color: 'var(--mui-palette-error-main)' },
  meeting: { name: 'Meeting', path: 'M6 1a5 5 0 1 0 .01 0zM6 4v2.4L8 8', color: 'var(--mui-palette-success-main)' },
  holiday: { name: 'Holiday', path: 'M1 9c2-5 8-5 10 0M6 5V1', color: 'var(--mui-palette-text-secondary)' },
}; // prettier-ignore

/** The mark of a kind of date: told by its shape, not by its colour alone. */
export function KindMark({ kind }: { kind: AgendaKind }) {
  const { path, color } = KINDS[kind];
  return (
    <svg width={14} height={14} viewBox="0 0 12 12" aria-hidden style={{ flexShrink: 0 }}>
      <path d={path} fill="none" stroke={color} strokeWidth={1.6} strokeLinejoin="round" />
    </svg>
  );
}
