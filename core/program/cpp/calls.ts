import { arrowForDot, calledVariable, classForObject, functionOfNumber } from './object-slips';
import { refusal, textRepair } from '../problem';
import { namedChildren, spanOf, type SyntaxNode } from '../syntax';
import { inherited, mayUse, shownName } from './classes';
import { countFits, readBuiltin, readOwnCall } from './arguments';
import { unreadable, type Context } from './context';
import { convert, number } from './conversions';
import { readMacro } from './definitions';

import { changesText } from './library';
import { nearest } from '../names';

import { describe, findPlace, loadOf, reportNoField, type ReadExpression } from './places';
import type { Expression } from './tree';
import {
  pointerTo,
  typeNamed,
  typeText,
  typeWords,
  isScalar,
  type ScalarType,
  type StructType,
} from './types';

export function readCall(node: SyntaxNode, context: Context, read: ReadExpression): Expression {
  const callee = node.childForFieldName('function')!;
  const given = namedChildren(node.childForFieldName('arguments')!);
  if (callee.type === 'field_expression' && callee.childForFieldName('argument')!.text !== 'Serial') {
    const method = readMethod(callee, given, node, context, read);
    if (method) return method;
  }
  const isType =
    callee.type === 'primitive_type' || (callee.type === 'identifier' && typeWords.has(callee.text));
  if (isType && callee.text !== 'String') {
    const type = typeNamed(callee.text, context.widths);
    if (type && type.kind !== 'void' && given.length === 1)
      return convert(number(read(given[0]!, context), context), type, context, 'asked');
  }
  const wanted = castTo(callee, context);
  if (wanted && given.length === 1)
    return convert(number(read(given[0]!, context), context), wanted, context, 'asked');
  const name = calleeName(callee, node, context);
  if (name === undefined) return unreadable(node);
  if (!isCallable(name, callee, context)) return unreadable(node);
  // In a method, another one of its class is called by its name alone.
  const own = context.owner && inherited(context.owner.type, name, context.functions);
  if (own && context.owner)
    return readOwnCall(own, given, node, context, read, selfOf(context.owner, callee));
  const signature = context.functions.get(name);
  if (signature) return readOwnCall(signature, given, node, context, read);
  const macro = context.macros.get(name);
  if (macro) {
    const { length } = macro.parameters;
    return countFits(given.length, length, length, name, node, context)
      ? readMacro(node, macro, given, context, read)
      : unreadable(node);
  }
  const builtin = context.library.get(name);
  if (builtin && !isMethod(name))
    return readBuiltin({ name, builtin, before: [] }, given, node, context, read);
  const variable = context.scope.find(name);
  if (variable && !context.taken.has(name)) {
    context.report(calledVariable(callee, node, node.childForFieldName('arguments')!, variable.type));
    return unreadable(node);
  }
  context.reportUnknown(name, callee, 'function');
  // What is handed to a function that nobody has read may be right.
  if (!context.isInUnread(name)) for (const argument of given) read(argument, context);
  return unreadable(node);
}

/**
 * `(State)(s - 1)`, `State(s - 1)` and `static_cast<State>(s - 1)`: the type that a value is made one of; `undefined`
 * for a call.
 */
function castTo(callee: SyntaxNode, context: Context): ScalarType | undefined {
  const written = /^static_cast\s*<([\w\s:]+)>$/.exec(callee.text)?.[1]?.trim();
  if (written !== undefined) {
    const type = typeNamed(written, context.widths, context.types);
    return type && isScalar(type) ? type : undefined;
  }
  const inner = callee.type === 'parenthesized_expression' ? namedChildren(callee)[0] : callee;
  if (!inner || (inner === callee && !context.types.has(callee.text))) return undefined;
  if (context.scope.find(inner.text)) return undefined;
  const type = typeNamed(inner.text, context.widths, context.types);
  return type && isScalar(type) ? type : undefined;
}

/** Whether a name is a function where it is called: a variable of the same name hides it. */
function isCallable(name: string, callee: SyntaxNode, context: Context): boolean {
  const hiding = context.scope.find(name);
  if (!hiding || context.taken.has(name)) return true;
  if (!context.library.has(name) && !context.functions.has(name)) return true;
  const span = spanOf(callee);
  context.report(
    refusal(
      'name-redeclared',
      span,
      `Line ${span.line}: “${name}” is a variable here, declared in line ${hiding.span.line}. It can’t be called like a function.`,
      [
        `What is ${name} in line ${hiding.span.line}, and what is it in line ${span.line}?`,
        `Line ${hiding.span.line} makes ${name} a variable. That hides the function ${name}.`,
        `Give the variable in line ${hiding.span.line} another name, everywhere it is used.`,
      ],
    ),
  );
  return false;
}

/** Whether a name of the library is a method, which nobody calls without its object. */
const isMethod = (name: string): boolean => name.includes('.') && !/^(?:Serial|EEPROM)\./.test(name);

/** A method of a text or of an object of the library; `undefined` when the callee is none. */
function readMethod(
  callee: SyntaxNode,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
  context: Context,
  read: ReadExpression,
): Expression | undefined {
  const owner = callee.childForFieldName('argument')!;
  const member = callee.childForFieldName('field')!;
  const isPointer = callee.childForFieldName('operator')?.text === '->';
  const isCall =
    owner.type === 'call_expression' ||
    owner.type === 'binary_expression' ||
    owner.type === 'parenthesized_expression';
  const found = isPointer ? undefined : findPlace(owner, context, read);
  const value = found || !(isPointer || isCall) ? undefined : read(owner, context);
  const type = found?.type ?? (isPointer && value?.type.kind === 'pointer' ? value.type.to : value?.type);
  const span = spanOf(owner);
  const whereItLies = (): Expression | undefined =>
    found && type
      ? { node: 'address', place: found.place, type: pointerTo(type), span, clock: 'fixed' }
      : isPointer
        ? value
        : undefined;
  if (type?.kind === 'struct' && !type.isLibrary)
    return readOwnMethod(type, member, whereItLies(), given, node, context, read);
  if (type?.kind !== 'string' && type?.kind !== 'struct') return undefined;
  const className = typeText(type);
  const full = `${className}.${member.text}`;
  const builtin = context.library.get(full);
  if (!builtin) {
    reportNoMethod(className, member, context);
    for (const argument of given) read(argument, context);
    return unreadable(node);
  }
  const self =
    type.kind === 'string' && !changesText(full)
      ? (value ?? loadOf(owner, found!.place, type))
      : whereItLies();
  if (!self) {
    context.unsupported(describe(callee), callee);
    return unreadable(node);
  }
  return readBuiltin({ name: full, builtin, before: [self] }, given, node, context, read);
}

/** A method of an object of the program's own class; `undefined` where the class has no methods. */
function readOwnMethod(
  type: StructType,
  member: SyntaxNode,
  self: Expression | undefined,
  given: readonly SyntaxNode[],
  node: SyntaxNode,
  context: Context,
  read: ReadExpression,
): Expression | undefined {
  const head = inherited(type, member.text, context.methods);
  const signature = inherited(type, member.text, context.functions);
  if (head && !signature) {
    context.unsupported(`${member.text} of ${type.name}, which has no body,`, node);
    return unreadable(node);
  }
  if (!head || !signature || !self) {
    const known = [...context.methods].flatMap(([name, { owner }]) =>
      owner.name === type.name && shownName(name) !== type.name ? [{ name: shownName(name) }] : [],
    );
    if (known.length === 0) return undefined;
    if (head) context.unsupported(describe(node), node);
    else reportNoField(member, type.name, known, context);
    return unreadable(node);
  }
  if (!mayUse(member, head.owner, head, context)) return unreadable(node);
  return readOwnCall(signature, given, node, context, read, self);
}

/** The address of the object whose method is being resolved. */
const selfOf = ({ type, self }: NonNullable<Context['owner']>, node: SyntaxNode): Expression =>
  loadOf(node, self, pointerTo(type));

/** A method that a class of the library does not have. */
function reportNoMethod(className: string, member: SyntaxNode, context: Context): void {
  const span = spanOf(member);
  const known = [...context.library.keys()]
    .filter((name) => name.startsWith(`${className}.`) && !name.endsWith('.new'))
    .map((name) => name.slice(className.length + 1));
  const otherCase = known.find((name) => name.toLowerCase() === member.text.toLowerCase());
  const near = otherCase ?? nearest(member.text, known);
  if (near === undefined) {
    context.unsupported(`“${member.text}” of ${className}`, member);
    return;
  }
  context.report(
    refusal(
      otherCase === undefined ? 'name-unknown' : 'name-case',
      span,
      `Line ${span.line}: “${member.text}” is not known; “${near}” is.${otherCase === undefined ? '' : ' Capitals count.'}`,
      [
        `Compare “${member.text}” in line ${span.line} with an example, letter by letter. Are they the same?`,
        `${className} has “${near}”, not “${member.text}”.`,
        `Write ${near} in line ${span.line}.`,
      ],
      textRepair(`Write ${near} instead of ${member.text} in line ${span.line}.`, {
        line: span.line,
        column: span.column,
        length: member.text.length,
        by: near,
      }),
    ),
  );
}

/** `digitalWrite`, `Serial.print`; reports what is no callable name. */
function calleeName(callee: SyntaxNode, call: SyntaxNode, context: Context): string | undefined {
  if (callee.type === 'identifier') return callee.text;
  if (callee.type !== 'field_expression') {
    context.unsupported(describe(callee), callee);
    return undefined;
  }
  const object = callee.childForFieldName('argument')!;
  const member = callee.childForFieldName('field')!;
  const full = `${object.text}.${member.text}`;
  const variable = context.scope.find(object.text);
  const asObject = variable ? undefined : classForObject(object, context);
  const isIncluded = object.text !== 'EEPROM' || context.headers.has('EEPROM');
  if (context.library.has(full) && !isMethod(full) && isIncluded) {
    const arrow = arrowForDot(callee);
    if (arrow) context.report(arrow);
    return arrow ? undefined : full;
  }
  if (object.text === 'Serial' || (object.text === 'EEPROM' && isIncluded))
    reportNoMethod(object.text, member, context);
  else if (object.text.toLowerCase() !== 'serial' && variable)
    if (isScalar(variable.type)) context.report(functionOfNumber(object, member, call, variable.type));
    else context.unsupported(describe(callee), callee);
  else if (asObject) {
    if (!context.isToldOf(object.text)) context.report(asObject);
    context.silence(object.text);
  } else context.reportUnknown(object.text, object, 'object');
  return undefined;
}
