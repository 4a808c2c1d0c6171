import { readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import type { Plugin } from 'vitest/config';
import { ROOT } from '../places';
import { slipsOf, withSwitches, type Edit, type Slip } from './slips';

/** A slip that was drawn: the number of its switch, its file and which of the slips of that file it is. */
export interface Drawn {
  readonly id: number;
  readonly file: string;
  readonly nth: number;
}

/** Builds the slips that were drawn into the sources as they are read, each behind its switch, and tells who reads changed constants. */
export function switches(listFile: string): Plugin {
  const drawn = JSON.parse(readFileSync(listFile, 'utf8')) as readonly Drawn[];
  const constants = new Set(drawn.flatMap(({ file, nth }) => constantNameOf(file, nth) ?? []));
  return {
    name: 'switches',
    enforce: 'pre',
    transform(text, id) {
      const file = path.relative(ROOT, id.split('?')[0] as string);
      if (!/^src\/.*\.tsx?$/.test(file) || /\.test\.tsx?$|testing\//.test(file)) return undefined;
      const own = drawn.filter((slip) => slip.file === file);
      const all = own.length === 0 ? [] : slipsOf(file, text);
      const slips = own.map(({ id: number, nth }) => ({ id: number, slip: all[nth] as Slip }));
      const edits = constantEdits(file, text, slips, constants);
      if (slips.length === 0 && edits.length === 0) return undefined;
      return { code: withSwitches(text, slips, edits), map: null };
    },
  };
}

const known = new Map<string, readonly Slip[]>();

function constantNameOf(file: string, nth: number): string | undefined {
  const slips = known.get(file) ?? slipsOf(file, readFileSync(path.join(ROOT, file), 'utf8'));
  known.set(file, slips);
  return slips[nth]?.constant || undefined;
}

/** Constants with slips are reckoned anew when one is switched on; whoever reads one of their name says so. */
function constantEdits(
  file: string,
  text: string,
  slips: readonly { readonly id: number; readonly slip: Slip }[],
  names: ReadonlySet<string>,
): readonly Edit[] {
  if (![...names].some((name) => text.includes(name))) return [];
  const kind = file.endsWith('x') ? ts.ScriptKind.TSX : ts.ScriptKind.TS;
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, kind);
  const edits: Edit[] = [];
  for (const statement of source.statements) {
    if (!ts.isVariableStatement(statement)) continue;
    for (const { name, initializer } of statement.declarationList.declarations) {
      const ids = slips.filter(({ slip }) => slip.constant === name.getText()).map(({ id }) => id);
      if (ids.length === 0 || !initializer) continue;
      const [from, to] = [initializer.getStart(), initializer.getEnd()];
      const reach = to - from + 1;
      const wordAt = statement.declarationList.getStart();
      edits.push({ from: wordAt, to: wordAt + 'const'.length, text: 'let', reach: 0 });
      edits.push({ from, to: from, text: `globalThis.__slips.constant([${ids.join(', ')}], () => (`, reach });
      edits.push({ from: to, to, text: `), (value) => { ${name.getText()} = value; })`, reach: -reach });
    }
  }
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
    if (ts.isIdentifier(node) && names.has(node.text) && isRead(node)) {
      const [from, to] = [node.getStart(), node.getEnd()];
      const before = ts.isShorthandPropertyAssignment(node.parent) ? `${node.text}: ` : '';
      edits.push({
        from,
        to: from,
        text: `${before}globalThis.__slips.reads('${node.text}', `,
        reach: to - from,
      });
      edits.push({ from: to, to, text: ')', reach: from - to });
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return edits;
}

/** Whether a name is read as a value there: not where it is declared, and not as the name of a property. */
function isRead(node: ts.Identifier): boolean {
  const { parent } = node;
  if (ts.isPropertyAccessExpression(parent) || ts.isQualifiedName(parent))
    return 'expression' in parent && parent.expression === node;
  if (ts.isShorthandPropertyAssignment(parent)) return true;
  if (ts.isJsxAttribute(parent) || ts.isJsxOpeningLikeElement(parent) || ts.isJsxClosingElement(parent))
    return false;
  return !('name' in parent && parent.name === node) && !ts.isBindingElement(parent);
}
