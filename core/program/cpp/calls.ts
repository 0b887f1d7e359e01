import { refusal, textRepair } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { unreadable, type Context, type FunctionSignature } from './context';
import { convert, number, scalar, unfollowedUnlessFixed } from './conversions';
import { readMacro } from './definitions';
import type { BuiltinName, BuiltinSignature } from './library';
import { describe, readPlace, type ReadExpression } from './places';
import type { ClockForm, Expression } from './tree';
import { commonType, pointerTo, promoted, sameType, typeNamed, typeText, typeWords } from './types';

export function readCall(node: SyntaxNode, context: Context, read: ReadExpression): Expression {
  const callee = node.childForFieldName('function')!;
  const given = namedChildren(node.childForFieldName('arguments')!);
  if (callee.type === 'primitive_type' || (callee.type === 'identifier' && typeWords.has(callee.text))) {
    const type = typeNamed(callee.text, context.widths);
    if (type && type.kind !== 'void' && given.length === 1)
      return convert(number(read(given[0]!, context), context), type, context);
  }
  const name = calleeName(callee, context);
  if (name === undefined) return unreadable(node);
  const signature = context.functions.get(name);
  if (signature) {
    if (
      !countFits(given.length, signature.parameters.length, signature.parameters.length, name, node, context)
    )
      return unreadable(node);
    const values = given.map((argument, index) =>
      readArgument(argument, signature.parameters[index]!, context, read),
    );
    return {
      node: 'call',
      target: signature.index,
      arguments: values,
      type: signature.result,
      span: spanOf(node),
      clock: 'unfollowed',
    };
  }
  const macro = context.macros.get(name);
  if (macro) {
    const { length } = macro.parameters;
    return countFits(given.length, length, length, name, node, context)
      ? readMacro(node, macro, given, context, read)
      : unreadable(node);
  }
  const builtin = context.library.get(name as BuiltinName);
  if (builtin) return readBuiltin(name as BuiltinName, builtin, given, node, context, read);
  context.reportUnknown(name, callee, 'function');
  for (const argument of given) read(argument, context);
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
        `Line ${span.line}: what is handed over here may be changed, so it has to be of the type ${here}; ${node.text} is of the type ${there}.`,
        [
          `Of which type is ${node.text}, and which one does the function take?`,
          `The function changes a value of the type ${here}; ${node.text} is declared as ${there}.`,
          `Declare ${node.text} as ${here}.`,
        ],
      ),
    );
  }
  return { node: 'address', place: found.place, type: pointerTo(type), span: spanOf(node), clock: 'fixed' };
}

/** `digitalWrite`, `Serial.print`; reports what is no callable name. */
function calleeName(callee: SyntaxNode, context: Context): string | undefined {
  if (callee.type === 'identifier') return callee.text;
  if (callee.type !== 'field_expression') {
    context.unsupported(describe(callee), callee);
    return undefined;
  }
  const object = callee.childForFieldName('argument')!;
  const member = callee.childForFieldName('field')!;
  const full = `${object.text}.${member.text}`;
  if (context.library.has(full as BuiltinName)) return full;
  if (object.text !== 'Serial' && object.text.toLowerCase() !== 'serial') {
    if (context.scope.find(object.text)) context.unsupported(describe(callee), callee);
    else context.reportUnknown(object.text, object, 'object');
    return undefined;
  }
  if (object.text !== 'Serial') context.reportUnknown(object.text, object, 'object');
  else {
    const known = [...context.library.keys()]
      .filter((key) => key.startsWith('Serial.'))
      .map((key) => key.slice(7));
    const match = known.find((candidate) => candidate.toLowerCase() === member.text.toLowerCase());
    if (match === undefined) context.unsupported(`“${full}”`, callee);
    else {
      const span = spanOf(member);
      context.report(
        refusal(
          'name-case',
          span,
          `Line ${span.line}: “${member.text}” is not known; “${match}” is. Capitals count.`,
          [
            `Compare the capitals of “${full}” in line ${span.line} with an example. Are they the same?`,
            `The board knows “${match}”, not “${member.text}”.`,
            `Write Serial.${match} in line ${span.line}.`,
          ],
          textRepair(`Write ${match} instead of ${member.text} in line ${span.line}.`, {
            line: span.line,
            column: span.column,
            length: member.text.length,
            by: match,
          }),
        ),
      );
    }
  }
  return undefined;
}

function countFits(
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
  context.report(
    refusal(
      'arguments',
      span,
      `Line ${span.line}: ${name} takes ${wanted} ${most === 1 ? 'value' : 'values'} and is given ${given}.`,
      [
        `How many values stand between the parentheses of ${name} in line ${span.line}?`,
        `${name} takes ${wanted}; line ${span.line} gives ${given}.`,
        given < least
          ? `Add the missing ${least - given === 1 ? 'value' : 'values'} to ${name} in line ${span.line}.`
          : `Take ${given - most} of the values away from ${name} in line ${span.line}.`,
      ],
    ),
  );
  return false;
}

function readBuiltin(
  name: BuiltinName,
  signature: BuiltinSignature,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
  context: Context,
  read: ReadExpression,
): Expression {
  const span = spanOf(node);
  if (!countFits(given.length, signature.required, signature.parameters.length, name, node, context))
    return unreadable(node);
  const values = given.map((argument) => read(argument, context));
  if (signature.result === 'common') {
    const types = values.map(scalar);
    const type = promoted(
      types.reduce((left, right) => commonType(left, right, context.widths)),
      context.widths,
    );
    return {
      node: 'builtin',
      name,
      arguments: values.map((value) => convert(value, type, context)),
      type,
      span,
      clock: unfollowedUnlessFixed(...values),
    };
  }
  const converted = values.map((value, index) => {
    const wanted = signature.parameters[index]!.type;
    if (wanted !== 'any') return convert(value, wanted, context);
    return value.type.kind === 'void' ? number(value, context) : value;
  });
  const clock: ClockForm =
    name === 'millis' ? 'millis' : name === 'micros' ? 'micros' : unfollowedUnlessFixed(...converted);
  return { node: 'builtin', name, arguments: converted, type: signature.result, span, clock };
}
