import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { Fragment, type ReactNode } from 'react';
import { STATIONS, type Place } from './stations';

/** Keys and what they do, beside those that lead to the stations. */
const KEYS: readonly (readonly [keys: readonly string[], what: ReactNode])[] = [
  [['←', '→'], 'step back and on (Order of work)'],
  [['Space'], 'play the steps'],
  [['F'], 'flip front and back'],
  [['T'], 'tails'],
  [['O'], 'papers out'],
  [['L'], 'print'],
  [['↑', '↓'], 'from patch to patch in a drawing'],
  [['+', '−', '0'], 'zoom'],
  [['1', '2', '3', '4'], 'pick, place, paint, centre (Workshop)'],
  [['R', 'X'], 'turn, turn over what is in the hand or picked'],
  [['Alt', 'arrows'], 'nudge what is picked; with Shift ten times as far'],
  [['Ctrl', 'Z, D, G, A'], 'undo, copy, group, pick all; with Shift redo and ungroup'],
  [['?'], 'this page'],
];

/** What is done in the place where one is, and all keys. */
export function HelpDialog({ place, onClose }: { place: Place | undefined; onClose: () => void }) {
  return (
    <Dialog open={place !== undefined} onClose={onClose} aria-labelledby="help-title" maxWidth="sm" fullWidth>
      <DialogTitle id="help-title">Help: {place?.name}</DialogTitle>
      <DialogContent tabIndex={0}>
        <Typography gutterBottom>{place?.purpose}</Typography>
        <Box component="ul" sx={{ pl: 2.5, mt: 0, '& li': { mb: 0.75 } }}>
          {place?.ways.map((way) => (
            <li key={way}>{way}</li>
          ))}
        </Box>
        <Typography variant="h3" gutterBottom>
          Keys
        </Typography>
        <Box
          component="dl"
          sx={{ display: 'grid', gridTemplateColumns: 'auto 1fr', gap: '4px 16px', m: 0, '& dd': { m: 0 } }}
        >
          {STATIONS.map(({ name, letter }) => (
            <Key key={name} keys={['g', letter]} what={name} />
          ))}
          {KEYS.map(([keys, what]) => (
            <Key key={keys.join()} keys={keys} what={what} />
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

function Key({ keys, what }: { keys: readonly string[]; what: ReactNode }) {
  return (
    <>
      <dt>
        {keys.map((key, i) => (
          <Fragment key={i}>
            <kbd>{key}</kbd>{' '}
          </Fragment>
        ))}
      </dt>
      <dd>{what}</dd>
    </>
  );
}
