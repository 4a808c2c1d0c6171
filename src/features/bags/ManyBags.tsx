'use client';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { counted } from '@/core/words';
import type { Kit, KitStatus } from '@/server/bags';
import { STATUS_NAMES } from './useKits';

interface ManyBagsProps {
  /** Of the maker or the block whose bags these are. */
  readonly name: string;
  readonly kits: readonly Kit[];
  readonly onChange: (wishes: readonly Kit[], label: string) => void;
}

const STEPS: readonly { readonly from: KitStatus; readonly to: KitStatus }[] = [
  { from: 'to-pack', to: 'packed' },
  { from: 'packed', to: 'handed-over' },
];

/** A name that marks all of its bags: what is to pack as packed, what is packed as handed over. */
export function ManyBags({ name, kits, onChange }: ManyBagsProps) {
  const [anchor, setAnchor] = useState<HTMLElement | undefined>();
  return (
    <>
      <Button
        size="small"
        variant="text"
        color="inherit"
        aria-haspopup="menu"
        aria-label={`All bags of ${name}`}
        onClick={(event) => setAnchor(event.currentTarget)}
        sx={{ justifyContent: 'flex-start', minHeight: 44, lineHeight: 1.2, textAlign: 'left', px: 0.75 }}
      >
        {name}
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {STEPS.map(({ from, to }) => {
          const own = kits.filter(({ status }) => status === from);
          return (
            <MenuItem
              key={to}
              disabled={own.length === 0}
              onClick={() => {
                setAnchor(undefined);
                onChange(
                  own.map((kit) => ({ ...kit, status: to })),
                  `${name}: ${counted(own.length, 'bag')} ${STATUS_NAMES[to]}`,
                );
              }}
            >
              {own.length === 0
                ? `None ${STATUS_NAMES[from]}`
                : `Mark ${counted(own.length, 'bag')} as ${STATUS_NAMES[to]}`}
            </MenuItem>
          );
        })}
      </Menu>
    </>
  );
}
