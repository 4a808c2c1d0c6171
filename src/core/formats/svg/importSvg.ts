import { InvalidInputError } from '../../errors';
import type { Patch, Problem } from '../../block';
import type { Outline, Point } from '../../geometry';
import { LIMITS } from '../limits';
import { compose, parseTransform, type Matrix } from './matrix';
import { refuseCrowd } from './crowded';
import { outlineFault } from './outlineFault';
import { pathOutlines } from './pathOutlines';
import { physicalSize } from './physicalSize';
import { readXml, type XmlElement } from './readXml';
import { outlinesWithHole } from './outlinesWithHole';
import { SHAPES, shapePath } from './shapePath';
import { collectRules, ownStyle, type StyleRules } from './styles';
import { UNDRAWN } from './undrawn';

/** A shape that cannot be a patch; a drawing with faults can be looked at but not saved or planned. */
export interface ShapeFault {
  readonly code: 'bad-shape';
  /** What and where. */
  readonly message: string;
  readonly mend: string;
  /** Where it stands in the file, for whoever made the drawing. */
  readonly technical: string;
  readonly shape: string;
  readonly line: number;
  /** mm in the drawing. */
  readonly at: Point;
}

export interface ImportedDrawing {
  readonly patches: readonly Patch[];
  readonly faults: readonly ShapeFault[];
  readonly problems: readonly Problem[];
  /** Colours in which named cloths are drawn, by name. */
  readonly fills: Readonly<Record<string, string>>;
  readonly widthMm: number;
  readonly heightMm: number;
}

export interface ImportOptions {
  /** True width of the drawing, mm, for drawings that do not say. */
  readonly widthMm?: number;
}

/** Most patches of one drawing, also through `use`. */
const MAX_USE_DEPTH = 6;
/** Longest name of a cloth, characters. */
const MAX_FABRIC_NAME = LIMITS.fabric;
/** Name of the cloth of shapes without a fill. */
const PLAIN = 'plain';

interface Context {
  readonly toMm: Matrix;
  readonly fabric: string | undefined;
  readonly fill: string | undefined;
  readonly layer: number;
  readonly idPrefix: string;
  readonly useDepth: number;
}

/**
 * Reads an SVG drawing: its closed shapes become patches, in millimetres, as seen from the front.
 * `data-fabric` (or else the fill) names the cloth and `data-layer` the layer, on a shape or on a group round it.
 * @throws InvalidInputError when the drawing as a whole cannot be used: unsafe, broken, without size or shapes
 */
export function importSvg(text: string, options: ImportOptions = {}): ImportedDrawing {
  const root = readXml(text);
  const size = physicalSize(root, options.widthMm);
  const reader = new DrawingReader(root);
  if (size.isPixels) {
    reader.note(
      'pixel-size',
      'The size is given in px and taken as 1/96 inch each. Give it in mm or in to be sure.',
      { x: 0, y: 0 },
      'svg',
    );
  }
  reader.readChildren(root, {
    toMm: size.toMm,
    fabric: undefined,
    fill: undefined,
    layer: 0,
    idPrefix: '',
    useDepth: 0,
    ...reader.inherited(root),
  });
  if (reader.patches.length === 0 && reader.faults.length === 0) {
    const hasText = reader.problems.some(({ code }) => code === 'text');
    throw new InvalidInputError(
      'no-patches',
      hasText
        ? 'The drawing has no closed shapes, only text and lines.'
        : 'The drawing has no closed shapes.',
      'Draw each patch as a closed outline; convert text to outlines and close open lines.',
    );
  }
  const { patches, faults, problems } = reader;
  const fills = Object.fromEntries(reader.fills);
  for (const layer of new Set(patches.map((patch) => patch.layer)))
    refuseCrowd(patches.filter((patch) => patch.layer === layer).map(({ outline }) => outline));
  return { patches, faults, problems, fills, widthMm: size.widthMm, heightMm: size.heightMm };
}

class DrawingReader {
  readonly patches: Patch[] = [];
  readonly faults: ShapeFault[] = [];
  readonly problems: Problem[] = [];
  readonly fills = new Map<string, string>();
  private readonly rules: StyleRules;
  private readonly byId = new Map<string, XmlElement>();
  private readonly usedIds = new Set<string>();
  private readonly nextCopy = new Map<string, number>();
  private unnamed = 0;
  private copies = 0;

  constructor(root: XmlElement) {
    this.rules = collectRules(root);
    const index = (element: XmlElement): void => {
      if (element.attributes.id !== undefined && !this.byId.has(element.attributes.id)) {
        this.byId.set(element.attributes.id, element);
      }
      element.children.forEach(index);
    };
    index(root);
  }

  note(code: Problem['code'], message: string, at: Point, shape: string): void {
    this.problems.push({ code, message, at, patches: [shape] });
  }

  readChildren(parent: XmlElement, context: Context): void {
    for (const child of parent.children) this.readElement(child, context);
  }

  /** What a group passes on to the shapes inside it. */
  inherited(element: XmlElement): Partial<Context> {
    const { 'data-fabric': fabric, 'data-layer': layer } = element.attributes;
    const { fill } = ownStyle(element, this.rules);
    return {
      ...(fabric === undefined || fabric.trim() === ''
        ? {}
        : { fabric: fabric.trim().slice(0, MAX_FABRIC_NAME) }),
      ...(fill === undefined || fill === 'inherit' ? {} : { fill }),
      ...(layer === undefined ? {} : { layer: this.readLayer(element, layer) }),
    };
  }

  private readLayer(element: XmlElement, text: string): number {
    if (/^\s*\d{1,3}\s*$/.test(text)) return Number(text);
    this.fault(
      element,
      element.attributes.id ?? element.name,
      `has data-layer="${text.slice(0, 20)}"`,
      'Write a whole number from 0.',
    );
    return 0;
  }

  private readElement(element: XmlElement, outer: Context): void {
    if (UNDRAWN.has(element.name)) return;
    const style = ownStyle(element, this.rules);
    if (style.display === 'none' || style.visibility === 'hidden') return;
    const id = element.attributes.id ?? element.name;
    const own = parseTransform(element.attributes.transform ?? '');
    if (!own)
      return this.fault(
        element,
        id,
        'has a transform that cannot be read',
        'Write it with finite numbers, or apply it in the drawing program.',
      );
    const context = { ...outer, toMm: compose(outer.toMm, own), ...this.inherited(element) };
    if (SHAPES.has(element.name)) return this.readShape(element, context);
    switch (element.name) {
      case 'g':
      case 'a':
      case 'switch':
        return this.readChildren(element, context);
      case 'use':
        return this.readUse(element, context);
      case 'svg':
        return this.fault(
          element,
          id,
          'is a drawing inside the drawing',
          'Ungroup it, so that there is only one svg element.',
        );
      case 'text':
      case 'image':
        return this.note(element.name, textOrImage(element), origin(context.toMm, element), id);
      default:
        return undefined;
    }
  }

  private readUse(element: XmlElement, context: Context): void {
    const { attributes } = element;
    const target = this.byId.get((attributes.href ?? attributes['xlink:href'] ?? '').trim().slice(1));
    const id = attributes.id ?? 'use';
    if (!target)
      return this.fault(
        element,
        id,
        'repeats a shape that is not there',
        'Unlink the copy in the drawing program.',
        origin(context.toMm, element),
      );
    this.copies += 1;
    if (context.useDepth >= MAX_USE_DEPTH || this.copies > LIMITS.patches) {
      throw new InvalidInputError(
        'too-deep',
        `There are more than ${LIMITS.patches} copies, or copies of copies more than ${MAX_USE_DEPTH} deep, at line ${element.line}.`,
        'Unlink the copies in the drawing program.',
        { line: element.line },
      );
    }
    const shift: Matrix = [1, 0, 0, 1, Number(attributes.x ?? 0) || 0, Number(attributes.y ?? 0) || 0];
    const idPrefix = `${context.idPrefix}${attributes.id ?? `use${element.line}`}-`;
    const inner = {
      ...context,
      toMm: compose(context.toMm, shift),
      idPrefix,
      useDepth: context.useDepth + 1,
    };
    if (target.name === 'symbol') return this.readChildren(target, inner);
    return this.readElement(target, inner);
  }

  private readShape(element: XmlElement, context: Context): void {
    const id = this.uniqueId(`${context.idPrefix}${element.attributes.id ?? this.nextName(element)}`);
    const path = shapePath(element);
    if ('fault' in path)
      return this.fault(element, id, path.fault, 'Correct or delete it.', origin(context.toMm, element));
    if (path.d.trim() === '') return this.fault(element, id, 'has no points', 'Correct or delete it.');
    const reading = pathOutlines(path.d, context.toMm);
    if ('fault' in reading) return this.fault(element, id, reading.fault, reading.mend, reading.at);
    const closed = reading.runs.flatMap((run) => (run.kind === 'closed' ? [run.outline] : []));
    for (const run of reading.runs) {
      if (run.kind === 'open') this.noteOpen(id, run.from, run.to);
    }
    if (element.name === 'line')
      this.noteOpen(id, origin(context.toMm, element), origin(context.toMm, element));
    refuseCrowd(closed);
    const withHole = outlinesWithHole(closed);
    closed.forEach((outline, part) => {
      const fault = outlineFault(outline, withHole.has(part));
      if (fault) return this.fault(element, id, fault.message, fault.mend, fault.at);
      this.addPatch(closed.length > 1 ? `${id}.${part + 1}` : id, outline, context);
    });
  }

  private addPatch(id: string, outline: Outline, { fabric, fill, layer }: Context): void {
    if (this.patches.length >= LIMITS.patches) {
      throw new InvalidInputError(
        'too-many',
        `The drawing has more than ${LIMITS.patches} patches.`,
        'Split the project into blocks.',
      );
    }
    const byFill =
      fill === undefined || fill === 'none' ? PLAIN : fill.toLowerCase().slice(0, MAX_FABRIC_NAME);
    this.patches.push({ id, outline, fabric: fabric ?? byFill, layer });
    if (fabric !== undefined && fill !== undefined && !this.fills.has(fabric)) this.fills.set(fabric, fill);
  }

  private noteOpen(id: string, from: Point, to: Point): void {
    const gap = Math.hypot(to.x - from.x, to.y - from.y);
    const message = `${id} is an open line (its ends are ${gap.toFixed(1)} mm apart) and is no patch. Close it if it should be one.`;
    this.note('open-outline', message, from, id);
  }

  private fault(
    element: XmlElement,
    shape: string,
    what: string,
    mend: string,
    at: Point = { x: 0, y: 0 },
  ): void {
    const message = `The shape “${shape}” ${what}.`;
    const technical = `<${element.name}> at line ${element.line} of the file`;
    this.faults.push({ code: 'bad-shape', message, mend, technical, shape, line: element.line, at });
  }

  private nextName(element: XmlElement): string {
    this.unnamed += 1;
    return `${element.name}-${this.unnamed}`;
  }

  private uniqueId(long: string): string {
    // Room is left for the number of a copy and of a part.
    const wanted = long.slice(0, LIMITS.patchId - 20);
    let id = wanted;
    // Numbers that were given before are not tried again: however often an id is repeated, each is found at once.
    let n = this.nextCopy.get(wanted) ?? 2;
    for (; this.usedIds.has(id); n++) id = `${wanted}-${n}`;
    if (id !== wanted) this.nextCopy.set(wanted, n);
    this.usedIds.add(id);
    return id;
  }
}

function origin([a, b, c, d, e, f]: Matrix, { attributes }: XmlElement): Point {
  const read = (...names: string[]) =>
    Number(names.map((name) => attributes[name]).find((value) => value !== undefined) ?? 0) || 0;
  const [x, y] = [read('x', 'x1', 'cx'), read('y', 'y1', 'cy')];
  return { x: a * x + c * y + e, y: b * x + d * y + f };
}

function textOrImage({ name, line }: XmlElement): string {
  return name === 'text'
    ? `A text is left out (line ${line} of the file). Convert it to outlines if it should be patches.`
    : `A picture is left out (line ${line} of the file). Trace it with closed shapes if it should be patches.`;
}
