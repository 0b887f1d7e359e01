import { effort } from '../../effort';
import { BRANCH_CYCLES, CALL_CYCLES, PASS_CYCLES } from '../costs';
import type { Executable } from '../machine';
import { CppMachine } from './machine';
import { Stop } from '../stop';
import { costOf } from './cost';
import { emitCompare, standsBesideClock, type Emit } from './emit-compare';
import { textAt } from './library/letters';
import type { Evaluate } from './evaluate';
import { countingOf, hasMovingVariables, keepsMoment, momentSource } from './moving-variables';
import { operation } from './operations';
import { watchedNames } from './names';
import { printed } from './print';
import type { Expression, Place, ProgramTree, Statement } from './tree';
import { cellsOf, conversionTo, cut, isTextual, type ScalarType } from './types';

/** How a statement ended. */
const enum Completion {
  Normal,
  Break,
  Continue,
  Return,
}
type Execute = (machine: CppMachine) => Completion;

/** Compiles a typed tree to closures. Programs are trees of closures, so a hostile one can only use up its budget. */
export function emitProgram(tree: ProgramTree): Executable {
  const bodies: Execute[] = [];
  const emitter = new Emitter(tree, bodies);
  for (const fn of tree.functions) bodies.push(emitter.statement(fn.body));
  const globals = tree.globals.map((statement) => emitter.statement(statement));
  const call = (machine: CppMachine, index: number): void => enter(machine, tree, bodies, index, []);
  return {
    begin(host, limits) {
      const machine = new CppMachine(host, limits, tree.memory);
      return {
        machine,
        start: () => {
          for (const statement of globals) statement(machine);
          call(machine, tree.setup);
        },
        pass: () => {
          const { changes } = machine;
          machine.watchPass();
          call(machine, tree.loop);
          machine.spend(PASS_CYCLES);
          // Its locals are new in each pass.
          if (machine.changes === changes) machine.skipQuietPasses();
        },
        call: (routine) => call(machine, routine),
        names: watchedNames(tree, machine),
      };
    },
  };
}

function enter(
  machine: CppMachine,
  tree: ProgramTree,
  bodies: readonly Execute[],
  index: number,
  values: readonly number[],
): void {
  const fn = tree.functions[index]!;
  machine.spend(CALL_CYCLES);
  machine.freeBytes -= fn.frameBytes;
  effort(40 * values.length);
  const { frame, top } = machine;
  if (machine.freeBytes < 0 || top + fn.frameCells > machine.cells.length) throw Stop.for('memory');
  machine.frame = top;
  machine.top = top + fn.frameCells;
  // Its parameters are the first cells of its frame, in their order.
  for (let at = 0; at < values.length; at += 1) machine.cells[top + at] = values[at]!;
  machine.returned = 0;
  bodies[index]!(machine);
  machine.frame = frame;
  machine.top = top;
  machine.freeBytes += fn.frameBytes;
}

class Emitter {
  private readonly hasMoving: boolean;
  private readonly emit: Emit;

  constructor(
    private readonly tree: ProgramTree,
    private readonly bodies: readonly Execute[],
  ) {
    this.hasMoving = hasMovingVariables(tree);
    this.emit = {
      expression: (expression, watched) => this.expression(expression, watched),
      address: (place, line) => this.address(place, line),
      hasMoving: this.hasMoving,
    };
  }

  statement(statement: Statement): Execute {
    const { line } = statement.span;
    switch (statement.node) {
      case 'empty':
        return () => Completion.Normal;
      case 'expression': {
        const run = this.alone(statement.expression);
        const cycles = costOf(statement.expression);
        return (machine) => {
          machine.line = line;
          machine.spend(cycles);
          run(machine);
          return Completion.Normal;
        };
      }
      case 'initialize': {
        const runs = statement.stores.map((store) => this.store(store, true));
        const cycles = statement.stores.reduce((sum, store) => sum + costOf(store), 0);
        return (machine) => {
          machine.line = line;
          machine.spend(cycles);
          for (const run of runs) run(machine);
          return Completion.Normal;
        };
      }
      case 'once': {
        const runs = statement.stores.map((store) => this.store(store, true));
        const { flag } = statement;
        return (machine) => {
          machine.line = line;
          if (machine.cells[flag] !== 0) return Completion.Normal;
          machine.write(flag, 1);
          for (const run of runs) run(machine);
          return Completion.Normal;
        };
      }
      case 'block': {
        const runs = statement.statements.map((inner) => this.statement(inner));
        return (machine) => {
          for (const run of runs) {
            const completion = run(machine);
            if (completion !== Completion.Normal) return completion;
          }
          return Completion.Normal;
        };
      }
      case 'if': {
        const condition = this.expression(statement.condition);
        const cycles = costOf(statement.condition) + BRANCH_CYCLES;
        const yes = this.statement(statement.yes);
        const no = statement.no ? this.statement(statement.no) : undefined;
        const { span } = statement.condition;
        return (machine) => {
          machine.line = line;
          machine.spend(cycles);
          const isSo = condition(machine) !== 0;
          machine.watcher?.decided(span, isSo ? 'so' : 'not so');
          if (isSo) return yes(machine);
          return no ? no(machine) : Completion.Normal;
        };
      }
      case 'loop':
        return this.loop(statement);
      case 'switch':
        return this.choice(statement);
      case 'return': {
        const value = statement.value ? this.expression(statement.value) : undefined;
        const cycles = statement.value ? costOf(statement.value) : 0;
        return (machine) => {
          machine.line = line;
          machine.spend(cycles);
          if (value) machine.returned = value(machine);
          return Completion.Return;
        };
      }
      case 'break':
        return () => Completion.Break;
      case 'continue':
        return () => Completion.Continue;
    }
  }

  /** A loop whose pass changes nothing is skipped ahead like the repeating function itself. */
  private loop(statement: Extract<Statement, { node: 'loop' }>): Execute {
    const { line } = statement.span;
    const start = statement.start ? this.statement(statement.start) : undefined;
    const condition = statement.condition ? this.expression(statement.condition) : undefined;
    const step = statement.step ? this.alone(statement.step) : undefined;
    const body = this.statement(statement.body);
    const cycles =
      BRANCH_CYCLES +
      (statement.condition ? costOf(statement.condition) : 0) +
      (statement.step ? costOf(statement.step) : 0);
    const asksFirst = statement.kind !== 'do';
    const holds = (machine: CppMachine): boolean => {
      if (!condition) return true;
      const isSo = condition(machine) !== 0;
      machine.watcher?.decided(statement.condition!.span, isSo ? 'so' : 'not so');
      return isSo;
    };
    return (machine) => {
      machine.line = line;
      if (start) start(machine);
      machine.enterLoop(line);
      let completion = Completion.Normal;
      for (let ask = asksFirst; ; ask = true) {
        machine.beginPass();
        machine.line = line;
        machine.spend(cycles);
        if (ask && !holds(machine)) break;
        completion = body(machine);
        if (completion === Completion.Break || completion === Completion.Return) break;
        if (step) step(machine);
        machine.endPass();
      }
      machine.leaveLoop();
      return completion === Completion.Return ? completion : Completion.Normal;
    };
  }

  private choice(statement: Extract<Statement, { node: 'switch' }>): Execute {
    const subject = this.expression(statement.subject);
    const cycles = costOf(statement.subject) + BRANCH_CYCLES * statement.cases.length;
    const branches = statement.cases.map((branch) => branch.statements.map((inner) => this.statement(inner)));
    const runs = branches.flat();
    /** Place of the first statement of each case among all of them. */
    const begins = branches.map((_, index) => branches.slice(0, index).flat().length);
    // Of two cases with one value the first counts.
    const placeOf = new Map(statement.cases.map(({ value }, index) => [value, index] as const).reverse());
    return (machine) => {
      machine.line = statement.span.line;
      machine.spend(cycles);
      const value = subject(machine);
      const from = placeOf.get(value) ?? placeOf.get(undefined);
      if (from === undefined) return Completion.Normal;
      for (let at = begins[from]!; at < runs.length; at += 1) {
        const completion = runs[at]!(machine);
        if (completion === Completion.Break) return Completion.Normal;
        if (completion !== Completion.Normal) return completion;
      }
      return Completion.Normal;
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
        if (watched || expression.clock === 'fixed') return read;
        return (machine) => {
          machine.clockEscaped = true;
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
      enter(machine, this.tree, this.bodies, target, cells);
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
      if (clock && !watched) machine.clockEscaped = true;
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
        if (machine.isRounded(cell)) machine.clockEscaped = true;
        return machine.cells[cell]!;
      };
    if (isPlain && !this.hasMoving) return (machine) => machine.cells[address]!;
    const at = this.address(place, line);
    if (!this.hasMoving) return (machine) => machine.cells[at(machine)]!;
    return (machine) => {
      const cell = at(machine);
      if (machine.isMoving(cell)) machine.clockEscaped = true;
      return machine.cells[cell]!;
    };
  }

  private store(expression: Expression, declares: boolean): Evaluate {
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
        const { clockEscaped } = machine;
        machine.clockEscaped = false;
        const kept = moment(machine);
        const hasMoved = machine.clockEscaped;
        machine.clockEscaped = clockEscaped;
        if (!hasMoved)
          return machine.keepMoment(at(machine), kept, { unit, type, source: source?.(machine) });
        if (isStill?.(machine) !== true) machine.clockEscaped = true;
        return machine.keepRounded(at(machine), kept, unit);
      };
    }
    const isFollowed =
      declares && place.area === 'frame' && !place.through && expression.value.clock !== 'unfollowed';
    const value = this.expression(expression.value, isFollowed);
    const { clock } = expression.value;
    if (!this.hasMoving || !isFollowed || clock === 'fixed' || clock === 'unfollowed')
      return (machine) => machine.write(at(machine), value(machine));
    const isStill = standsBesideClock(expression.value, this.emit);
    return (machine) => {
      const { clockEscaped } = machine;
      machine.clockEscaped = false;
      const kept = value(machine);
      const hasMoved = machine.clockEscaped;
      machine.clockEscaped = clockEscaped;
      if (!hasMoved) return machine.keepRunning(at(machine), kept);
      if (isStill?.(machine) !== true) machine.clockEscaped = true;
      return machine.keepRounded(at(machine), kept, clock);
    };
  }

  private copy({ from, to, cells, span }: Extract<Expression, { node: 'copy' }>): Evaluate {
    const [source, target] = [this.expression(from), this.address(to, span.line)];
    return (machine) => {
      const [first, start] = [source(machine), target(machine)];
      effort(50 * cells);
      const values = machine.cells.slice(first, first + cells);
      values.forEach((value, index) => machine.write(machine.within(start + index), value));
      return 0;
    };
  }

  /** An expression whose value nobody uses. */
  private alone(expression: Expression): Evaluate {
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
