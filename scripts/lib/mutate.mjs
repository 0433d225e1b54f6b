// Faults that a hand can make in one line of TypeScript, for npm run mutants.
import { parseSync } from '@swc/core';

/** What each operator becomes: a comparison or a condition turned, a sign lost. */
const OPERATORS = {
  '<': '>',
  '<=': '>=',
  '>': '<',
  '>=': '<=',
  '===': '!==',
  '!==': '===',
  '&&': '||',
  '||': '&&',
  '+': '-',
  '-': '+',
  '*': '/',
  '/': '*',
};
const MATH = { min: 'max', max: 'min', floor: 'ceil', ceil: 'floor' };
/** Methods whose loss leaves the list as it was: an unfiltered, unsorted, unturned one. */
const LOST = new Set(['filter', 'sort', 'toSorted', 'reverse', 'toReversed', 'slice']);
const TURNED = { some: 'every', every: 'some' };
/** No behaviour: types, imports, and what is told to a person who mends the program. */
const SILENT =
  /^(Ts(TypeAnnotation|Interface|TypeAlias|TypeParameter|LiteralType|EnumDeclaration)|ImportDecl|ExportNamed|ExportAll|ThrowStatement|JSXAttribute)/;

const own = (record, key) => (Object.hasOwn(record, key) ? record[key] : undefined);
const kindOf = (operator) =>
  /^[<>]/.test(operator)
    ? 'bound'
    : /^[!=]/.test(operator)
      ? 'equal'
      : /^[&|]/.test(operator)
        ? 'and, or'
        : 'arithmetic';

/** A number told apart from itself by whatever holds it: a quarter less, one more where it counts something. */
const otherNumber = (value) => (Number.isInteger(value) && Math.abs(value) < 10 ? value + 1 : value * 0.75);

/**
 * All one-line faults of a source, in order.
 * @param {string} source TypeScript, with JSX or without
 * @param {boolean} tsx
 * @returns {{ start: number, end: number, with: string, kind: string, what: string, line: number }[]} `start` and `end`
 *   in UTF-8 bytes; `kind` for choosing among them
 */
export function faultsOf(source, tsx) {
  // The span of a module begins at its first token, so that needs to be at a known place.
  const program = parseSync(`0;${source}`, { syntax: 'typescript', tsx, target: 'es2023' });
  const bytes = Buffer.from(source);
  const base = program.span.start + 2;
  const text = (from, to) => bytes.subarray(from, to).toString();
  const found = [];
  const add = (kind, from, to, replacement, what) => {
    const was = text(from, to);
    if (was.includes('\n') || was.trim() === '') return;
    found.push({ start: from, end: to, with: replacement, kind, what, line: text(0, from).split('\n').length });
  };
  const span = (node) => [node.span.start - base, node.span.end - base];

  const visit = (node) => {
    if (Array.isArray(node)) return node.forEach(visit);
    if (node === null || typeof node !== 'object') return;
    if (typeof node.type === 'string') {
      if (SILENT.test(node.type)) return;
      FAULTS[node.type]?.(node);
    }
    for (const [key, value] of Object.entries(node)) if (key !== 'span') visit(value);
  };

  const turn = (test) => {
    const [from, to] = span(test);
    add('condition', from, to, `!(${text(from, to)})`, 'turns a condition');
  };
  const FAULTS = {
    BinaryExpression(node) {
      const other = own(OPERATORS, node.operator);
      if (!other) return;
      const [from, to] = [span(node.left)[1], span(node.right)[0]];
      const at = text(from, to).indexOf(node.operator);
      if (at < 0 || /[/*]{2}|\/\*/.test(text(from, to))) return;
      const start = from + Buffer.byteLength(text(from, to).slice(0, at));
      add(kindOf(node.operator), start, start + node.operator.length, other, `${node.operator} becomes ${other}`);
    },
    NumericLiteral(node) {
      const other = otherNumber(node.value);
      add('number', ...span(node), String(other), `${node.value} becomes ${other}`);
    },
    BooleanLiteral(node) {
      add('true or false', ...span(node), String(!node.value), `${node.value} becomes ${!node.value}`);
    },
    IfStatement: (node) => turn(node.test),
    ConditionalExpression: (node) => turn(node.test),
    CallExpression(node) {
      const { callee } = node;
      if (callee.type !== 'MemberExpression' || callee.property.type !== 'Identifier') return;
      const name = callee.property.value;
      const property = span(callee.property);
      const other = own(callee.object.value === 'Math' ? MATH : TURNED, name);
      if (other) add('method', ...property, other, `${name} becomes ${other}`);
      else if (LOST.has(name)) add('lost method', span(callee.object)[1], span(node)[1], '', `.${name}(…) is lost`);
    },
    ExpressionStatement(node) {
      if (/^(Call|Assignment|Await|Update)Expression$/.test(node.expression.type))
        add('lost statement', ...span(node), 'void 0;', 'a statement is lost');
    },
  };
  visit(program.body.slice(1));
  return found;
}

/** The source with a fault in it. */
export function withFault(source, fault) {
  const bytes = Buffer.from(source);
  return Buffer.concat([bytes.subarray(0, fault.start), Buffer.from(fault.with), bytes.subarray(fault.end)]).toString();
}
