import { readFileSync, statSync } from 'node:fs';
import { SCHOOLS, type School } from '@/core/assembly';
import { InvalidInputError } from '@/core/errors';
import { DEFAULT_ALLOWANCE_MM, MAX_DRAWING_BYTES, importDrawing, planDocument } from '@/core/formats';
import { parseLength } from '@/core/length';
import { BASTE_POLICIES, type BastePolicy } from '@/core/papers';
import { DEFAULT_REACH_MM, MOST_REACH_MM } from '@/core/weld';

const SCHOOL_NAMES = Object.keys(SCHOOLS) as School[];

const USAGE = `Write: ./kevlo plan FILE [--allowance 6.35mm] [--school ${SCHOOL_NAMES.join('|')}] [--policy ${BASTE_POLICIES.join('|')}] [--weld ${DEFAULT_REACH_MM}mm] [--json]`;

/** `./kevlo plan`: plans a drawing (SVG) or a block file and prints one plan document on stdout; bad input ends with 2 and one line on stderr. */
export function runPlan(args: readonly string[]): number {
  try {
    const { file, allowanceMm, weldMm, isCompact, school, policy } = readArguments(args);
    const text = readDrawing(file);
    const system = /width\s*=\s*["'][^"']*in\s*["']/.test(text.slice(0, 4000)) ? 'inch' : 'metric';
    const { patches, problems, faults, weld, ...more } = importDrawing(text, { weldMm, system });
    const [fault] = faults;
    if (fault) {
      const others = faults.length > 1 ? ` (and ${faults.length - 1} more)` : '';
      throw new InvalidInputError(
        fault.code,
        `${fault.message}${others} It is the ${fault.technical}.`,
        fault.mend,
      );
    }
    const choices = {
      ...(more.order ? { order: more.order } : {}),
      ...(more.basting ? { basting: more.basting } : {}),
    };
    const document = planDocument(patches, problems, {
      allowanceMm,
      system,
      choices,
      weld,
      ...(school ? { school } : {}),
      ...(policy ? { policy } : {}),
    });
    process.stdout.write(`${JSON.stringify(document, null, isCompact ? 0 : 1)}\n`);
    return 0;
  } catch (error) {
    if (!(error instanceof InvalidInputError)) throw error;
    process.stderr.write(`${oneLine(`${error.message} ${error.mend}`)}\n`);
    return 2;
  }
}

function oneLine(text: string): string {
  return text.replace(/\s+/g, ' ').trim();
}

function readArguments(args: readonly string[]) {
  let [file, allowanceMm, isCompact]: [string | undefined, number, boolean] = [
    undefined,
    DEFAULT_ALLOWANCE_MM,
    false,
  ];
  let weldMm = DEFAULT_REACH_MM;
  let school: School | undefined;
  let policy: BastePolicy | undefined;
  for (let i = 0; i < args.length; i++) {
    const argument = args[i] as string;
    const [name, inline] = argument.split('=', 2);
    if (argument === '--json') isCompact = true;
    else if (name === '--allowance') allowanceMm = readAllowance(inline ?? args[++i]);
    else if (name === '--weld') weldMm = readReach(inline ?? args[++i]);
    else if (name === '--school') school = readChoice(name, inline ?? args[++i], SCHOOL_NAMES);
    else if (name === '--policy') policy = readChoice(name, inline ?? args[++i], BASTE_POLICIES);
    else if (argument.startsWith('--'))
      throw new InvalidInputError('usage', `“${argument}” is not an option.`, USAGE);
    else if (file === undefined) file = argument;
    else throw new InvalidInputError('usage', `“${argument}” is one file too many.`, USAGE);
  }
  if (file === undefined) throw new InvalidInputError('usage', 'No drawing is named.', USAGE);
  return { file, allowanceMm, weldMm, isCompact, school, policy };
}

function readChoice<T extends string>(option: string, text: string | undefined, choices: readonly T[]): T {
  const chosen = choices.find((one) => one === text);
  if (chosen !== undefined) return chosen;
  throw new InvalidInputError(
    'usage',
    `${option} ${text ?? ''} is not known.`,
    `Give one of ${choices.join(', ')}.`,
  );
}

function readAllowance(text: string | undefined): number {
  const millimetres = parseLength(text ?? '');
  if (millimetres > 50) {
    throw new InvalidInputError(
      'allowance',
      `An allowance of ${text} is wider than 50 mm.`,
      'Give one like 6.35mm or 1/4in.',
    );
  }
  return millimetres;
}

function readReach(text: string | undefined): number {
  const bare = (text ?? '').trim();
  const millimetres = /^0+(\.0*)?(mm)?$/.test(bare) ? 0 : parseLength(bare);
  if (millimetres > MOST_REACH_MM) {
    const message = `A weld of ${bare} is more than ${MOST_REACH_MM} mm: pieces that are meant would be lost.`;
    throw new InvalidInputError(
      'weld',
      message,
      `Give one up to ${MOST_REACH_MM}mm, or 0 to take the drawing as it is.`,
    );
  }
  return millimetres;
}

function readDrawing(file: string): string {
  try {
    const { size } = statSync(file);
    if (size > MAX_DRAWING_BYTES) {
      const message = `${file} is ${(size / 1e6).toFixed(0)} MB; the most is ${MAX_DRAWING_BYTES / 1e6} MB.`;
      throw new InvalidInputError(
        'too-large',
        message,
        'Remove embedded pictures, or split the project into blocks.',
      );
    }
    return readFileSync(file, 'utf8');
  } catch (error) {
    if (error instanceof InvalidInputError) throw error;
    const why = (error as NodeJS.ErrnoException).code === 'ENOENT' ? 'is not there' : 'cannot be read';
    throw new InvalidInputError('file', `${file} ${why}.`, 'Check its name and where it lies.');
  }
}
