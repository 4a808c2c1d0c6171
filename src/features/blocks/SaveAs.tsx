'use client';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';

const FORMATS = [
  ['svg', 'Drawing at true size (SVG)'],
  ['json', 'Block file, to bring in again (JSON)'],
  ['dxf', 'Outlines for a cutter (DXF)'],
  ['csv', 'Table of papers (CSV)'],
] as const;

interface SaveAsProps {
  readonly projectId: string;
  readonly blockId: string;
  /** Names of its paper kinds, in order. */
  readonly kindNames: readonly string[];
  /** Generators that made parts of it. */
  readonly made: readonly string[];
}

/** Saves a block in an open format, or prints its papers and guides at true size. */
export function SaveAs({ projectId, blockId, kindNames, made }: SaveAsProps) {
  const block = `/api/projects/${projectId}/blocks/${blockId}`;
  const printed = [
    ['what=papers', 'Papers, sharing cuts'],
    ['what=papers&gap=2', 'Papers, 2 mm apart'],
    ['what=stickers', 'Number stickers'],
    ...kindNames.map((name, kind) => [`what=window&kind=${kind}`, `Window for ${name}`] as const),
    ['what=centring', 'Centring guide for appliqué'],
    ...(made.includes('plate') ? [['what=plate', 'Angle check for the plate'] as const] : []),
    ...(made.includes('clamshell') ? [['what=clamshell', 'Row guide for the clamshells'] as const] : []),
  ] as const;
  return (
    <>
      <MenuButton label="Print at true size">
        {(close) =>
          printed.map(([query, label]) => (
            <MenuItem
              key={query}
              component="a"
              href={`${block}/print?${query}`}
              target="_blank"
              rel="noopener"
              onClick={close}
            >
              {label}
            </MenuItem>
          ))
        }
      </MenuButton>
      <MenuButton label="Save as">
        {(close) => [
          ...FORMATS.map(([format, label]) => (
            <MenuItem
              key={format}
              component="a"
              href={`${block}/export?format=${format}`}
              download
              onClick={close}
            >
              {label}
            </MenuItem>
          )),
          <Divider key="rule" />,
          <MenuItem
            key="project"
            component="a"
            href={`/api/projects/${projectId}/export`}
            download
            onClick={close}
          >
            The whole project (JSON)
          </MenuItem>,
        ]}
      </MenuButton>
    </>
  );
}

function MenuButton({
  label,
  children,
}: {
  label: string;
  children: (close: () => void) => React.ReactNode;
}) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        {label}
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {children(() => setAnchor(null))}
      </Menu>
    </>
  );
}
