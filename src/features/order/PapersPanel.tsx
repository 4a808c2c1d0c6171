import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { counted } from '@/core/words';
import { BASTE_METHODS } from '@/core/basting';
import { backgroundOf } from '@/core/shapes';
import { BASTE_POLICIES, papersInPlay, papersOverTime, takingOut, type BastePolicy } from '@/core/papers';
import type { BlockSheet } from '@/core/sheet';
import { formatMinutes } from '@/ui/formatMinutes';
import { PapersChart } from './PapersChart';
import { POLICY_NAMES } from './policyNames';

interface PapersPanelProps {
  readonly projectId: string;
  readonly sheet: BlockSheet;
  readonly onPolicy: (policy: BastePolicy) => void;
}

/** When patches are basted, how many papers that takes, how they weigh in the hand, and when to take them out. */
export function PapersPanel({ projectId, sheet, onPolicy }: PapersPanelProps) {
  const joins = sheet.steps.flatMap((step) => (step.kind === 'join' ? [step] : []));
  const policy = (sheet.plan.order?.policy ?? 'all-first') as BastePolicy;
  const kindOf = sheet.patches.map(({ kind }) => kind);
  const usesOf = (kind: number) => BASTE_METHODS[sheet.basting.kinds[kind]?.method ?? 'thread'].uses;
  const says = (one: BastePolicy) => {
    const needs = papersInPlay(joins, kindOf, sheet.kinds.length, one, usesOf);
    const [needed, peak] = needs.reduce(([n, p], need) => [n + need.needed, p + need.peakInUse], [0, 0]);
    return `${counted(needed, 'paper')} to cut, ${peak} in use at most`;
  };
  return (
    <>
      <Stack direction="row" spacing={2} sx={{ alignItems: 'center', flexWrap: 'wrap', rowGap: 1 }}>
        <Typography variant="h3">Papers in the hand</Typography>
        <Button component={Link} href={`/p/${projectId}/order/papers`} size="small">
          Papers of the whole project
        </Button>
      </Stack>
      <TextField
        select
        size="small"
        label="When to baste"
        value={policy}
        onChange={({ target }) => onPolicy(target.value as BastePolicy)}
        sx={{ maxWidth: 560 }}
      >
        {BASTE_POLICIES.map((one) => (
          <MenuItem key={one} value={one}>
            {POLICY_NAMES[one]}: {says(one)}
          </MenuItem>
        ))}
      </TextField>
      <PapersChart
        moments={papersOverTime(joins, sheet.patches.length, backgroundOf(sheet.patches))}
        policy={policy}
      />
      <TakingOutList sheet={sheet} joins={joins} />
    </>
  );
}

/** Sittings that a page lists. */
const MOST_SITTINGS = 12;

function TakingOutList({ sheet, joins }: { sheet: BlockSheet; joins: Parameters<typeof takingOut>[0] }) {
  const { sittings, mostInHand, heavyMinutes } = takingOut(joins, sheet.sewing);
  const stepOf = (join: number) =>
    sheet.steps.findIndex((step) => step.kind === 'join' && step === joins[join]) + 1;
  if (sittings.length === 0)
    return (
      <Typography>
        This block stays light: no unit that is sewn to holds more than {counted(mostInHand.kept, 'paper')},
        so they may come out as they come free or all at the end.
      </Typography>
    );
  const saved = Math.round(heavyMinutes.kept - heavyMinutes.sittings);
  return (
    <Box>
      <Typography>
        Left in to the end, {counted(mostInHand.kept, 'paper')} would lie in the hand at once. Taken out at{' '}
        {sittings.length === 1 ? 'one sitting' : `${sittings.length} sittings`} it is {mostInHand.sittings}
        {saved > 0 ? `, and stiff work costs ${formatMinutes(saved)} less` : ''}; each as soon as it may,{' '}
        {mostInHand.atOnce}.
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
        {sittings.slice(0, MOST_SITTINGS).map(({ beforeJoin, patches, inHandBefore, inHandAfter }) => (
          <li key={beforeJoin}>
            Before step {stepOf(beforeJoin)}: take out {patches.length}{' '}
            {patches.length === 1 ? 'paper' : 'papers'} (
            {patches
              .map((patch) => patch + 1)
              .sort((a, b) => a - b)
              .join(', ')}
            ); {inHandBefore} in the hand become {inHandAfter}.
          </li>
        ))}
        {sittings.length > MOST_SITTINGS && <li>… and {sittings.length - MOST_SITTINGS} more.</li>}
      </Box>
    </Box>
  );
}
