'use client';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { ClothRule } from '@/core/block';
import { sayRule, twoTurns } from '@/core/cloth';
import type { Point } from '@/core/geometry';
import type { LiveReport } from '@/core/workshop';
import { FabricChip } from '@/ui/FabricChip';
import { sayNumbers } from '@/ui/patchNumbers';
import { middleOf } from './boardMiddle';
import type { Workshop } from './useWorkshop';

interface ClothPanelProps {
  readonly shop: Workshop;
  readonly report: LiveReport | undefined;
  readonly fabrics: readonly string[];
  /** The number that the board shows on each patch. */
  readonly numbers: ReadonlyMap<string, number>;
  readonly onLook: (at: Point) => void;
}

/** Cloth on the papers: what is painted with, in turn, and what the colours are to mean. */
export function ClothPanel({ shop, report, numbers, fabrics, onLook }: ClothPanelProps) {
  const [second, setSecond] = useState('');
  const [fresh, setFresh] = useState('');
  const others = fabrics.filter((one) => one !== shop.fabric);
  const turnWith = others.includes(second) ? second : (others[0] ?? '');
  const alternate = () => {
    const turns = report && twoTurns(report.neighbours, shop.picked);
    // Where neighbours can be kept apart they are; else in turn round the middle.
    const order = turns ? undefined : roundTheMiddle(shop);
    if (turns) shop.paintTurns(turns, [shop.fabric, turnWith]);
    else if (order) shop.paintPicked([shop.fabric, turnWith], order);
  };
  const few = shop.picked.length;
  return (
    <Stack spacing={1.5}>
      <Box
        role="radiogroup"
        aria-label="Cloth to paint with"
        sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75 }}
      >
        {fabrics.map((one) => (
          <Button
            key={one}
            size="small"
            role="radio"
            aria-checked={shop.fabric === one}
            variant={shop.fabric === one ? 'contained' : 'outlined'}
            onClick={() => shop.setFabric(one)}
            sx={{ px: 0.75 }}
          >
            <FabricChip fabric={one} fabrics={fabrics} size={24} />
            <Box component="span" sx={{ ml: 0.75 }}>
              {one}
            </Box>
          </Button>
        ))}
      </Box>
      <Stack direction="row" spacing={1}>
        <TextField label="Another cloth" value={fresh} onChange={(event) => setFresh(event.target.value)} />
        <Button
          disabled={fresh.trim() === ''}
          onClick={() => {
            shop.addFabric(fresh.trim().slice(0, 80));
            setFresh('');
          }}
        >
          Add
        </Button>
      </Stack>
      <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap', rowGap: 1.5 }}>
        <Button size="small" disabled={few === 0} onClick={() => shop.paintPicked([shop.fabric])}>
          {few === 0 ? 'Paint what is picked' : `Paint the ${few} picked`}
        </Button>
        <Button size="small" disabled={few < 2 || turnWith === ''} onClick={alternate}>
          In turn with
        </Button>
        <TextField
          select
          label="second"
          value={turnWith}
          onChange={(event) => setSecond(event.target.value)}
          sx={{ width: 130 }}
        >
          {others.map((one) => (
            <MenuItem key={one} value={one}>
              {one}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      <Rules shop={shop} report={report} numbers={numbers} onLook={onLook} />
    </Stack>
  );
}

/** What lies no farther from the middle than this lies in it, mm. */
const MIDDLE_MM = 0.5;

/** The picked in the order in which they lie round the middle; what lies in it comes last, so that a ring round it alternates. */
function roundTheMiddle({ patches, picked, centre }: Workshop): number[] {
  const about = centre ?? middleOf(patches, picked);
  const angle = (index: number) => {
    const { x, y } = middleOf(patches, [index]);
    const isMiddle = Math.hypot(x - about.x, y - about.y) <= MIDDLE_MM;
    return isMiddle ? Infinity : Math.atan2(y - about.y, x - about.x);
  };
  return picked
    .map((index) => [index, angle(index)] as const)
    .sort(([, a], [, b]) => (a === b ? 0 : a - b))
    .map(([index]) => index);
}

function Rules({ shop, report, numbers, onLook }: Omit<ClothPanelProps, 'fabrics'>) {
  const { document, picked, patches } = shop;
  const rules = document.rules ?? [];
  const ids = picked.flatMap((index) => patches[index]?.id ?? []);
  const add = (rule: Omit<ClothRule, 'id'>) => {
    const number = 1 + Math.max(0, ...rules.map(({ id }) => Number(/\d+$/.exec(id)?.[0] ?? 0)));
    const whole = { ...rule, id: `rule-${number}` } as ClothRule;
    shop.edit((now) => ({ ...now, rules: [...(now.rules ?? []), whole] }), 'Add a cloth rule');
  };
  const drop = (id: string) =>
    shop.edit(
      (now) => ({ ...now, rules: (now.rules ?? []).filter((one) => one.id !== id) }),
      'Drop a cloth rule',
    );
  const few = ids.length < 2;
  return (
    <Box>
      <Typography variant="h3" gutterBottom>
        What the colours mean
      </Typography>
      <Stack direction="row" sx={{ gap: 0.75, flexWrap: 'wrap', mb: 1 }}>
        <Button
          size="small"
          disabled={few}
          onClick={() => add({ kind: 'same', patches: ids } as Omit<ClothRule, 'id'>)}
        >
          The picked share a cloth
        </Button>
        <Button
          size="small"
          disabled={few}
          onClick={() => add({ kind: 'alternate', patches: ids } as Omit<ClothRule, 'id'>)}
        >
          The picked alternate
        </Button>
        <Button
          size="small"
          onClick={() =>
            add((few ? { kind: 'differ' } : { kind: 'differ', patches: ids }) as Omit<ClothRule, 'id'>)
          }
        >
          {few ? 'No neighbours share' : 'No neighbours share, among the picked'}
        </Button>
        <Button
          size="small"
          onClick={() => add({ kind: 'not-facing', fabric: shop.fabric } as Omit<ClothRule, 'id'>)}
        >
          {shop.fabric} never faces itself
        </Button>
      </Stack>
      {rules.map((rule) => {
        const against = report?.violations.filter((one) => one.rule === rule.id) ?? [];
        return (
          <Alert
            key={rule.id}
            severity={against.length > 0 ? 'warning' : 'success'}
            variant="outlined"
            icon={false}
            sx={{ mb: 0.75, py: 0 }}
          >
            {sayRule(rule)}{' '}
            <Button
              size="small"
              variant="text"
              onClick={() => drop(rule.id)}
              aria-label={`Drop the rule: ${sayRule(rule)}`}
            >
              Drop
            </Button>
            <Box component="ul" sx={{ pl: 2, my: 0 }}>
              {against.slice(0, 8).map(({ message, at, patches: ids }, index) => (
                <li key={index}>
                  {message}
                  {sayNumbers(ids, numbers)}{' '}
                  <Button size="small" variant="text" onClick={() => onLook(at)}>
                    Look
                  </Button>
                </li>
              ))}
              {against.length > 8 && <li>… and {against.length - 8} more, dotted on the board.</li>}
            </Box>
          </Alert>
        );
      })}
      {rules.length === 0 && (
        <Typography color="textSecondary">
          Pick some papers and say what their cloth means; a swapped side is then seen before it is basted.
        </Typography>
      )}
    </Box>
  );
}
