import ts from 'typescript';

/** One small change of a source file, as a mistake would make it, and how to build both into the file with a switch between. */
export interface Slip {
  /** 1-based. */
  readonly line: number;
  /** Where it stands in the text, and what the slip makes of it. */
  readonly at: number;
  readonly found: string;
  readonly made: string;
  /** The name of the constant it belongs to, where it is reckoned once, when the file is read; empty where it has no name. */
  readonly constant?: string;
  readonly edits: (is: string) => readonly Edit[];
}

/** Text that takes the place of a stretch; at one place, those that open stand before what they hold, those that close after. */
export interface Edit {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  /** How far the stretch reaches that is opened or closed: the widest opens first and closes last. */
  readonly reach: number;
}

const SWAPPED: Readonly<Partial<Record<ts.SyntaxKind, string>>> = {
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
};

/** What a slip makes of a word of SQL. */
const IN_SQL: readonly (readonly [RegExp, (found: string) => string])[] = [
  [/ <= /g, () => ' < '],
  [/ >= /g, () => ' > '],
  [/ < /g, () => ' <= '],
  [/ > /g, () => ' >= '],
  [/ <> /g, () => ' = '],
  [/(?<=\bwhere\b[^;]*) and /g, () => ' or '],
  [/(?<![\w.'"#$-]|select )\d+(?![\w.'"])/g, slipOfNumber],
];

const ROLES: ReadonlySet<string> = new Set(['edit', 'own', 'pack']);

/**
 * Every place of a source file where a small slip can be made: a comparison, a sum, a condition, a number, a permission, also in
 * SQL; not in types, imports and what is only looked at.
 */
export function slipsOf(file: string, text: string): readonly Slip[] {
  const source = ts.createSourceFile(
    file,
    text,
    ts.ScriptTarget.Latest,
    true,
    file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS,
  );
  const lines = text.split('\n');
  const slips: Slip[] = [];
  const note = (
    node: ts.Node,
    [at, found, made]: readonly [number, string, string],
    edits: Slip['edits'],
  ) => {
    const line = source.getLineAndCharacterOfPosition(at).line;
    if (isLook(lines, line)) return;
    const constant = constantOf(node);
    slips.push({ line: line + 1, at, found, made, edits, ...(constant === undefined ? {} : { constant }) });
  };
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isInterfaceDeclaration(node)) return;
    if (ts.isBinaryExpression(node)) noteBinary(node, source, note);
    else if (ts.isNumericLiteral(node) && !isName(node))
      noteInstead(node, node.getText(), slipOfNumber(node.text), note);
    else if (node.kind === ts.SyntaxKind.TrueKeyword) noteInstead(node, 'true', 'false', note);
    else if (node.kind === ts.SyntaxKind.FalseKeyword) noteInstead(node, 'false', 'true', note);
    else if (ts.isStringLiteral(node) && ROLES.has(node.text) && ts.isCallExpression(node.parent))
      noteInstead(node, node.getText(), "'read'", note);
    else if (ts.isCallExpression(node) && /^Math\.(max|min)$/.test(node.expression.getText()))
      noteInstead(
        node.expression,
        node.expression.getText(),
        node.expression.getText() === 'Math.max' ? 'Math.min' : 'Math.max',
        note,
      );
    else if (ts.isTaggedTemplateExpression(node) && /\b(sql|tx)\b/.test(node.tag.getText()))
      noteSql(node, note);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return slips;
}

/** A source file with every slip of a list built in, each behind the switch of its number. */
export function withSwitches(
  text: string,
  slips: readonly { readonly id: number; readonly slip: Slip }[],
  others: readonly Edit[] = [],
): string {
  const edits = [...others, ...slips.flatMap(({ id, slip }) => slip.edits(`globalThis.__slips.is(${id})`))];
  // What closes at a place comes before what opens there; of those that open, the widest first; of those that close, it last.
  const kind = ({ from, to, reach }: Edit) => (reach < 0 ? 0 : from === to ? 1 : 2);
  const sorted = [...edits].sort((a, b) => a.from - b.from || kind(a) - kind(b) || b.reach - a.reach);
  let out = '';
  let at = 0;
  for (const { from, to, text: own } of sorted) {
    out += text.slice(at, Math.max(at, from)) + own;
    at = Math.max(at, to);
  }
  return out + text.slice(at);
}

type Note = (node: ts.Node, what: readonly [number, string, string], edits: Slip['edits']) => void;

function noteInstead(node: ts.Node, found: string, made: string, note: Note): void {
  const from = node.getStart();
  const to = node.getEnd();
  note(node, [from, found, made], (is) => [
    { from, to: from, text: `(${is} ? ${made} : `, reach: to - from },
    { from: to, to, text: ')', reach: from - to },
  ]);
}

/** A comparison or sum takes both sides as they are; a condition takes them as functions, so that the second can be left out. */
function noteBinary(node: ts.BinaryExpression, source: ts.SourceFile, note: Note): void {
  const sign = node.operatorToken;
  const made = SWAPPED[sign.kind];
  if (!made) return;
  if (sign.kind === ts.SyntaxKind.PlusToken && (isWords(node.left) || isWords(node.right))) return;
  const isCondition = made === '||' || made === '&&';
  if (isCondition && waits(node.right)) return;
  const [from, to] = [node.getStart(), node.getEnd()];
  const signAt = sign.getStart(source);
  const [open, between, close] = isCondition ? ['() => (', '), () => (', '))'] : ['(', '), (', '))'];
  note(node, [signAt, sign.getText(), made], (is) => [
    {
      from,
      to: from,
      text: `globalThis.__slips.either(${is}, '${sign.getText()}', '${made}', ${open}`,
      reach: to - from,
    },
    { from: signAt, to: sign.getEnd(), text: between, reach: 0 },
    { from: to, to, text: close, reach: from - to },
  ]);
}

function noteSql(node: ts.TaggedTemplateExpression, note: Note): void {
  const [from, to] = [node.getStart(), node.getEnd()];
  const text = node.getText();
  // Only what stands outside of ${…}.
  const held = ts.isTemplateExpression(node.template)
    ? node.template.templateSpans.map(({ expression }) => [
        expression.getStart() - from,
        expression.getEnd() - from,
      ])
    : [];
  for (const [pattern, slip] of IN_SQL)
    for (const match of text.matchAll(pattern)) {
      const at = match.index;
      if (held.some(([start = 0, end = 0]) => at >= start && at < end)) continue;
      const changed = text.slice(0, at) + slip(match[0]) + text.slice(at + match[0].length);
      note(node, [from + at, match[0], slip(match[0])], (is) => [
        { from, to: from, text: `(${is} ? ${changed} : `, reach: to - from },
        { from: to, to, text: ')', reach: from - to },
      ]);
    }
}

function slipOfNumber(number: string): string {
  return String(Number(number) === 0 ? 1 : Number(number) * 2);
}

function isWords(node: ts.Node): boolean {
  return ts.isStringLiteralLike(node) || ts.isTemplateExpression(node);
}

/** Whether an expression waits for something, which a function of its own could not. */
function waits(node: ts.Node): boolean {
  if (ts.isAwaitExpression(node) || ts.isYieldExpression(node)) return true;
  return !ts.isFunctionLike(node) && (ts.forEachChild(node, waits) ?? false);
}

/** Whether a number is the name of a property. */
function isName(node: ts.NumericLiteral): boolean {
  const { parent } = node;
  return (
    ((ts.isPropertyAssignment(parent) || ts.isPropertySignature(parent) || ts.isEnumMember(parent)) &&
      parent.name === node) ||
    ts.isLiteralTypeNode(parent)
  );
}

/** The constant of the file that a place belongs to, where it stands in no function; empty if it has no name. */
function constantOf(node: ts.Node): string | undefined {
  let name = '';
  for (let at = node.parent; at && !ts.isSourceFile(at); at = at.parent) {
    if (ts.isFunctionLike(at)) return undefined;
    if (ts.isVariableDeclaration(at) && ts.isIdentifier(at.name)) name = at.name.text;
  }
  return name;
}

/** Names of what is only looked at: how things are drawn is checked by eye, on the pictures. */
const LOOK =
  /\b(sx|style|strokeWidth|fontSize|opacity|fillOpacity|height|width|spacing|size|minRows|rx)=\{|\b(strokeWidth|size)(:| =) \d/;

/** Whether a line is about looks alone: it stands in the style of an element. */
function isLook(lines: readonly string[], line: number): boolean {
  if (LOOK.test(lines[line] ?? '')) return true;
  for (let at = line - 1; at >= Math.max(0, line - 40); at--) {
    if (/\}\}/.test(lines[at] ?? '') || /^(export )?(function|const \w+ = \()/.test(lines[at] ?? ''))
      return false;
    if (/\bsx=\{\{$/.test(lines[at] ?? '')) return true;
  }
  return false;
}
