import { SaxesParser, type SaxesTagPlain } from 'saxes';
import { InvalidInputError } from '../../errors';

/** One element of a drawing, with what is needed to name it in a message. */
export interface XmlElement {
  /** Local name; `svg:path` is `path`. Elements of other namespaces are not kept. */
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly XmlElement[];
  /** Text directly inside; kept for style elements only. */
  readonly text: string;
  readonly line: number;
}

/** Largest drawing accepted, bytes of text. */
export const MAX_DRAWING_BYTES = 12_000_000;
/** Deepest nesting and most elements accepted. */
const MAX_DEPTH = 100;
const MAX_ELEMENTS = 150_000;

/** Elements that could run, fetch or embed something foreign. */
const REFUSED: Readonly<Record<string, string>> = {
  script: 'a script',
  foreignobject: 'foreign content',
  iframe: 'a frame',
  handler: 'a script handler',
};

interface OpenElement {
  name: string;
  attributes: Record<string, string>;
  children: XmlElement[];
  text: string;
  line: number;
}

/**
 * Reads a drawing's text into elements. Nothing in it is executed, fetched or expanded.
 * @throws InvalidInputError `too-large`, `not-svg`, `broken-xml`, `entities`, `script`, `external-reference`, `too-deep`
 */
export function readXml(text: string): XmlElement {
  if (text.length > MAX_DRAWING_BYTES) {
    throw new InvalidInputError(
      'too-large',
      `The drawing is ${(text.length / 1e6).toFixed(0)} MB; the most is ${MAX_DRAWING_BYTES / 1e6} MB.`,
      'Remove embedded pictures, or split the project into blocks.',
    );
  }
  const parser = new SaxesParser<{ xmlns: false; position: true }>({ xmlns: false, position: true });
  const root: OpenElement = { name: '#root', attributes: {}, children: [], text: '', line: 0 };
  const stack = [root];
  let elements = 0;
  parser.on('error', (error) => {
    throw new InvalidInputError(
      'broken-xml',
      `The drawing is not well-formed at line ${parser.line}: ${error.message.replace(/^\d+:\d+: /, '')}`,
      'Save it again as plain SVG from the drawing program.',
      { line: parser.line },
    );
  });
  parser.on('doctype', (doctype) => {
    if (doctype.includes('[')) refuse('entities', 'The drawing declares entities of its own', parser.line);
  });
  parser.on('processinginstruction', ({ target }) => {
    if (target === 'xml-stylesheet')
      refuse('external-reference', 'The drawing refers to an outside style sheet', parser.line);
  });
  parser.on('opentag', (tag) => {
    elements += 1;
    if (stack.length > MAX_DEPTH || elements > MAX_ELEMENTS) {
      const what =
        stack.length > MAX_DEPTH
          ? `nested more than ${MAX_DEPTH} deep`
          : `made of more than ${MAX_ELEMENTS} elements`;
      throw new InvalidInputError(
        'too-deep',
        `The drawing is ${what}, at line ${parser.line}.`,
        'Ungroup it, or split it into blocks.',
        { line: parser.line },
      );
    }
    const element = openElement(tag, parser.line);
    stack.push(element);
  });
  parser.on('text', (chunk) => addStyleText(stack, chunk));
  parser.on('cdata', (chunk) => addStyleText(stack, chunk));
  parser.on('closetag', () => {
    const closed = stack.pop() as OpenElement;
    if (!closed.name.includes(':')) stack.at(-1)?.children.push(closed);
  });
  parser.write(text).close();
  const svg = root.children.find(({ name }) => name === 'svg');
  if (!svg) {
    throw new InvalidInputError(
      'not-svg',
      'The file holds no svg element.',
      'Save the drawing as SVG (Scalable Vector Graphics).',
    );
  }
  return svg;
}

function addStyleText(stack: readonly OpenElement[], chunk: string): void {
  const open = stack.at(-1);
  if (open?.name === 'style') open.text += chunk;
}

function openElement(tag: SaxesTagPlain, line: number): OpenElement {
  const name = tag.name.replace(/^svg:/, '');
  const refused = REFUSED[name.toLowerCase()];
  if (refused) refuse('script', `The drawing contains ${refused} (<${name}>)`, line);
  for (const [attribute, value] of Object.entries(tag.attributes))
    checkAttribute(name, attribute, value, line);
  return { name, attributes: tag.attributes, children: [], text: '', line };
}

function checkAttribute(element: string, attribute: string, value: string, line: number): void {
  if (/^on[a-z]+$/i.test(attribute)) refuse('script', `<${element}> carries a script (${attribute})`, line);
  const isLink = /^(xlink:)?href$/i.test(attribute) && !element.includes(':');
  const target = value.slice(0, 200).trim();
  const isPicture = element === 'image' && target.toLowerCase().startsWith('data:image/');
  const isInside = target === '' || target.startsWith('#') || isPicture;
  if ((isLink && !isInside) || refersOutside(value)) {
    refuse('external-reference', `<${element}> refers to something outside the drawing (${attribute})`, line);
  }
}

/** Whether a style or attribute value has a url() that is not a place in the drawing itself. Linear in its length. */
export function refersOutside(value: string): boolean {
  const parts = value.toLowerCase().split('url(').slice(1);
  return parts.some((part) => !/^['"]?#/.test(part.slice(0, 200).trim()));
}

/** Refuses a drawing for its safety's sake. */
export function refuse(code: string, what: string, line: number): never {
  throw new InvalidInputError(
    code,
    `${what}, at line ${line}.`,
    'Remove it and save the drawing as plain SVG.',
    { line },
  );
}
