import { effort } from '../../effort';
import { emitCompare, standsBesideClock, type Emit } from './emit-compare';
import type { Evaluate } from './evaluate';
import { textAt } from './library/letters';
import type { CppMachine } from './machine';
import {
  copiedFrom,
  countingOf,
  hasMovingVariables,
  keepsMoment,
  momentSource,
  readsMicros,
} from './moving-variables';
import { operation } from './operations';
import { printed } from './print';
import type { Expression, Place, ProgramTree } from './tree';
import { cellsOf, conversionTo, cut, isTextual, type ScalarType } from './types';

/** Runs a function of the program with the values of its parameters, cell by cell. */
export type Enter = (machine: CppMachine, target: number, values: readonly number[]) => void;

/** Compiles the expressions of a program to closures. */
export class ExpressionEmitter {
  private readonly hasMoving: boolean;
  private readonly hasMicros: boolean;
  private readonly emit: Emit;

  constructor(
    tree: ProgramTree,
    private readonly enter: Enter,
  ) {
    this.hasMoving = hasMovingVariables(tree);
    this.hasMicros = readsMicros(tree);
    this.emit = {
      expression: (expression, watched) => this.expression(expression, watched),
      address: (place, line) => this.address(place, line),
      hasMoving: this.hasMoving,
    };
  }

  /** `watched`: the clock in it is followed by a comparison or a local variable. */
  expression(expression: Expression, watched = false): Evaluate {
    switch (expression.node) {
      case 'constant': {
        const { value } = expression;
        return () => value;
      }
      case 'text': {
        const { value } = expression;
        return (machine) => machine.texts.numberOf(value);
      }
      case 'load': {
        const read = this.read(expression.place, expression.span.line);
        const { outside, clock } = expression;
        if (outside !== undefined)
          return (machine) => {
            machine.escapeAround(outside, !this.hasMicros);
            return read(machine);
          };
        if (watched || clock === 'fixed') return read;
        const isByCount = clock === 'millis' || (clock === 'unfollowed' && !this.hasMicros);
        return (machine) => {
          machine.escape(isByCount);
          return read(machine);
        };
      }
      case 'store':
        return this.store(expression, false);
      case 'address':
        return this.address(expression.place, expression.span.line);
      case 'copy':
        return this.copy(expression);
      case 'update':
        return this.update(expression);
      case 'negate': {
        const operand = this.expression(expression.operand);
        const fit = conversionTo(expression.type);
        return (machine) => fit(-operand(machine));
      }
      case 'complement': {
        const operand = this.expression(expression.operand);
        const fit = conversionTo(expression.type);
        return (machine) => fit(~operand(machine));
      }
      case 'not': {
        const operand = this.expression(expression.operand);
        return (machine) => (operand(machine) === 0 ? 1 : 0);
      }
      case 'binary': {
        const left = this.expression(expression.left, watched);
        const right = this.expression(expression.right, watched);
        return operation(
          expression.operator,
          expression.type as ScalarType,
          left,
          right,
          expression.span.line,
        );
      }
      case 'compare':
        return emitCompare(expression, this.emit);
      case 'both': {
        const left = this.expression(expression.left);
        const right = this.expression(expression.right);
        return (machine) => (left(machine) !== 0 && right(machine) !== 0 ? 1 : 0);
      }
      case 'either': {
        const left = this.expression(expression.left);
        const right = this.expression(expression.right);
        return (machine) => (left(machine) !== 0 || right(machine) !== 0 ? 1 : 0);
      }
      case 'choose': {
        const condition = this.expression(expression.condition);
        const yes = this.expression(expression.yes);
        const no = this.expression(expression.no);
        return (machine) => (condition(machine) !== 0 ? yes(machine) : no(machine));
      }
      case 'convert':
        return this.conversion(expression, watched);
      case 'call':
        return this.call(expression);
      case 'builtin':
        return this.builtin(expression, watched);
      case 'sequence': {
        const first = this.expression(expression.first);
        const second = this.expression(expression.second);
        return (machine) => {
          first(machine);
          return second(machine);
        };
      }
    }
  }

  private conversion(
    { value: given, type, checked, span }: Extract<Expression, { node: 'convert' }>,
    watched: boolean,
  ): Evaluate {
    const value = this.expression(given, watched);
    if (type.kind === 'string') {
      if (isTextual(given.type)) return value;
      return (machine) => {
        const from = value(machine);
        const text = given.type.kind === 'pointer' ? textAt(machine, from) : printed(given.type, from);
        return machine.texts.numberOf(text);
      };
    }
    const fit = conversionTo(type);
    if (checked) {
      const { line } = span;
      return (machine) => {
        const before = value(machine);
        const held = fit(before);
        if (held !== before) machine.fault({ kind: 'overflow', line, index: before, length: held });
        return held;
      };
    }
    return given.type.kind === 'float'
      ? (machine) => fit(cut(value(machine), type))
      : (machine) => fit(value(machine));
  }

  private call({ arguments: given, target, type }: Extract<Expression, { node: 'call' }>): Evaluate {
    const values = given.map((argument) => ({
      value: this.expression(argument),
      // A struct that is handed over whole goes cell by cell.
      cells: argument.type.kind === 'struct' ? cellsOf(argument.type) : undefined,
    }));
    const fit = conversionTo(type);
    const handsOverWhole = this.hasMoving && values.some(({ cells }) => cells !== undefined);
    return (machine) => {
      const cells: number[] = [];
      effort(40 * values.length);
      // What is in a struct that is handed over is not followed.
      if (handsOverWhole) machine.clockEscaped = true;
      for (const { value, cells: count } of values) {
        const first = value(machine);
        if (count === undefined) cells.push(first);
        else for (let at = 0; at < count; at += 1) cells.push(machine.cells[machine.within(first + at)]!);
      }
      this.enter(machine, target, cells);
      return fit(machine.returned);
    };
  }

  /** A call of a library function: its arguments, the cycles it takes, then what it does. */
  private builtin(
    { builtin, arguments: given, type, span }: Extract<Expression, { node: 'builtin' }>,
    watched: boolean,
  ): Evaluate {
    const values = given.map((argument) => this.expression(argument));
    const types = given.map((argument) => argument.type);
    const fit = conversionTo(type);
    const { cycles, work, clock } = builtin;
    const { line } = span;
    return (machine) => {
      const numbers = values.map((value) => value(machine));
      machine.spend(cycles);
      if (clock && !watched) machine.escape(clock === 'millis');
      return work(numbers, { machine, line, types, fit }) ?? 0;
    };
  }

  /** Cell of a place; an index outside an array reaches what lies beside it, as on the board. */
  private address(place: Place, line: number): Evaluate {
    const base = this.base(place);
    if (place.steps.length === 0) return base;
    const steps = place.steps.map(({ index, ...step }) => ({ ...step, index: this.expression(index) }));
    const { name } = place;
    return (machine) => {
      let cell = base(machine);
      for (const { index, length, cells } of steps) {
        const at = index(machine);
        if (length !== undefined && (at < 0 || at >= length))
          machine.fault({ kind: 'index', line, name, index: at, length });
        cell += at * cells;
      }
      return machine.within(cell);
    };
  }

  private base({ area, address, through }: Place): Evaluate {
    if (through) {
      const pointer = this.expression(through);
      return (machine) => machine.within(pointer(machine) + address);
    }
    return area === 'frame' ? (machine) => machine.frame + address : () => address;
  }

  private read(place: Place, line: number): Evaluate {
    const { address, area } = place;
    const isPlain = !place.through && place.steps.length === 0;
    if (isPlain && area === 'frame' && !this.hasMoving)
      return (machine) => machine.cells[machine.frame + address]!;
    if (isPlain && area === 'frame')
      return (machine) => {
        const cell = machine.frame + address;
        if (machine.moving.isRounded(cell)) machine.clockEscaped = true;
        return machine.cells[cell]!;
      };
    if (isPlain && !this.hasMoving) return (machine) => machine.cells[address]!;
    const at = this.address(place, line);
    if (!this.hasMoving) return (machine) => machine.cells[at(machine)]!;
    return (machine) => {
      const cell = at(machine);
      if (machine.moving.isMoving(cell)) machine.escape(machine.moving.momentNow(cell)?.unit === 'millis');
      return machine.cells[cell]!;
    };
  }

  /** `declares`: whether it gives a variable its first value. */
  store(expression: Expression, declares: boolean): Evaluate {
    if (expression.node !== 'store') return this.expression(expression);
    const { place } = expression;
    const at = this.address(place, expression.span.line);
    if (keepsMoment(expression)) {
      const { type } = expression;
      const unit = expression.value.clock === 'millis' ? 'millis' : 'micros';
      const moment = this.expression(expression.value, true);
      const local = momentSource(expression.value);
      const source = local && this.address(local, expression.span.line);
      const isStill = standsBesideClock(expression.value, this.emit);
      return (machine) => {
        const kept = machine.apart(moment);
        if (!machine.hasMoved)
          return machine.keepMoment(at(machine), kept, { unit, type, source: source?.(machine) });
        if (isStill?.(machine) !== true) machine.clockEscaped = true;
        return machine.keepRounded(at(machine), kept, unit, type);
      };
    }
    const from = this.hasMoving ? copiedFrom(expression) : undefined;
    if (from) return this.copyOfMoment(expression, from);
    const isFollowed =
      declares && place.area === 'frame' && !place.through && expression.value.clock !== 'unfollowed';
    const value = this.expression(expression.value, isFollowed);
    const { value: given, type } = expression;
    const { clock } = given;
    const isOfClock = isFollowed && clock !== 'fixed' && clock !== 'unfollowed' && type.kind === 'integer';
    if (!this.hasMoving || !isOfClock) return (machine) => machine.write(at(machine), value(machine));
    const isStill = standsBesideClock(given, this.emit);
    return (machine) => {
      const kept = machine.apart(value);
      if (!machine.hasMoved) return machine.keepRunning(at(machine), kept);
      if (isStill?.(machine) !== true) machine.clockEscaped = true;
      return machine.keepRounded(at(machine), kept, clock, type);
    };
  }

  /** A variable that is given what another one holds: in a pass in which that got the time, it is a moment too. */
  private copyOfMoment(
    { place, value, type, span }: Extract<Expression, { node: 'store' }>,
    from: Place,
  ): Evaluate {
    const [at, source, kept] = [
      this.address(place, span.line),
      this.address(from, span.line),
      this.expression(value),
    ];
    return (machine) => {
      const cell = source(machine);
      const moment = machine.moving.momentNow(cell);
      if (!moment || type.kind !== 'integer') return machine.write(at(machine), kept(machine));
      return machine.keepMoment(at(machine), machine.apart(kept), { unit: moment.unit, type, source: cell });
    };
  }

  private copy({ from, to, cells, span }: Extract<Expression, { node: 'copy' }>): Evaluate {
    const [source, target] = [this.expression(from), this.address(to, span.line)];
    return (machine) => {
      const [first, start] = [source(machine), target(machine)];
      effort(50 * cells);
      // What moves inside of a struct is not followed into another one.
      if (this.hasMoving) machine.clockEscaped = true;
      const values = machine.cells.slice(first, first + cells);
      values.forEach((value, index) => machine.write(machine.within(start + index), value));
      return 0;
    };
  }

  /** An expression whose value nobody uses. */
  alone(expression: Expression): Evaluate {
    const counting = expression.node === 'update' ? countingOf(expression) : undefined;
    if (expression.node !== 'update' || !counting) return this.expression(expression);
    const at = this.address(expression.place, expression.span.line);
    const plainly = this.update(expression);
    const { by, type } = counting;
    const fit = conversionTo(type);
    return (machine) => {
      const cell = at(machine);
      const after = machine.cells[cell]! + by;
      return fit(after) === after ? machine.count(cell, after, counting) : plainly(machine);
    };
  }

  private update(expression: Extract<Expression, { node: 'update' }>): Evaluate {
    const { place, operationType } = expression;
    const at = this.address(place, expression.span.line);
    const widen = conversionTo(operationType);
    const fit = conversionTo(expression.type);
    const value = this.expression(expression.value);
    const gives = expression.result;
    // The place is found once; the operation reads the old value from the register `held`.
    let held = 0;
    const operate = operation(expression.operator, operationType, () => held, value, expression.span.line);
    const { type } = expression;
    return (machine) => {
      const cell = at(machine);
      const before = machine.cells[cell]!;
      held = widen(before);
      const after = fit(cut(operate(machine), type));
      machine.write(cell, after);
      return gives === 'before' ? before : after;
    };
  }
}
