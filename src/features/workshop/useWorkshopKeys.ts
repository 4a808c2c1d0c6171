'use client';
import { useEffect, useRef } from 'react';
import type { Tool, Workshop } from './useWorkshop';
import { isInField } from '@/ui/isInField';

const TOOL_KEYS: Readonly<Record<string, Tool>> = { '1': 'pick', '2': 'place', '3': 'paint', '4': 'centre' };

/** The workshop's keys, wherever the focus is but in a field. */
export function useWorkshopKeys(shop: Workshop): void {
  const latest = useRef(shop);
  useEffect(() => {
    latest.current = shop;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (isInField(event) || target.closest('[role=dialog]')) return;
      if (act(latest.current, event)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

/** @returns whether the key meant something here */
function act(shop: Workshop, event: KeyboardEvent): boolean {
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === 'z') (event.shiftKey ? shop.redo : shop.undo)();
    else if (key === 'y') shop.redo();
    else if (key === 'a') shop.pick(shop.patches.map((_, index) => index));
    else if (key === 'd' && shop.picked.length > 0) shop.copy();
    else if (key === 'g' && shop.picked.length > 0) (event.shiftKey ? shop.ungroup : shop.group)();
    else return false;
    return true;
  }
  if (event.altKey) return false;
  const tool = TOOL_KEYS[key];
  if (tool) shop.setTool(tool);
  else if (key === 'r') shop.turnOn(event.shiftKey ? -1 : 1);
  else if (key === 'x') shop.turnOver();
  else if (key === 'delete' || key === 'backspace') shop.remove();
  else if (key === 'escape') {
    if (shop.tool === 'pick') shop.pickIds([]);
    else shop.setTool('pick');
  } else return false;
  return true;
}
