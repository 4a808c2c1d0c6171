'use client';
import Alert from '@mui/material/Alert';
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

/** Whether an address leads only to the computer that it is opened on. */
function isNearOnly(link: string): boolean {
  const { hostname } = new URL(link, 'http://localhost');
  return hostname === 'localhost' || hostname === '[::1]' || /^127\./.test(hostname);
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
        {links.some(({ link }) => isNearOnly(link)) && (
          <Alert severity="warning" variant="outlined" icon={false} sx={{ mb: 2 }}>
            <strong>A phone cannot open these.</strong> They lead to this computer itself. Start Kevlo with
            PUBLIC_URL set to the address under which phones reach it (https, where they are to work without a
            connection), then give new links.
          </Alert>
        )}
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
