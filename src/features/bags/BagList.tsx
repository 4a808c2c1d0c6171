import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { bagState } from '@/core/packing';
import { counted } from '@/core/words';
import type { PackingKit } from '@/server/bags';
import { PlainButton } from '@/ui/PlainButton';
import type { TableBag } from './tableBag';

interface BagListProps {
  readonly bags: readonly TableBag[];
  readonly kitOf: (bag: TableBag) => PackingKit;
  readonly me: string;
  readonly onOpen: (bag: TableBag) => void;
}

/** So many bags of a drop are offered at once: nobody packs more before looking up. */
const MOST_SHOWN = 60;

/** The bags that are to be packed, by drop; those in other hands are named, those begun come first. */
export function BagList({ bags, kitOf, me, onOpen }: BagListProps) {
  const open = bags.filter((bag) => kitOf(bag).status === 'to-pack');
  const packed = bags.length - open.length;
  const drops = [...new Set(open.map(({ drop }) => drop))];
  return (
    <>
      <Typography sx={{ mb: 1 }}>
        {open.length === 0 ? 'Every bag is packed.' : `${packed} of ${counted(bags.length, 'bag')} packed.`}
      </Typography>
      {drops.map((drop) => {
        const own = open.filter((bag) => bag.drop === drop);
        const begun = (bag: TableBag) => Object.values(kitOf(bag).ticks).some(({ count }) => count > 0);
        const shown = [...own.filter(begun), ...own.filter((bag) => !begun(bag))].slice(0, MOST_SHOWN);
        const title = drop === '' ? 'In no drop yet' : drop;
        return (
          <Box key={drop} component="section" aria-label={title} sx={{ mb: 3 }}>
            <Typography variant="h3" sx={{ mb: 1 }}>{`${title}: ${counted(own.length, 'bag')} to pack`}</Typography>
            <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr', md: '1fr 1fr 1fr' }, gap: 1 }}>
              {shown.map((bag) => (
                <PlainButton key={`${bag.blockId}${bag.makerId}`} look="framed" onClick={() => onOpen(bag)} sx={{ minHeight: 56, textAlign: 'left' }}>
                  <Box component="span" sx={{ display: 'block' }}>
                    <strong>{`${bag.block}, ${bag.maker}`}</strong>
                    <Box component="span" sx={{ display: 'block', fontSize: '0.9em' }}>{[stateOf(bag, kitOf(bag), me), ...(bag.choice ? [bag.choice] : [])].join('; ')}</Box>
                  </Box>
                </PlainButton>
              ))}
            </Box>
            {shown.length < own.length && <Typography>{`And ${own.length - shown.length} more: scan them.`}</Typography>}
          </Box>
        );
      })}
    </>
  );
} // prettier-ignore

function stateOf({ lines }: TableBag, { holder, ticks }: PackingKit, me: string): string {
  const { short } = bagState(lines, ticks);
  const begun = short < lines.length ? `${lines.length - short} of ${counted(lines.length, 'line')} in` : counted(lines.length, 'line'); // prettier-ignore
  if (!holder) return begun;
  return `${begun}; in ${holder.id === me ? 'your' : `${holder.name}’s`} hands`;
}
