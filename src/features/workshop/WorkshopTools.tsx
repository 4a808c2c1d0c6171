import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { counted } from '@/core/words';
import type { Tool, Workshop } from './useWorkshop';

const TOOLS: readonly (readonly [Tool, string])[] = [
  ['pick', 'Pick (1)'],
  ['place', 'Place (2)'],
  ['paint', 'Paint (3)'],
  ['centre', 'Centre (4)'],
];

/** The bar over the board: which tool is in the hand, and what it can do with what is picked. */
export function WorkshopTools({ shop }: { readonly shop: Workshop }) {
  const few = shop.picked.length;
  return (
    <Stack
      direction="row"
      role="toolbar"
      aria-label="Tools"
      sx={{ flexWrap: 'wrap', gap: 0.75, alignItems: 'center' }}
    >
      <ToggleButtonGroup
        exclusive
        size="small"
        aria-label="Tool"
        value={shop.tool}
        onChange={(_, next: Tool | null) => next && shop.setTool(next)}
      >
        {TOOLS.map(([tool, label]) => (
          <ToggleButton key={tool} value={tool}>
            {label}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
      <Button size="small" disabled={!shop.canUndo} onClick={shop.undo} aria-keyshortcuts="Control+Z">
        Undo
      </Button>
      <Button size="small" disabled={!shop.canRedo} onClick={shop.redo} aria-keyshortcuts="Control+Shift+Z">
        Redo
      </Button>
      <Button size="small" onClick={() => shop.turnOn(1)} aria-keyshortcuts="r">
        Turn (R)
      </Button>
      <Button size="small" onClick={shop.turnOver} aria-keyshortcuts="x">
        Turn over (X)
      </Button>
      <Button size="small" disabled={few === 0} onClick={shop.copy} aria-keyshortcuts="Control+D">
        Copy
      </Button>
      <Button
        size="small"
        color="error"
        disabled={few === 0}
        onClick={shop.remove}
        aria-keyshortcuts="Delete"
      >
        Take out
      </Button>
      <Typography component="span" color="textSecondary">
        {few === 0 ? counted(shop.patches.length, 'paper') : `${few} of ${shop.patches.length} picked`}
      </Typography>
    </Stack>
  );
}
