import { functionOfObjectSet } from './object-slips';
import type { Repair } from '../../findings/finding';
import { quantity } from '../../findings/finding';
import { refusal, textRepair, type ProgramProblem } from '../problem';
import { namedChildren, nodesIn, spanOf, type SyntaxNode } from '../syntax';
import { inherited, mayUse } from './classes';
import type { Context } from './context';
import { functionAsValue } from './function-as-value';
import type { Variable } from './scope';
import type { Expression, Place } from './tree';
import { cellsOf, isScalar, pointerTo, typeText, type CType, type PointerType } from './types';

/** Reads an expression; handed in, since places and expressions stand inside each other. */
export type ReadExpression = (node: SyntaxNode, context: Context) => Expression;

/** A value that can be changed or pointed to. */
export interface Found {
  readonly place: Place;
  readonly type: CType;
  /** Whether it may not be changed. */
  readonly constant: boolean;
}

/** The place that an expression names, and nothing said when it names none. */
export function findPlace(node: SyntaxNode, context: Context, read: ReadExpression): Found | undefined {
  switch (node.type) {
    case 'parenthesized_expression': {
      const [inner] = namedChildren(node);
      return inner && findPlace(inner, context, read);
    }
    case 'identifier': {
      const variable = context.scope.find(node.text);
      return variable && { ...seatOf(variable, node), constant: variable.constant };
    }
    case 'subscript_expression':
      return elementOf(node, context, read);
    case 'field_expression':
      return fieldOf(node, context, read);
    case 'pointer_expression': {
      if (node.childForFieldName('operator')?.text !== '*') return undefined;
      const pointer = read(node.childForFieldName('argument')!, context);
      return pointer.type.kind === 'pointer' ? behind(pointer, pointer.type, node.text) : undefined;
    }
    default:
      return undefined;
  }
}

/** Where a variable's value is: its own cell, or what it refers to. */
function seatOf(variable: Variable, node: SyntaxNode): { readonly place: Place; readonly type: CType } {
  if (!variable.refers) return { place: variable.place, type: variable.type };
  const holder = loadOf(node, variable.place, pointerTo(variable.type));
  return {
    place: { area: 'frame', address: 0, through: holder, steps: [], name: variable.name },
    type: variable.type,
  };
}

/** What a pointer points to. */
const behind = (pointer: Expression, { to }: PointerType, name: string): Found => ({
  place: { area: 'frame', address: 0, through: pointer, steps: [], name },
  type: to,
  constant: false,
});

function elementOf(node: SyntaxNode, context: Context, read: ReadExpression): Found | undefined {
  const base = node.childForFieldName('argument')!;
  const indices = node.childForFieldName('indices');
  const indexNode = indices ? namedChildren(indices)[0] : undefined;
  if (!indexNode) return undefined;
  const found = findPlace(base, context, read);
  if (found?.type.kind === 'array') {
    const { of, length } = found.type;
    const index = read(indexNode, context);
    return {
      ...found,
      place: { ...found.place, steps: [...found.place.steps, { index, length, cells: cellsOf(of) }] },
      type: of,
    };
  }
  if (!found && base.type === 'identifier') return undefined;
  const pointer = found ? loadOf(base, found.place, found.type) : read(base, context);
  if (pointer.type.kind !== 'pointer') return undefined;
  const seat = behind(pointer, pointer.type, base.text);
  const index = read(indexNode, context);
  const step = { index, length: undefined, cells: cellsOf(pointer.type.to) };
  return { ...seat, place: { ...seat.place, steps: [step] } };
}

function fieldOf(node: SyntaxNode, context: Context, read: ReadExpression): Found | undefined {
  const owner = node.childForFieldName('argument')!;
  const name = node.childForFieldName('field')!;
  let found = findPlace(owner, context, read) ?? given(owner, context, read);
  if (node.childForFieldName('operator')?.text === '->') {
    const pointer = found ? loadOf(owner, found.place, found.type) : read(owner, context);
    found = pointer.type.kind === 'pointer' ? behind(pointer, pointer.type, owner.text) : undefined;
  }
  if (found?.type.kind === 'array' && found.type.of.kind === 'struct') {
    context.report(fieldOfList(node, name.text, found.type));
    return undefined;
  }
  if (found?.type.kind !== 'struct') return undefined;
  const field = found.type.fields.find((candidate) => candidate.name === name.text);
  if (!field) {
    const method = inherited(found.type, name.text, context.methods);
    const called = found.type.isLibrary ? functionOfObjectSet(name, found.type.name, context) : undefined;
    if (called) context.report(called);
    else if (method) context.report(functionAsValue(name.text, spanOf(name), takesNothing(method.node)));
    else reportNoField(name, found.type.name, found.type.isLibrary ? [] : found.type.fields, context);
    return undefined;
  }
  if (!mayUse(name, found.type, field, context)) return undefined;
  const { place } = found;
  return { ...found, place: { ...place, address: place.address + field.cell }, type: field.type };
}

/** `players.button`: a whole list has no fields, its entries have. */
function fieldOfList(
  node: SyntaxNode,
  field: string,
  { of, length }: Extract<CType, { kind: 'array' }>,
): ProgramProblem {
  const span = spanOf(node);
  const list = node.childForFieldName('argument')!.text;
  const told = refusal(
    'syntax-other',
    span,
    `Line ${span.line}: ${list} is a list of ${length}, each of them a ${typeText(of)}. Only one of them has “${field}”.`,
    [
      `How many things are in ${list}?`,
      `Line ${span.line} takes ${field} of the whole list ${list}.`,
      `Say which one is meant, as in ${list}[0].${field}.`,
    ],
  );
  return { ...told, evidence: { entries: quantity(length, '') } };
}

/** Whether the head of a function has nothing between its parentheses. */
const takesNothing = (definition: SyntaxNode): boolean => {
  const list = nodesIn(definition).find(({ type }) => type === 'parameter_list');
  return list !== undefined && namedChildren(list).length === 0;
};

/** The place of a struct that a function has just given. */
function given(node: SyntaxNode, context: Context, read: ReadExpression): Found | undefined {
  if (node.type !== 'call_expression') return undefined;
  const value = read(node, context);
  if (value.type.kind !== 'struct') return undefined;
  const place: Place = { area: 'frame', address: 0, through: value, steps: [], name: node.text };
  return { place, type: value.type, constant: true };
}

export function reportNoField(
  node: SyntaxNode,
  owner: string,
  fields: readonly { readonly name: string }[],
  context: Context,
): void {
  const span = spanOf(node);
  const known = fields.map((field) => field.name);
  const otherCase = known.find((name) => name.toLowerCase() === node.text.toLowerCase());
  context.report(
    refusal(
      otherCase === undefined ? 'name-unknown' : 'name-case',
      span,
      known.length === 0
        ? `Line ${span.line}: a ${owner} has no “${node.text}”.`
        : `Line ${span.line}: ${owner} has no “${node.text}”; it has ${known.map((name) => `“${name}”`).join(', ')}.`,
      known.length === 0
        ? [
            `What can a ${owner} be asked to do?`,
            `Nothing of a ${owner} is called ${node.text}.`,
            `Look up in line ${span.line} what belongs behind the dot.`,
          ]
        : [
            `What is declared between the braces of ${owner}?`,
            `${owner} has ${known.join(', ')}, not ${node.text}.`,
            otherCase === undefined
              ? `Use one of ${known.join(', ')} in line ${span.line}, or add ${node.text} to ${owner}.`
              : `Write ${otherCase} in line ${span.line}.`,
          ],
      otherCase === undefined
        ? undefined
        : textRepair(`Write ${otherCase} instead of ${node.text} in line ${span.line}.`, {
            line: span.line,
            column: span.column,
            length: node.text.length,
            by: otherCase,
          }),
    ),
  );
}

/** The value at a place. An array counts as a pointer to its first element, as in all of the language. */
export function loadOf(node: SyntaxNode, place: Place, type: CType): Expression {
  const span = spanOf(node);
  if (type.kind === 'array')
    return { node: 'address', place, type: pointerTo(type.of), span, clock: 'fixed' };
  // A struct is worth its place; whoever takes it whole copies from there.
  return { node: isScalar(type) ? 'load' : 'address', place, type, span, clock: 'fixed' };
}

/** The place that is to be changed or pointed to; says what is wrong when there is none. */
export function readPlace(node: SyntaxNode, context: Context, read: ReadExpression): Found | undefined {
  const before = context.problems.length;
  const found = findPlace(node, context, read);
  if (found || context.problems.length > before) return found;
  let root = node;
  let isOfField = false;
  while (ENDS_IN_NAME.has(root.type)) {
    isOfField ||= root.type === 'field_expression';
    root = root.childForFieldName('argument') ?? namedChildren(root)[0]!;
  }
  // A function or a class with a point behind it is another trouble.
  const isOther =
    isOfField && [context.functions, context.library, context.types].some((known) => known.has(root.text));
  const isName = root.type === 'identifier' && !context.scope.find(root.text) && !isOther;
  if (!isName) context.unsupported(describe(node), node);
  else if (context.constants.has(root.text) || context.definitions.has(root.text))
    reportConstant(root, context);
  else context.reportUnknown(root.text, root, 'value');
  return undefined;
}

/** What is read of something that has a name: one of its values, one of its fields. */
const ENDS_IN_NAME: ReadonlySet<string> = new Set([
  'subscript_expression',
  'field_expression',
  'parenthesized_expression',
]);

/** What makes a variable of a constant: its declaration without the word that says so. */
function withoutConst(name: string, { root }: Context): Repair | undefined {
  const lines = root.text.split('\n');
  const pattern = new RegExp(`\\b(const|constexpr)\\s+(?:\\w+\\s+)+${name}\\b`);
  const at = lines.findIndex((text) => pattern.test(text));
  const found = pattern.exec(lines[at] ?? '');
  if (!found) return undefined;
  const word = found[1]!;
  return textRepair(`Remove ${word} from line ${at + 1}.`, {
    line: at + 1,
    column: found.index + 1,
    length: word.length + 1,
    by: '',
  });
}

/** A constant that gets a new value; `assignment`: the whole of it, where it is one. */
export function reportConstant(node: SyntaxNode, context: Context, assignment?: SyntaxNode): void {
  const span = spanOf(node);
  const level = assignment?.childForFieldName('right')?.text ?? '';
  // What is meant is the pin of that number.
  const by = /^(?:HIGH|LOW)$/.test(level) ? `digitalWrite(${node.text}, ${level})` : undefined;
  const remedy = by && `Write ${by} instead of ${assignment!.text} in line ${span.line}.`;
  context.report(
    refusal(
      'syntax-other',
      span,
      `Line ${span.line}: “${node.text}” is a constant and cannot be changed.${by ? ` It is the number of a pin; digitalWrite switches the pin.` : ''}`,
      [
        by
          ? `What does ${node.text} stand for: what the pin does, or its number?`
          : `Is “${node.text}” meant to change while the program runs?`,
        `“${node.text}” is constant, but line ${span.line} gives it a new value.`,
        remedy ??
          `Use another variable in line ${span.line}, or remove const where ${node.text} is declared.`,
      ],
      remedy && by
        ? textRepair(remedy, { line: span.line, column: span.column, length: assignment!.text.length, by })
        : withoutConst(node.text, context),
    ),
  );
}

export const describe = (node: SyntaxNode): string => `“${node.text.split('\n')[0]!.slice(0, 30)}”`;
