import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Suspense, useState } from 'react';
import type { Step } from '@/core/sheet';
import { firstSentence } from '@/core/words';
import { PlainButton } from '@/ui/PlainButton';
import { useRemembered } from '@/ui/useRemembered';
import type { PageData } from './useMakerBlock';

interface ShellProps {
  readonly data: PageData;
  readonly due?: string | undefined;
  readonly children: React.ReactNode;
}

/** The page with whose it is at its head, in large letters where this phone was told so. */
export function Shell({ data, due, children }: ShellProps) {
  const [letters] = useRemembered('kevlo-letters');
  return (
    <Box
      component="main"
      sx={{ maxWidth: 520, mx: 'auto', px: 2, py: 1.5, zoom: letters === 'large' ? 1.25 : 1 }}
    >
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        {data.maker.name} · {data.project.name}
        {due && ` · ${due}`}
      </Typography>
      {children}
    </Box>
  );
}

/** Something that opens below its title, and is loaded only then. */
export function More({ title, children }: { readonly title: string; readonly children: React.ReactNode }) {
  const [isOpen, setIsOpen] = useState(false);
  return (
    <Box sx={{ mt: 1.5 }}>
      <PlainButton
        aria-expanded={isOpen}
        onClick={() => setIsOpen(!isOpen)}
        sx={{ width: '100%', minHeight: 48 }}
      >
        {title}
      </PlainButton>
      {isOpen && (
        <Suspense fallback={<Typography role="status">One moment …</Typography>}>{children}</Suspense>
      )}
    </Box>
  );
}

/** The next few steps, in a sentence each. */
export function Following({ from, steps }: { readonly from: number; readonly steps: readonly Step[] }) {
  return (
    <>
      <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
        Then
      </Typography>
      <Box component="ol" start={from + 2} sx={{ pl: 3, mt: 0.5 }}>
        {steps.map(({ id, text }) => (
          <li key={id}>{firstSentence(text)}</li>
        ))}
      </Box>
    </>
  );
}

interface BackAndStuckProps {
  readonly step: Step | undefined;
  readonly lastDone: Step | undefined;
  readonly isStuck: boolean;
  readonly isOnItsWay: boolean;
  readonly onChange: (step: Step, kind: 'undone' | 'stuck') => void;
}

/** Takes the last tick back, or calls the host. */
export function BackAndStuck({ step, lastDone, isStuck, isOnItsWay, onChange }: BackAndStuckProps) {
  return (
    <Box sx={{ display: 'flex', gap: 1, my: 1.5 }}>
      {lastDone && (
        <PlainButton sx={{ flex: 1, minHeight: 48 }} onClick={() => onChange(lastDone, 'undone')}>
          Not done after all
        </PlainButton>
      )}
      {step && (
        <PlainButton
          tone="error"
          sx={{ flex: 1, minHeight: 48 }}
          disabled={isStuck}
          onClick={() => onChange(step, 'stuck')}
        >
          {stuckWord(isStuck, isOnItsWay)}
        </PlainButton>
      )}
    </Box>
  );
}

/** What to take care of; more for those who are young, and for those who sew on the way. */
export function Cautions({ isUnderAge, travels }: PageData['maker']) {
  return (
    <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
      Count needles and pins, keep them and magnets away from children and pets, and rest your hands every 30
      min.
      {isUnderAge && ' Cutters, irons, glue and starch only with a grown-up beside you who says how.'}
      {travels &&
        ' Which needles, scissors and blades may come on a journey is for the carrier to say: ask before you pack.'}
    </Typography>
  );
}

/** The host knows what has been sent, not what waits on this phone. */
function stuckWord(isStuck: boolean, isOnItsWay: boolean): string {
  if (!isStuck) return 'I’m stuck';
  return isOnItsWay ? 'On its way to your host' : 'Your host knows';
}
