import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { SpareRules } from '@/core/bags';
import type { SpareRule } from '@/core/papers';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { PlainButton } from '@/ui/PlainButton';

interface SparesPanelProps {
  readonly rules: SpareRules | undefined;
  /** Plain names of the project’s papers. */
  readonly papers: readonly string[];
  /** As many spares as a paper has without a rule, %. */
  readonly percent: number;
  readonly onChange: (rules: SpareRules) => void;
}

type Way = 'usual' | 'none' | 'count' | 'percent';

/** What a rule begins with when it is chosen. */
const FIRST: Readonly<Record<Exclude<Way, 'usual'>, SpareRule>> = { none: { count: 0 }, count: { count: 2 }, percent: { percent: 10 } }; // prettier-ignore

function wayOf(rule: SpareRule | undefined): Way {
  if (!rule) return 'usual';
  if ('percent' in rule) return 'percent';
  return rule.count === 0 ? 'none' : 'count';
}

/** Spare papers kind by kind: as many as of all, none, so many in each bag, or a share of its own. */
export function SparesPanel({ rules = {}, papers, percent, onChange }: SparesPanelProps) {
  const set = (name: string, rule: SpareRule | undefined) => {
    const { [name]: _, ...others } = rules;
    onChange(rule ? { ...others, [name]: rule } : others);
  };
  const ruled = papers.filter((name) => rules[name]);
  const others = papers.filter((name) => !rules[name]);
  const gone = Object.keys(rules).filter((name) => !papers.includes(name));
  const ways: readonly (readonly [Way, string])[] = [
    ['usual', `as of all: ${percent} %`],
    ['none', 'none'],
    ['count', 'so many in each bag'],
    ['percent', 'a share of its own'],
  ];
  return (
    <Box component="section" aria-label="Spare papers" sx={{ mb: 3 }}>
      <Typography variant="h3">Spare papers</Typography>
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        Thin points wear out first; large squares hardly ever. The share of all papers stands in the settings.
      </Typography>
      {ruled.map((name) => {
        const rule = rules[name];
        return (
          <Stack key={name} direction="row" sx={{ gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 1 }}>
            <Typography sx={{ width: 240 }}>{name}</Typography>
            <Box sx={{ width: 210 }}>
              <Choice label={`Spares, ${name}`} value={wayOf(rule)} choices={ways} onChange={(way) => set(name, way === 'usual' ? undefined : FIRST[way as keyof typeof FIRST])} />
            </Box>
            {rule && 'count' in rule && rule.count > 0 && (
              <Box sx={{ width: 130 }}>
                <NumberField label={`In each bag, ${name}`} value={rule.count} least={1} most={999} isWhole onChange={(count) => set(name, { count })} />
              </Box>
            )}
            {rule && 'percent' in rule && (
              <Box sx={{ width: 130 }}>
                <NumberField label={`%, ${name}`} value={rule.percent} least={0} most={100} onChange={(own) => set(name, { percent: own })} />
              </Box>
            )}
          </Stack>
        );
      })}
      {others.length > 0 && (
        <Box sx={{ width: 300, my: 1.5 }}>
          <Choice label="A rule of its own for" value="" choices={others.map((name) => [name, name] as const)} onChange={(name) => set(name, FIRST.count)} />
        </Box>
      )}
      {gone.map((name) => (
        <Stack key={name} direction="row" sx={{ gap: 1.5, alignItems: 'center' }}>
          <Typography color="textSecondary">{`No block has “${name}” now; its rule waits.`}</Typography>
          <PlainButton look="text" aria-label={`Forget the rule for ${name}`} onClick={() => set(name, undefined)}>
            Forget it
          </PlainButton>
        </Stack>
      ))}
    </Box>
  );
} // prettier-ignore
