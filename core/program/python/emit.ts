import type { BoardProfile } from '../../boards';
import type { Executable } from '../machine';
import { Stop } from '../stop';
import { pythonCycles } from './costs';
import { RaisedError, type ErrorKind } from './errors';
import { formatted } from './formatting';
import { attributeOf, setAttribute } from './attributes';
import { indexed, setIndexed, sliced, deleteIndexed } from './indexing';
import { compare, negate, operate } from './operators';
import { Runner } from './runner';
import type { Expression, Handler, PythonTree, Slot, Statement, Target } from './tree';
import {
  isTrue,
  itemsOf,
  PyBuiltin,
  PyClass,
  PyDict,
  PyFloat,
  PyFunction,
  PyList,
  PyTuple,
  reprOf,
  textOf,
  typeName,
  type Value,
} from './values';

type Evaluate = (runner: Runner) => Value;

/** How a statement ended. */
const enum Completion {
  Normal,
  Break,
  Continue,
  Return,
}
type Execute = (runner: Runner) => Completion;

/** Rate of the serial line over the plug, which is open from the start. */
const SERIAL_RATE = 115_200;

/** Compiles a resolved program to closures over a runner; nothing is generated at run time. */
export function emitPython(tree: PythonTree, board: BoardProfile): Executable {
  const emitter = new Emitter(tree);
  return {
    start(machine) {
      const runner = new Runner(
        machine,
        board,
        tree.globals.length,
        (running, index, values) => emitter.callFunction(running, index, values),
        (index) => tree.functions[index]!.parameters,
      );
      machine.host.serialBegin(SERIAL_RATE, 1);
      try {
        emitter.run(runner);
      } catch (error) {
        if (error instanceof RaisedError) runner.fail(error);
        if (error instanceof RangeError)
          runner.fail(new RaisedError('RuntimeError', 'maximum recursion depth exceeded'));
        throw error;
      }
      throw new Stop('finished');
    },
    // A program of this language repeats only what it says itself.
    pass: () => undefined,
    call: () => undefined,
  };
}

class Emitter {
  private readonly body: Execute;
  private readonly functions: readonly Execute[];
  private returned: Value = null;

  constructor(private readonly tree: PythonTree) {
    this.body = this.block(tree.body);
    this.functions = tree.functions.map((fn) => this.block(fn.body));
  }

  run(runner: Runner): void {
    this.body(runner);
  }

  callFunction(runner: Runner, index: number, values: readonly (Value | undefined)[]): Value {
    const fn = this.tree.functions[index]!;
    const locals: (Value | undefined)[] = new Array<Value | undefined>(fn.locals.length).fill(undefined);
    values.forEach((value, at) => (locals[at] = value));
    runner.locals = locals;
    this.returned = null;
    const completion = this.functions[index]!(runner);
    return completion === Completion.Return ? this.returned : null;
  }

  private block(statements: readonly Statement[]): Execute {
    const runs = statements.map((statement) => this.statement(statement));
    return (runner) => {
      for (const run of runs) {
        const completion = run(runner);
        if (completion !== Completion.Normal) return completion;
      }
      return Completion.Normal;
    };
  }

  private statement(statement: Statement): Execute {
    const run = this.kind(statement);
    const { line } = statement.span;
    return (runner) => {
      runner.line = line;
      runner.machine.line = line;
      runner.machine.spend(pythonCycles.statement);
      try {
        return run(runner);
      } catch (error) {
        // The innermost statement is where it happened.
        if (error instanceof RaisedError) error.line ??= line;
        throw error;
      }
    };
  }

  private kind(statement: Statement): Execute {
    switch (statement.node) {
      case 'pass':
        return () => Completion.Normal;
      case 'break':
        return () => Completion.Break;
      case 'continue':
        return () => Completion.Continue;
      case 'expression': {
        const value = this.expression(statement.expression);
        return (runner) => {
          value(runner);
          return Completion.Normal;
        };
      }
      case 'assign': {
        const value = this.expression(statement.value);
        const stores = statement.targets.map((target) => this.target(target));
        return (runner) => {
          const given = value(runner);
          for (const store of stores) store(runner, given);
          return Completion.Normal;
        };
      }
      case 'augment':
        return this.augment(statement);
      case 'if': {
        const condition = this.expression(statement.condition);
        const [yes, no] = [this.block(statement.yes), this.block(statement.no)];
        return (runner) => (isTrue(condition(runner)) ? yes(runner) : no(runner));
      }
      case 'while':
        return this.loop(statement);
      case 'for':
        return this.each(statement);
      case 'function': {
        const defaults = statement.defaults.map((value) => value && this.expression(value));
        const { name } = this.tree.functions[statement.index]!;
        const store = this.store(statement.slot);
        return (runner) => {
          store(
            runner,
            new PyFunction(
              name,
              statement.index,
              defaults.map((value) => value?.(runner)),
            ),
          );
          return Completion.Normal;
        };
      }
      case 'import': {
        const store = this.store(statement.slot);
        const { value } = statement;
        return (runner) => {
          store(runner, value);
          return Completion.Normal;
        };
      }
      case 'return': {
        const value = statement.value && this.expression(statement.value);
        return (runner) => {
          this.returned = value ? value(runner) : null;
          return Completion.Return;
        };
      }
      case 'try':
        return this.attempt(statement);
      case 'raise': {
        const value = statement.value && this.expression(statement.value);
        return (runner) => {
          throw value
            ? raised(value(runner), runner)
            : new RaisedError('RuntimeError', 'no active exception to reraise');
        };
      }
      case 'assert': {
        const condition = this.expression(statement.condition);
        const message = statement.message && this.expression(statement.message);
        return (runner) => {
          if (!isTrue(condition(runner)))
            throw new RaisedError('AssertionError', message ? textOf(message(runner)) : '');
          return Completion.Normal;
        };
      }
      case 'delete': {
        const { target } = statement;
        if (target.target === 'index') {
          const [owner, index] = [this.expression(target.owner), this.expression(target.index)];
          return (runner) => {
            deleteIndexed(owner(runner), index(runner), runner);
            return Completion.Normal;
          };
        }
        const slot = target.target === 'name' ? target.slot : undefined;
        return (runner) => {
          if (slot?.area === 'global') runner.globals[slot.index] = undefined;
          if (slot?.area === 'local') runner.locals[slot.index] = undefined;
          runner.machine.changes += 1;
          return Completion.Normal;
        };
      }
    }
  }

  private augment(statement: Extract<Statement, { node: 'augment' }>): Execute {
    const { target, operator } = statement;
    const value = this.expression(statement.value);
    const change = (runner: Runner, before: Value, by: Value): Value => {
      runner.machine.spend(pythonCycles.operation);
      // A list is made longer where it is.
      if (operator === '+' && before instanceof PyList) {
        const more = itemsOf(by);
        if (!more) throw new RaisedError('TypeError', `'${typeName(by)}' object is not iterable`);
        const items = [...more];
        runner.take(items.length);
        before.items.push(...items);
        return before;
      }
      return operate(operator, before, by);
    };
    switch (target.target) {
      case 'name': {
        const [load, store] = [this.load(target.slot, target.name), this.store(target.slot)];
        return (runner) => {
          store(runner, change(runner, load(runner), value(runner)));
          return Completion.Normal;
        };
      }
      case 'index': {
        const [owner, index] = [this.expression(target.owner), this.expression(target.index)];
        return (runner) => {
          const [of, at] = [owner(runner), index(runner)];
          setIndexed(of, at, change(runner, indexed(of, at), value(runner)), runner);
          return Completion.Normal;
        };
      }
      case 'attribute': {
        const owner = this.expression(target.owner);
        return (runner) => {
          const of = owner(runner);
          const before = attributeOf(of, target.name, target.span, runner);
          setAttribute(of, target.name, change(runner, before, value(runner)), target.span, runner);
          return Completion.Normal;
        };
      }
      case 'several':
        return () => {
          throw new RaisedError('SyntaxError', 'illegal target for augmented assignment');
        };
    }
  }

  /** A loop whose pass changes nothing is skipped ahead like one of the other language. */
  private loop(statement: Extract<Statement, { node: 'while' }>): Execute {
    const condition = this.expression(statement.condition);
    const [body, otherwise] = [this.block(statement.body), this.block(statement.otherwise)];
    const { line } = statement.span;
    return (runner) => {
      const { machine } = runner;
      const outer = { escaped: machine.clockEscaped, turn: machine.turnCycle, pass: machine.passCycle };
      machine.loops.push({
        line,
        sinceCycle: machine.cycles,
        pausesBefore: machine.pauses,
        inputsBefore: machine.inputs,
      });
      const depth = machine.loops.length;
      let isOver = false;
      try {
        for (;;) {
          const { changes } = machine;
          machine.clockEscaped = false;
          machine.turnCycle = Number.POSITIVE_INFINITY;
          machine.passCycle = machine.cycles;
          runner.line = line;
          machine.spend(pythonCycles.loop);
          if (!isTrue(condition(runner))) return otherwise(runner);
          const completion = body(runner);
          if (completion === Completion.Break) return Completion.Normal;
          if (completion === Completion.Return) return completion;
          if (machine.changes === changes) machine.skipQuietPasses();
        }
      } catch (error) {
        // A run that is over keeps its loops: they say what was running.
        isOver = !(error instanceof RaisedError);
        throw error;
      } finally {
        if (!isOver) machine.loops.length = depth - 1;
        machine.clockEscaped = true;
        machine.turnCycle = outer.turn;
        machine.passCycle = outer.pass;
      }
    };
  }

  private each(statement: Extract<Statement, { node: 'for' }>): Execute {
    const source = this.expression(statement.source);
    const store = this.target(statement.target);
    const [body, otherwise] = [this.block(statement.body), this.block(statement.otherwise)];
    return (runner) => {
      for (const item of iterable(source(runner))) {
        runner.machine.spend(pythonCycles.loop);
        store(runner, item);
        const completion = body(runner);
        if (completion === Completion.Break) return Completion.Normal;
        if (completion === Completion.Return) return completion;
      }
      return otherwise(runner);
    };
  }

  private attempt(statement: Extract<Statement, { node: 'try' }>): Execute {
    const [body, otherwise, last] = [
      this.block(statement.body),
      this.block(statement.otherwise),
      this.block(statement.last),
    ];
    const handlers = statement.handlers.map((handler) => this.handler(handler));
    const attempted = (runner: Runner): Completion => {
      const { locals } = runner;
      try {
        const completion = body(runner);
        return completion === Completion.Normal ? otherwise(runner) : completion;
      } catch (error) {
        if (!(error instanceof RaisedError)) throw error;
        runner.locals = locals;
        for (const handle of handlers) {
          const completion = handle(runner, error);
          if (completion !== undefined) return completion;
        }
        throw error;
      }
    };
    if (statement.last.length === 0) return attempted;
    return (runner) => {
      let completion: Completion;
      try {
        completion = attempted(runner);
      } catch (error) {
        if (error instanceof RaisedError && last(runner) !== Completion.Normal) return Completion.Return;
        throw error;
      }
      const { returned } = this;
      const end = last(runner);
      if (end !== Completion.Normal) return end;
      this.returned = returned;
      return completion;
    };
  }

  private handler({
    kinds,
    slot,
    body,
  }: Handler): (runner: Runner, error: RaisedError) => Completion | undefined {
    const tests = kinds.map((kind) => this.expression(kind));
    const store = slot && this.store(slot);
    const run = this.block(body);
    return (runner, error) => {
      const catches =
        tests.length === 0 ||
        tests.some((test) => {
          const kind = test(runner);
          return kind instanceof PyClass && error.is(kind.name as ErrorKind);
        });
      if (!catches) return undefined;
      store?.(runner, error.message);
      return run(runner);
    };
  }

  private expression(expression: Expression): Evaluate {
    switch (expression.node) {
      case 'constant': {
        const { value } = expression;
        return () => value;
      }
      case 'joined': {
        const pieces = expression.pieces.map((piece) =>
          typeof piece === 'string' ? piece : { ...piece, value: this.expression(piece.value) },
        );
        return (runner) =>
          pieces
            .map((piece) => {
              if (typeof piece === 'string') return piece;
              runner.machine.spend(pythonCycles.operation);
              const value = piece.value(runner);
              return formatted(piece.way === 'repr' ? reprOf(value) : value, piece.format);
            })
            .join('');
      }
      case 'name':
        return this.load(expression.slot, expression.name);
      case 'attribute': {
        const owner = this.expression(expression.owner);
        const { name, span } = expression;
        return (runner) => {
          runner.machine.spend(pythonCycles.attribute);
          return attributeOf(owner(runner), name, span, runner);
        };
      }
      case 'index': {
        const [owner, index] = [this.expression(expression.owner), this.expression(expression.index)];
        return (runner) => {
          runner.machine.spend(pythonCycles.index);
          return indexed(owner(runner), index(runner));
        };
      }
      case 'slice': {
        const owner = this.expression(expression.owner);
        const bounds = expression.bounds.map((bound) => bound && this.expression(bound));
        return (runner) => {
          runner.machine.spend(pythonCycles.index);
          return sliced(
            owner(runner),
            bounds.map((bound) => bound?.(runner)),
          );
        };
      }
      case 'call': {
        const callee = this.expression(expression.callee);
        const values = expression.values.map((value) => this.expression(value));
        const named = expression.named.map(({ name, value }) => ({ name, value: this.expression(value) }));
        const { span } = expression;
        return (runner) => {
          const called = callee(runner);
          const given = values.map((value) => value(runner));
          const byName = new Map(named.map(({ name, value }) => [name, value(runner)]));
          const { line } = runner;
          runner.line = span.line;
          const result = runner.call(called, { values: given, named: byName, span });
          runner.line = line;
          return result;
        };
      }
      case 'binary': {
        const [left, right] = [this.expression(expression.left), this.expression(expression.right)];
        const { operator } = expression;
        return (runner) => {
          runner.machine.spend(pythonCycles.operation);
          return operate(operator, left(runner), right(runner));
        };
      }
      case 'unary': {
        const operand = this.expression(expression.operand);
        const { operator } = expression;
        return (runner) => {
          const value = operand(runner);
          return operator === 'not' ? !isTrue(value) : negate(operator, value);
        };
      }
      case 'both':
      case 'either': {
        const [left, right] = [this.expression(expression.left), this.expression(expression.right)];
        const goesOn = expression.node === 'both';
        return (runner) => {
          const first = left(runner);
          return isTrue(first) === goesOn ? right(runner) : first;
        };
      }
      case 'compare': {
        const first = this.expression(expression.first);
        const rest = expression.rest.map(({ operator, value }) => ({
          operator,
          value: this.expression(value),
        }));
        return (runner) => {
          let left = first(runner);
          for (const { operator, value } of rest) {
            runner.machine.spend(pythonCycles.operation);
            const right = value(runner);
            if (!compare(operator, left, right)) return false;
            left = right;
          }
          return true;
        };
      }
      case 'choose': {
        const [condition, yes, no] = [
          this.expression(expression.condition),
          this.expression(expression.yes),
          this.expression(expression.no),
        ];
        return (runner) => (isTrue(condition(runner)) ? yes(runner) : no(runner));
      }
      case 'list':
      case 'tuple': {
        const items = expression.items.map((item) => this.expression(item));
        const isList = expression.node === 'list';
        return (runner) => {
          runner.machine.spend(pythonCycles.item * (items.length + 1));
          const made = items.map((item) => item(runner));
          return isList ? new PyList(made) : new PyTuple(made);
        };
      }
      case 'dict': {
        const pairs = expression.pairs.map(
          ([key, value]) => [this.expression(key), this.expression(value)] as const,
        );
        return (runner) => {
          runner.machine.spend(pythonCycles.item * (pairs.length + 1));
          const made = new PyDict();
          for (const [key, value] of pairs) made.set(key(runner), value(runner));
          return made;
        };
      }
      case 'comprehension':
        return this.comprehension(expression);
    }
  }

  private comprehension(expression: Extract<Expression, { node: 'comprehension' }>): Evaluate {
    const [item, source] = [this.expression(expression.item), this.expression(expression.source)];
    const condition = expression.condition && this.expression(expression.condition);
    const store = this.target(expression.target);
    const slots = slotsOf(expression.target);
    return (runner) => {
      // Its names are its own: what they held before they hold again.
      const before = slots.map((slot) => held(slot, runner));
      const made: Value[] = [];
      for (const one of iterable(source(runner))) {
        runner.machine.spend(pythonCycles.loop);
        store(runner, one);
        if (condition && !isTrue(condition(runner))) continue;
        runner.take(1);
        made.push(item(runner));
      }
      slots.forEach((slot, index) => put(slot, before[index], runner));
      return new PyList(made);
    };
  }

  private load(slot: Slot, name: string): Evaluate {
    switch (slot.area) {
      case 'library': {
        const { value } = slot;
        return () => value;
      }
      case 'unknown':
        return () => {
          throw new RaisedError('NameError', `name '${name}' is not defined`);
        };
      case 'global':
        return (runner) => {
          runner.machine.spend(pythonCycles.name);
          const value = runner.globals[slot.index];
          if (value === undefined) throw new RaisedError('NameError', `name '${name}' is not defined`);
          return value;
        };
      case 'local':
        return (runner) => {
          const value = runner.locals[slot.index];
          if (value === undefined)
            throw new RaisedError('NameError', `local variable '${name}' referenced before assignment`);
          return value;
        };
    }
  }

  private store(slot: Slot): (runner: Runner, value: Value) => void {
    return (runner, value) => {
      if (!isUnchanged(held(slot, runner), value)) runner.machine.changes += 1;
      put(slot, value, runner);
    };
  }

  private target(target: Target): (runner: Runner, value: Value) => void {
    switch (target.target) {
      case 'name':
        return this.store(target.slot);
      case 'attribute': {
        const owner = this.expression(target.owner);
        return (runner, value) => {
          runner.machine.spend(pythonCycles.attribute);
          setAttribute(owner(runner), target.name, value, target.span, runner);
        };
      }
      case 'index': {
        const [owner, index] = [this.expression(target.owner), this.expression(target.index)];
        return (runner, value) => {
          runner.machine.spend(pythonCycles.index);
          setIndexed(owner(runner), index(runner), value, runner);
        };
      }
      case 'several': {
        const stores = target.targets.map((one) => this.target(one));
        return (runner, value) => {
          const items = [...iterable(value)];
          if (items.length !== stores.length)
            throw new RaisedError(
              'ValueError',
              items.length < stores.length
                ? `need more than ${items.length} values to unpack`
                : `too many values to unpack (expected ${stores.length})`,
            );
          stores.forEach((store, index) => store(runner, items[index]!));
        };
      }
    }
  }
}

const held = (slot: Slot, runner: Runner): Value | undefined =>
  slot.area === 'global'
    ? runner.globals[slot.index]
    : slot.area === 'local'
      ? runner.locals[slot.index]
      : undefined;

function put(slot: Slot, value: Value | undefined, runner: Runner): void {
  if (slot.area === 'global') runner.globals[slot.index] = value;
  else if (slot.area === 'local') runner.locals[slot.index] = value;
}

const slotsOf = (target: Target): readonly Slot[] =>
  target.target === 'name'
    ? [target.slot]
    : target.target === 'several'
      ? target.targets.flatMap(slotsOf)
      : [];

/** Whether a name that gets a value has it already. */
const isUnchanged = (before: Value | undefined, now: Value): boolean =>
  before === now || (before instanceof PyFloat && now instanceof PyFloat && before.value === now.value);

function iterable(value: Value): Iterable<Value> {
  const items = itemsOf(value);
  if (!items) throw new RaisedError('TypeError', `'${typeName(value)}' object is not iterable`);
  return items;
}

/** The error that is raised by a kind of error, or by one with a message. */
function raised(value: Value, runner: Runner): RaisedError {
  if (value instanceof PyClass) {
    const made = value.call
      ? runner.call(value, {
          values: [],
          named: new Map(),
          span: { line: 1, column: 1, endLine: 1, endColumn: 1 },
        })
      : null;
    return made instanceof PyBuiltin
      ? new RaisedError('TypeError', 'exceptions must derive from BaseException')
      : raised(made, runner);
  }
  if (typeof value === 'object' && value !== null && 'kind' in value && value.kind === 'object')
    return new RaisedError(
      value.className as ErrorKind,
      textOf(value.get('message', { line: 1, column: 1, endLine: 1, endColumn: 1 })),
    );
  throw new RaisedError('TypeError', 'exceptions must derive from BaseException');
}
