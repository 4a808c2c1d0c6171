import { momentsOf, type Step } from '@/core/sheet';
import { troublesAt } from '@/core/troubles';
import { TroubleHelp } from '@/ui/TroubleHelp';
import type { MakersBlock } from './useMakerBlock';

interface StepTroublesProps {
  readonly step: Step;
  readonly sheet: MakersBlock['sheet'];
}

/** What can go wrong at a step, and what to do then. */
export default function StepTroubles({ step, sheet }: StepTroublesProps) {
  return <TroubleHelp troubles={troublesAt(momentsOf(step, sheet))} isOpen />;
}
