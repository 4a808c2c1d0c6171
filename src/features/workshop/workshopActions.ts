import { counted } from '@/core/words';
import type { BlockDocument, Patch } from '@/core/block';
import { shiftBy, turnAbout, type Outline, type Point } from '@/core/geometry';
import {
  FreshIds,
  addPatches,
  changePatches,
  copyBy,
  deletePatches,
  fillRound,
  movePatches,
  paint,
  ringRound,
  setGroup,
  setLocked,
  type Copied,
} from '@/core/workshop';
import { middleOf, widthOf } from './boardMiddle';

/** The paper in the hand. */
export interface HeldPaper {
  readonly name: string;
  readonly outline: Outline;
}

/** What the actions of the workshop work on, and how they change and say it. */
export interface Hands {
  readonly patches: readonly Patch[];
  /** Indices of what is picked. */
  readonly picked: readonly number[];
  readonly paper: HeldPaper | undefined;
  readonly turn: number;
  readonly isTurnedOver: boolean;
  readonly fabric: string;
  readonly centre: Point | undefined;
  readonly edit: (change: (now: BlockDocument) => BlockDocument, label: string, isMore?: boolean) => void;
  readonly pickIds: (ids: Iterable<string>) => void;
  readonly setSaid: (text: string) => void;
}

/** Painting: one paper, all that is picked, or in turn. */
export function paintActions({ patches, picked, fabric, edit, setSaid }: Hands) {
  return {
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
  };
}

/** What is done with what is picked: moved, turned, copied, filled round, grouped, locked, taken out. */
export function pickedActions(hands: Hands) {
  const { patches, picked, paper, turn, isTurnedOver, fabric, centre, edit, pickIds, setSaid } = hands;
  const sayCopied = ({ added, alreadyThere, inTheWay }: Copied) => {
    const there =
      alreadyThere > 0 ? `; ${alreadyThere} ${alreadyThere === 1 ? 'was' : 'were'} there already` : '';
    const covered = inTheWay > 0 ? `; ${inTheWay} would lie on other patches and were left out` : '';
    setSaid(`${counted(added.length, 'paper')} added${there}${covered}.`);
  };
  const addCopied = (copied: Copied, label: string) => {
    if (copied.added.length > 0) edit((now) => addPatches(now, copied.added), label);
    sayCopied(copied);
  };

  return {
    turnPicked: (degrees: number) => {
      if (picked.length === 0) return;
      const about = centre ?? middleOf(patches, picked);
      edit((now) => movePatches(now, picked, turnAbout(about, degrees)), 'Turn');
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
      pickIds(beyond.added.map(({ id }) => id));
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
      setSaid(`${counted(picked.length, 'paper')} ${picked.length === 1 ? 'is' : 'are'} one group now.`);
    },
    ungroup: () => edit((now) => setGroup(now, picked, undefined), 'Ungroup'),
    lock: (isLocked: boolean) =>
      edit((now) => setLocked(now, picked, isLocked), isLocked ? 'Lock' : 'Unlock'),
  };
}
