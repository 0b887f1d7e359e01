import { valueForArray } from './object-slips';
import { refusal, textRepair, type ProgramProblem } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { readBuiltin, readOwnCall } from './arguments';
import { makerOf, methodName } from './classes';
import type { Context } from './context';
import { convert } from './conversions';
import { readExpression, readName } from './expressions';
import { textOf } from './literals';
import { copied } from './pointers';
import type { Expression, Place } from './tree';
import {
  cellsOf,
  isScalar,
  pointerTo,
  typeText,
  type CType,
  type ScalarType,
  type StructType,
} from './types';

export const isText = (node: SyntaxNode): boolean =>
  node.type === 'string_literal' || node.type === 'concatenated_string';

/** Whether an object of a type is made by a function of its class, of the library's or of the program's own. */
export const isConstructed = (type: CType, context: Context): boolean =>
  type.kind === 'struct' &&
  (makerOf(type, context) !== undefined || context.library.has(`${typeText(type)}.new`));

/** `Led(7)`, for a Led. */
const isMakingOf = (type: StructType, call: SyntaxNode): boolean =>
  call.childForFieldName('function')?.text === type.name;

/** What makes an object at its place: its fields as they are at first, then its constructor with what it is given. */
export function constructed(
  place: Place,
  type: StructType,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
  context: Context,
): readonly Expression[] {
  const span = spanOf(node);
  const self: Expression = { node: 'address', place, type: pointerTo(type), span, clock: 'fixed' };
  // A name in the head of a function is read as a type there.
  const read = (one: SyntaxNode): Expression =>
    one.type === 'type_identifier' ? readName(one, context) : readExpression(one, context);
  const builtin = context.library.get(`${typeText(type)}.new`);
  if (builtin) {
    const called = { name: `${typeText(type)}.new`, builtin, before: [self] };
    return [readBuiltin(called, given, node, context, read)];
  }
  const maker = makerOf(type, context) ?? type;
  const signature = context.functions.get(methodName(maker, maker.name));
  if (!signature) {
    context.unsupported(`${type.name} without the body of what makes it`, node);
    return [];
  }
  const fields = type.fields.flatMap((field) =>
    needsMaking(field.type, context)
      ? []
      : firstValues(
          { ...place, address: place.address + field.cell },
          field.type,
          field.preset ?? null,
          node,
          context,
        ),
  );
  return [...fields, readOwnCall(signature, given, node, context, read, self)];
}

/** Whether an object cannot be made without being given something, which the constructor around it does. */
function needsMaking(type: CType, context: Context): boolean {
  if (type.kind !== 'struct') return false;
  const maker = makerOf(type, context) ?? type;
  const own = context.functions.get(methodName(maker, maker.name));
  const makers = own && (context.overloads.get(own.name) ?? [own]);
  if (makers) return makers.every(({ parameters }) => parameters.some(({ preset }) => !preset));
  const builtin = context.library.get(`${typeText(type)}.new`);
  return builtin !== undefined && builtin.required > 1;
}

/** What is stored into every cell of a variable, zero where nothing is given. */
export function firstValues(
  place: Place,
  type: CType,
  valueNode: SyntaxNode | null,
  name: SyntaxNode,
  context: Context,
): readonly Expression[] {
  if (isScalar(type)) {
    const inner = valueNode?.type === 'initializer_list' ? (namedChildren(valueNode)[0] ?? null) : valueNode;
    const value = inner ? convert(readExpression(inner, context), type, context) : zero(name, type);
    return [storeTo(place, type, value, name)];
  }
  const at = (cell: number): Place => ({ ...place, address: place.address + cell });
  if (type.kind === 'struct' && makerOf(type, context)) {
    const isMade = valueNode?.type === 'call_expression' && isMakingOf(type, valueNode);
    if (isMade || !valueNode || valueNode.type === 'initializer_list') {
      const list = isMade ? valueNode.childForFieldName('arguments')! : valueNode;
      return constructed(place, type, list ? namedChildren(list) : [], valueNode ?? name, context);
    }
  }
  if (type.kind === 'struct') {
    if (valueNode && valueNode.type !== 'initializer_list')
      return [
        copied(valueNode, { place, type, constant: false }, readExpression(valueNode, context), context),
      ];
    const values = valueNode ? namedChildren(valueNode) : [];
    return type.fields.flatMap((field, index) =>
      firstValues(at(field.cell), field.type, values[index] ?? field.preset ?? null, name, context),
    );
  }
  if (type.kind !== 'array') return [];
  const { of, length } = type;
  if (valueNode && isText(valueNode) && isScalar(of)) {
    const text = textOf(valueNode);
    return Array.from({ length }, (_, index) => {
      const letter = { ...zero(name, of), value: text.charCodeAt(index) || 0 } as Expression;
      return storeTo(at(index), of, convert(letter, of, context), name);
    });
  }
  if (valueNode && valueNode.type !== 'initializer_list') {
    context.report(valueForArray(valueNode));
    return [];
  }
  const values = valueNode ? namedChildren(valueNode) : [];
  if (valueNode && values.length > length)
    context.report(tooManyValues(name, values.length, length, context));
  return Array.from({ length }, (_, index) =>
    firstValues(at(index * cellsOf(of)), of, values[index] ?? null, name, context),
  ).flat();
}

/** `int steps[2] = {1, 2, 3};` */
function tooManyValues(node: SyntaxNode, given: number, length: number, { root }: Context): ProgramProblem {
  const { line, column } = spanOf(node);
  const name = /\w+/.exec(node.text)?.[0] ?? node.text;
  const text = root.text.split('\n')[line - 1] ?? '';
  const size = new RegExp(`\\b${name}\\s*\\[\\s*(\\d+)\\s*\\]`).exec(text);
  const at = size ? size.index + size[0].lastIndexOf(size[1]!) : -1;
  const remedy = `Write ${given} instead of ${length} in line ${line}.`;
  return refusal(
    'syntax-other',
    { line, column },
    `Line ${line}: ${name} has room for ${length} ${length === 1 ? 'value' : 'values'} and is given ${given}.`,
    [
      `How many values stand between the braces in line ${line}, and how many are there to be?`,
      `Between the brackets stands ${length}, between the braces ${given === 1 ? 'is' : 'are'} ${given} values.`,
      remedy,
    ],
    size && Number(size[1]) === length
      ? textRepair(remedy, { line, column: at + 1, length: size[1]!.length, by: String(given) })
      : undefined,
  );
}

export const zero = (node: SyntaxNode, type: ScalarType): Expression => ({
  node: 'constant',
  value: 0,
  type,
  span: spanOf(node),
  clock: 'fixed',
});

export const storeTo = (place: Place, type: ScalarType, value: Expression, node: SyntaxNode): Expression => ({
  node: 'store',
  place,
  value,
  type,
  span: spanOf(node),
  clock: 'unfollowed',
});
