import { noteTurn, turning } from './clock';
import type { MovesOn, PythonMachine } from './machine';
import type { BinaryOperator, ComparisonOperator } from './tree';
import { numberOf, PyFloat, type Value } from './values';

/**
 * A number that runs with the clock: what that told in this pass of a loop, or a sum, a difference or a multiple of it.
 * Two passes later it is a number as any other. Whoever asks for its `value` ends the skipping of passes; whoever goes
 * along with the clock asks for what is `followed`. Decision 0067 says why.
 */
export class PyMoment extends PyFloat implements MovesOn {
  private now: number;
  private readonly pass: number;

  /** `rate`: by how much it grows in a second; `cycle`: when the clock was read, of a reading that is nothing else. */
  constructor(
    value: number,
    private readonly machine: PythonMachine,
    readonly rate: number,
    private cycle?: number,
  ) {
    super(value);
    this.now = super.value;
    this.pass = machine.pass;
  }

  /** What the clock tells. */
  static read(machine: PythonMachine): PyMoment {
    const reading = new PyMoment(machine.clockAt(machine.cycles), machine, 1, machine.cycles);
    machine.read(reading);
    return reading;
  }

  /** The number, for whoever does not follow it. */
  override get value(): number {
    // The clock counts in thousandths: what it told in this pass it tells in the next one too, until the next of them.
    if (this.isRunning) this.machine.countEscaped = true;
    else if (!this.isPast) this.machine.clockEscaped = true;
    return this.now;
  }

  /** The number, for whoever follows it. */
  get followed(): number {
    return this.now;
  }

  /** Whether it runs in this pass. */
  get isRunning(): boolean {
    return this.pass === this.machine.pass;
  }

  /** Whether it was made so long ago that it is a number as any other. */
  get isPast(): boolean {
    return this.pass < this.machine.pass - 1;
  }

  /** Whether a name that held another one holds what it would in each pass: the pass before has given it a reading too. */
  isAsBefore(before: Value | undefined): boolean {
    if (this.isPast) return before instanceof PyFloat && isNumber(before, this.now);
    if (before === this) return true;
    if (!(before instanceof PyMoment) || before.isPast) return false;
    if (before.cycle !== undefined && this.cycle !== undefined) return true;
    // What is made of a reading is the same for as long as that is.
    if (before.now !== this.now || !this.isRunning) return false;
    this.machine.countEscaped = true;
    return true;
  }

  later(cycles: number): void {
    if (this.cycle === undefined) return;
    this.cycle += cycles;
    this.now = Math.fround(this.machine.clockAt(this.cycle));
  }

  /** A number that is made of it, and runs so many times as fast. */
  moved(value: number, times: number): PyMoment {
    return new PyMoment(value, this.machine, this.rate * times);
  }

  /** Notes when a comparison with a number that stands still turns. */
  compareWith(fixed: number): void {
    noteTurn(this.machine, this.now, fixed, this.rate);
  }
}

/** A number as it is now, for whoever only looks at it. */
export const plain = (value: Value): Value =>
  value instanceof PyMoment ? new PyFloat(value.followed) : value;

const isNumber = (value: PyFloat, number: number): boolean =>
  (value instanceof PyMoment ? value.followed : value.value) === number;

const running = (value: Value): PyMoment | undefined =>
  value instanceof PyMoment && value.isRunning ? value : undefined;

/** A number that is the same in each pass; `undefined` for what may not be. */
function fixed(value: Value): number | undefined {
  if (value instanceof PyMoment && !value.isPast) return undefined;
  const number = numberOf(value);
  return number === undefined || !Number.isFinite(Number(number)) ? undefined : Number(number);
}

/** A sum, a difference, or a multiple of a number that runs; `undefined` where it is not followed. */
export function movedMoment(operator: BinaryOperator, left: Value, right: Value): PyFloat | undefined {
  const [before, behind] = [running(left), running(right)];
  if (before && before === behind) return operator === '-' ? new PyFloat(0) : undefined;
  const [a, b] = [fixed(left), fixed(right)];
  if (before && b !== undefined)
    switch (operator) {
      case '+':
        return before.moved(before.followed + b, 1);
      case '-':
        return before.moved(before.followed - b, 1);
      case '*':
        return b === 0 ? undefined : before.moved(before.followed * b, b);
      case '/':
        return b === 0 ? undefined : before.moved(before.followed / b, 1 / b);
      default:
        return undefined;
    }
  if (behind && a !== undefined)
    switch (operator) {
      case '+':
        return behind.moved(a + behind.followed, 1);
      case '-':
        return behind.moved(a - behind.followed, -1);
      case '*':
        return a === 0 ? undefined : behind.moved(a * behind.followed, a);
      default:
        return undefined;
    }
  return undefined;
}

/** The two sides of a comparison, which is followed where one of them runs and the other one stands still. */
export function followedSides(
  operator: ComparisonOperator,
  left: Value,
  right: Value,
): readonly [left: Value, right: Value] {
  const [before, behind] = [running(left), running(right)];
  if (!before && !behind) return [left, right];
  if (before === behind) return [plain(left), plain(right)];
  const [moment, other] = before ? [before, fixed(right)] : [behind!, fixed(left)];
  if (!turning.has(operator) || other === undefined) return [left, right];
  moment.compareWith(other);
  return [plain(left), plain(right)];
}
