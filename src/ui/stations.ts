import type { StationKey } from '@/server/badges';

/** A place of the project and the help that is offered there. */
export interface Place {
  readonly name: string;
  /** What it is for, in a sentence. */
  readonly purpose: string;
  /** What is done there, in the order in which it is usually done. */
  readonly ways: readonly string[];
}

/** A station on the tape. */
export interface Station extends Place {
  readonly key: StationKey;
  /** Pressed after g. */
  readonly letter: string;
  /** Its address under the project's. */
  readonly path: string;
}

/** The stations in the order of the work; the tape, the keys and the help read this list. */
export const STATIONS: readonly Station[] = [
  {
    key: 'blocks',
    name: 'Blocks',
    letter: 'b',
    path: 'blocks',
    purpose: 'The drawings of the project: measured, told apart and checked, and how they lie in the top.',
    ways: [
      '“Bring in a drawing” reads an SVG or a block file and shows what it found before it saves anything. Corners that miss each other by less than the reach are brought together.',
      'A block can also be made from figures (rosettes, stars, plates and others) or put together from papers in the workshop.',
      'Open a block to see its papers, its seams and its problems. A problem is ringed on the drawing; its mend is one press.',
      'Papers that are easily mixed up are shown over each other; each gets a mark that is printed on it.',
      'The setting lays the blocks into the top, with sashing, and says which papers are sewn into the next block.',
    ],
  },
  {
    key: 'cloth',
    name: 'Cloth',
    letter: 'c',
    path: 'cloth',
    purpose: 'How cloth is cut, how much of it all bags take, and what has to be bought.',
    ways: [
      'The table says what all bags take of each cloth by strips, what is in stock, and what to buy, rounded up to what shops sell.',
      '“Change” says how wide a cloth is, how its pieces may lie, what is in stock and what it costs.',
      '“Photo” straightens a picture of a cloth by the corners of something whose sides you know, and keeps one repeat; it then lies under the papers.',
      '“Another” puts another cloth in place of one: for some makers, where it ran out, or in some blocks. Renaming a cloth to one that is there makes the two one, where you say so. All of it is taken back.',
      'Pieces on the shelf are cut before the bolt is touched.',
      '“Lay it out” lays one bag’s pieces close on the bolt and goes on improving until you stop it; what that saves against strips is said. It goes round flaws and what was cut out before.',
      '“From bolt to bags” draws how each bolt is cut up for the bags that are not packed yet: strips right across, then across the strips, with the time it takes.',
      '“The order” counts off what is there and what is on its way, and says what a maker and a bag cost, what one more costs, and what to ask. “Note … as ordered” keeps it as it was ordered; “It came” makes it stock.',
      '“Shelf as CSV” and “Read a CSV” take the shelf to a spreadsheet and back; what a file changes is shown first.',
      '“What a piece of cloth gives” counts a paper on every cut that shops sell, and on a remnant.',
      '“Cut round a motif” lays a paper on a print (its repeat is said under “Change”), shows the wheel, and finds the most whole sets on a piece: of one point, then of the next, then what else goes into the gaps.',
    ],
  },
  {
    key: 'bags',
    name: 'Bags',
    letter: 'g',
    path: 'bags',
    purpose: 'One bag per block and maker: what goes in, and whether it is packed.',
    ways: [
      'What a maker has of their own (two sets, another allowance, the left hand, another cloth) is said under Makers and Cloth; their bags, labels and the order follow.',
      '“In each bag” lists papers with spares and cloth as cut sizes.',
      '“Pick list” adds up what all bags, or those of a drop, take: along the shelf as you said it stands, shared among helpers.',
      'On the wall, press a bag when it is packed and again when it is handed over. The name of a maker or a block marks a whole row or column.',
      '“Print lists and labels” makes the list, cards and labels per bag with their codes: on bought sheets of any size, or on a label printer.',
      '“Pack at the table”: scan a bag (by hand scanner, by the camera of the device, or typed), count its lines in by ones and tens, close it. Bags in other hands are named; without a connection go on, it is sent later. What has run out can be packed as something else: its maker’s page says so. A packed bag that is scanned again is looked into by a second person.',
      '“Hand over” gives a maker their packed bags at the counter, by roll or by post, with a receipt; it can be taken back.',
      '“How bags are made” says whether each block has a bag or a drop is one bag, which units come in inner bags, what goes into each maker’s first, last or every bag besides papers and cloth, how many spares of each paper, and what lies in no bag.',
      '“Sorter” says what goes into which cup: a whole drop sorted at once in as few touches as can be, look-alikes apart, or one bag by its steps.',
      '“Count a pile” counts mixed papers by hand or by a scale, and says what the scale can be trusted with.',
    ],
  },
  {
    key: 'order',
    name: 'Order of work',
    letter: 'o',
    path: 'order',
    purpose: 'How a block is basted and sewn, step by step, with as few bends as can be.',
    ways: [
      'Play the steps, or go through them by ← and →. The patches in the hand are drawn strong, the seam bold.',
      'Choose a school (rows, rings, wedges …) to compare what each costs; the difference is said.',
      '“Rearrange the joins” puts units together your own way; what that costs is said, and each wish can be taken back.',
      'Under Basting choose which way tails lie and how papers are held; places where two tails lie over each other are ringed.',
      'Notes and photos on a step are shown to every maker at that step.',
    ],
  },
  {
    key: 'makers',
    name: 'Makers',
    letter: 'm',
    path: 'makers',
    purpose: 'Who is where, and who is stuck.',
    ways: [
      'Add makers by name, one to a line. Each gets a personal link for a phone; no account is needed. The link is shown once: print it or copy it.',
      'Each line is sewn as far as that maker has come, by hours of work rather than by steps.',
      '“Read a list” takes makers with their groups and addresses from a CSV; what will happen to whom is shown first.',
      '“Blocks and link” of a maker: name, group, pause and their data, the blocks that they sew and in which order, a new link, revoke it, take them out.',
      'A maker who presses “I’m stuck” is shown here and on Today with the step, a sign and a picture. Answers reach their phone; what helps all is put to the step.',
      'The wall is filtered by group, drop and who wants a look; press a block’s name for its units, and a unit for its steps.',
      '“Call the roll” enters a whole group by keys: arrows, figures, S stuck, A away. “Who waves” is for the projector.',
    ],
  },
  {
    key: 'calendar',
    name: 'Calendar',
    letter: 'k',
    path: 'calendar',
    purpose: 'When bags are handed out and people meet, when to order and pack, and who will be done when.',
    ways: [
      '“Lay out the drops” puts all blocks into drops, so many at a time and so many weeks apart; each can be dragged to another day, or moved by Alt and the arrows.',
      'When to order cloth and when to pack follows from each drop, from the figures under “Figures” and from the holidays; a supplier who takes another time is named there.',
      '“Level the load” looks for blocks and days with which no week is too heavy; before and after are shown, and nothing is taken that you do not take. “What levelling holds to” keeps weekdays and blocks that belong together.',
      '“What if?” tries other hours, more weeks, a slower group or a block less; nothing is kept until you ask for it.',
      '“Who will be done when” is told from each maker’s own weeks; how many such dates held is said. “How long this group takes” compares what makers timed with the standards, and uses it where you say so.',
      '“Reminders” drafts letters from how things stand: read them, change them, send them off; who has no address is told by mouth.',
      'A secret address lets any other calendar read the dates; holidays can be read from an .ics file.',
    ],
  },
];

/** Help for places that stand on no tape, by the part of the address that follows the project. */
export const OTHER_PLACES: Readonly<Record<string, Place>> = {
  '': {
    name: 'Today',
    purpose: 'What wants a decision now. Each line leads to its place.',
    ways: [
      'The list on top goes through a first hour with a project: a drawing, its order, the makers, their bags.',
      'The map shows the top; press a block to open it.',
    ],
  },
  people: {
    name: 'People',
    purpose: 'Who may work on this project, and what was put in the bin.',
    ways: [
      'Hosts may do everything; helpers may look and pack. Invite by a link that holds for the days you choose, once.',
      'What is in the bin can be put back at any time.',
      'The whole project can be exported as one file.',
    ],
  },
  logbook: {
    name: 'Logbook',
    purpose: 'What was noted, decided and changed, and who was stuck, in one dated thread.',
    ways: [
      'Write down what you want to know next time: “thing for next time” comes up again when the project is run again.',
      'Find words, or look at one block alone; what is shown can be taken along as CSV.',
    ],
  },
  settings: {
    name: 'Settings',
    purpose: 'Names, units, allowance and spares of the whole project.',
    ways: ['Another allowance changes every cut size at once; the order of work stays as it is.'],
  },
};

/** The place that an address of a project belongs to. */
export function placeOf(path: string): Place {
  const part = path.split('/')[3] ?? '';
  return STATIONS.find((one) => one.path === part) ?? OTHER_PLACES[part] ?? (OTHER_PLACES[''] as Place);
}
