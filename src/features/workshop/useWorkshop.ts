'use client';
import { useCallback, useMemo, useState } from 'react';
import { BLOCK_FORMAT, type BlockDocument, type Patch } from '@/core/block';
import { reflectIn, type Outline, type Point } from '@/core/geometry';
import {
  Board,
  FreshIds,
  MOST_PATCHES,
  addPatches,
  movePatches,
  record,
  redo,
  startHistory,
  undo,
  withGroups,
} from '@/core/workshop';
import { useKeptHistory } from '@/ui/useKeptHistory';
import { middleOf } from './boardMiddle';
import { paintActions, pickedActions, type HeldPaper } from './workshopActions';

export type Tool = 'pick' | 'place' | 'paint' | 'centre';

const EMPTY: BlockDocument = { format: BLOCK_FORMAT, patches: [] };

/**
 * Everything that is in the maker's hands at the workshop: the block with its history, what is picked, the tool.
 * @param blockId names the block for the undo that is kept in the tab; none for a block that is not saved yet
 */
export function useWorkshop(
  initial: BlockDocument | undefined,
  firstFabric: string,
  blockId: string | undefined,
) {
  const [history, setHistory] = useState(() => startHistory(initial ?? EMPTY));
  const stepsTo = useKeptHistory(blockId && `kevlo-undo-block-${blockId}`, history, setHistory);
  const document = history.present;
  const { patches } = document;
  const [tool, setTool] = useState<Tool>(initial ? 'pick' : 'place');
  const { paper, turn, isTurnedOver, take, turnHeld, turnHeldOver } = useHeldPaper();
  const [isForced, setForced] = useState(false);
  const [fabric, setFabric] = useState(firstFabric);
  const [addedFabrics, setAddedFabrics] = useState<readonly string[]>([]);
  const [centre, setCentre] = useState<Point | undefined>();
  const [said, setSaid] = useState('');

  const board = useMemo(() => new Board(patches), [patches]);
  const { picked, pickedIds, pick, pickIds } = usePicked(patches);

  const edit = useCallback((change: (now: BlockDocument) => BlockDocument, label: string, isMore = false) => {
    setHistory((own) => record(own, change(own.present), label, isMore));
  }, []);
  const hands = { patches, picked, paper, turn, isTurnedOver, fabric, centre, edit, pickIds, setSaid };
  const [painting, moving] = [paintActions(hands), pickedActions(hands)];
  return {
    document,
    patches,
    board,
    history,
    picked,
    pickedIds,
    tool,
    paper,
    turn,
    isTurnedOver,
    isForced,
    fabric,
    addedFabrics,
    centre,
    said,
    setSaid,
    setTool,
    setFabric,
    setForced,
    setCentre,
    edit,
    pick,
    pickIds,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    undo: () => setHistory(undo),
    redo: () => setHistory(redo),
    /** Takes in what this device kept, with the steps that led there where the tab still has them. */
    takeKept: (present: BlockDocument) => {
      const steps = stepsTo(present);
      setHistory((own) => steps ?? record(own, present, 'Kept on this device'));
    },
    /** Takes in what someone else saved: every state, past and future, gets their change. */
    rebase: (present: BlockDocument, change: (state: BlockDocument) => BlockDocument) =>
      setHistory((own) => ({ ...own, past: own.past.map(change), present, future: own.future.map(change) })),
    hold: (next: HeldPaper) => {
      take(next);
      setTool('place');
    },
    /** Turns what is in the hand on to its next way, or what is picked by 15°. */
    turnOn: (by: 1 | -1) => {
      if (tool === 'place') turnHeld(by);
      else moving.turnPicked(by * 15);
    },
    turnOver: () => {
      if (tool === 'place') turnHeldOver();
      else if (picked.length > 0) {
        const middle = middleOf(patches, picked);
        edit((now) => movePatches(now, picked, reflectIn(middle, 90)), 'Turn over');
      }
    },
    ...painting,
    ...moving,
    place: (outline: Outline) => {
      if (patches.length >= MOST_PATCHES) {
        setSaid(`A block holds at most ${MOST_PATCHES} papers. Make two blocks of it.`);
        return;
      }
      edit((now) => {
        const patch: Patch = { id: new FreshIds(now.patches).next('p'), outline, fabric, layer: 0 };
        return addPatches(now, [patch]);
      }, 'Place');
      setSaid(`Paper ${patches.length + 1} placed.`);
    },
    addFabric: (name: string) => {
      setAddedFabrics((own) => [...own, name]);
      setFabric(name);
    },
  };
}

/** The paper that is held over the board, and how it is turned. */
function useHeldPaper() {
  const [paper, setPaper] = useState<HeldPaper | undefined>();
  const [turn, setTurn] = useState(0);
  const [isTurnedOver, setTurnedOver] = useState(false);
  return {
    paper,
    turn,
    isTurnedOver,
    take: (next: HeldPaper) => {
      setPaper(next);
      setTurn(0);
      setTurnedOver(false);
    },
    turnHeld: (by: 1 | -1) => setTurn((own) => own + by),
    turnHeldOver: () => setTurnedOver((own) => !own),
  };
}

/** What is picked, by the ids of the patches: it stays so whatever is done to the block. Groups are picked whole. */
function usePicked(patches: readonly Patch[]) {
  const [pickedIds, setPickedIds] = useState<ReadonlySet<string>>(new Set());
  const picked = useMemo(
    () => patches.flatMap(({ id }, index) => (pickedIds.has(id) ? [index] : [])),
    [patches, pickedIds],
  );
  const pick = useCallback(
    (indices: Iterable<number>, isMore = false) => {
      const ids = withGroups(patches, indices).flatMap((index) => patches[index]?.id ?? []);
      setPickedIds((own) => {
        if (!isMore) return new Set(ids);
        const next = new Set(own);
        // Picking what is picked already puts it down.
        const isPicked = ids.every((id) => next.has(id));
        for (const id of ids)
          if (isPicked) next.delete(id);
          else next.add(id);
        return next;
      });
    },
    [patches],
  );
  const pickIds = useCallback((ids: Iterable<string>) => setPickedIds(new Set(ids)), []);
  return { picked, pickedIds, pick, pickIds };
}

export type Workshop = ReturnType<typeof useWorkshop>;
