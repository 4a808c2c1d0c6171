'use client';
import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { createContext, useContext, type ReactNode } from 'react';
import { USUAL_CARD, USUAL_SCALE, type BagGear, type Card, type Scale } from '@/core/packing';
import type { Sorter } from '@/core/sorting';
import type { KeptExtras } from '@/server/bags';
import { asRefusal, send } from '@/ui/api';
import { useNotice } from '@/ui/Notices';
import { useRemembered } from '@/ui/useRemembered';

interface GearOfProject {
  readonly projectId: string;
  readonly kept: KeptExtras;
  /** Whether it is theirs to say for everybody. */
  readonly mayEdit: boolean;
}

const GearContext = createContext<GearOfProject | undefined>(undefined);

/** Tells the pages within what stands on the table: as the project says, unless a device says otherwise. */
export function GearProvider({ children, ...project }: GearOfProject & { readonly children: ReactNode }) {
  return <GearContext value={project}>{children}</GearContext>;
}

const USUAL_SORTER: Sorter = { rows: 3, columns: 4 };

/** The sorter on the table. */
export function useSorter(): readonly [Sorter, (part: Partial<Sorter>) => void] {
  const kept = useContext(GearContext)?.kept.extras.gear?.sorter;
  const [said, say] = useRemembered('kevlo-sorter');
  const own = readSaid<Sorter>(said);
  const isSorter = Number.isInteger(own.rows) && Number.isInteger(own.columns);
  const sorter = isSorter ? (own as Sorter) : (kept ?? USUAL_SORTER);
  return [sorter, (part) => say(JSON.stringify({ ...sorter, ...part }))];
}

interface ScaleSettings {
  readonly card: Card;
  readonly scale: Scale;
}

/** The scale on the counter and the card that papers are cut from. */
export function useScaleSettings(): ScaleSettings & {
  readonly change: (part: Partial<ScaleSettings>) => void;
} {
  const gear = useContext(GearContext)?.kept.extras.gear;
  const [said, say] = useRemembered('kevlo-scale-settings');
  const own = readSaid<ScaleSettings>(said);
  const settings = {
    card: { ...USUAL_CARD, ...gear?.card, ...own.card },
    scale: { ...USUAL_SCALE, ...gear?.scale, ...own.scale },
  };
  return { ...settings, change: (part) => say(JSON.stringify({ ...settings, ...part })) };
}

/** Offers the host to keep what this device says for all devices of the project; nothing where it is so already. */
export function KeepGear({ gear }: { readonly gear: BagGear }) {
  const project = useContext(GearContext);
  const notice = useNotice();
  const router = useRouter();
  if (!project?.mayEdit) return null;
  const { projectId, kept } = project;
  const isKept = (Object.keys(gear) as (keyof BagGear)[]).every((key) => JSON.stringify(gear[key]) === JSON.stringify(kept.extras.gear?.[key])); // prettier-ignore
  if (isKept) return null;
  const put = (extras: KeptExtras['extras'], revision: number) =>
    send<{ revision: number }>('PUT', `/api/projects/${projectId}/extras`, { extras, revision });
  const keep = async () => {
    try {
      const { revision } = await put({ ...kept.extras, gear: { ...kept.extras.gear, ...gear } }, kept.revision); // prettier-ignore
      notice({
        text: 'Kept for all devices of this project.',
        undo: () => put(kept.extras, revision).then(router.refresh),
      });
      router.refresh();
    } catch (problem) {
      notice({ text: asRefusal(problem).message });
    }
  };
  return (
    <Button onClick={() => void keep()} sx={{ minHeight: 44 }}>
      Keep for all devices
    </Button>
  );
}

function readSaid<T>(text: string | undefined): Partial<T> {
  try {
    const found: unknown = JSON.parse(text ?? '{}');
    return found && typeof found === 'object' ? (found as Partial<T>) : {};
  } catch {
    return {};
  }
}
