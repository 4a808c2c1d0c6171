import { USUAL_CARD, USUAL_SCALE, type Card, type Scale } from '@/core/packing';
import { useRemembered } from '@/ui/useRemembered';

interface ScaleSettings {
  readonly card: Card;
  readonly scale: Scale;
}

/** The scale on this counter and the card that papers are cut from, as they were said on this device. */
export function useScaleSettings(): ScaleSettings & {
  readonly change: (part: Partial<ScaleSettings>) => void;
} {
  const [kept, keep] = useRemembered('kevlo-scale-settings');
  const settings = readSettings(kept);
  return { ...settings, change: (part) => keep(JSON.stringify({ ...settings, ...part })) };
}

function readSettings(kept: string | undefined): ScaleSettings {
  const usual = { card: USUAL_CARD, scale: USUAL_SCALE };
  try {
    const found = JSON.parse(kept ?? '{}') as Partial<ScaleSettings>;
    return { card: { ...usual.card, ...found.card }, scale: { ...usual.scale, ...found.scale } };
  } catch {
    return usual;
  }
}
