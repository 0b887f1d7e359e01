import { HIGHEST_WRITTEN, neverReached, ofAnotherBoard } from '../../habit-problems';
import { textRepair, warning, type ProgramProblem } from '../../problem';
import { allExpressions, bare, cellOf } from '../walk';
import type { Expression } from '../tree';
import type { Facts, Habit } from './habit';

/** Numbers out of the board's ranges, and fractions that are lost. */
export const numberHabits: Habit = (facts) => {
  const { tree, ranges } = facts;
  const all = [...tree.globals, ...tree.functions.map(({ body }) => body)].flatMap((statement) => [
    ...allExpressions(statement),
  ]);
  const measured = measuredVariables(all);
  const isMeasured = (expression: Expression): boolean => {
    const inner = bare(expression);
    if (inner.node === 'builtin') return inner.name === 'analogRead';
    const cell = inner.node === 'load' ? cellOf(inner.place) : undefined;
    return cell !== undefined && measured.has(cell);
  };
  return all.flatMap((expression): readonly ProgramProblem[] => {
    if (expression.node === 'builtin' && expression.name === 'analogWrite')
      return dutyProblems(expression, ranges, isMeasured);
    if (expression.node === 'builtin' && expression.name === 'map')
      return mapsFrom(expression, ranges.analog, isMeasured);
    if (expression.node === 'compare') return beyondAnalog(expression, ranges.analog, isMeasured);
    if (expression.node === 'convert') return lostFractions(expression, ranges.analog, isMeasured);
    if (expression.node === 'binary')
      return [
        ...dividedTooSoon(expression, ranges.analog, isMeasured),
        ...dividedByScale(expression, ranges.analog, isMeasured),
      ];
    return [];
  });
};

/** Variables that only ever get what was measured. */
function measuredVariables(all: readonly Expression[]): ReadonlySet<string> {
  const found = new Map<string, boolean>();
  for (const expression of all) {
    if (expression.node !== 'store' && expression.node !== 'update' && expression.node !== 'address')
      continue;
    const cell = cellOf(expression.place);
    if (cell === undefined) continue;
    const value = expression.node === 'store' ? bare(expression.value) : undefined;
    // A first value may stand there before the first measurement.
    if (value?.node === 'constant') continue;
    const isRead = value?.node === 'builtin' && value.name === 'analogRead';
    found.set(cell, isRead && found.get(cell) !== false);
  }
  return new Set([...found].filter(([, is]) => is).map(([cell]) => cell));
}

function dutyProblems(
  { arguments: given, span }: Extract<Expression, { node: 'builtin' }>,
  { pwm, analog }: Facts['ranges'],
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  const duty = given[1];
  if (!duty || analog === pwm) return [];
  const value = bare(duty);
  const { line, column, endColumn } = duty.span;
  if (value.node === 'constant' && (value.value > pwm || value.value < 0))
    return [
      warning(
        'out-of-range',
        'fault',
        { line, column },
        `Line ${line}: analogWrite takes 0 to ${pwm}, but gets ${value.value}.`,
        [
          `What numbers does analogWrite take?`,
          `${value.value} in line ${line} is not between 0 and ${pwm}.`,
          `Write a number from 0 to ${pwm} in line ${line}.`,
        ],
        textRepair(`Write ${value.value < 0 ? 0 : pwm} in line ${line}.`, {
          line,
          column,
          length: Math.max(0, endColumn - column),
          by: String(value.value < 0 ? 0 : pwm),
        }),
      ),
    ];
  if (!isMeasured(duty)) return [];
  return [
    warning(
      'out-of-range',
      'fault',
      { line: span.line, column },
      `Line ${line}: the reading goes from 0 to ${analog}, but analogWrite takes 0 to ${pwm}: it starts again from 0 three times on the way.`,
      [
        `How large can the reading get, and how large may the brightness be?`,
        `Line ${line} passes a reading of up to ${analog} straight to analogWrite.`,
        `Divide it by ${Math.round((analog + 1) / (pwm + 1))}, or use map in line ${line}.`,
      ],
      textRepair(`Divide by ${Math.round((analog + 1) / (pwm + 1))} in line ${line}.`, {
        line,
        column: endColumn,
        length: 0,
        by: ` / ${Math.round((analog + 1) / (pwm + 1))}`,
      }),
    ),
  ];
}

/** A comparison of what is measured with a number that it never reaches. */
function beyondAnalog(
  { left, right, operator }: Extract<Expression, { node: 'compare' }>,
  most: number,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  const side = isMeasured(left) ? right : isMeasured(right) ? left : undefined;
  const limit = side && bare(side);
  const problem =
    side && limit?.node === 'constant' ? neverReached(side.span, limit.value, operator, most) : undefined;
  return problem ? [problem] : [];
}

/** `map(reading, 0, 4095, …)`, `map(reading, 0, 255, …)`: the range of another board’s readings, or of what is written. */
function mapsFrom(
  { arguments: [value, , high] }: Extract<Expression, { node: 'builtin' }>,
  most: number,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  const highest = high && bare(high);
  const problem =
    value && highest?.node === 'constant' && isMeasured(value)
      ? ofAnotherBoard(high!.span, highest.value, most, [HIGHEST_WRITTEN])
      : undefined;
  return problem ? [problem] : [];
}

/** `reading * 100 / 4095`: what is measured as a share of another board’s readings. */
function dividedByScale(
  { operator, left, right }: Binary,
  most: number,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  const by = bare(right);
  if (operator !== '/' || by.node !== 'constant') return [];
  const share = bare(left);
  const parts = share.node === 'binary' && share.operator === '*' ? [share.left, share.right] : [share];
  const problem = parts.some(isMeasured) ? ofAnotherBoard(right.span, by.value, most) : undefined;
  return problem ? [problem] : [];
}

type Binary = Extract<Expression, { node: 'binary' }>;

/** Divisions of whole numbers whose results go into a number, by sums and products of whole numbers. */
function divisionsIn(expression: Expression): readonly Binary[] {
  const inner = bare(expression);
  if (inner.node !== 'binary' || inner.type.kind !== 'integer') return [];
  if (inner.operator === '/') return [inner];
  if (!['+', '-', '*'].includes(inner.operator)) return [];
  return [...divisionsIn(inner.left), ...divisionsIn(inner.right)];
}

/** Divisions of whole numbers whose result is wanted with its fraction. */
const lostFractions = (
  { value, type }: Extract<Expression, { node: 'convert' }>,
  most: number,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] =>
  type.kind === 'float'
    ? divisionsIn(value).flatMap((division) => lostFraction(division, most, isMeasured))
    : [];

/**
 * `reading / 1023 * 255`: what is measured is divided into next to nothing before it is multiplied. A division that the
 * same number multiplies again rounds down on purpose.
 */
function dividedTooSoon(
  { operator, left, right, type }: Binary,
  most: number,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  if (operator !== '*' || type.kind !== 'integer') return [];
  return [
    [left, right],
    [right, left],
  ].flatMap(([one, other]) => {
    const division = bare(one!);
    if (division.node !== 'binary' || division.operator !== '/' || !isMeasured(division.left)) return [];
    const [by, times] = [bare(division.right), bare(other!)];
    const isRounding = by.node === 'constant' && times.node === 'constant' && by.value === times.value;
    return isRounding ? [] : lostFraction(division, most, isMeasured);
  });
}

function lostFraction(
  division: Binary,
  most: number,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  if (division.type.kind !== 'integer') return [];
  const [left, right] = [bare(division.left), bare(division.right)];
  const isConstant = left.node === 'constant' && right.node === 'constant';
  if (isConstant && (right.value === 0 || left.value % right.value === 0)) return [];
  const leavesNothing =
    (isConstant && Math.abs(left.value) < Math.abs(right.value)) ||
    (isMeasured(left) && right.node === 'constant' && right.value >= most);
  const { line, column } = division.span;
  const place = division.right.span;
  const isNumber = right.node === 'constant';
  return [
    warning(
      'integer-division',
      leavesNothing ? 'fault' : 'advice',
      { line, column },
      `Line ${line} divides whole numbers, so what is behind the point is lost before it is kept.${isConstant ? ` ${left.value} / ${right.value} is ${Math.trunc(left.value / right.value)} here.` : ''}`,
      [
        `Does one of the two numbers in line ${line} have a decimal point?`,
        `Both sides of / in line ${line} are whole numbers, so the result is whole too.`,
        isNumber
          ? `Write ${right.value}.0 instead of ${right.value} in line ${line}.`
          : `Make one side a number with a point in line ${line}: (float).`,
      ],
      isNumber
        ? textRepair(`Write ${right.value}.0 instead of ${right.value} in line ${line}.`, {
            line: place.endLine,
            column: place.endColumn,
            length: 0,
            by: '.0',
          })
        : undefined,
    ),
  ];
}
