import { HIGHEST_WRITTEN, neverReached, ofAnotherBoard } from '../../habit-problems';
import { warning, type ProgramProblem } from '../../problem';
import type { Expression, Statement } from '../tree';
import { numberOf } from '../values';
import { allExpressions, allStatements, placeOf, targetsOf } from '../walk';
import type { Habit } from './habit';
import { reads } from './pins';

/** The largest number that an analog pin gives. */
const FULL = 65_535;

/** Measured values compared with what they never reach, and divisions that are always zero. */
export const numberHabits: Habit = ({ tree, pins }) => {
  const body = [...tree.body, ...tree.functions.flatMap((own) => own.body)];
  const measured = measuredNames(body, (value) => reads(value, 'analog', pins));
  const isMeasured = (expression: Expression): boolean =>
    reads(expression, 'analog', pins) || (expression.node === 'name' && measured.has(expression.name));
  return allExpressions(body).flatMap((expression) => [
    ...beyondAnalog(expression, isMeasured),
    ...alwaysZero(expression),
    ...ofOtherScale(expression, isMeasured),
  ]);
};

/** Names that only ever get what was measured. */
function measuredNames(
  body: readonly Statement[],
  isRead: (value: Expression) => boolean,
): ReadonlySet<string> {
  const found = new Map<string, boolean>();
  for (const statement of allStatements(body))
    for (const target of targetsOf(statement)) {
      const place = placeOf(target);
      // A first value may stand there before the first measurement.
      if (place === undefined || (statement.node === 'assign' && statement.value.node === 'constant'))
        continue;
      const isMeasured = statement.node === 'assign' && isRead(statement.value);
      found.set(place, isMeasured && found.get(place) !== false);
    }
  return new Set([...found].filter(([, is]) => is).map(([place]) => place));
}

function beyondAnalog(
  expression: Expression,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  if (expression.node !== 'compare' || expression.rest.length !== 1) return [];
  const [{ value, operator }] = expression.rest as [(typeof expression.rest)[number]];
  const side = isMeasured(expression.first) ? value : isMeasured(value) ? expression.first : undefined;
  const limit = side?.node === 'constant' ? Number(numberOf(side.value)) : Number.NaN;
  const problem = side && Number.isFinite(limit) ? neverReached(side.span, limit, operator, FULL) : undefined;
  return problem ? [problem] : [];
}

/** `knob.value / 1023`, `scaled(knob.value, 0, 1023, 0, 180)`: the readings of another board. */
function ofOtherScale(
  expression: Expression,
  isMeasured: (expression: Expression) => boolean,
): readonly ProgramProblem[] {
  const [value, highest] =
    expression.node === 'call'
      ? [expression.values[0], expression.values[2]]
      : expression.node === 'binary' && /^\/\/?$/.test(expression.operator)
        ? [expression.left, expression.right]
        : [];
  if (!value || highest?.node !== 'constant') return [];
  const parts = value.node === 'binary' && value.operator === '*' ? [value.left, value.right] : [value];
  const problem = parts.some(isMeasured)
    ? ofAnotherBoard(
        highest.span,
        Number(numberOf(highest.value)),
        FULL,
        expression.node === 'call' ? [HIGHEST_WRITTEN] : [],
      )
    : undefined;
  return problem ? [problem] : [];
}

/** `1 // 2`: a division of two numbers that leaves nothing. */
function alwaysZero(expression: Expression): readonly ProgramProblem[] {
  if (expression.node !== 'binary' || expression.operator !== '//') return [];
  const [left, right] = [expression.left, expression.right].map((side) =>
    side.node === 'constant' ? Number(numberOf(side.value)) : Number.NaN,
  ) as [number, number];
  if (!(left > 0 && right > left)) return [];
  const { line, column } = expression.span;
  return [
    warning(
      'integer-division',
      'fault',
      { line, column },
      `Line ${line}: // drops everything after the decimal point, so ${left} // ${right} is 0.`,
      [
        `What is left of ${left} // ${right}?`,
        `// in line ${line} gives only whole numbers, and ${left} divided by ${right} is less than 1.`,
        `Write ${left} / ${right} in line ${line}.`,
      ],
    ),
  ];
}
