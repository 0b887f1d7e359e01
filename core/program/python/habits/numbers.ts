import { warning, type ProgramProblem } from '../../problem';
import type { Expression, Statement } from '../tree';
import { numberOf } from '../values';
import { allExpressions, allStatements, placeOf, targetsOf } from '../walk';
import type { Habit } from './index';
import { reads } from './pins';

/** The largest number that an analog pin gives. */
const FULL = 65_535;

/** Measured values compared with what they never reach, and divisions that are always zero. */
export const numberHabits: Habit = ({ tree, pins }) => {
  const body = [...tree.body, ...tree.functions.flatMap((own) => own.body)];
  const measured = measuredNames(body, (value) => reads(value, 'analog', pins));
  const isMeasured = (expression: Expression): boolean =>
    reads(expression, 'analog', pins) || (expression.node === 'name' && measured.has(expression.name));
  return [...allExpressions(body)].flatMap((expression) => [
    ...beyondAnalog(expression, isMeasured),
    ...alwaysZero(expression),
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
  if (!side || !Number.isFinite(limit) || (limit <= FULL && limit >= 0)) return [];
  // One more than the largest is how some people write “up to the largest”.
  if (limit === FULL + 1 && (operator === '<' || operator === '>=')) return [];
  const { line, column } = side.span;
  return [
    warning(
      'out-of-range',
      'fault',
      { line, column },
      `Line ${line} compares with ${limit}, but what is measured goes from 0 to ${FULL} only.`,
      [
        `Between which numbers does a measured value lie?`,
        `${limit} in line ${line} is never reached.`,
        `Compare with a number from 0 to ${FULL} in line ${line}.`,
      ],
    ),
  ];
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
      `Line ${line}: // leaves out what is behind the point, and ${left} // ${right} is 0.`,
      [
        `What is left of ${left} // ${right}?`,
        `// in line ${line} divides without a rest; of ${left} by ${right} nothing is left.`,
        `Write ${left} / ${right} in line ${line}.`,
      ],
    ),
  ];
}
