'use client';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import type { PickList } from '@/core/bags';
import { USUAL_BAGGING, outerBags, type DropOfBlocks } from '@/core/packing';
import { counted } from '@/core/words';
import type { KeptExtras, Kit } from '@/server/bags';
import type { Maker } from '@/server/makers';
import type { Project } from '@/server/projects';
import { Notice } from '@/ui/Notice';
import { CurrencyContext } from '@/ui/money';
import type { BagBlock } from './bagBlock';
import { BagContentsCard } from './BagContentsCard';
import { ExtrasView } from './ExtrasView';
import type { PackSize } from '@/core/order';
import { FromStockView } from './FromStockView';
import { PackingWall } from './PackingWall';
import { PickListView } from './PickListView';
import { useExtras } from './useExtras';

interface BagsStationProps {
  readonly project: Project;
  readonly blocks: readonly BagBlock[];
  readonly makers: readonly Maker[];
  readonly kits: readonly Kit[];
  readonly pickList: PickList;
  readonly fabrics: readonly string[];
  /** Papers that are there, by name. */
  readonly stock: Readonly<Record<string, number>>;
  /** Of the stock, papers that were sewn with, in words. */
  readonly worn: Readonly<Record<string, string>>;
  /** How papers are sold. */
  readonly sizes: readonly PackSize[];
  /** What prices are counted in, by its code; empty where nobody said. */
  readonly currency: string;
  readonly extras: KeptExtras;
  readonly drops: readonly DropOfBlocks[];
  /** Ids of all blocks in the order in which they are handed out. */
  readonly order: readonly string[];
  /** Plain names of all papers. */
  readonly paperNames: readonly string[];
  /** Whether how bags are made, and the order of the shelf, may be changed. */
  readonly mayEdit: boolean;
}

type View = 'wall' | 'contents' | 'pick' | 'stock' | 'extras';

/** What goes in which bag, is it packed, and what all bags take together. */
export function BagsStation(props: BagsStationProps) {
  const { project, blocks, extras, mayEdit } = props;
  const own = useExtras(project.id, extras);
  const [view, setView] = useViewOfAddress();
  if (blocks.length === 0)
    return (
      <Notice title="No bags yet">
        Bags are worked out from the blocks.{' '}
        <Link href={`/p/${project.id}/blocks/new`}>Bring in a drawing first</Link>.
      </Notice>
    );
  return (
    <Box>
      <Stack direction="row" sx={{ justifyContent: 'space-between', flexWrap: 'wrap', gap: 1 }}>
        <Typography variant="h2">Bags</Typography>
        <WaysOn projectId={project.id} />
      </Stack>
      <Tabs
        value={view}
        onChange={(_, next) => setView(next)}
        variant="scrollable"
        scrollButtons={false}
        sx={{ mb: 2, borderBottom: 1, borderColor: 'divider' }}
      >
        <Tab value="wall" label="Packing wall" sx={{ textTransform: 'none' }} />
        <Tab value="contents" label="In each bag" sx={{ textTransform: 'none' }} />
        <Tab value="pick" label="Pick list" sx={{ textTransform: 'none' }} />
        <Tab value="stock" label="From what is there" sx={{ textTransform: 'none' }} />
        {mayEdit && <Tab value="extras" label="How bags are made" sx={{ textTransform: 'none' }} />}
      </Tabs>
      <OneView {...props} own={own} view={view} />
    </Box>
  );
}

/** The view that is looked at; the map of the top leads to a block’s bag by its name in the address. */
function useViewOfAddress() {
  const [view, setView] = useState<View>('wall');
  useEffect(() => {
    const follow = () => {
      if (!location.hash.startsWith('#bag-')) return;
      setView('contents');
      requestAnimationFrame(() => document.getElementById(location.hash.slice(1))?.scrollIntoView());
    };
    follow();
    window.addEventListener('hashchange', follow);
    return () => window.removeEventListener('hashchange', follow);
  }, []);
  return [view, setView] as const;
}

/** What else is done with bags, each on a page of its own. */
function WaysOn({ projectId }: { readonly projectId: string }) {
  const at = `/p/${projectId}/bags`;
  return (
    <Stack direction="row" sx={{ flexWrap: 'wrap', gap: 1 }}>
      <Button component={Link} href={`${at}/print`}>
        Print lists and labels
      </Button>
      <Button component={Link} href={`${at}/hand`}>
        Hand over
      </Button>
      <Button component={Link} href={`${at}/sorter`}>
        Sorter
      </Button>
      <Button component={Link} href={`${at}/count`}>
        Count a pile
      </Button>
      <Button component={Link} href={`${at}/pack`} variant="contained">
        Pack at the table
      </Button>
    </Stack>
  );
}

interface OneViewProps extends BagsStationProps {
  readonly own: ReturnType<typeof useExtras>;
  readonly view: View;
}

function OneView({ view, own, ...props }: OneViewProps) {
  const { project, blocks, makers, drops, order, mayEdit } = props;
  switch (view) {
    case 'wall':
      return <PackingWall projectId={project.id} initialKits={props.kits} {...{ blocks, makers, drops }} />;
    case 'contents':
      return <InEachBag {...props} own={own} />;
    case 'extras':
      return (
        <ExtrasView
          {...{ own, blocks, drops, order, makers }}
          papers={props.paperNames}
          sparesPercent={project.sparesPercent}
        />
      );
    case 'pick':
      return (
        <PickListView
          {...{ blocks, makers, drops, project }}
          walk={own.present.walk ?? []}
          {...(mayEdit ? { onWalk: (walk: readonly string[]) => own.change({ ...own.present, walk }) } : {})}
        />
      );
    case 'stock': {
      const { stock, worn, sizes, currency, pickList } = props;
      return (
        <CurrencyContext value={currency}>
          <FromStockView projectId={project.id} papers={pickList.papers} {...{ stock, worn, sizes }} />
        </CurrencyContext>
      );
    }
  }
}

/** What lies in each bag; bags of one drop that lie in one together. */
function InEachBag({ project, blocks, fabrics, drops, order, own }: Omit<OneViewProps, 'view'>) {
  return (
    <Stack spacing={2}>
      {outerBags(order, drops, own.present.bagging ?? USUAL_BAGGING).map(
        ({ key, drop, blocks: within, isInner }) => (
          <Stack
            key={key}
            spacing={1}
            component="section"
            aria-label={drop === undefined ? undefined : `${drop}: one bag`}
          >
            {drop !== undefined && (
              <Typography variant="h3">{`${drop}: one bag, within it ${counted(within.length, 'bag')}`}</Typography>
            )}
            {blocks
              .filter(({ id }) => within.includes(id))
              .map((block) => (
                <BagContentsCard key={block.id} {...{ block, project, fabrics, isInner }} />
              ))}
          </Stack>
        ),
      )}
    </Stack>
  );
}
