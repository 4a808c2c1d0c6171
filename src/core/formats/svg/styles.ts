import { refersOutside, refuse, type XmlElement } from './readXml';

/** The few style properties that matter to a drawing of patches. */
export interface Style {
  readonly fill?: string;
  readonly display?: string;
  readonly visibility?: string;
}

/** Style rules by simple selector: `.class`, `#id` or element name. */
export type StyleRules = ReadonlyMap<string, Style>;

const NAMES = ['fill', 'display', 'visibility'] as const;

/** Collects the rules of every style element; selectors with combinators are left out. */
export function collectRules(root: XmlElement): StyleRules {
  const rules = new Map<string, Style>();
  const visit = (element: XmlElement): void => {
    if (element.name === 'style') readSheet(element, rules);
    element.children.forEach(visit);
  };
  visit(root);
  return rules;
}

/** Longest style sheet read, characters: what matters of it is a fill per class. */
const MAX_SHEET = 40_000;

function readSheet({ text, line }: XmlElement, rules: Map<string, Style>): void {
  if (text.length > MAX_SHEET)
    refuse('too-large', `A style sheet is longer than ${MAX_SHEET} characters`, line);
  if (/@import/i.test(text) || refersOutside(text)) {
    refuse('external-reference', 'A style sheet refers to something outside the drawing', line);
  }
  const bare = text.replace(/\/\*[\s\S]*?\*\//g, '');
  for (const [, selectors, body] of bare.matchAll(/([^{}]+)\{([^{}]*)\}/g)) {
    for (const selector of (selectors as string).split(',').map((part) => part.trim())) {
      if (/^[.#]?[\w-]+$/.test(selector))
        rules.set(selector, { ...rules.get(selector), ...readDeclarations(body as string) });
    }
  }
}

function readDeclarations(text: string): Style {
  const style: Record<string, string> = {};
  for (const declaration of text.split(';')) {
    const [name, value] = declaration.split(':').map((part) => part.trim());
    if (value && NAMES.some((known) => known === name))
      style[name as string] = value.replace(/\s*!important$/, '');
  }
  return style;
}

/** The element's own style: attributes, then rules by name, class and id, then its style attribute. */
export function ownStyle({ name, attributes }: XmlElement, rules: StyleRules): Style {
  const style: Record<string, string> = {};
  for (const property of NAMES)
    if (attributes[property] !== undefined) style[property] = attributes[property];
  Object.assign(style, rules.get(name));
  for (const own of (attributes.class ?? '').split(/\s+/)) Object.assign(style, rules.get(`.${own}`));
  return Object.assign(style, rules.get(`#${attributes.id}`), readDeclarations(attributes.style ?? ''));
}
