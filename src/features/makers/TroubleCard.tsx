import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRef, useState } from 'react';
import { counted } from '@/core/words';
import type { Trouble } from '@/server/troubles';
import { Choice } from '@/ui/Choice';
import { LinkButton } from '@/ui/LinkButton';
import { newId } from '@/ui/newId';
import { useUnsaved } from '@/ui/useUnsaved';
import { symptomOf, type TroubleGroup, type TroublesPanelProps } from './troubleGroups';
import type { TroubleActions } from './useTroubles';

interface TroubleCardProps extends Omit<TroublesPanelProps, 'troubles'>, TroubleActions {
  readonly group: TroubleGroup;
}

/** One place where makers are stuck: the step, what it looks like, what the guide says, each maker’s words, and an answer to all of them. */
export function TroubleCard({ projectId, group, makers, blocks, team, mayEdit, act, note }: TroubleCardProps) {
  const { blockId, stepId, troubles } = group;
  const step = troubles[0]?.step;
  const sign = symptomOf(group.symptom);
  const block = blocks.find(({ id }) => id === blockId)?.name ?? '';
  return (
    <Paper component="article" sx={{ p: 2, mb: 1.5, borderLeft: 4, borderColor: 'error.main' }} aria-label={`Stuck on ${block}`}>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h4" component="h4">
          {block}
          {step && `, step ${step.number}`}
          {sign && `: ${sign.symptom}`}
        </Typography>
        <LinkButton href={`/p/${projectId}/order/${blockId}?step=${stepId}`}>See the step</LinkButton>
      </Stack>
      <Typography color="textSecondary">{step ? step.text : 'The plan no longer has this step.'}</Typography>
      {sign && (
        <Typography sx={{ mt: 0.5 }}>
          <strong>The guide says:</strong> {sign.cause} {sign.remedy}
        </Typography>
      )}
      {troubles.map((trouble) => (
        <OneTrouble key={trouble.id} projectId={projectId} trouble={trouble} name={makers.find(({ id }) => id === trouble.makerId)?.name ?? ''} team={team} act={act} />
      ))}
      <AnswerForm troubles={troubles} remedy={sign?.remedy} mayEdit={mayEdit} act={act} note={note} />
    </Paper>
  );
} // prettier-ignore

interface OneTroubleProps
  extends Pick<TroublesPanelProps, 'projectId' | 'team'>, Pick<TroubleActions, 'act'> {
  readonly trouble: Trouble;
  readonly name: string;
}

const NOBODY = 'nobody';

function OneTrouble({ projectId, trouble, name, team, act }: OneTroubleProps) {
  const { words, assignedTo, state, at } = trouble;
  return (
    <Box sx={{ mt: 1.25, pt: 1, borderTop: 1, borderColor: 'divider' }}>
      <Stack direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}>
        <Typography sx={{ flexGrow: 1 }}>
          <strong>{name}</strong>, {sinceWords(at)}
          {state === 'answered' && ' · answered'}
        </Typography>
        <Box sx={{ minWidth: 190 }}>
          <Choice
            label={`Seen to by (${name})`}
            value={assignedTo?.id ?? NOBODY}
            choices={[[NOBODY, 'nobody yet'], ...team.map(({ id, name: who }) => [id, who] as const)]}
            onChange={(id) => void act(trouble, { kind: 'assign', accountId: id === NOBODY ? null : id })}
          />
        </Box>
        <Button onClick={() => void act(trouble, { kind: 'settle' }, { text: `${name} is not stuck any more.`, undo: { kind: 'reopen' } })}>It is settled</Button>
      </Stack>
      {words.map(({ id, by, text, hasImage }) => (
        <Box key={id} sx={{ mt: 0.5 }}>
          {text !== '' && <Typography>{by === null ? `“${text}”` : `${by}: ${text}`}</Typography>}
          {hasImage && (
            // eslint-disable-next-line @next/next/no-img-element -- small already, and behind the sign-in
            <img src={`/api/projects/${projectId}/troubles/${id}`} alt={`What ${name} sent`} loading="lazy" style={{ maxWidth: 260, maxHeight: 200 }} />
          )}
        </Box>
      ))}
    </Box>
  );
} // prettier-ignore

interface AnswerFormProps extends TroubleActions, Pick<TroublesPanelProps, 'mayEdit'> {
  readonly troubles: readonly Trouble[];
  readonly remedy: string | undefined;
}

function AnswerForm({ troubles, remedy, mayEdit, act, note }: AnswerFormProps) {
  const [text, setText] = useState('');
  useUnsaved(text.trim() !== '');
  const isToTeach = troubles.every((one) => one.isToTeach);
  // One that reached only some is sent again under the same ids: nobody has it twice.
  const wordIds = useRef(new Map<string, string>());
  const wordIdOf = (id: string, own: string) => {
    const key = `${id} ${own}`;
    const wordId = wordIds.current.get(key) ?? newId();
    wordIds.current.set(key, wordId);
    return wordId;
  };
  const answer = async () => {
    const own = text.trim();
    for (const trouble of troubles)
      if (!(await act(trouble, { kind: 'answer', wordId: wordIdOf(trouble.id, own), text: own }))) return;
    wordIds.current.clear();
    setText('');
  };
  const teach = async () => {
    for (const trouble of troubles) await act(trouble, { kind: 'teach', isToTeach: !isToTeach });
  };
  const forAll = async () => {
    if (await note(troubles[0] as Trouble, text.trim())) setText('');
  };
  return (
    <Stack spacing={1} sx={{ mt: 1.5 }}>
      <TextField
        label={troubles.length === 1 ? 'Answer' : `Answer to all ${troubles.length}`}
        value={text}
        multiline
        minRows={2}
        slotProps={{ htmlInput: { maxLength: 1000 } }}
        onChange={({ target }) => setText(target.value)}
      />
      <Stack direction="row" sx={{ gap: 1, flexWrap: 'wrap' }}>
        <Button variant="contained" disabled={text.trim() === ''} onClick={() => void answer()}>
          {troubles.length === 1 ? 'Send the answer' : `Send it to ${counted(troubles.length, 'maker')}`}
        </Button>
        {remedy && text === '' && <Button onClick={() => setText(remedy)}>Begin with the guide’s words</Button>}
        {mayEdit && (
          <Button disabled={text.trim() === ''} onClick={() => void forAll()}>
            Put it to the step for everybody
          </Button>
        )}
        <Button aria-pressed={isToTeach} onClick={() => void teach()}>
          {isToTeach ? 'Not to be taught after all' : 'Teach next time'}
        </Button>
      </Stack>
    </Stack>
  );
} // prettier-ignore

const HOUR_MS = 3_600_000;

/** How long somebody waits, in words that need not be to the minute. */
function sinceWords(at: string): string {
  const hours = Math.floor((Date.now() - Date.parse(at)) / HOUR_MS);
  if (hours < 1) return 'just now';
  return hours < 48 ? `for ${counted(hours, 'hour')}` : `for ${counted(Math.floor(hours / 24), 'day')}`;
}
