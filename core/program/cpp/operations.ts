import type { CppMachine } from './machine';
import type { Evaluate } from './evaluate';
import { fitting } from './library/strings';
import type { BinaryOperator } from './tree';
import { conversionTo, type ScalarType } from './types';

/** Compiles an operation on two values of one type; what the processor gives where arithmetic has no answer. */
export function operation(
  operator: BinaryOperator,
  type: ScalarType,
  left: Evaluate,
  right: Evaluate,
  line: number,
): Evaluate {
  const fit = conversionTo(type);
  if (type.kind === 'string') return joined(left, right, line);
  const bits = type.kind === 'integer' ? type.bits : 32;
  // An unsigned number goes round on purpose; a signed one that does is a surprise.
  const isSigned = type.kind === 'integer' && type.signed;
  const noted = (machine: CppMachine, exact: number): number => {
    const held = fit(exact);
    if (held !== exact && machine.notesFaults)
      machine.fault({ kind: 'overflow', line, index: exact, length: held });
    return held;
  };
  switch (operator) {
    case '+':
      if (isSigned) return (machine) => noted(machine, left(machine) + right(machine));
      return (machine) => fit(left(machine) + right(machine));
    case '-':
      if (isSigned) return (machine) => noted(machine, left(machine) - right(machine));
      return (machine) => fit(left(machine) - right(machine));
    case '*':
      if (type.kind !== 'integer') return (machine) => fit(left(machine) * right(machine));
      return (machine) => {
        const [a, b] = [left(machine), right(machine)];
        const exact = a * b;
        // Beyond what a double holds exactly, the low bits come from whole-number arithmetic.
        const held = fit(Math.imul(a, b));
        if (isSigned && exact !== held) machine.fault({ kind: 'overflow', line, index: exact, length: held });
        return held;
      };
    case '/':
      if (type.kind === 'float') return (machine) => fit(left(machine) / right(machine));
      return (machine) => {
        const dividend = left(machine);
        const divisor = right(machine);
        if (divisor !== 0) return fit(Math.trunc(dividend / divisor));
        machine.fault({ kind: 'division', line });
        // The division routine of these processors leaves all ones, and gives them the sign afterwards.
        return fit(dividend < 0 ? 1 : -1);
      };
    case '%':
      return (machine) => {
        const dividend = left(machine);
        const divisor = right(machine);
        if (divisor !== 0) return fit(dividend % divisor);
        machine.fault({ kind: 'division', line });
        return dividend;
      };
    case '<<':
      return (machine) => shifted(left(machine), right(machine), bits, fit, (value, by) => value * 2 ** by);
    case '>>':
      return (machine) =>
        shifted(left(machine), right(machine), bits, fit, (value, by) => Math.floor(value / 2 ** by));
    case '&':
      return (machine) => fit(left(machine) & right(machine));
    case '|':
      return (machine) => fit(left(machine) | right(machine));
    case '^':
      return (machine) => fit(left(machine) ^ right(machine));
  }
}

/** A text behind another; nothing when the board's memory does not hold both. */
const joined =
  (left: Evaluate, right: Evaluate, line: number): Evaluate =>
  (machine: CppMachine) => {
    const text = machine.texts.at(left(machine)) + machine.texts.at(right(machine));
    const held = fitting(machine, text);
    if (held !== text) machine.fault({ kind: 'text', line, length: text.length });
    machine.spend(text.length);
    return machine.texts.numberOf(held);
  };

const shifted = (
  value: number,
  by: number,
  bits: number,
  fit: (value: number) => number,
  move: (value: number, by: number) => number,
): number => {
  // The shift loop of these processors counts the places down: too many leave nothing but the sign.
  const places = by < 0 ? bits : Math.min(by, bits);
  return fit(move(value, places) % 2 ** 32);
};
