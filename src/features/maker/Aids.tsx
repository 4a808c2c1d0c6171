import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import { formatLength, formatThread, type UnitSystem } from '@/core/length';
import { aheadOf, type Step } from '@/core/sheet';
import { counted } from '@/core/words';
import { formatMinutes } from '@/ui/formatMinutes';
import { PlainButton } from '@/ui/PlainButton';
import { useRemembered } from '@/ui/useRemembered';
import { ranMs, timerFor, timerKey, turned } from './timer';
import { useOwnThread } from './useOwnThread';
import type { MakersBlock } from './useMakerBlock';

interface AidsProps {
  readonly makerId: string;
  readonly block: MakersBlock;
  readonly step: Step | undefined;
  readonly system: UnitSystem;
  readonly isDone: (id: string) => boolean;
}

/** What makes a day’s sewing easier: what comes with, a timer, the step read out, larger letters. */
export default function Aids({ makerId, block, step, system, isDone }: AidsProps) {
  const [size, setSize] = useRemembered('kevlo-letters');
  return (
    <Box component="section" aria-label="Today with me">
      <WithMe makerId={makerId} block={block} system={system} isDone={isDone} />
      {step && <TimerPart key={step.id} makerId={makerId} step={step} />}
      {step && <ReadAloud key={`read-${step.id}`} step={step} />}
      <PlainButton
        sx={{ width: '100%', minHeight: 48, mt: 1 }}
        aria-pressed={size === 'large'}
        onClick={() => setSize(size === 'large' ? 'usual' : 'large')}
      >
        {size === 'large' ? 'Letters as usual' : 'Larger letters'}
      </PlainButton>
    </Box>
  );
}

const HOUR = 60;

/** What the next hour takes, and whether it can be done on a train. */
function WithMe({ makerId, block: { sheet }, system, isDone }: Pick<AidsProps, 'makerId' | 'block' | 'system' | 'isDone'>) {
  const { thread } = useOwnThread(makerId, sheet.thread);
  const { steps, papers, seamMm, minutes, portableMinutes } = aheadOf(sheet.steps, isDone, HOUR);
  if (steps.length === 0) return <Typography>Nothing is left to do in this block.</Typography>;
  const allSeam = sheet.steps.reduce((sum, step) => sum + (step.kind === 'join' ? step.lengthMm : 0), 0);
  const metres = allSeam === 0 ? 0 : (thread.metres * seamMm) / allSeam;
  return (
    <>
      <Typography>
        The next {steps.length === 1 ? 'step' : counted(steps.length, 'step')}, about {formatMinutes(minutes)}:
      </Typography>
      <Box component="ul" sx={{ pl: 2.5, my: 0.5 }}>
        {papers > 0 && <li>{counted(papers, 'paper')} to wrap, with their cloth</li>}
        {seamMm > 0 && (
          <li>
            {formatLength(seamMm, system)} of seams: about {formatThread(metres, system)} of thread
          </li>
        )}
        <li>
          {portableMinutes >= minutes
            ? 'All of it can be done anywhere: on a train, in a chair.'
            : portableMinutes === 0
              ? 'It wants a table and an iron.'
              : `${formatMinutes(portableMinutes)} of it can be done anywhere; the rest wants a table and an iron.`}
        </li>
      </Box>
    </>
  );
} // prettier-ignore

const SECOND_MS = 1000;

function TimerPart({ makerId, step }: { readonly makerId: string; readonly step: Step }) {
  const [text, keepText] = useRemembered(timerKey(makerId));
  const timer = timerFor(step.id, text);
  const [now, setNow] = useState(() => Date.now());
  const isRunning = timer.since !== undefined;
  useEffect(() => {
    if (!isRunning) return;
    const clock = setInterval(() => setNow(Date.now()), SECOND_MS);
    return () => clearInterval(clock);
  }, [isRunning]);
  const ran = ranMs(timer, now);
  const turn = () => {
    const next = turned(timer);
    setNow(next.since ?? now);
    keepText(JSON.stringify(next));
  };
  return (
    <Box sx={{ mt: 1 }}>
      <PlainButton sx={{ width: '100%', minHeight: 48 }} onClick={turn}>
        {isRunning ? `Stop: ${clockOf(ran)}` : ran > 0 ? `Go on from ${clockOf(ran)}` : 'Time this step'}
      </PlainButton>
      <Typography variant="body2" color="textSecondary">
        As you like: it runs on while the phone is locked. “Done” sends the minutes, so that your host learns how long such a step takes.
      </Typography>
    </Box>
  );
} // prettier-ignore

function clockOf(ms: number): string {
  const seconds = Math.floor(ms / SECOND_MS);
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** The step read out by the phone’s own voice, where it has one. */
function ReadAloud({ step }: { readonly step: Step }) {
  const voice = typeof speechSynthesis === 'undefined' ? undefined : speechSynthesis;
  useEffect(() => () => voice?.cancel(), [voice]);
  if (!voice) return null;
  const words = [step.text, ...(step.kind === 'join' ? step.notes : []), step.hostNote ?? ''].join(' ');
  const read = () => {
    voice.cancel();
    const said = new SpeechSynthesisUtterance(words);
    said.lang = 'en';
    said.rate = 0.9;
    voice.speak(said);
  };
  return (
    <PlainButton sx={{ width: '100%', minHeight: 48, mt: 1 }} onClick={read}>
      Read this step to me
    </PlainButton>
  );
}
