'use client';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import {
  BASTE_METHODS,
  FOLD_CONVENTIONS,
  foldBy,
  pleatsOf,
  tailsOf,
  withKindChoice,
  type BasteMethod,
  type FoldConvention,
  type KindChoice,
} from '@/core/basting';
import type { BlockDocument } from '@/core/block';
import { formatLength, type UnitSystem } from '@/core/length';
import { LETTER_RULE, isSamePaper } from '@/core/shapes';
import type { KindBasting, SheetKind } from '@/core/sheet';
import { formatMinutes } from '@/ui/formatMinutes';
import { FoldException } from './FoldException';
import { FoldPicture } from './FoldPicture';
import { useProjectBasting } from '@/ui/useProjectBasting';
import { sayPleats } from './sayPleats';
import { withBasting } from './withBasting';

interface KindCardProps {
  readonly projectId: string;
  readonly kind: SheetKind;
  readonly basting: KindBasting;
  /** Its patches, by id and number. */
  readonly patches: readonly { readonly id: string; readonly number: number }[];
  readonly allowanceMm: number;
  readonly system: UnitSystem;
  readonly onChange: (text: string, change: (document: BlockDocument) => BlockDocument) => Promise<boolean>;
}

/** How one paper is folded and held: what is proposed and why, what else could be; here, or in the whole project. */
export function KindCard({
  projectId,
  kind,
  basting,
  patches,
  allowanceMm,
  system,
  onChange,
}: KindCardProps) {
  const { outline, name } = kind;
  const [proposed] = basting.methods;
  const { method } = basting;
  const own = basting.methods.find((one) => one.method === method);
  const tails = tailsOf(outline, foldBy(basting.convention, outline), allowanceMm);
  const longest = Math.max(0, ...tails.map(({ lengthMm }) => lengthMm));
  const pleats = pleatsOf(outline);
  const { set, chooseForAll } = useKindChoice({ projectId, kind, basting, patches, onChange });
  return (
    <Paper sx={{ p: 1.5, display: 'flex', gap: 1.5 }}>
      <FoldPicture kind={kind} convention={basting.convention} allowanceMm={allowanceMm} />
      <Stack spacing={1.25} sx={{ flex: 1, minWidth: 0 }}>
        <Typography>
          <strong>{name}</strong>, {kind.count}
          {kind.left + kind.right > 0 ? ` (${kind.left} L, ${kind.right} R: ${LETTER_RULE})` : ''}
        </Typography>
        <TextField
          select
          label={`Folds of ${name}`}
          value={basting.convention}
          onChange={(event) => void set({ convention: event.target.value as FoldConvention }, true)}
        >
          {basting.conventions.map((one) => (
            <MenuItem key={one} value={one}>
              {FOLD_CONVENTIONS[one].name}
            </MenuItem>
          ))}
        </TextField>
        <Typography variant="body2" color="textSecondary">
          {FOLD_CONVENTIONS[basting.convention].what}{' '}
          {longest > 0 ? `Tails up to ${formatLength(longest, system)}.` : 'No tails.'}
          {sayPleats(pleats, system)}
        </Typography>
        <FoldException kindName={name} basting={basting} patches={patches} onChange={onChange} />
        <TextField
          select
          label={`Method for ${name}`}
          value={method}
          onChange={(event) => void set({ method: event.target.value as BasteMethod }, false)}
        >
          {basting.methods.map(({ method: one, minutesEach }, index) => (
            <MenuItem key={one} value={one}>
              {BASTE_METHODS[one].name}: {minutesEach.toFixed(1)} min each{index === 0 ? ' (proposed)' : ''}
            </MenuItem>
          ))}
        </TextField>
        <Typography variant="body2" color="textSecondary">
          {method === proposed?.method ? 'Proposed: ' : 'Chosen by you: '}
          {own?.reason}. To take out: {BASTE_METHODS[method].removal}. {BASTE_METHODS[method].warning}{' '}
          {formatMinutes((own?.minutesEach ?? 0) * kind.count)} in all; a paper lasts about{' '}
          {BASTE_METHODS[method].uses} {BASTE_METHODS[method].uses === 1 ? 'use' : 'uses'}.
        </Typography>
        <Stack direction="row" className="no-print" sx={{ flexWrap: 'wrap', gap: 1, alignItems: 'center' }}>
          {basting.saidBy === 'block' ? (
            <>
              <Button size="small" onClick={() => void chooseForAll()}>
                So in the whole project
              </Button>
              <Button
                size="small"
                variant="text"
                onClick={() => void set({ convention: null, method: null }, false)}
              >
                Not only here
              </Button>
            </>
          ) : (
            <Typography variant="body2" color="textSecondary">
              {basting.saidBy === 'project' ? 'As you chose for the whole project.' : 'As proposed.'}
            </Typography>
          )}
        </Stack>
      </Stack>
    </Paper>
  );
}

/** Choosing how a kind is folded and held: in this block, or in the whole project. */
function useKindChoice({
  projectId,
  kind: { outline, name },
  basting,
  patches,
  onChange,
}: Pick<KindCardProps, 'projectId' | 'kind' | 'basting' | 'patches' | 'onChange'>) {
  const putProject = useProjectBasting(projectId);
  const { method } = basting;
  const set = (choice: KindChoice, isFold: boolean) =>
    onChange(`${name}: ${isFold ? 'folded' : 'basted'} otherwise now.`, (document) =>
      withBasting(document, ({ kinds = [], patches: single = {} }) => ({
        kinds: withKindChoice(kinds, outline, choice),
        // What was said of single patches of this kind gives way to what is said of all.
        patches: isFold
          ? Object.fromEntries(Object.entries(single).filter(([id]) => !patches.some((one) => one.id === id)))
          : single,
      })),
    );
  const chooseForAll = async () => {
    const { convention } = basting;
    await putProject(
      `${name}: so in the whole project now.`,
      { outline, convention, method },
      ({ kinds = [] }) => {
        const before = kinds.find((one) => isSamePaper(one.outline, outline));
        return { outline, convention: before?.convention ?? null, method: before?.method ?? null };
      },
    );
  };
  return { set, chooseForAll };
}
