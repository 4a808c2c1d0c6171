'use client';
import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';

const FORMATS = [
  ['svg', 'Drawing at true size (SVG)'],
  ['json', 'Block file, to bring in again (JSON)'],
  ['dxf', 'Outlines for a cutter (DXF)'],
  ['csv', 'Table of papers (CSV)'],
] as const;

/** Saves a block in an open format. */
export function SaveAs({ projectId, blockId }: { projectId: string; blockId: string }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setAnchor(event.currentTarget)}>
        Save as
      </Button>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {FORMATS.map(([format, label]) => (
          <MenuItem
            key={format}
            component="a"
            href={`/api/projects/${projectId}/blocks/${blockId}/export?format=${format}`}
            download
            onClick={() => setAnchor(null)}
          >
            {label}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
