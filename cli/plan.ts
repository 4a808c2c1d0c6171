import { readFileSync, statSync } from 'node:fs';
import { InvalidInputError } from '@/core/errors';
import { DEFAULT_ALLOWANCE_MM, MAX_DRAWING_BYTES, importSvg, planDocument } from '@/core/formats';
import { parseLength } from '@/core/length';

const USAGE = 'Write: ./kevlo plan FILE.svg [--allowance 6.35mm] [--json]';

/** `./kevlo plan`: prints one plan document on stdout; bad input ends with 2 and one line on stderr. */
export function runPlan(args: readonly string[]): number {
  try {
    const { file, allowanceMm, isCompact } = readArguments(args);
    const drawing = importSvg(readDrawing(file));
    const fault = drawing.faults[0];
    if (fault) {
      const more = drawing.faults.length > 1 ? ` (and ${drawing.faults.length - 1} more)` : '';
      throw new InvalidInputError(fault.code, `${fault.message}${more}`, fault.mend);
    }
    const system = /width\s*=\s*["'][^"']*in\s*["']/.test(readDrawing(file).slice(0, 4000))
      ? 'inch'
      : 'metric';
    const document = planDocument(drawing.patches, drawing.problems, { allowanceMm, system });
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
  for (let i = 0; i < args.length; i++) {
    const argument = args[i] as string;
    const [name, inline] = argument.split('=', 2);
    if (argument === '--json') isCompact = true;
    else if (name === '--allowance') allowanceMm = readAllowance(inline ?? args[++i]);
    else if (argument.startsWith('--'))
      throw new InvalidInputError('usage', `“${argument}” is not an option.`, USAGE);
    else if (file === undefined) file = argument;
    else throw new InvalidInputError('usage', `“${argument}” is one file too many.`, USAGE);
  }
  if (file === undefined) throw new InvalidInputError('usage', 'No drawing is named.', USAGE);
  return { file, allowanceMm, isCompact };
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
