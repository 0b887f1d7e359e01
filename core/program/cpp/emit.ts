import { effort } from '../../effort';
import { BRANCH_CYCLES, CALL_CYCLES, PASS_CYCLES } from '../costs';
import type { Executable } from '../machine';
import { Stop } from '../stop';
import { costOf } from './cost';
import { ExpressionEmitter, type Enter } from './emit-expressions';
import { CppMachine } from './machine';
import { watchedNames } from './names';
import type { ProgramTree, Statement } from './tree';

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
  const enterIt: Enter = (machine, target, values) => enter(machine, tree, bodies, target, values);
  const emitter = new StatementEmitter(new ExpressionEmitter(tree, enterIt));
  for (const fn of tree.functions) bodies.push(emitter.statement(fn.body));
  const globals = tree.globals.map((statement) => emitter.statement(statement));
  const call = (machine: CppMachine, index: number): void => enterIt(machine, index, []);
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
          machine.beginTurn();
          call(machine, tree.loop);
          machine.spend(PASS_CYCLES);
          // Its locals are new in each pass.
          machine.endTurn();
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

/** Compiles the statements of a program to closures. */
class StatementEmitter {
  constructor(private readonly expressions: ExpressionEmitter) {}

  statement(statement: Statement): Execute {
    const { line } = statement.span;
    switch (statement.node) {
      case 'empty':
        return () => Completion.Normal;
      case 'expression': {
        const run = this.expressions.alone(statement.expression);
        const cycles = costOf(statement.expression);
        return (machine) => {
          machine.line = line;
          machine.spend(cycles);
          run(machine);
          return Completion.Normal;
        };
      }
      case 'initialize': {
        const runs = statement.stores.map((store) => this.expressions.store(store, true));
        const cycles = statement.stores.reduce((sum, store) => sum + costOf(store), 0);
        return (machine) => {
          machine.line = line;
          machine.spend(cycles);
          for (const run of runs) run(machine);
          return Completion.Normal;
        };
      }
      case 'once': {
        const runs = statement.stores.map((store) => this.expressions.store(store, true));
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
        const condition = this.expressions.expression(statement.condition);
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
        const value = statement.value ? this.expressions.expression(statement.value) : undefined;
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
    const condition = statement.condition ? this.expressions.expression(statement.condition) : undefined;
    const step = statement.step ? this.expressions.alone(statement.step) : undefined;
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
    const subject = this.expressions.expression(statement.subject);
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
}
