import { fireEvent, render, screen } from '@testing-library/react';
import { SWRConfig } from 'swr';
import { bagContents, pickList } from '@/core/bags';
import { defaultRecipe, documentOfRecipe } from '@/core/generate';
import { NO_EXTRAS } from '@/core/packing';
import { groupKinds } from '@/core/shapes';
import type { Kit, KitStatus } from '@/server/bags';
import { Notices } from '@/ui/Notices';
import { PLAIN_MAKER, answering, type Asked } from '@/ui/testing';
import { BagsStation } from '../BagsStation';

/** A project with two blocks and two makers, one of whom skips the second. */
export const project = {
  id: 'p1',
  name: 'Coast',
  shop: 'Harbour Hall',
  unitSystem: 'inch',
  pageSize: 'Letter',
  sparesPercent: 5,
  allowanceMm: 6.35,
};
const { patches } = documentOfRecipe(defaultRecipe('plate'));
/** What lies in a bag of a plate. */
export const bag = bagContents(patches, groupKinds(patches.map(({ outline }) => outline)), {
  sparesPercent: 5,
  allowanceMm: 6.35,
  system: 'inch',
});
export const blocks = [
  { id: 'a', name: 'Plate', bag, bagMark: 'now', saved: '12 × 1″ hexagon' },
  { id: 'b', name: 'Star', bag, bagMark: 'now', saved: '' },
];
export const makers = [
  { id: 'm1', name: 'Ada', hasLink: true, skips: [], ...PLAIN_MAKER },
  { id: 'm2', name: 'Bo', hasLink: true, skips: ['b'], ...PLAIN_MAKER },
];
/** What the three bags take together. */
export const list = pickList([{ block: 'Plate', contents: bag, bags: 2 }, { block: 'Star', contents: bag, bags: 1 }]); // prettier-ignore

/** A bag of a maker as the server keeps it. */
export const kit = (blockId: string, makerId: string, status: KitStatus, revision = 1): Kit => ({
  blockId,
  makerId,
  status,
  revision,
  packedMark: null,
});
/** Presses a button by its name. */
export const press = (name: string | RegExp) => fireEvent.click(screen.getByRole('button', { name }));

/** The station on a server that keeps bags, with who else changed one meanwhile. */
export function atBags(kits: readonly Kit[] = [], mayEdit = true) {
  const server = { kits: [...kits], meanwhile: [] as Kit[] };
  const same = (a: Kit, b: Kit) => a.blockId === b.blockId && a.makerId === b.makerId;
  const asked = answering({
    'GET /api/projects/p1/kits': () => server.kits,
    'PUT /api/projects/p1/kits': ({ body }) => {
      const { bags } = body as { bags: Kit[] };
      const refused = server.meanwhile.filter((one) => bags.some((own) => same(own, one)));
      const changed = bags.filter((own) => !refused.some((one) => same(own, one))).map((own) => ({ ...own, packedMark: null, revision: own.revision + 1 }));
      server.kits = [...server.kits.filter((one) => ![...changed, ...refused].some((own) => same(own, one))), ...changed, ...refused];
      return { changed, refused };
    },
  });
  render(
    // What one test was answered is not what the next one begins with.
    <SWRConfig value={{ provider: () => new Map() }}>
    <Notices>
      <BagsStation drops={[]} order={['a', 'b']} paperNames={[]} mayEdit={mayEdit} stock={{}} worn={{}} sizes={[{ pack: 100, price: 4.5 }]} currency="GBP" extras={{ extras: NO_EXTRAS, revision: 0 }} project={project as never} blocks={blocks} makers={makers} kits={kits} pickList={list} fabrics={['Ink']} />
    </Notices>
    </SWRConfig>,
  );
  return { server, asked };
} // prettier-ignore

/** The bags that were put, each time. */
export const put = (asked: readonly Asked[]) =>
  asked
    .filter(({ method }) => method === 'PUT')
    .map(({ body }) => (body as { bags: Kit[] }).bags.map((one) => ({ ...one, packedMark: null })));
/** What the button of a maker’s bag says. */
export const status = (name: string) =>
  screen.getByRole('button', { name: new RegExp(`^${name}: `) }).textContent;
