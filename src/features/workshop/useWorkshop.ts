'use client';
import { useCallback, useMemo, useState } from 'react';
import { counted } from '@/core/words';
import { BLOCK_FORMAT, type BlockDocument, type Patch } from '@/core/block';
import {
  middleOfBox,
  moveOutline,
  shiftBy,
  turnAbout,
  reflectIn,
  type Outline,
  type Point,
} from '@/core/geometry';
import {
  Board,
  FreshIds,
  MOST_PATCHES,
  addPatches,
  changePatches,
  copyBy,
  deletePatches,
  fillRound,
  movePatches,
  paint,
  record,
  redo,
  ringRound,
  setGroup,
  setLocked,
  startHistory,
  undo,
  withGroups,
  type Copied,
} from '@/core/workshop';
import { useKeptHistory } from '@/ui/useKeptHistory';

export type Tool = 'pick' | 'place' | 'paint' | 'centre';

/** The paper in the hand. */
export interface HeldPaper {
  readonly name: string;
  readonly outline: Outline;
}

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
  useKeptHistory(blockId && `kevlo-undo-block-${blockId}`, history, setHistory);
  const document = history.present;
  const { patches } = document;
  const [pickedIds, setPickedIds] = useState<ReadonlySet<string>>(new Set());
  const [tool, setTool] = useState<Tool>(initial ? 'pick' : 'place');
  const [paper, setPaper] = useState<HeldPaper | undefined>();
  const [turn, setTurn] = useState(0);
  const [isTurnedOver, setTurnedOver] = useState(false);
  const [isForced, setForced] = useState(false);
  const [fabric, setFabric] = useState(firstFabric);
  const [addedFabrics, setAddedFabrics] = useState<readonly string[]>([]);
  const [centre, setCentre] = useState<Point | undefined>();
  const [said, setSaid] = useState('');

  const board = useMemo(() => new Board(patches), [patches]);
  const picked = useMemo(
    () => patches.flatMap(({ id }, index) => (pickedIds.has(id) ? [index] : [])),
    [patches, pickedIds],
  );

  const edit = useCallback((change: (now: BlockDocument) => BlockDocument, label: string, isMore = false) => {
    setHistory((own) => record(own, change(own.present), label, isMore));
  }, []);
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

  const sayCopied = ({ added, alreadyThere, inTheWay }: Copied) => {
    const there = alreadyThere > 0 ? `; ${alreadyThere} were there already` : '';
    const covered = inTheWay > 0 ? `; ${inTheWay} would lie on other patches and were left out` : '';
    setSaid(`${counted(added.length, 'paper')} added${there}${covered}.`);
  };
  const addCopied = (copied: Copied, label: string) => {
    if (copied.added.length > 0) edit((now) => addPatches(now, copied.added), label);
    sayCopied(copied);
  };

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
    /** Takes in what someone else saved: every state, past and future, gets their change. */
    rebase: (present: BlockDocument, change: (state: BlockDocument) => BlockDocument) =>
      setHistory((own) => ({ ...own, past: own.past.map(change), present, future: own.future.map(change) })),
    hold: (next: HeldPaper) => {
      setPaper(next);
      setTurn(0);
      setTurnedOver(false);
      setTool('place');
    },
    /** Turns what is in the hand on to its next way, or what is picked by 15°. */
    turnOn: (by: 1 | -1) => {
      if (tool === 'place') setTurn((own) => own + by);
      else turnPicked(by * 15);
    },
    turnOver: () => {
      if (tool === 'place') setTurnedOver((own) => !own);
      else if (picked.length > 0) {
        const middle = middleOf(patches, picked);
        edit((now) => movePatches(now, picked, reflectIn(middle, 90)), 'Turn over');
      }
    },
    turnPicked,
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
    paintOne: (index: number) => {
      const { id, isLocked } = patches[index] ?? {};
      if (isLocked) return setSaid(`Paper ${index + 1} is locked: unlock it first.`);
      edit((now) => paint(now, [now.patches.findIndex((one) => one.id === id)], [fabric]), 'Paint');
      setSaid(`Paper ${index + 1} is in ${fabric} now.`);
    },
    paintPicked: (fabrics: readonly string[], order: readonly number[] = picked) => {
      edit((now) => paint(now, order, fabrics), 'Paint');
      setSaid(`${counted(order.length, 'paper')} painted.`);
    },
    /** Paints what is picked in two cloths, by the turn of each. */
    paintTurns: (turns: readonly (0 | 1)[], fabrics: readonly [string, string]) => {
      const place = new Map(picked.map((index, i) => [index, fabrics[turns[i] ?? 0]]));
      edit(
        (now) =>
          changePatches(now, picked, (one, index) => ({ ...one, fabric: place.get(index) ?? one.fabric })),
        'Paint in turn',
      );
      setSaid(`${counted(picked.length, 'paper')} painted in turn; no two neighbours share a cloth.`);
    },
    addFabric: (name: string) => {
      setAddedFabrics((own) => [...own, name]);
      setFabric(name);
    },
    remove: () => {
      const open = picked.filter((index) => !patches[index]?.isLocked);
      if (open.length === 0) {
        setSaid(picked.length > 0 ? 'What is picked is locked: unlock it first.' : 'Nothing is picked.');
        return;
      }
      edit((now) => deletePatches(now, open), 'Take out');
      setSaid(`${counted(open.length, 'paper')} taken out; undo puts them back.`);
    },
    nudge: (by: Point) => edit((now) => movePatches(now, picked, shiftBy(by.x, by.y)), 'Nudge', true),
    move: (by: Point) => edit((now) => movePatches(now, picked, shiftBy(by.x, by.y)), 'Move'),
    copy: () => {
      const box = picked.length > 0 ? widthOf(patches, picked) : 0;
      const copied = copyBy(patches, picked, [shiftBy(box, 0)]);
      const beyond = copied.added.length === 0 ? copyBy(patches, picked, [shiftBy(0, box * 2)]) : copied;
      addCopied(beyond, 'Copy');
      setPickedIds(new Set(beyond.added.map(({ id }) => id)));
    },
    fill: (folds: number, mirrorDeg?: number) => {
      const source = picked.length > 0 ? picked : patches.map((_, index) => index);
      const about = centre ?? middleOf(patches, source);
      addCopied(
        fillRound(patches, source, {
          centre: about,
          folds,
          ...(mirrorDeg === undefined ? {} : { mirrorDeg }),
        }),
        'Fill round',
      );
    },
    ring: () => {
      if (!paper) return setSaid('Take a paper from the tray first.');
      addCopied(ringRound(patches, paper.outline, fabric, { turn, isTurnedOver }), 'Ring');
    },
    group: () => {
      const group = new FreshIds(patches).next('group');
      edit((now) => setGroup(now, picked, group), 'Group');
      setSaid(`${picked.length} papers are one group now.`);
    },
    ungroup: () => edit((now) => setGroup(now, picked, undefined), 'Ungroup'),
    lock: (isLocked: boolean) =>
      edit((now) => setLocked(now, picked, isLocked), isLocked ? 'Lock' : 'Unlock'),
  };

  function turnPicked(degrees: number) {
    if (picked.length === 0) return;
    const about = centre ?? middleOf(patches, picked);
    edit((now) => movePatches(now, picked, turnAbout(about, degrees)), 'Turn');
  }
}

export type Workshop = ReturnType<typeof useWorkshop>;

/** The middle of the box round some patches. */
export function middleOf(patches: readonly Patch[], picked: readonly number[]): Point {
  return middleOfBox(cornersOf(patches, picked));
}

function widthOf(patches: readonly Patch[], picked: readonly number[]): number {
  const xs = cornersOf(patches, picked).corners.map(({ x }) => x);
  return Math.max(...xs) - Math.min(...xs);
}

function cornersOf(patches: readonly Patch[], picked: readonly number[]): Outline {
  const corners = picked.flatMap((index) => patches[index]?.outline.corners ?? []);
  return corners.length === 0
    ? { corners: [{ x: 0, y: 0 }], bulges: [0] }
    : { corners, bulges: corners.map(() => 0) };
}

/** An outline with its middle at a point. */
export function centredAt(outline: Outline, at: Point): Outline {
  const middle = middleOfBox(outline);
  return moveOutline(shiftBy(at.x - middle.x, at.y - middle.y), outline);
}
