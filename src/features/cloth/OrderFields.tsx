import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { use, useState } from 'react';
import { MM_PER_INCH, threadUnit, type UnitSystem } from '@/core/length';
import {
  MOST_PAPER_PACKS,
  NOTION_LIMITS,
  ORDER_LIMITS,
  type Notion,
  type OrderFigures,
  type PackSize,
} from '@/core/order';
import { CurrencyContext, usePriceLabel } from '@/ui/money';
import { NumberField } from '@/ui/NumberField';

const LABELS: Readonly<Record<keyof OrderFigures, string>> = {
  spareSets: 'Spare sets',
  papersInPack: 'Papers in a pack',
  packPrice: 'Price of a pack',
  spoolMetres: 'Metres on a spool',
  spoolPrice: 'Price of a spool',
  boltMetres: 'Metres on a bolt',
  marginPercent: 'Margin, % of the price',
  taxPercent: 'Tax on the price, %',
  throughMinutes: 'Minutes for a cut right across',
  crossMinutes: 'Minutes for a cut across strips',
  layers: 'Strips cut at once',
  outerMoreMm: 'More at the rim of blocks',
  rawLessMm: 'Less at raw sides',
  handMmPerMinute: 'Cut by hand in a minute',
};
const YARD_METRES = threadUnit('inch').metres;
/** Figures that are typed in the project’s own unit: how they are called in it, and how much of the figure it is. */
const UNITS: Readonly<Partial<Record<keyof OrderFigures, Readonly<Record<UnitSystem, readonly [label: string, size: number]>>>>> = {
  boltMetres: { metric: [LABELS.boltMetres, 1], inch: ['Yards on a bolt', YARD_METRES] },
  spoolMetres: { metric: [LABELS.spoolMetres, 1], inch: ['Yards on a spool', YARD_METRES] },
  outerMoreMm: { metric: [`${LABELS.outerMoreMm}, mm`, 1], inch: [`${LABELS.outerMoreMm}, ″`, MM_PER_INCH] },
  rawLessMm: { metric: [`${LABELS.rawLessMm}, mm`, 1], inch: [`${LABELS.rawLessMm}, ″`, MM_PER_INCH] },
  handMmPerMinute: { metric: [`${LABELS.handMmPerMinute}, cm`, 10], inch: [`${LABELS.handMmPerMinute}, ″`, MM_PER_INCH] },
}; // prettier-ignore
/** Limits in another unit are said to a hundredth, and never wider than they are. */
const HUNDREDTHS = 100;
const NAMES = Object.keys(LABELS) as (keyof OrderFigures)[];

interface OrderFieldsProps {
  readonly figures: OrderFigures;
  readonly system: UnitSystem;
  readonly onChange: (figures: OrderFigures) => void;
  readonly onCurrency: (currency: string) => void;
}

const PRICES: ReadonlySet<keyof OrderFigures> = new Set(['packPrice', 'spoolPrice']);

/** How things are sold and cut, and what is put on the cost. */
export function OrderFields({ figures, system, onChange, onCurrency }: OrderFieldsProps) {
  const priceLabel = usePriceLabel();
  return (
    <Box className="no-print">
      <Typography variant="h4" component="h4" sx={{ mt: 2, mb: 1.5 }}>
        How it is sold and cut
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', md: 'repeat(4, 1fr)' }, gap: 1.5 }}>
        <CurrencyField onChange={onCurrency} />
        {NAMES.map((name) => {
          const [label, unit] = UNITS[name]?.[system] ?? [LABELS[name], 1];
          const { least, isWhole } = ORDER_LIMITS[name];
          return (
            <NumberField
              key={name}
              label={PRICES.has(name) ? priceLabel(label) : label}
              value={figures[name] / unit}
              {...{ isWhole }}
              {...limitsIn(unit, ORDER_LIMITS[name])}
              onChange={(value) => onChange({ ...figures, [name]: Math.max(least, value * unit) })}
            />
          );
        })}
      </Box>
    </Box>
  );
}

const NOT_SAID = { code: '', name: 'not said' };

/** What prices are counted in, found by its code or its name. */
function CurrencyField({ onChange }: { readonly onChange: (currency: string) => void }) {
  const currency = use(CurrencyContext);
  const [choices] = useState(() => {
    const names = new Intl.DisplayNames('en-GB', { type: 'currency' });
    return [NOT_SAID, ...Intl.supportedValuesOf('currency').map((code) => ({ code, name: `${code}, ${names.of(code) ?? code}` }))]; // prettier-ignore
  });
  return (
    <Autocomplete
      disableClearable
      options={choices}
      getOptionLabel={({ name }) => name}
      isOptionEqualToValue={(a, b) => a.code === b.code}
      value={choices.find(({ code }) => code === currency) ?? NOT_SAID}
      onChange={(_, { code }) => onChange(code)}
      renderInput={(field) => <TextField {...field} label="Prices in" />}
    />
  );
}

function limitsIn(unit: number, { least, most }: { readonly least: number; readonly most: number }) {
  return { least: Math.ceil((HUNDREDTHS * least) / unit) / HUNDREDTHS, most: Math.floor((HUNDREDTHS * most) / unit) / HUNDREDTHS }; // prettier-ignore
}

interface PaperPackFieldsProps {
  readonly packs: readonly PackSize[];
  readonly onChange: (packs: readonly PackSize[]) => void;
}

/** Further packs that papers are sold in: of all sizes those are bought that cost least together. */
export function PaperPackFields({ packs, onChange }: PaperPackFieldsProps) {
  const priceLabel = usePriceLabel();
  const put = (index: number, part: Partial<PackSize>) =>
    onChange(packs.map((one, other) => (other === index ? { ...one, ...part } : one)));
  return (
    <Box className="no-print">
      <Typography variant="h4" component="h4" sx={{ mt: 2.5, mb: 1 }}>
        Other packs of papers
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        Where papers are sold in several sizes, the cheapest packs together are ordered.
      </Typography>
      <Stack spacing={1.5} component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {packs.map((own, index) => (
          <Stack key={index} component="li" direction="row" sx={{ gap: 1.5, alignItems: 'start', flexWrap: 'wrap' }}>
            <NumberField label="Papers in it" value={own.pack} {...ORDER_LIMITS.papersInPack} onChange={(pack) => put(index, { pack })} />
            <NumberField label={priceLabel('Its price')} value={own.price} {...ORDER_LIMITS.packPrice} onChange={(price) => put(index, { price })} />
            <Button onClick={() => onChange(packs.filter((_, other) => other !== index))} aria-label={`Take out the pack of ${own.pack}`} sx={{ minHeight: 44 }}>
              Take out
            </Button>
          </Stack>
        ))}
      </Stack>
      <Button disabled={packs.length >= MOST_PAPER_PACKS} onClick={() => onChange([...packs, NEW_PACK])} sx={{ mt: 1 }}>
        Add a size of pack
      </Button>
    </Box>
  );
} // prettier-ignore

const NEW_PACK: PackSize = { pack: 25, price: 0 };

interface NotionFieldsProps {
  readonly notions: readonly Notion[];
  readonly system: UnitSystem;
  readonly onChange: (notions: readonly Notion[]) => void;
}

/** The small things: so much for each maker, or for each metre or yard of paper edge. */
export function NotionFields({ notions, system, onChange }: NotionFieldsProps) {
  const put = (index: number, part: Partial<Notion>) =>
    onChange(notions.map((one, other) => (other === index ? { ...one, ...part } : one)));
  const name = freeName(notions);
  return (
    <Box className="no-print">
      <Typography variant="h4" component="h4" sx={{ mt: 2.5, mb: 1.5 }}>
        Notions
      </Typography>
      <Stack spacing={1.5}>
        {notions.map((notion, index) => (
          <NotionRow
            // Names are typed; the place in the list stays.
            key={index}
            notion={notion}
            system={system}
            others={notions.filter((one) => one !== notion).map(({ what }) => what)}
            onChange={(part) => put(index, part)}
            onRemove={() => onChange(notions.filter((_, other) => other !== index))}
          />
        ))}
      </Stack>
      <Button
        disabled={notions.length >= NOTION_LIMITS.count}
        onClick={() => onChange([...notions, { what: name, amount: 1, per: 'maker', unit: 'pieces', pack: 1, price: 0 }])}
        sx={{ mt: 1, mb: 2 }}
      >
        Add a notion
      </Button>
    </Box>
  );
} // prettier-ignore

function freeName(notions: readonly Notion[]): string {
  for (let number = 1; ; number++) {
    const name = number === 1 ? 'New notion' : `New notion ${number}`;
    if (!notions.some(({ what }) => what === name)) return name;
  }
}

interface NotionRowProps {
  readonly notion: Notion;
  readonly system: UnitSystem;
  readonly others: readonly string[];
  readonly onChange: (part: Partial<Notion>) => void;
  readonly onRemove: () => void;
}

function NotionRow({ notion: { what, amount, per, unit, pack, price }, system, others, onChange, onRemove }: NotionRowProps) {
  const priceLabel = usePriceLabel();
  const sizes = { maker: 1, metre: threadUnit(system).metres } as const;
  // What is typed stays as it reads when it is for something else.
  const perOther = (next: Notion['per']) => onChange({ per: next, amount: Math.min(NOTION_LIMITS.amount.most, (amount * sizes[per]) / sizes[next]) });
  const fault = (text: string) => (text.trim() === '' ? 'Give it a name' : others.includes(text.trim()) ? 'There is one of this name' : undefined);
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', md: '2fr 1fr 1.3fr 1fr 1fr 1fr auto' }, gap: 1.5, alignItems: 'start' }}>
      <TextField label="Notion" value={what} error={fault(what) !== undefined} helperText={fault(what)} onChange={({ target }) => onChange({ what: target.value })} slotProps={{ htmlInput: { maxLength: NOTION_LIMITS.letters } }} />
      <NumberField label="Amount" value={amount * sizes[per]} {...limitsIn(1 / sizes[per], NOTION_LIMITS.amount)} onChange={(value) => onChange({ amount: value / sizes[per] })} />
      <TextField select label="for each" value={per} onChange={({ target }) => perOther(target.value as Notion['per'])}>
        <MenuItem value="maker">maker</MenuItem>
        <MenuItem value="metre">{system === 'inch' ? 'yard' : 'metre'} of edge</MenuItem>
      </TextField>
      <TextField label="Counted in" value={unit} error={unit.trim() === ''} onChange={({ target }) => onChange({ unit: target.value })} slotProps={{ htmlInput: { maxLength: NOTION_LIMITS.letters } }} />
      <NumberField label="In a pack" value={pack} {...NOTION_LIMITS.pack} onChange={(value) => onChange({ pack: value })} />
      <NumberField label={priceLabel('Price of it')} value={price} {...NOTION_LIMITS.price} onChange={(value) => onChange({ price: value })} />
      <Button onClick={onRemove} aria-label={`Take out ${what}`} sx={{ minHeight: 44 }}>
        Take out
      </Button>
    </Box>
  );
} // prettier-ignore
