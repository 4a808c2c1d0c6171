'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { hasRepeat } from '@/core/cloth';
import { outwardTurn, referencePoints, wheelOf, type Motif } from '@/core/fussy';
import { MM_PER_INCH, formatLength, type UnitSystem } from '@/core/length';
import { times } from '@/core/words';
import type { ShelvedCloth } from '@/server/cloth';
import { Choice } from '@/ui/Choice';
import { ErrorNote } from '@/ui/ErrorNote';
import { attempt, readFigure } from '@/ui/figures';
import { FussyPicture } from './FussyPicture';
import type { FussyPaper } from './fussyRequest';
import { FussySheet } from './FussySheet';
import { FussyWheel } from './FussyWheel';
import { MOST_POINTS, type FussyPoint } from './fussyRequest';
import { useFussy } from './useFussy';

interface FussyPanelProps {
  readonly projectId: string;
  readonly papers: readonly FussyPaper[];
  readonly shelf: readonly ShelvedCloth[];
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
}

/** Papers cut round the same point of a print: choose it, see what the wheel will look like, and find the most whole sets. */
export function FussyPanel({ projectId, papers, shelf, fabrics, system }: FussyPanelProps) {
  const printed = papers.filter(({ fabric }) => shelf.some((cloth) => cloth.name === fabric && hasRepeat(cloth)));
  const [before, setBefore] = useState<readonly FussyPoint[]>([]);
  const [chosen, setChosen] = useState(() => Math.max(0, printed.findIndex(({ count }) => count === Math.max(...printed.map((one) => one.count)))));
  const paper = printed[chosen] ?? printed[0];
  const cloth = shelf.find(({ name }) => name === paper?.fabric);
  return (
    <Box component="section" id="motif" aria-label="Fussy cutting" sx={{ mt: 4 }}>
      <Typography variant="h3">Cut round a motif</Typography>
      {paper && cloth ? (
        <>
          <Typography sx={{ mb: 1.5 }}>
            Lay the paper on the print so that the motif is where it is wanted. Then the most whole sets are found on a piece of cloth.
          </Typography>
          <Choice
            label="Paper and cloth"
            value={String(printed.indexOf(paper))}
            choices={printed.map((one, index) => [String(index), `${one.block}, ${one.fabric}: ${times(one.count, one.id)}`])}
            onChange={(value) => setChosen(Number(value))}
          />
          <PaperOnPrint
            key={`${chosen} ${cloth.revision} ${before.length}`}
            {...{ projectId, paper, cloth, fabrics, system }}
            papers={papers.filter(({ fabric }) => fabric === cloth.name)}
            before={before.filter((point) => point.paper.fabric === cloth.name)}
            onBefore={setBefore}
          />
        </>
      ) : (
        <Typography>Say under “Change” how far apart the motifs of a cloth are; then papers can be cut round one of them.</Typography>
      )}
    </Box>
  );
} // prettier-ignore

interface PaperOnPrintProps {
  readonly projectId: string;
  readonly paper: FussyPaper;
  readonly cloth: ShelvedCloth;
  readonly fabrics: readonly string[];
  readonly system: UnitSystem;
  /** All papers of this cloth. */
  readonly papers: readonly FussyPaper[];
  /** Points whose sets are wanted before this one’s. */
  readonly before: readonly FussyPoint[];
  readonly onBefore: (points: readonly FussyPoint[]) => void;
}

/** A piece is taken to be this long where nothing is in stock: half a metre, half a yard; mm. */
const USUAL_PIECE_MM = { metric: 500, inch: 18 * MM_PER_INCH } as const;

/** A set is what closes round a corner, else all that one bag takes. */
function usualSet({ paper, count }: FussyPaper): number {
  const { copies, isClosed } = wheelOf(paper);
  return isClosed ? Math.min(count, copies) : count;
}

function PaperOnPrint({ projectId, paper, cloth, fabrics, system, papers, before, onBefore }: PaperOnPrintProps) {
  const points = referencePoints(paper.paper);
  const [motif, setMotif] = useState<Motif>(() => ({ about: points[0]?.at ?? { x: 0, y: 0 }, turnDeg: 0 }));
  const [setOf, setSetOf] = useState(() => String(usualSet(paper)));
  const [length, setLength] = useState(() => formatLength(cloth.stockMm > 0 ? cloth.stockMm : USUAL_PIECE_MM[system], system));
  const { answer, error, isBusy, find, clear } = useFussy(projectId, system);
  const read = attempt(() => ({ lengthMm: readFigure(length, 'length', system) as number, setOf: readFigure(setOf, 'count', system) as number }));
  const isRight = read.value !== undefined && read.value.setOf >= 1;
  const change = (next: Motif) => {
    clear();
    setMotif(next);
  };
  const { laid } = paper;
  const outwards = laid && outwardTurn(paper.paper, { x: laid.widthMm / 2, y: laid.heightMm / 2 });
  const here = points.find(({ at }) => Math.hypot(at.x - motif.about.x, at.y - motif.about.y) < 0.05)?.name;
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '320px 1fr' }, gap: 2, mt: 2, alignItems: 'start' }}>
        <FussyPicture paper={paper} cloth={cloth} fabrics={fabrics} motif={motif} onChange={change} />
        <Stack spacing={2}>
          <FussyWheel paper={paper} cloth={cloth} fabrics={fabrics} motif={motif} />
          <Stack direction="row" spacing={2}>
            <Choice
              label="On the motif lies"
              value={here ?? 'own'}
              choices={[...points.map(({ name }) => [name, name] as const), ...(here ? [] : [['own', 'a point of your own'] as const])]}
              onChange={(name) => {
                const at = points.find((one) => one.name === name)?.at;
                if (at) change({ ...motif, about: at });
              }}
            />
            <TextField type="number" label="Turned by, °" value={Math.round(motif.turnDeg * 10) / 10} onChange={({ target }) => change({ ...motif, turnDeg: Number(target.value) || 0 })} />
          </Stack>
          {outwards !== undefined && (
            <Button disabled={Math.abs(motif.turnDeg - outwards) < 0.05} sx={{ alignSelf: 'flex-start' }} onClick={() => change({ ...motif, turnDeg: outwards })}>
              Turn the motif outwards in the block
            </Button>
          )}
          <Stack direction="row" spacing={2}>
            <TextField label="Papers in a set" value={setOf} error={!isRight} onChange={({ target }) => { clear(); setSetOf(target.value); }} />
            <TextField label="Length of the piece" value={length} error={!isRight} onChange={({ target }) => { clear(); setLength(target.value); }} />
          </Stack>
          <ErrorNote error={read.fault ?? error} />
          {before.length > 0 && (
            <Box component="ol" aria-label="Points before this one" sx={{ m: 0, pl: 3 }}>
              {before.map((point, index) => (
                <li key={index}>
                  {`${point.paper.block}: ${point.paper.id}, sets of ${point.setOf} `}
                  <Button size="small" aria-label={`Take out point ${index + 1}`} onClick={() => onBefore(before.filter((_, other) => other !== index))}>
                    Take out
                  </Button>
                </li>
              ))}
            </Box>
          )}
          <Button disabled={!isRight || before.length >= MOST_POINTS - 1} sx={{ alignSelf: 'flex-start' }} onClick={() => read.value && onBefore([...before, { paper, motif, setOf: read.value.setOf }])}>
            Sets of this point first, then of another
          </Button>
          <Button variant="contained" disabled={isBusy || !isRight} sx={{ alignSelf: 'flex-start' }} onClick={() => read.value && void find({ cloth, lengthMm: read.value.lengthMm, points: [...before, { paper, motif, setOf: read.value.setOf }] })}>
            {isBusy && !answer ? 'Looking …' : 'Find the most sets'}
          </Button>
        </Stack>
      </Box>
      {answer && <FussySheet answer={answer} papers={papers} fabrics={fabrics} system={system} />}
    </>
  );
} // prettier-ignore
