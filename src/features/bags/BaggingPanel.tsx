import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import {
  USUAL_BAGGING,
  bagAccount,
  outerBags,
  type Bagging,
  type BaggingChoices,
  type DropOfBlocks,
} from '@/core/packing';
import { counted } from '@/core/words';
import { Choice } from '@/ui/Choice';
import { PlainButton } from '@/ui/PlainButton';
import type { BagBlock } from './bagBlock';

interface BaggingPanelProps {
  readonly choices: BaggingChoices | undefined;
  readonly blocks: readonly BagBlock[];
  readonly drops: readonly DropOfBlocks[];
  /** Ids of all blocks in the order in which they are handed out. */
  readonly order: readonly string[];
  readonly makers: readonly { readonly name: string; readonly skips: readonly string[] }[];
  readonly onChange: (choices: BaggingChoices) => void;
}

const PER = [
  ['block', 'one bag for each block'],
  ['drop', 'one bag for the drop, its blocks within'],
] as const;

/** How bags are made, as a rule and of which drops otherwise; the bags that come of it, and what is in none or named for two. */
export function BaggingPanel({ choices = USUAL_BAGGING, blocks, drops, order, makers, onChange }: BaggingPanelProps) {
  const bags = outerBags(order, drops, choices);
  const nameOf = (id: string) => blocks.find((block) => block.id === id)?.name ?? '';
  const unitsOf = (id: string) => blocks.find((block) => block.id === id)?.inner?.units ?? [];
  const account = bagAccount({
    blocks: blocks.map(({ id, name, bag }) => ({ id, name, settingPieces: bag.extras.reduce((sum, { count }) => sum + count, 0) })),
    drops,
    makers,
  });
  const setDrop = (id: string, own: Bagging | undefined) => {
    const { [id]: _, ...others } = choices.drops;
    onChange({ ...choices, drops: own ? { ...others, [id]: own } : others });
  };
  return (
    <Box component="section" aria-label="How bags are made" sx={{ mb: 3 }}>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        A unit that a block has more than once, such as a wedge, may come in an inner bag for each: papers and pieces of one wedge together.
      </Typography>
      <BaggingRow title="As a rule" own={choices.usual} onChange={(usual) => onChange({ ...choices, usual })} />
      {drops.map(({ id, title }) => (
        <BaggingRow
          key={id}
          title={title}
          own={choices.drops[id] ?? choices.usual}
          onChange={(own) => setDrop(id, own)}
          {...(choices.drops[id] ? { onRule: () => setDrop(id, undefined) } : {})}
        />
      ))}
      <Typography sx={{ mt: 1.5 }}>
        <strong>{`A maker who sews every block gets ${counted(bags.length, 'bag')}:`}</strong>
      </Typography>
      <Box component="ol" sx={{ mt: 0.5, mb: 1, pl: 3 }}>
        {bags.map(({ key, drop, blocks: own, isInner }) => (
          <li key={key}>
            {drop === undefined ? own.map(nameOf).join(', ') : `${drop}: ${own.map(nameOf).join(', ')}, each in a bag of its own within`}
            {isInner && own.flatMap(unitsOf).length > 0 && `; inner bags of ${own.flatMap((id) => unitsOf(id).map(({ copies, name }) => `${copies} × ${name}${own.length > 1 ? ` of ${nameOf(id)}` : ''}`)).join(', ')}`}
          </li>
        ))}
      </Box>
      {account.length === 0 ? (
        <Typography color="textSecondary">Everything that a maker needs lies in exactly one of their bags.</Typography>
      ) : (
        <Box component="ul" aria-label="In no bag, or named for two" sx={{ mt: 0, pl: 3, color: 'warning.main' }}>
          {account.map((sentence) => <li key={sentence}>{sentence}</li>)}
        </Box>
      )}
    </Box>
  );
} // prettier-ignore

interface BaggingRowProps {
  readonly title: string;
  readonly own: Bagging;
  readonly onChange: (own: Bagging) => void;
  /** Follows the rule again, where it does not. */
  readonly onRule?: () => void;
}

function BaggingRow({ title, own, onChange, onRule }: BaggingRowProps) {
  return (
    <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
      <Typography sx={{ width: 110 }}>{title}</Typography>
      <Box sx={{ width: 330 }}>
        <Choice label={`Bags, ${title}`} value={own.per} choices={PER} onChange={(per) => onChange({ ...own, per: per as Bagging['per'] })} />
      </Box>
      <FormControlLabel
        label="units in inner bags"
        control={<Checkbox checked={own.isInner} onChange={(_, isInner) => onChange({ ...own, isInner })} slotProps={{ input: { 'aria-label': `Inner bags, ${title}` } }} />}
      />
      {onRule && <PlainButton look="text" aria-label={`${title}: as a rule`} onClick={onRule}>As a rule</PlainButton>}
    </Stack>
  );
} // prettier-ignore
