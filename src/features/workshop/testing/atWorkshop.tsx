import { fireEvent, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { vi } from 'vitest';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { cutGrid } from '@/core/testing';
import { liveReport } from '@/core/workshop';
import { patchNumbers } from '@/ui/patchNumbers';
import { ArrangePanel } from '../ArrangePanel';
import { BoardView } from '../BoardView';
import { ClothPanel } from '../ClothPanel';
import { FiguresPanel } from '../FiguresPanel';
import { PaperTray } from '../PaperTray';
import { WorkshopTools } from '../WorkshopTools';
import { useWorkshop, type Workshop } from '../useWorkshop';
import { useWorkshopKeys } from '../useWorkshopKeys';

/** Three squares in a row. */
export const SQUARES: BlockDocument = { format: BLOCK_FORMAT, patches: cutGrid(3, 1, [0]) };

/** The whole workshop round a document, without what saves it. */
export function atWorkshop(document: BlockDocument | undefined = SQUARES) {
  const now: { shop: Workshop | undefined } = { shop: undefined };
  const look = vi.fn();
  function Page() {
    const shop = useWorkshop(document, 'Beacon', undefined);
    useWorkshopKeys(shop);
    const report = liveReport(shop.document, 'inch');
    const fabrics = [...new Set(['Beacon', ...shop.addedFabrics, ...shop.patches.map((one) => one.fabric)])];
    now.shop = shop;
    return (
      <>
        <WorkshopTools shop={shop} />
        <BoardView shop={shop} report={report} fabrics={fabrics} system="inch" marks={[]} />
        <p role="status">{shop.said}</p>
        <PaperTray shop={shop} report={report} system="inch" />
        <ClothPanel shop={shop} report={report} fabrics={fabrics} numbers={patchNumbers(shop.patches)} onLook={look} />
        <ArrangePanel shop={shop} report={report} />
        <FiguresPanel shop={shop} system="inch" />
      </>
    );
  } // prettier-ignore
  render(<Page />);
  const shop = () => now.shop as Workshop;
  return { shop, look, user: userEvent.setup(), fabrics: () => shop().patches.map(({ fabric }) => fabric) };
}

/** A button by its name. */
export const press = (name: string | RegExp) => screen.getByRole('button', { name });
/** The board that is worked on. */
export const board = () => screen.getByRole('application');
/** A key pressed on the board. */
export const key = (name: string, more = {}) => fireEvent.keyDown(board(), { key: name, ...more });
/** Where each paper begins at the left, in mm. */
export const lefts = (shop: Workshop) =>
  shop.patches.map(({ outline }) => Math.min(...outline.corners.map(({ x }) => x)));
