import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useId, useState } from 'react';
import { momentsOf, type Step } from '@/core/sheet';
import { troublesAt } from '@/core/troubles';
import { counted } from '@/core/words';
import { newId } from '@/ui/newId';
import { PlainButton } from '@/ui/PlainButton';
import { PlainChoice } from '@/ui/PlainChoice';
import { smallerPicture } from '@/ui/smallerPicture';
import { Framed } from './MakerNotes';
import type { MakersBlock, PageData } from './useMakerBlock';
import type { useTicks } from './useTicks';
import { useTroubles, type Word } from './useTroubles';

/** A picture of a trouble: small enough that some of them may wait on a phone. */
const PICTURE = { px: 1000, quality: 0.75 } as const;
const MOST_LETTERS = 2000;

interface StuckPartProps {
  readonly token: string;
  readonly data: PageData;
  readonly ticks: ReturnType<typeof useTicks>;
  readonly block: MakersBlock;
  /** The step that is shown; none where all are done. */
  readonly step: Step | undefined;
  readonly isStuck: boolean;
  /** They found out themselves. */
  readonly onWithdraw: () => void;
  readonly onOpen: (index: number) => void;
}

/** Being stuck: what it looks like and what to do then, what the maker tells their host, and what the host answers. */
export default function StuckPart({ token, data, ticks, block, step, isStuck, onWithdraw, onOpen }: StuckPartProps) {
  const { known, waiting, say, isOffline, fault } = useTroubles(token, data, ticks.isUnsent);
  const open = known.filter(({ state }) => state === 'open' || state === 'answered');
  const here = step && open.find((one) => one.blockId === block.id && one.stepId === step.id);
  const troubleId = here?.id ?? (step && isStuck ? ticks.stuckId(block.id, step.id) : undefined);
  const answered = open.filter((one) => one.state === 'answered' && one.blockId === block.id && one.id !== here?.id);
  return (
    <>
      {answered.map(({ id, stepId }) => {
        const index = block.sheet.steps.findIndex((one) => one.id === stepId);
        return index < 0 ? null : (
          <Framed key={id} color="primary.main">
            Your host answered about step {index + 1}.{' '}
            <PlainButton look="text" onClick={() => onOpen(index)}>
              Read it
            </PlainButton>
          </Framed>
        );
      })}
      {step && troubleId && isStuck && (
        <Box component="section" aria-label="Stuck" sx={{ border: 1, borderColor: 'error.main', borderRadius: 1, p: 2, my: 1.5 }}>
          <Typography variant="h3" component="h2">
            Stuck here
          </Typography>
          <Thread token={token} words={here?.words ?? []} waiting={waiting.filter((word) => word.troubleId === troubleId)} isOffline={isOffline} />
          {fault && <Framed color="error.main">{fault.message}</Framed>}
          <TellForm key={step.id} troubleId={troubleId} step={step} block={block} symptom={here?.symptom ?? ''} onSay={say} />
          <PlainButton sx={{ width: '100%', minHeight: 48, mt: 1 }} onClick={onWithdraw}>
            I found out myself
          </PlainButton>
        </Box>
      )}
    </>
  );
} // prettier-ignore

interface ThreadProps {
  readonly token: string;
  readonly words: PageData['troubles'][number]['words'];
  readonly waiting: readonly Word[];
  readonly isOffline: boolean;
}

function Thread({ token, words, waiting, isOffline }: ThreadProps) {
  const shown = words.filter(({ text, hasImage }) => text !== '' || hasImage);
  return (
    <Box role="log" aria-label="What was said" sx={{ my: 1 }}>
      {shown.map(({ id, by, text, hasImage }) => (
        <Box key={id} sx={{ my: 0.75, pl: 1.25, borderLeft: 3, borderColor: by === null ? 'divider' : 'primary.main' }}>
          <strong>{by === null ? 'You' : `${by}, your host`}:</strong> {text}
          {hasImage && (
            // eslint-disable-next-line @next/next/no-img-element -- small already, and behind the personal link
            <img src={`/api/m/${token}/words/${id}`} alt="The picture that you sent" loading="lazy" style={{ width: '100%', height: 'auto', display: 'block' }} />
          )}
        </Box>
      ))}
      {waiting.length > 0 && (
        <Typography color="warning.main">
          {counted(waiting.length, 'word waits', 'words wait')} {isOffline ? 'for a connection' : 'to be sent'}.
        </Typography>
      )}
    </Box>
  );
} // prettier-ignore

interface TellFormProps {
  readonly troubleId: string;
  readonly step: Step;
  readonly block: MakersBlock;
  readonly symptom: string;
  readonly onSay: (word: Word) => void;
}

/** What it looks like, a sentence, a picture: each may be left out. */
function TellForm({ troubleId, step, block, symptom, onSay }: TellFormProps) {
  const id = useId();
  const [sign, setSign] = useState(symptom);
  const [text, setText] = useState('');
  const [image, setImage] = useState<string | undefined>();
  const signs = troublesAt(momentsOf(step, block.sheet));
  const like = signs.find((one) => one.id === sign);
  const isEmpty = sign === symptom && text.trim() === '' && image === undefined;
  return (
    <Box
      component="form"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        onSay({ id: newId(), troubleId, symptom: sign, text: text.trim(), ...(image === undefined ? {} : { image }) });
        setText('');
        setImage(undefined);
      }}
    >
      {signs.length > 0 && (
      <PlainChoice
        label="It looks like this"
        value={sign}
        choices={[['', 'None of these, or not sure'], ...signs.map((one) => [one.id, one.symptom] as const)]}
        onChange={setSign}
      />
      )}
      {like && (
        <Typography sx={{ mb: 1 }}>
          <strong>Try this first:</strong> {like.remedy}
        </Typography>
      )}
      <Box component="label" htmlFor={id} sx={{ display: 'block', fontSize: '0.85rem' }}>
        Tell your host more, if you like
      </Box>
      <Box
        component="textarea"
        id={id}
        rows={2}
        maxLength={MOST_LETTERS}
        value={text}
        onChange={(event: React.ChangeEvent<HTMLTextAreaElement>) => setText(event.target.value)}
        sx={{ width: '100%', font: 'inherit', p: 1, color: 'text.primary', bgcolor: 'background.paper', border: 1, borderColor: 'text.secondary', borderRadius: 1 }}
      />
      <PictureField hasPicture={image !== undefined} onPicture={setImage} />
      <PlainButton type="submit" look="filled" disabled={isEmpty} sx={{ width: '100%', minHeight: 48, mt: 1 }}>
        Tell my host
      </PlainButton>
    </Box>
  );
} // prettier-ignore

function PictureField({ hasPicture, onPicture }: { readonly hasPicture: boolean; readonly onPicture: (image: string | undefined) => void }) {
  const take = async (file: File | undefined) => onPicture(file && (await smallerPicture(file, PICTURE)));
  return (
    <Box component="label" sx={{ display: 'block', mt: 1, minHeight: 44 }}>
      {hasPicture ? 'A picture goes with it. Another: ' : 'A picture, seen by your host alone: '}
      <input type="file" accept="image/*" onChange={(event) => void take(event.target.files?.[0])} />
    </Box>
  );
} // prettier-ignore
