import { itemAt } from '@/core/lists';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import PDFDocument from 'pdfkit';
import { REPEAT_MM, weaveOf } from '@/core/cloth';
import { outlinePath } from '@/core/geometry';
import { lineHeightMm, type Ink, type PrintJob } from '@/core/printing';

/** Points in a millimetre: a PDF counts in 1/72 inch. */
const POINTS_PER_MM = 72 / 25.4;
/** Height of a capital letter's body as a share of the font's size. */
const FONT_PER_MM = 1.25;

const SUBSETS = ['latin', 'latin-ext', 'cyrillic', 'greek', 'vietnamese'] as const;

interface Glyphs {
  readonly hasGlyphForCodePoint: (codePoint: number) => boolean;
}

/**
 * Writes pages at true size as a PDF: 1 mm in the job is 1 mm on paper printed at 100 %. Curves are drawn as Béziers that
 * stay within a few micrometres of their circle. Text is real text, so that it can be searched and read aloud.
 */
export function writePdf(job: PrintJob): Promise<Buffer> {
  const size: [number, number] = [job.widthMm * POINTS_PER_MM, job.heightMm * POINTS_PER_MM];
  const pdf = new PDFDocument({
    size,
    margin: 0,
    autoFirstPage: false,
    lang: 'en',
    displayTitle: true,
    info: { Title: job.title, Creator: 'Kevlo', Producer: 'Kevlo' },
    font: fontFile('latin') as unknown as string,
  });
  for (const subset of SUBSETS) pdf.registerFont(subset, fontFile(subset));
  const chunks: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    pdf.on('data', (chunk: Buffer) => chunks.push(chunk));
    pdf.on('end', () => resolve(Buffer.concat(chunks)));
    pdf.on('error', reject);
  });
  const pen: Pen = { pdf, subsets: new Map() };
  for (const { ink, windowed } of job.pages) {
    pdf.addPage({ size, margin: 0 });
    pdf.scale(POINTS_PER_MM);
    for (const one of ink) draw(pen, one);
    if (!windowed) continue;
    const { minX, minY, maxX, maxY } = windowed.window;
    pdf
      .save()
      .rect(minX, minY, maxX - minX, maxY - minY)
      .clip();
    for (const one of windowed.ink) draw(pen, one);
    pdf.restore();
  }
  pdf.end();
  return whole;
}

/** The document being drawn, and which subset of the font has each letter that was met so far. */
interface Pen {
  readonly pdf: PDFKit.PDFDocument;
  readonly subsets: Map<string, string>;
}

function draw(pen: Pen, ink: Ink): void {
  const { pdf } = pen;
  switch (ink.kind) {
    case 'outline':
      stroke(pdf.path(outlinePath(ink.outline, 5)), ink);
      break;
    case 'line':
      stroke(pdf.moveTo(ink.from.x, ink.from.y).lineTo(ink.to.x, ink.to.y), ink);
      break;
    case 'cells':
      fillCells(pdf, ink);
      break;
    case 'swatch':
      drawSwatch(pdf, ink);
      break;
    case 'dot':
      pdf.circle(ink.at.x, ink.at.y, ink.radiusMm).lineWidth(0.2).undash();
      if (ink.isFilled) pdf.fill('#000000');
      else pdf.stroke('#000000');
      break;
    case 'text':
      write(pen, ink);
      break;
    case 'paragraph':
      writeLines(pen, ink);
      break;
  }
}

/** A cloth as screens draw it: its ground, its weave in the figure's colour, a line round it. */
function drawSwatch(pdf: PDFKit.PDFDocument, { at, sideMm, look }: Extract<Ink, { kind: 'swatch' }>): void {
  pdf.save().rect(at.x, at.y, sideMm, sideMm).clip();
  pdf.rect(at.x, at.y, sideMm, sideMm).fill(look.ground);
  pdf.translate(at.x, at.y).scale(sideMm / REPEAT_MM);
  for (const { d, width, isFilled } of weaveOf(look)) {
    pdf.path(d).undash();
    if (isFilled) pdf.fill(look.figure);
    else pdf.lineWidth(width).stroke(look.figure);
  }
  pdf.restore();
  pdf.rect(at.x, at.y, sideMm, sideMm).lineWidth(0.2).undash().stroke('#000000');
}

/** Dark cells that follow each other in a row are one bar: no hair of white between them. */
function fillCells(pdf: PDFKit.PDFDocument, { at, sideMm, cells, dark }: Extract<Ink, { kind: 'cells' }>): void {
  const side = sideMm / cells;
  for (let row = 0; row < cells; row++)
    for (let column = 0; column < cells; column++) {
      let wide = 0;
      while (column + wide < cells && dark[row * cells + column + wide]) wide++;
      if (wide === 0) continue;
      pdf.rect(at.x + column * side, at.y + row * side, wide * side, side).fill('#000000');
      column += wide;
    }
} // prettier-ignore

function stroke(pdf: PDFKit.PDFDocument, ink: Extract<Ink, { kind: 'outline' | 'line' }>): void {
  pdf.lineWidth(ink.strokeMm).lineJoin('miter');
  if (ink.dashMm) pdf.dash(ink.dashMm[0], { space: ink.dashMm[1] });
  else pdf.undash();
  pdf.stroke(ink.isGrey ? '#777777' : '#000000');
}

function write(pen: Pen, { at, text, sizeMm, align, turnDeg }: Extract<Ink, { kind: 'text' }>): void {
  const { pdf } = pen;
  const size = sizeMm * FONT_PER_MM;
  const runs = fontRuns(pen, text);
  const widths = runs.map(({ font, text: part }) => pdf.font(font, size).widthOfString(part));
  const width = widths.reduce((sum, one) => sum + one, 0);
  let x = at.x - (align === 'centre' ? width / 2 : align === 'right' ? width : 0);
  pdf.save();
  if (turnDeg) pdf.rotate(turnDeg, { origin: [at.x, at.y] });
  pdf.fillColor('#000000');
  runs.forEach(({ font, text: part }, i) => {
    pdf.font(font, size).text(part, x, at.y, { lineBreak: false, baseline: 'alphabetic' });
    x += itemAt(widths, i);
  });
  pdf.restore();
}

/** Breaks words into lines by the width of each run; the fonts change where another subset has the letter. */
function writeLines(pen: Pen, ink: Extract<Ink, { kind: 'paragraph' }>): void {
  const size = ink.sizeMm * FONT_PER_MM;
  const lineMm = lineHeightMm(ink.sizeMm);
  const widthOf = (text: string) =>
    fontRuns(pen, text).reduce((sum, run) => sum + pen.pdf.font(run.font, size).widthOfString(run.text), 0);
  const space = widthOf(' ');
  const lines: string[] = [];
  let used = Infinity;
  for (const word of ink.text.split(' ')) {
    const width = widthOf(word);
    if (used + space + width <= ink.widthMm) {
      lines[lines.length - 1] += ` ${word}`;
      used += space + width;
    } else {
      lines.push(word);
      used = width;
    }
  }
  const most = Math.max(1, Math.floor(ink.heightMm / lineMm));
  const shown = lines.length > most ? [...lines.slice(0, most - 1), `${lines[most - 1]} …`] : lines;
  shown.forEach((text, i) => {
    const at = { x: ink.at.x, y: ink.at.y + (i + 1) * lineMm };
    write(pen, { kind: 'text', at, text, sizeMm: ink.sizeMm, align: 'left' });
  });
}

/** Splits text where another subset of the font has the letter; fractions that no subset has are spelled out. */
function fontRuns({ pdf, subsets }: Pen, text: string): { font: string; text: string }[] {
  const spelled = text.normalize('NFC').replace(/(\d?)([⅛⅜⅝⅞⅓⅔])/g, (_, whole: string, mark: string) => {
    const [top, bottom] = mark.normalize('NFKD').split('\u2044');
    return `${whole === '' ? '' : `${whole} `}${top}/${bottom}`;
  });
  const runs: { font: string; text: string }[] = [];
  for (const letter of spelled) {
    const code = letter.codePointAt(0) as number;
    const font =
      subsets.get(letter) ??
      SUBSETS.find((subset) => glyphsOf(pdf, subset).hasGlyphForCodePoint(code)) ??
      'latin';
    subsets.set(letter, font);
    const last = runs.at(-1);
    if (last && (last.font === font || letter === ' ')) last.text += letter;
    else runs.push({ font, text: letter });
  }
  return runs;
}

function glyphsOf(pdf: PDFKit.PDFDocument, subset: string): Glyphs {
  // What the library keeps of the chosen font; its types do not tell.
  return (pdf.font(subset) as unknown as { _font: { font: Glyphs } })._font.font;
}

const fonts = new Map<string, Buffer>();

function fontFile(subset: (typeof SUBSETS)[number]): Buffer {
  const known = fonts.get(subset);
  if (known) return known;
  const root = process.env.KEVLO_ROOT ?? process.cwd();
  const file = path.join(
    /*turbopackIgnore: true*/ root,
    `node_modules/@fontsource/source-sans-3/files/source-sans-3-${subset}-400-normal.woff`,
  );
  const bytes = readFileSync(file);
  fonts.set(subset, bytes);
  return bytes;
}
