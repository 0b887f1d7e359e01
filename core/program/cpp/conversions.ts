import { figure } from '../../units';
import { refusal, warning, type ProgramProblem } from '../problem';
import type { Span } from '../syntax';
import { makerOf } from './classes';
import type { Context } from './context';
import { textForNumber } from './quote-slips';
import type { ClockForm, Expression } from './tree';
import {
  conversionTo,
  cut,
  integer,
  integerRange,
  isScalar,
  isTextual,
  pointerTo,
  sameType,
  typeText,
  type CType,
  type ScalarType,
} from './types';

/** The scalar type of a value; text and nothing have none and count as `int` after a report. */
export const scalar = (value: Expression): ScalarType =>
  isScalar(value.type) ? value.type : integer(16, true);

export function number(value: Expression, context: Context): Expression {
  return isTextual(value.type) || value.type.kind === 'void'
    ? convert(value, integer(context.widths.intBits, true), context)
    : value;
}

/** The same value as another type; nothing is done when it has that type already. */
export function convert(
  value: Expression,
  type: CType,
  context: Context,
  way: 'implied' | 'asked' = 'implied',
): Expression {
  if (sameType(value.type, type) || type.kind === 'void') return value;
  // What a class is made of by itself may be a number; what only has fields is none.
  if (type.kind === 'struct' && isScalar(value.type) && !type.isLibrary && !makerOf(type, context)) {
    reportKind(value, type, context);
    return { node: 'constant', value: 0, type, span: value.span, clock: 'fixed' };
  }
  if (type.kind === 'string' && (isScalar(value.type) || isLetters(value.type)))
    return {
      node: 'convert',
      value,
      type,
      span: value.span,
      clock: value.clock === 'fixed' ? 'fixed' : 'unfollowed',
    };
  if (type.kind === 'pointer') {
    if (value.node === 'text' && isLetters(type)) return storedText(value, context);
    // One of several texts.
    if (value.node === 'choose' && value.type.kind === 'text' && isLetters(type))
      return {
        ...value,
        yes: convert(value.yes, type, context),
        no: convert(value.no, type, context),
        type,
      };
    const isNone = value.node === 'constant' && value.value === 0;
    const isVoid =
      value.type.kind === 'pointer' && (value.type.to.kind === 'void' || type.to.kind === 'void');
    if (isNone || isVoid || (isLetters(type) && isLetters(value.type))) return { ...value, type };
  }
  if (type.kind === 'bool' && value.type.kind === 'pointer')
    return { node: 'convert', value, type, span: value.span, clock: value.clock };
  if (type.kind === 'pointer' || value.type.kind === 'pointer' || !isScalar(value.type)) {
    if (value.type.kind !== 'void') {
      reportKind(value, type, context);
      return { node: 'constant', value: 0, type, span: value.span, clock: 'fixed' };
    }
  }
  if (value.node === 'text' && !isTextual(type)) {
    context.report(textForNumber(quoted(value), (name) => context.constants.has(name)));
    return { node: 'constant', value: 0, type, span: value.span, clock: 'fixed' };
  }
  if (isTextual(type) !== isTextual(value.type) || value.type.kind === 'void') {
    const given = value.type.kind === 'void' ? 'nothing' : isTextual(value.type) ? 'a text' : 'a number';
    context.report(
      refusal(
        'arguments',
        value.span,
        `Line ${value.span.line}: this should be ${isTextual(type) ? 'a text' : 'a number'}, but it gives ${given}.`,
        [
          `What does line ${value.span.line} pass here: a number, a text, or nothing?`,
          `At column ${value.span.column} of line ${value.span.line} there is something that gives ${given}.`,
          `Put ${isTextual(type) ? 'a text' : 'a number'} at column ${value.span.column} of line ${value.span.line}.`,
        ],
      ),
    );
    return { node: 'constant', value: 0, type, span: value.span, clock: 'fixed' };
  }
  if (value.node === 'constant') {
    const held = conversionTo(type)(cut(value.value, type));
    if (way === 'implied') checkFits(value, held, type, context);
    return { ...value, value: held, type };
  }
  const keeps =
    type.kind === 'integer' && type.bits === 32 && value.type.kind === 'integer' && value.type.bits === 32;
  return {
    node: 'convert',
    value,
    type,
    ...(way === 'implied' && mayNotFit(value, type) ? { checked: true as const } : {}),
    span: value.span,
    clock: keeps || value.clock === 'fixed' ? value.clock : 'unfollowed',
  };
}

/** How letters are written that are no letters: a line break, a tab. */
const ESCAPES: Readonly<Record<string, string>> = {
  '\n': '\\n',
  '\r': '\\r',
  '\t': '\\t',
  '\0': '\\0',
  '\\': '\\\\',
  '"': '\\"',
};

/** A text as it stands in the program. */
export function quoted({ value, span }: Extract<Expression, { node: 'text' }>) {
  const written = `"${[...value].map((letter) => ESCAPES[letter] ?? letter).join('')}"`;
  return { inner: written.slice(1, -1), written, span };
}

/** Says so when a number is larger than its type holds; going round below zero is a way of writing things. */
function checkFits(
  { value, type: given, span }: Extract<Expression, { node: 'constant' }>,
  held: number,
  type: CType,
  context: Context,
): void {
  if (type.kind !== 'integer' || Number.isNaN(value)) return;
  if (!Number.isInteger(value)) context.report(cutOff(value, held, span));
  if (held === Math.trunc(value)) return;
  const [least, most] = integerRange(type);
  // A pattern of bits, 0xFFFF, is meant as one; so is -1 for “all of them”.
  const isPattern = given.kind === 'integer' && !given.signed && value < 2 ** type.bits;
  if (isPattern || (!type.signed && value < 0)) return;
  context.report(
    warning(
      'number-overflow',
      'fault',
      span,
      `Line ${span.line}: ${figure(value)} does not fit: the type ${typeText(type)} holds ${figure(least)} to ${figure(most)} on this board. It becomes ${figure(held)}.`,
      [
        `What numbers can the type ${typeText(type)} hold on this board?`,
        `${figure(value)} in line ${span.line} is too large for it and becomes ${figure(held)}.`,
        `Use the type ${type.bits < 16 ? 'int' : 'long'} in line ${span.line}, or a smaller number.`,
      ],
    ),
  );
}

/** A fraction that is given where a whole number is wanted. */
function cutOff(value: number, held: number, span: Span): ProgramProblem {
  const { line } = span;
  return warning(
    'integer-division',
    // What comes to nothing does nothing.
    held === 0 ? 'fault' : 'advice',
    span,
    `Line ${line}: a whole number is wanted here. ${figure(value)} is cut to ${held}.`,
    [
      `Are decimals possible where ${figure(value)} stands in line ${line}?`,
      `${figure(value)} becomes ${held} in line ${line}; what stands behind the point is lost.`,
      `Write a whole number in line ${line}; a delay is given in milliseconds, and half a second is 500 of them.`,
    ],
  );
}

/** Whether the value of an expression may be larger than a narrower type holds, and nobody meant it so. */
function mayNotFit(value: Expression, type: CType): boolean {
  if (type.kind !== 'integer' || value.type.kind !== 'integer' || value.type.bits <= type.bits) return false;
  const isBits =
    value.node === 'complement' ||
    (value.node === 'binary' && ['&', '|', '^', '<<', '>>', '%'].includes(value.operator));
  // The clock, what may come of it in a function, and what is read from the line go round on purpose.
  const isOnPurpose =
    value.clock !== 'fixed' ||
    value.node === 'call' ||
    (value.node === 'builtin' && value.name.startsWith('Serial.'));
  return !isBits && !isOnPurpose;
}

/** Whether a type is a pointer to letters, as text in memory is. */
const isLetters = (type: CType): boolean =>
  type.kind === 'pointer' && type.to.kind === 'integer' && type.to.bits === 8;

/** A text that stands in the program, as a pointer to where the board keeps it. */
function storedText(value: Extract<Expression, { node: 'text' }>, context: Context): Expression {
  const char = integer(8, context.widths.charSigned);
  return {
    node: 'constant',
    value: context.storeText(value.value, value.span),
    type: pointerTo(char),
    span: value.span,
    clock: 'fixed',
  };
}

function reportKind({ type: given, span }: Expression, wanted: CType, context: Context): void {
  const here = kindText(wanted);
  // The name of a list alone stands for where the list is.
  const there = given.kind === 'pointer' ? `a whole list, or ${kindText(given)}` : kindText(given);
  context.report(
    refusal('arguments', span, `Line ${span.line}: ${here} is wanted here, and this gives ${there}.`, [
      `What does line ${span.line} pass at column ${span.column}?`,
      `At column ${span.column} of line ${span.line} there is ${there}, but ${here} is needed.`,
      `Put ${here} at column ${span.column} of line ${span.line}.`,
    ]),
  );
}

/** What a type is, in words for a beginner. */
function kindText(type: CType): string {
  if (type.kind === 'pointer') return `a pointer to ${typeText(type.to)}`;
  if (type.kind === 'struct') return `a whole ${type.name}`;
  return isTextual(type) ? 'a text' : type.kind === 'void' ? 'nothing' : 'a number';
}

export const unfollowedUnlessFixed = (...values: readonly Expression[]): ClockForm =>
  values.every((value) => value.clock === 'fixed') ? 'fixed' : 'unfollowed';
