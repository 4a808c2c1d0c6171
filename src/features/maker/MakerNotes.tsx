import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { counted } from '@/core/words';
import type { MakersBlock } from './useMakerBlock';
import type { useTicks } from './useTicks';

/** What is on its way to the host, and what could not be sent. */
export function WaitingNote({ ticks }: { readonly ticks: ReturnType<typeof useTicks> }) {
  const { waitingCount, setAsideCount, isUnsafe, refusal } = ticks;
  return (
    <>
      {setAsideCount > 0 && (
        <Typography role="status" color="warning.main" sx={{ mt: 1 }}>
          {setAsideCount === 1 ? 'One tick was' : `${setAsideCount} ticks were`} about a block that is no
          longer here and {setAsideCount === 1 ? 'is' : 'are'} kept on this phone. Tell your host.
        </Typography>
      )}
      {waitingCount > 0 && (
        <Framed color="warning.main">
          {refusal && refusal.status >= 400
            ? refusal.message
            : `${counted(waitingCount, 'tick waits', 'ticks wait')} on this phone and will be sent.`}
          {isUnsafe &&
            ' This phone has no room left to keep them: leave this page open until you have a connection.'}
        </Framed>
      )}
    </>
  );
}

/** A note in a frame of its colour, read out as it appears. */
export function Framed({ color, children }: { readonly color: string; readonly children: React.ReactNode }) {
  return (
    <Box role="alert" sx={{ border: 1, borderColor: color, borderRadius: 1, px: 2, py: 1.5, my: 1 }}>
      {children}
    </Box>
  );
}

/** What has become of ticks since the host changed the order. */
export function ChangeNote({ block: { isOwnOrder, covered, orphaned } }: { readonly block: MakersBlock }) {
  return (
    <>
      {(isOwnOrder || covered.length > 0) && (
        <Typography color="textSecondary">
          Your host changed the order since you began. What you have sewn counts
          {isOwnOrder ? ', and your steps go round it' : ''}.
        </Typography>
      )}
      {orphaned > 0 && (
        <Typography color="textSecondary">
          {orphaned} of your ticks belong to steps that the plan no longer has; they are kept.
        </Typography>
      )}
    </>
  );
}
