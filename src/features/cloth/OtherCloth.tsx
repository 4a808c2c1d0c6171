'use client';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import FormGroup from '@mui/material/FormGroup';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { counted } from '@/core/words';
import type { ClothChange, MakersCloth } from '@/server/cloth';
import { send } from '@/ui/api';
import { ErrorNote } from '@/ui/ErrorNote';
import { useNotice } from '@/ui/Notices';
import { PlainChoice } from '@/ui/PlainChoice';
import { useSend } from '@/ui/useSend';

/** A maker with the cloths that they have in place of others. */
export interface ClothMaker {
  readonly id: string;
  readonly name: string;
  readonly cloths: Readonly<Record<string, string>>;
}

interface OtherClothProps {
  readonly projectId: string;
  readonly cloth: string;
  readonly fabrics: readonly string[];
  /** Blocks that take it. */
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly makers: readonly ClothMaker[];
  readonly onClose: () => void;
}

type Way = 'makers' | 'blocks';

/** Another cloth in place of one: for some makers (the first ran out), or in some blocks, where one cloth becomes two. */
export function OtherCloth({ projectId, cloth, fabrics, blocks, makers, onClose }: OtherClothProps) {
  const router = useRouter();
  const notice = useNotice();
  const { error, isBusy, run } = useSend();
  const [way, setWay] = useState<Way>('makers');
  const [to, setTo] = useState('');
  const has = makers.filter(({ cloths }) => cloth in cloths);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const lines = way === 'makers' ? makers : blocks;
  const own = lines.filter(({ id }) => chosen.has(id));
  const address = `/api/projects/${projectId}/cloths`;
  const change = async (body: object) => {
    const answer = await send<{ before: readonly MakersCloth[] } & ClothChange>('PATCH', address, body);
    router.refresh();
    return answer;
  };
  const instead = (wishes: readonly MakersCloth[], text: string) =>
    run(async () => {
      const { before } = await change({ instead: wishes });
      notice({ text, undo: () => change({ instead: before }) });
      onClose();
    });
  const save = () => {
    const name = to.trim();
    if (way === 'makers')
      return instead(own.map(({ id }) => ({ makerId: id, from: cloth, to: name })), `${name} in place of ${cloth} for ${counted(own.length, 'maker')}.`);
    return run(async () => {
      const { id } = await change({ split: { from: cloth, to: name, blocks: own.map((block) => block.id) } });
      notice({ text: `${name} in place of ${cloth} in ${counted(own.length, 'block')}.`, undo: () => change({ takeBack: id }) });
      onClose();
    });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="other-cloth-title">
      <DialogTitle id="other-cloth-title">{`Another cloth in place of ${cloth}`}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <ErrorNote error={error} />
          <Autocomplete
            freeSolo
            options={fabrics.filter((name) => name !== cloth)}
            inputValue={to}
            onInputChange={(_, value) => setTo(value)}
            renderInput={(params) => <TextField {...params} label="Which cloth" />}
          />
          <PlainChoice
            label="In place of it"
            value={way}
            choices={[['makers', 'for some makers'], ['blocks', 'in some blocks: one cloth becomes two']]}
            onChange={(next) => { setWay(next as Way); setChosen(new Set()); }}
          />
          <Typography color="textSecondary">
            {way === 'makers'
              ? 'Their bags, labels, pick lists and the order take it; drawings and steps stay as they are, and their pages say so.'
              : 'The drawings of these blocks change, for everybody.'}
          </Typography>
          <Button size="small" sx={{ alignSelf: 'start' }} onClick={() => setChosen(new Set(own.length === lines.length ? [] : lines.map(({ id }) => id)))}>
            {own.length === lines.length ? 'None of them' : 'All of them'}
          </Button>
          <FormGroup aria-label={way === 'makers' ? 'Makers' : 'Blocks'} role="group">
            {lines.map(({ id, name }) => (
              <FormControlLabel
                key={id}
                control={<Checkbox checked={chosen.has(id)} onChange={(_, is) => setChosen((all) => new Set(is ? [...all, id] : [...all].filter((one) => one !== id)))} />}
                label={way === 'makers' ? sayMaker(name, makers.find((maker) => maker.id === id)?.cloths[cloth]) : name}
              />
            ))}
          </FormGroup>
          {has.length > 0 && way === 'makers' && (
            <Button onClick={() => void instead(has.map(({ id }) => ({ makerId: id, from: cloth, to: null })), `${cloth} for all again.`)}>
              {`${cloth} for all again`}
            </Button>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button variant="contained" disabled={isBusy || own.length === 0 || to.trim() === '' || to.trim() === cloth} onClick={() => void save()}>
          Put it in its place
        </Button>
      </DialogActions>
    </Dialog>
  );
} // prettier-ignore

const sayMaker = (name: string, other: string | undefined) =>
  other === undefined ? name : `${name} (has ${other})`;
