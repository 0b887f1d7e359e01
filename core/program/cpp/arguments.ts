import { quantity } from '../../findings/finding';
import { textWithBase } from './object-slips';
import { refusal } from '../problem';
import { spanOf, type SyntaxNode } from '../syntax';
import { shownName } from './classes';
import { unreadable, type Context, type FunctionSignature } from './context';
import { convert, unfollowedUnlessFixed, number, scalar } from './conversions';
import { isPlainLambda, nameOfLambda } from './lambdas';
import type { LibraryFunction } from './library';
import { fitting } from './overloads';
import { describe, readPlace, type ReadExpression } from './places';
import type { ClockForm, Expression } from './tree';
import { commonType, integer, pointerTo, promoted, sameType, typeText, VOID, type CType } from './types';

/**
 * A call of a function of the program, of a method with the address of its object, `self`. One that gives a struct
 * leaves it in a place of its own.
 */
export function readOwnCall(
  first: FunctionSignature,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
  context: Context,
  read: ReadExpression,
  self?: Expression,
): Expression {
  const signature = fitting(first, given, context, read);
  const { length } = signature.parameters;
  const required = signature.parameters.filter(({ preset }) => !preset).length;
  if (!countFits(given.length, required, length, shownName(signature.name), node, context))
    return unreadable(node);
  const all = signature.parameters.map(({ preset }, index) => given[index] ?? preset!);
  const span = spanOf(node);
  const type = signature.result;
  const call: Expression = {
    node: 'call',
    target: signature.index,
    arguments: [
      ...(self ? [self] : []),
      ...all.map((argument, index) => readArgument(argument, signature.parameters[index]!, context, read)),
    ],
    type: signature.resultPlace ? VOID : type,
    span,
    // What of the clock is in it has been told when it was worked out, by what the function returns.
    clock: 'fixed',
  };
  if (!signature.resultPlace) return call;
  const second: Expression = { node: 'address', place: signature.resultPlace, type, span, clock: 'fixed' };
  return { node: 'sequence', first: call, second, type, span, clock: 'unfollowed' };
}

/** Whether a call gives as many values as are taken; says so where it does not. */
export function countFits(
  given: number,
  least: number,
  most: number,
  name: string,
  node: SyntaxNode,
  context: Context,
): boolean {
  if (given >= least && given <= most) return true;
  const span = spanOf(node);
  const wanted = least === most ? String(least) : `${least} to ${most}`;
  context.report({
    ...refusal(
      'arguments',
      span,
      `Line ${span.line}: ${name} takes ${wanted} ${most === 1 ? 'value' : 'values'} but gets ${given}.`,
      [
        `How many values are between the parentheses of ${name} in line ${span.line}?`,
        `${name} takes ${wanted}, but line ${span.line} gives ${given}.`,
        given < least
          ? `Add the missing ${least - given === 1 ? 'value' : 'values'} to ${name} in line ${span.line}.`
          : `Take ${given - most} of the values away from ${name} in line ${span.line}.`,
      ],
    ),
    evidence: { takesAtMost: quantity(most, ''), isGiven: quantity(given, '') },
  });
  return false;
}

/** A function of the library, and the object that stands before the dot. */
interface Called {
  readonly name: string;
  readonly builtin: LibraryFunction;
  readonly before: readonly Expression[];
}

export function readBuiltin(
  { name, builtin, before }: Called,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
  context: Context,
  read: ReadExpression,
): Expression {
  const span = spanOf(node);
  const own = before.length;
  const shown = name.replace(/^(?!Serial)\w+\.(?=\w)/, '');
  if (!countFits(given.length, builtin.required - own, builtin.parameters.length - own, shown, node, context))
    return unreadable(node);
  const base = { node: 'builtin', name, builtin, span } as const;
  const isPrinted = name === 'Serial.print' || name === 'Serial.println';
  const values = given.map((argument, index) => {
    const { type } = builtin.parameters[index + own]!;
    if (type === 'routine') return routineNamed(argument, context);
    return type === 'place' ? readWhere(argument, context, read) : read(argument, context);
  });
  const isText = values[0]?.type.kind === 'text' || values[0]?.type.kind === 'string';
  const apart = isPrinted && isText ? textWithBase(name, builtin, given, node) : undefined;
  if (apart) context.report(apart);
  if (builtin.result === 'common') {
    const types = values.map(scalar);
    const type = promoted(
      types.reduce((left, right) => commonType(left, right, context.widths)),
      context.widths,
    );
    const converted = values.map((value) => convert(number(value, context), type, context));
    return { ...base, arguments: converted, type, clock: unfollowedUnlessFixed(...values) };
  }
  const converted = values.map((value, index) => {
    const wanted = builtin.parameters[index + own]!.type;
    if (wanted === 'routine' || wanted === 'place') return value;
    if (wanted !== 'any') return convert(value, wanted, context);
    return value.type.kind === 'void' ? number(value, context) : value;
  });
  const all = [...before, ...converted];
  const clock: ClockForm = builtin.clock ?? unfollowedUnlessFixed(...all);
  return { ...base, arguments: all, type: builtin.result, clock };
}

/** The number of a function of the program that is handed over to be called later. */
function routineNamed(node: SyntaxNode, context: Context): Expression {
  if (node.type === 'lambda_expression' && !isPlainLambda(node)) {
    context.unsupported(describe(node), node);
    return unreadable(node);
  }
  const isNameless = node.type === 'lambda_expression';
  const signature = context.functions.get(isNameless ? nameOfLambda(node) : node.text);
  const int = integer(context.widths.intBits, true);
  if ((node.type === 'identifier' || isNameless) && signature && signature.parameters.length === 0) {
    context.routines.add(signature.name);
    return { node: 'constant', value: signature.index, type: int, span: spanOf(node), clock: 'fixed' };
  }
  const span = spanOf(node);
  if (node.type === 'identifier' && !signature) context.reportUnknown(node.text, node, 'function');
  else
    context.report(
      refusal(
        'arguments',
        span,
        `Line ${span.line}: the name of a function belongs here, without parentheses; “${node.text}” is something else.`,
        [
          `Should the function in line ${span.line} run now, or later?`,
          `With parentheses a function runs at once; here you need only its name, and the function takes no values.`,
          `Write only the function’s name in line ${span.line}.`,
        ],
      ),
    );
  return unreadable(node);
}

/** A value handed to a function: for a reference, where it is. */
function readArgument(
  node: SyntaxNode,
  { type, refers }: FunctionSignature['parameters'][number],
  context: Context,
  read: ReadExpression,
): Expression {
  if (!refers) return convert(read(node, context), type, context);
  const found = readPlace(node, context, read);
  if (!found) return unreadable(node);
  if (!sameType(found.type, type)) {
    const span = spanOf(node);
    const [here, there] = [typeText(type), typeText(found.type)];
    context.report(
      refusal(
        'arguments',
        span,
        `Line ${span.line}: the function can change what it gets here, so it has to be of type ${here}; ${node.text} is of type ${there}.`,
        [
          `What type is ${node.text}, and what type does the function take?`,
          `The function changes a value of type ${here}; ${node.text} is declared as ${there}.`,
          `Declare ${node.text} as ${here}.`,
        ],
      ),
    );
  }
  return { node: 'address', place: found.place, type: pointerTo(type), span: spanOf(node), clock: 'fixed' };
}

/** Whether a type is made of numbers alone, which have a form of their own in the board's memory. */
const isOfNumbers = (type: CType): boolean =>
  type.kind === 'array'
    ? isOfNumbers(type.of)
    : type.kind === 'struct'
      ? type.fields.every((field) => isOfNumbers(field.type))
      : ['integer', 'float', 'bool'].includes(type.kind);

/** Where a value lies, of whatever type of numbers it is. */
function readWhere(node: SyntaxNode, context: Context, read: ReadExpression): Expression {
  const found = readPlace(node, context, read);
  if (!found) return unreadable(node);
  if (!isOfNumbers(found.type)) {
    context.unsupported(`“${node.text}”, which is more than numbers, in memory that stays`, node);
    return unreadable(node);
  }
  return {
    node: 'address',
    place: found.place,
    type: pointerTo(found.type),
    span: spanOf(node),
    clock: 'fixed',
  };
}
