/** Small changes of a source text: one sign, comparison, constant, term or choice each, found on its syntax tree. */
import ts from 'typescript';

/** `from` at [start, end) would read `to`. */
export type Change = { start: number; end: number; from: string; to: string };

const S = ts.SyntaxKind;

const OPERATORS: Partial<Record<ts.SyntaxKind, readonly string[]>> = {
  [S.PlusToken]: ['-'],
  [S.MinusToken]: ['+'],
  [S.AsteriskToken]: ['/'],
  [S.SlashToken]: ['*'],
  [S.PercentToken]: ['*'],
  [S.LessThanToken]: ['<=', '>='],
  [S.LessThanEqualsToken]: ['<', '>'],
  [S.GreaterThanToken]: ['>=', '<='],
  [S.GreaterThanEqualsToken]: ['>', '<'],
  [S.EqualsEqualsEqualsToken]: ['!=='],
  [S.ExclamationEqualsEqualsToken]: ['==='],
  [S.AmpersandAmpersandToken]: ['||'],
  [S.BarBarToken]: ['&&'],
  [S.PlusEqualsToken]: ['-='],
  [S.MinusEqualsToken]: ['+='],
};

/** Operators whose right-hand term may be forgotten. */
const TERMS = new Set([S.PlusToken, S.MinusToken, S.AsteriskToken, S.SlashToken, S.QuestionQuestionToken]);

const METHODS: Readonly<Record<string, string>> = {
  min: 'max',
  max: 'min',
  sin: 'cos',
  cos: 'sin',
  floor: 'ceil',
  ceil: 'floor',
  find: 'findLast',
  findLast: 'find',
  findIndex: 'findLastIndex',
  findLastIndex: 'findIndex',
  some: 'every',
  every: 'some',
};

function ofBinary(node: ts.BinaryExpression, text: (n: ts.Node) => string): string[] {
  const [left, right] = [text(node.left), text(node.right)];
  const kind = node.operatorToken.kind;
  const swapped = (OPERATORS[kind] ?? []).map((operator) => `${left} ${operator} ${right}`);
  return TERMS.has(kind) ? [...swapped, left] : swapped;
}

/** Another constant, far enough off to tell. */
function ofNumber(written: string): string[] {
  const value = Number(written.replaceAll('_', ''));
  if (!Number.isFinite(value)) return [];
  return [String(Number.isInteger(value) && Math.abs(value) < 10 ? value + 1 : value * 1.25)];
}

function ofCall(node: ts.CallExpression, text: (n: ts.Node) => string): string[] {
  if (!ts.isPropertyAccessExpression(node.expression)) return [];
  const other = METHODS[node.expression.name.text];
  if (other === undefined) return [];
  const called = text(node.expression);
  const whole = text(node);
  return [`${called.slice(0, called.length - node.expression.name.text.length)}${other}${whole.slice(called.length)}`];
}

/** @param text the source of a node, without comments before it. */
function changesOf(node: ts.Node, text: (n: ts.Node) => string): string[] {
  if (ts.isBinaryExpression(node)) return ofBinary(node, text);
  if (ts.isConditionalExpression(node)) {
    return [`${text(node.condition)} ? ${text(node.whenFalse)} : ${text(node.whenTrue)}`];
  }
  if (ts.isPrefixUnaryExpression(node) && (node.operator === S.MinusToken || node.operator === S.ExclamationToken)) {
    return [text(node.operand)];
  }
  if (ts.isNumericLiteral(node))
    return ts.isPropertyAssignment(node.parent) && node.parent.name === node ? [] : ofNumber(node.text);
  if (node.kind === S.TrueKeyword) return ['false'];
  if (node.kind === S.FalseKeyword) return ['true'];
  return ts.isCallExpression(node) ? ofCall(node, text) : [];
}

/** Every change of a source, types and imports left alone. */
export function changesIn(source: string): Change[] {
  const file = ts.createSourceFile('source.ts', source, ts.ScriptTarget.Latest, true);
  const text = (node: ts.Node): string => node.getText(file);
  const found: Change[] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isTypeAliasDeclaration(node)) return;
    const from = text(node);
    const at = { start: node.getStart(file), end: node.getEnd(), from };
    for (const to of changesOf(node, text)) found.push({ ...at, to });
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

export type Numbered = Change & { id: number };

/** The source with all changes in it, each asleep until `__changed(id)` says that it is the one. */
export function withSwitches(source: string, changes: readonly Numbered[]): string {
  const inside = (start: number, end: number, list: readonly Numbered[]): string => {
    let out = '';
    let at = start;
    while (at < end) {
      const next = outermostAfter(list, at);
      if (!next) break;
      const here = list.filter((c) => c.start === next.start && c.end === next.end);
      const within = list.filter((c) => c.start >= next.start && c.end <= next.end && !here.includes(c));
      const original = `(${inside(next.start, next.end, within)})`;
      out += source.slice(at, next.start);
      out += here.reduce((expression, { id, to }) => `(__changed(${id}) ? (${to}) : ${expression})`, original);
      at = next.end;
    }
    return out + source.slice(at, end);
  };
  return inside(0, source.length, changes);
}

/** The change that begins first from a place on; of those that begin there the widest. */
function outermostAfter(list: readonly Numbered[], at: number): Numbered | undefined {
  return list
    .filter((c) => c.start >= at)
    .sort((a, b) => a.start - b.start || b.end - a.end)
    .at(0);
}
