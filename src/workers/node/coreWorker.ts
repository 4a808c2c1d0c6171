/** Worker thread of the server: runs core functions off the thread that answers requests, by name. */
import type { AssemblyPlan, SewingSettings } from '@/core/assembly';
import type { BagSettings } from '@/core/bags';
import { levelCalendar, type BlockWork, type Calendar, type Day, type Levelled } from '@/core/calendar';
import {
  backTest,
  forecastGroup,
  type BackTest,
  type Forecast,
  type FreeTime,
  type MakerHistory,
} from '@/core/pace';
import { BLOCK_FORMAT, type BlockDocument } from '@/core/block';
import { InvalidInputError } from '@/core/errors';
import { readProjectFile, type DrawingOptions, type ProjectFile } from '@/core/formats';
import { documentOfRecipe, type Recipe } from '@/core/generate';
import type { UnitSystem } from '@/core/length';
import { shareStock, type SharedStock, type WantingBag } from '@/core/bags';
import { practiceQuestions, type Question } from '@/core/practice';
import { bagCards, labelSheets, papersJob, numberStickers, orderSheets, printJob, stepCards, type BagCardBlock, type BagLabel, type LabelSheet, type OrderSheets, type PageSize, type PapersOptions, type PaperRun, type PrintWish } from '@/core/printing'; // prettier-ignore
import { orderCalls, type OrderCalls, type OrderWanted } from '@/core/order';
import { fussy, fussyResult, readFussyRequest } from '@/core/requests';
import {
  findLookAlikes,
  projectMarks,
  type LookAlike,
  type NamedPaper,
  type ChosenMark,
  type MarkedPaper,
} from '@/core/shapes';
import {
  blockSheet,
  papersOfBlocks,
  planOrder,
  type BlockSheet,
  type PapersOfProject,
  type PapersSources,
} from '@/core/sheet';
import { readDrawing, type Colours } from '../readDrawing';
import { readHolidays, type FoundHoliday } from '../readHolidays';
import { loadSolver } from './highsSolver';
import { writePdf } from './pdf';

/** What came of work that may refuse its input: errors lose their class between threads. */
export type Refusable<T> =
  | { readonly value: T; readonly refusal?: undefined }
  | {
      readonly value?: undefined;
      readonly refusal: Pick<InvalidInputError, 'code' | 'message' | 'mend' | 'place'>;
    };

async function refusable<T>(work: () => T | Promise<T>): Promise<Refusable<T>> {
  try {
    return { value: await work() };
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    const { code, message, mend, place } = error;
    return { refusal: { code, message, mend, place } };
  }
}

/** The order of sewing: by far the longest part of a sheet, and the same whatever the settings are. */
export function order({
  document,
  sewing,
}: {
  document: Pick<BlockDocument, 'patches' | 'order'>;
  sewing: Partial<SewingSettings>;
}): AssemblyPlan {
  return planOrder(document.patches, document.order, sewing);
}

export function sheet({
  document,
  settings,
  plan,
}: {
  document: BlockDocument;
  settings: BagSettings;
  plan: AssemblyPlan;
}): BlockSheet {
  return blockSheet(document.patches, settings, undefined, document, plan);
}

/** Marks of a project's look-alike papers. */
export function marks({
  documents,
  chosen,
  system,
}: {
  documents: readonly BlockDocument[];
  chosen: readonly ChosenMark[];
  system: UnitSystem;
}): MarkedPaper[] {
  const outlines = documents.flatMap(({ patches }) => patches.map(({ outline }) => outline));
  return projectMarks(outlines, chosen, system);
}

/** Forecasts for groups of the same makers with different work left, and how past dates of the first turned out. */
export function pace({
  groups,
  now,
  free,
  timeZone,
}: {
  groups: readonly (readonly MakerHistory[])[];
  now: number;
  free: readonly FreeTime[];
  timeZone: string;
}): {
  readonly forecasts: readonly (readonly Forecast[])[];
  readonly backTest: BackTest;
} {
  return {
    forecasts: groups.map((makers) => forecastGroup(makers, now, free, timeZone)),
    backTest: backTest(groups[0] ?? [], now, free),
  };
}

/** Seconds for each of the programs of a levelling. */
const LEVEL_SECONDS = 3;

/** The flattest way to put a calendar's blocks into its drops. */
export async function level({ calendar, blocks, today }: { calendar: Calendar; blocks: readonly BlockWork[]; today: Day }): Promise<Levelled> {
  return levelCalendar(calendar, blocks, today, await loadSolver(), LEVEL_SECONDS);
} // prettier-ignore

/** Holidays that a calendar file names between two days. */
export function holidays({ text, from, to }: { text: string; from: Day; to: Day }): Promise<Refusable<FoundHoliday[]>> {
  return refusable(() => readHolidays(text, from, to));
} // prettier-ignore

/** Seconds for each anchor of a fussy request. */
const FUSSY_SECONDS = 10;

/** Answers a `kevlo.fussy-request/1`. */
export function fussySets({ request }: { request: unknown }): Promise<Refusable<object>> {
  return refusable(async () => {
    const asked = readFussyRequest(JSON.stringify(request));
    return fussyResult(asked, fussy(asked, await loadSolver(), FUSSY_SECONDS));
  });
}

/** Papers of a whole project under its setting. */
export function papers(sources: PapersSources): PapersOfProject {
  return papersOfBlocks(sources);
}

/** The order and its bolt plans as a PDF. */
export function printOrder({ sheets, system, size }: { sheets: OrderSheets; system: UnitSystem; size: PageSize }): Promise<Uint8Array> {
  return writePdf(orderSheets(sheets, system, size));
} // prettier-ignore

/** Cards of bags as a PDF. */
export function printCards({ title, blocks, system, size }: { title: string; blocks: readonly BagCardBlock[]; system: UnitSystem; size: PageSize }): Promise<Uint8Array> {
  return writePdf(bagCards(title, blocks, system, size));
} // prettier-ignore

/** Labels of bags on bought sheets as a PDF. */
export function printLabels({ title, labels, sheet, used }: { title: string; labels: readonly BagLabel[]; sheet: LabelSheet; used: number }): Promise<Refusable<Uint8Array>> {
  return refusable(() => writePdf(labelSheets(title, labels, sheet, used)));
} // prettier-ignore

/** Seconds for sharing papers among bags. */
const SHARE_SECONDS = 6;

/** The bags that can be packed from some papers. */
export async function sharePapers({
  stock,
  bags,
}: {
  stock: ReadonlyMap<string, number>;
  bags: readonly WantingBag[];
}): Promise<SharedStock> {
  return shareStock(stock, bags, await loadSolver(), SHARE_SECONDS);
}

/** What is to be bought for all bags of a project, as far as the tape says it. */
export function orderSums({ wanted }: { wanted: OrderWanted }): OrderCalls {
  return orderCalls(wanted);
}

/** Papers that are hard to tell apart. */
export function lookAlikes(papers: readonly NamedPaper[]): LookAlike[] {
  return findLookAlikes(papers);
}

/** Questions for practice on a block. */
export function practice(sheet: Pick<BlockSheet, 'steps' | 'patches' | 'kinds'>): Question[] {
  return practiceQuestions(sheet);
}

/** The block that a generator makes of its figures. */
export function recipe(figures: Recipe): Promise<Refusable<BlockDocument>> {
  return refusable(() => documentOfRecipe(figures));
}

/** A whole project from its file. */
export function projectFile(text: string): Promise<Refusable<ProjectFile>> {
  return refusable(() => readProjectFile(text));
}

/** Papers and guides of a block at true size, as a PDF. */
export function printBlock({
  name,
  document,
  marks: marked,
  wish,
}: {
  name: string;
  document: BlockDocument;
  marks: readonly MarkedPaper[];
  wish: PrintWish;
}): Promise<Refusable<Uint8Array>> {
  return refusable(() => writePdf(printJob(name, document, marked, wish)));
}

/** A card for each step of a block, or number stickers for its papers, as a PDF. */
export function printSteps({
  name,
  sheet: whole,
  size,
  what,
}: {
  name: string;
  sheet: BlockSheet;
  size: PageSize;
  what: 'steps' | 'stickers';
}): Promise<Uint8Array> {
  return writePdf((what === 'steps' ? stepCards : numberStickers)(name, whole, size));
}

/** Papers of the catalogue at true size, as a PDF. */
export function printPapers({
  runs,
  options,
}: {
  runs: readonly PaperRun[];
  options: PapersOptions;
}): Promise<Uint8Array> {
  return writePdf(papersJob(runs, options));
}

export function drawing({
  text,
  options,
  isSnapped,
  known,
}: {
  text: string;
  options: DrawingOptions;
  isSnapped: boolean;
  /** Cloths of the project and their colours. */
  known: Colours;
}): Promise<Refusable<{ readonly document: BlockDocument; readonly colours: Colours }>> {
  return refusable(() => {
    const { patches, faults, parts, rules, order: wishes, basting, notes, colours } = readDrawing(text, { ...options, isSnapped }, known); // prettier-ignore
    const [fault] = faults;
    if (fault)
      throw new InvalidInputError(fault.code, fault.message, fault.mend, {
        name: fault.shape,
        line: fault.line,
      });
    const more = { parts, rules, order: wishes, basting, notes };
    const given = Object.fromEntries(Object.entries(more).filter(([, value]) => value !== undefined));
    return { document: { format: BLOCK_FORMAT, patches, ...given }, colours };
  });
}
