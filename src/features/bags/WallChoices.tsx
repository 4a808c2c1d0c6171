import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { DropOfBlocks } from '@/core/packing';
import { counted } from '@/core/words';
import { Choice } from '@/ui/Choice';

export const ALL = 'all';

/** Bags of one state are looked for by what the wall calls them. */
const STATES = [
  [ALL, 'any state'],
  ['to-pack', 'to pack'],
  ['begun', 'begun or in hands'],
  ['packed', 'packed'],
  ['handed-over', 'handed over'],
  ['old', 'packed before the block changed'],
] as const;
export type BagState = (typeof STATES)[number][0];

/** Which bags are looked at, and whether it is told who packed them and when. */
export interface WallChoice {
  readonly drop: string;
  readonly state: BagState;
  readonly isTold: boolean;
}

export const EVERYTHING: WallChoice = { drop: ALL, state: ALL, isTold: false };

interface WallChoicesProps {
  readonly drops: readonly DropOfBlocks[];
  readonly choice: WallChoice;
  readonly onChoose: (choice: WallChoice) => void;
  /** How many makers have bags of the chosen state. */
  readonly makers: number;
}

/** What the wall shows: bags of a drop, of a state, and who packed them. */
export function WallChoices({ drops, choice, onChoose, makers }: WallChoicesProps) {
  return (
    <Stack
      direction="row"
      className="no-print"
      sx={{ gap: 1.5, flexWrap: 'wrap', mb: 1, alignItems: 'center' }}
    >
      {drops.length > 0 && (
        <Box sx={{ minWidth: 170 }}>
          <Choice
            label="Drop"
            value={choice.drop}
            choices={[[ALL, 'all blocks'], ...drops.map(({ id, title }) => [id, title] as const)]}
            onChange={(drop) => onChoose({ ...choice, drop })}
          />
        </Box>
      )}
      <Box sx={{ minWidth: 230 }}>
        <Choice
          label="Makers with bags"
          value={choice.state}
          choices={STATES}
          onChange={(state) => onChoose({ ...choice, state: state as BagState })}
        />
      </Box>
      <FormControlLabel
        control={
          <Checkbox checked={choice.isTold} onChange={(_, isTold) => onChoose({ ...choice, isTold })} />
        }
        label="Who and when"
      />
      <Typography role="status" color="textSecondary">
        {counted(makers, 'maker')}
      </Typography>
    </Stack>
  );
}
