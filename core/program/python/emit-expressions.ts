import { aboveOf } from './above';
import { attributeOf, isUnchanged, setAttribute } from './attributes';
import { noteTurn, runningIn, turning, type PassClocks } from './clock';
import { pythonCycles } from './costs';
import { RaisedError } from './errors';
import { formatted } from './formatting';
import { indexed, setIndexed, sliced } from './indexing';
import { timeReadings } from './library/modules';
import { plain } from './moment';
import { compare, negate, operate } from './operators';
import { iterable, withRest } from './iterating';
import { itemsIn } from './methods';
import { room } from './room';
import type { Locals, Runner } from './runner';
import type { Expression, Slot, Target } from './tree';
import { reprOf } from './shown';
import { held, placeOfSlot, put, slotsOf } from './slots';
import { isTrue, numberOf, PyDict, PyFunction, PyList, PySet, PyTuple, type Value } from './values';

/** A value as whoever watches is shown it. */
const shown = (value: unknown): string => reprOf(value as Value);

export type Evaluate = (runner: Runner) => Value;
export type Store = (runner: Runner, value: Value) => void;

/** Compiles the expressions of one body, and what values are put into, to closures over a runner. */
export class ExpressionEmitter {
  constructor(
    private readonly clocks: PassClocks,
    /** Function that the body belongs to; -1 for the program's own. */
    private readonly owner: number,
  ) {}

  expression(expression: Expression): Evaluate {
    switch (expression.node) {
      case 'constant': {
        const { value } = expression;
        return () => value;
      }
      case 'joined': {
        const pieces = expression.pieces.map((piece) =>
          typeof piece === 'string' ? piece : { ...piece, value: this.expression(piece.value) },
        );
        return (runner) => {
          const texts = pieces.map((piece) => {
            if (typeof piece === 'string') return piece;
            runner.machine.spend(pythonCycles.operation);
            const value = piece.value(runner);
            return formatted(piece.way === 'repr' ? reprOf(value) : value, piece.format);
          });
          room(texts.reduce((sum, text) => sum + text.length, 0));
          return runner.made(texts.join(''));
        };
      }
      case 'name': {
        const load = this.load(expression.slot, expression.name);
        if (!runningIn(expression, this.clocks, this.owner)) return load;
        return (runner) => {
          runner.machine.clockEscaped = true;
          return load(runner);
        };
      }
      case 'attribute': {
        const owner = this.expression(expression.owner);
        const { name, span } = expression;
        return (runner) => {
          runner.machine.spend(pythonCycles.attribute);
          return attributeOf(owner(runner), name, span);
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
          return runner.made(
            sliced(
              owner(runner),
              bounds.map((bound) => bound?.(runner)),
            ),
          );
        };
      }
      case 'call': {
        const callee = this.expression(expression.callee);
        const values = expression.values.map((value) => this.expression(value));
        const named = expression.named.map(({ name, value }) => ({ name, value: this.expression(value) }));
        const { span, spread } = expression;
        return (runner) => {
          const called = callee(runner);
          const given = values.flatMap((value, index) =>
            spread.has(index) ? itemsIn(value(runner)) : [value(runner)],
          );
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
          return runner.made(operate(operator, left(runner), right(runner)));
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
        const followed = this.clockComparison(expression);
        if (followed) return followed;
        const first = this.expression(expression.first);
        const rest = expression.rest.map(({ operator, value }) => ({
          operator,
          value: this.expression(value),
        }));
        const watched = { span: expression.span, shown };
        const isPair = rest.length === 1;
        return (runner) => {
          let left = first(runner);
          for (const { operator, value } of rest) {
            runner.machine.spend(pythonCycles.operation);
            const right = value(runner);
            if (isPair) runner.machine.watcher?.compared(watched, plain(left), plain(right));
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
      case 'tuple':
      case 'set': {
        const items = expression.items.map((item) => this.expression(item));
        const { node } = expression;
        return (runner) => {
          runner.machine.spend(pythonCycles.item * (items.length + 1));
          const made = items.map((item) => item(runner));
          return runner.made(
            node === 'set' ? new PySet(made) : node === 'list' ? new PyList(made) : new PyTuple(made),
          );
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
      case 'lambda': {
        const { index } = expression;
        const defaults = expression.defaults.map((value) => value && this.expression(value));
        return (runner) =>
          new PyFunction(
            '<lambda>',
            index,
            defaults.map((value) => value?.(runner)),
            this.aroundNow(runner),
          );
      }
      case 'super': {
        const [base, self] = [this.expression(expression.base), this.expression(expression.self)];
        return (runner) => aboveOf(base(runner), self(runner));
      }
      case 'named': {
        const value = this.expression(expression.value);
        const store = this.target(expression.target);
        return (runner) => {
          const given = value(runner);
          store(runner, given);
          return given;
        };
      }
    }
  }

  /** The names that a function made here finds around it. */
  aroundNow({ locals, around }: Runner): readonly Locals[] {
    return this.owner < 0 ? [] : [locals, ...around];
  }

  /** A comparison of what runs with the clock and what does not: it turns once, and until then passes are alike. */
  private clockComparison(expression: Extract<Expression, { node: 'compare' }>): Evaluate | undefined {
    const [only, more] = expression.rest;
    if (!only || more || !turning.has(only.operator)) return undefined;
    const { operator } = only;
    const [before, behind] = [expression.first, only.value].map((side) =>
      runningIn(side, this.clocks, this.owner),
    );
    const running = before ?? behind;
    if (!running || (before && behind)) return undefined;
    const first = before ? this.followed(expression.first) : this.expression(expression.first);
    const second = behind ? this.followed(only.value) : this.expression(only.value);
    const watched = { span: expression.span, shown };
    return (runner) => {
      const left = first(runner);
      runner.machine.spend(pythonCycles.operation);
      const right = second(runner);
      runner.machine.watcher?.compared(watched, left, right);
      const [clock, fixed] = before ? [left, right] : [right, left];
      const [amount, limit] = [numberOf(clock), numberOf(fixed)].map(Number) as [number, number];
      if (Number.isFinite(amount) && Number.isFinite(limit))
        noteTurn(runner.machine, amount, limit, running.perSecond);
      else runner.machine.clockEscaped = true;
      return compare(operator, left, right);
    };
  }

  /** The value of what runs with the clock, for whoever follows it. */
  followed(expression: Expression): Evaluate {
    switch (expression.node) {
      case 'name':
        return this.load(expression.slot, expression.name);
      case 'binary': {
        const side = (one: Expression): Evaluate =>
          runningIn(one, this.clocks, this.owner) ? this.followed(one) : this.expression(one);
        const [left, right] = [side(expression.left), side(expression.right)];
        const { operator } = expression;
        return (runner) => {
          runner.machine.spend(pythonCycles.operation);
          return operate(operator, left(runner), right(runner));
        };
      }
      case 'call': {
        const callee = this.expression(expression.callee);
        const given = { values: [], named: new Map<string, Value>(), span: expression.span };
        return (runner) => {
          const called = callee(runner);
          const { machine, line } = runner;
          const { clockEscaped } = machine;
          runner.line = given.span.line;
          const value = runner.call(called, given);
          runner.line = line;
          if (timeReadings.has(called)) machine.clockEscaped = clockEscaped;
          // Something else of that name: nobody knows what it depends on.
          else machine.changes += 1;
          return value;
        };
      }
      default:
        return this.expression(expression);
    }
  }

  private comprehension(expression: Extract<Expression, { node: 'comprehension' }>): Evaluate {
    const [item, source] = [this.expression(expression.item), this.expression(expression.source)];
    const condition = expression.condition && this.expression(expression.condition);
    const key = expression.key && this.expression(expression.key);
    const { makes } = expression;
    const store = this.target(expression.target);
    const slots = slotsOf(expression.target);
    return (runner) => {
      // Its names are its own: what they held before they hold again.
      const before = slots.map((slot) => held(slot, runner));
      const made: Value[] = [];
      const pairs = new PyDict();
      for (const one of iterable(source(runner))) {
        runner.machine.spend(pythonCycles.loop);
        store(runner, one);
        if (condition && !isTrue(condition(runner))) continue;
        if (key) pairs.set(key(runner), item(runner));
        else made.push(item(runner));
      }
      // What is gone again by the next time is no room that is taken for good.
      room(makes === 'dict' ? pairs.entries.size : made.length);
      slots.forEach((slot, index) => put(slot, before[index], runner));
      return runner.made(makes === 'dict' ? pairs : makes === 'set' ? new PySet(made) : new PyList(made));
    };
  }

  load(slot: Slot, name: string): Evaluate {
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
      case 'outer':
        return (runner) => {
          const value = runner.around[slot.depth]?.[slot.index];
          if (value === undefined)
            throw new RaisedError('NameError', `local variable '${name}' referenced before assignment`);
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

  store(slot: Slot): (runner: Runner, value: Value) => void {
    return (runner, value) => {
      const before = held(slot, runner);
      const isNew = slot.area === 'local' && runner.calledInPass === runner.machine.pass;
      put(slot, value, runner);
      if (isNew || isUnchanged(before, value)) return;
      const { names, index } = placeOfSlot(slot, runner)!;
      runner.machine.change(names, index, () => isUnchanged(before, names[index]));
    };
  }

  target(target: Target): (runner: Runner, value: Value) => void {
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
          const all = itemsIn(value);
          const items = target.rest === undefined ? all : withRest(all, stores.length, target.rest);
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
