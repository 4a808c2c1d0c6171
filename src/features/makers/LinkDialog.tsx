'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { SquareCode } from '@/ui/SquareCode';

export interface MakerLink {
  readonly name: string;
  readonly link: string;
}

/** Shows new personal links once, as text and as a square code for the phone's camera. */
export function LinkDialog({ links, onClose }: { links: readonly MakerLink[]; onClose: () => void }) {
  return (
    <Dialog open={links.length > 0} onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{links.length === 1 ? 'Personal link' : 'Personal links'}</DialogTitle>
      <DialogContent>
        <Typography gutterBottom>
          Shown this once: copy or print it now. Whoever has a link can tick that maker’s steps, and nothing
          else. A new one can be given at any time.
        </Typography>
        <Stack spacing={2}>
          {links.map(({ name, link }) => (
            <Stack key={name} direction="row" spacing={2} sx={{ alignItems: 'center', breakInside: 'avoid' }}>
              <SquareCode text={link} label="Code for the phone’s camera" />
              <Box sx={{ minWidth: 0 }}>
                <strong>{name}</strong>
                <Box
                  component="a"
                  href={link}
                  data-testid="maker-link"
                  sx={{ display: 'block', overflowWrap: 'anywhere', color: 'primary.main' }}
                >
                  {link}
                </Box>
                <Button
                  size="small"
                  variant="text"
                  className="no-print"
                  onClick={() => void navigator.clipboard?.writeText(link)}
                >
                  Copy
                </Button>
              </Box>
            </Stack>
          ))}
        </Stack>
      </DialogContent>
      <DialogActions className="no-print">
        <Button onClick={() => window.print()}>Print</Button>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
