import type { Statement } from '../tree';
import { numberOf } from '../values';
import { placeOf } from '../walk';

/** Whether a statement steps what it puts its value into: `x += 1`, `x = x + 1`, `x = not x`. */
export function stepsItself(statement: Statement): boolean {
  if (statement.node === 'augment')
    return (
      (statement.operator === '+' || statement.operator === '-') &&
      statement.value.node === 'constant' &&
      Number(numberOf(statement.value.value)) === 1
    );
  if (statement.node !== 'assign' || statement.targets.length !== 1) return false;
  const place = placeOf(statement.targets[0]!);
  const { value } = statement;
  if (place === undefined) return false;
  if (value.node === 'unary') return value.operator === 'not' && placeOf(value.operand) === place;
  return (
    value.node === 'binary' &&
    (value.operator === '+' || value.operator === '-') &&
    placeOf(value.left) === place &&
    value.right.node === 'constant'
  );
}
