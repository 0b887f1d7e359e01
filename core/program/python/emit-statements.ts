import { attributeOf, setAttribute } from './attributes';
import { slotKey, type PassClocks } from './clock';
import { pythonCycles } from './costs';
import { Completion, type Execute } from './completion';
import { attempt } from './emit-attempt';
import { ExpressionEmitter, type Evaluate } from './emit-expressions';
import { RaisedError } from './errors';
import { deleteIndexed, indexed, setIndexed } from './indexing';
import { iterable } from './iterating';
import { itemsIn } from './methods';
import { operate } from './operators';
import { raised } from './raised';
import type { Runner } from './runner';
import { put } from './slots';
import type { Span } from '../syntax';
import type { FunctionTree, Statement } from './tree';
import { textOf } from './shown';
import { isTrue, PyFunction, PyInstance, PyList, PyOwnClass, typeName, type Value } from './values';

/** Compiles the statements of one body to closures over a runner. */
export class StatementEmitter {
  private readonly values: ExpressionEmitter;

  constructor(
    private readonly functions: readonly FunctionTree[],
    private readonly clocks: PassClocks,
    /** Function that the body belongs to; -1 for the program's own. */
    private readonly owner: number,
  ) {
    this.values = new ExpressionEmitter(clocks, owner);
  }

  block(statements: readonly Statement[]): Execute {
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
        const value = this.values.expression(statement.expression);
        return (runner) => {
          value(runner);
          return Completion.Normal;
        };
      }
      case 'assign': {
        const clock = this.clockSet(statement);
        if (clock) return clock;
        const value = this.values.expression(statement.value);
        const stores = statement.targets.map((target) => this.values.target(target));
        return (runner) => {
          const given = value(runner);
          for (const store of stores) store(runner, given);
          return Completion.Normal;
        };
      }
      case 'augment':
        return this.augment(statement);
      case 'if': {
        const condition = this.values.expression(statement.condition);
        const [yes, no] = [this.block(statement.yes), this.block(statement.no)];
        const { span } = statement.condition;
        return (runner) => (decides(runner, condition, span) ? yes(runner) : no(runner));
      }
      case 'while':
        return this.loop(statement);
      case 'for':
        return this.each(statement);
      case 'function': {
        const defaults = statement.defaults.map((value) => value && this.values.expression(value));
        const { name } = this.functions[statement.index]!;
        const store = this.values.store(statement.slot);
        return (runner) => {
          store(
            runner,
            new PyFunction(
              name,
              statement.index,
              defaults.map((value) => value?.(runner)),
              this.values.aroundNow(runner),
            ),
          );
          return Completion.Normal;
        };
      }
      case 'class':
        return this.ownClass(statement);
      case 'with':
        return this.within(statement);
      case 'import': {
        const store = this.values.store(statement.slot);
        const { value } = statement;
        return (runner) => {
          store(runner, value);
          return Completion.Normal;
        };
      }
      case 'return': {
        const value = statement.value && this.values.expression(statement.value);
        return (runner) => {
          runner.returned = value ? value(runner) : null;
          return Completion.Return;
        };
      }
      case 'try':
        return attempt(statement, { values: this.values, block: (inner) => this.block(inner) });
      case 'raise': {
        const value = statement.value && this.values.expression(statement.value);
        return (runner) => {
          throw value
            ? raised(value(runner), runner)
            : new RaisedError('RuntimeError', 'no active exception to reraise');
        };
      }
      case 'assert': {
        const condition = this.values.expression(statement.condition);
        const message = statement.message && this.values.expression(statement.message);
        return (runner) => {
          if (!isTrue(condition(runner)))
            throw new RaisedError('AssertionError', message ? textOf(message(runner)) : '');
          return Completion.Normal;
        };
      }
      case 'delete': {
        const { target } = statement;
        if (target.target === 'index') {
          const [owner, index] = [this.values.expression(target.owner), this.values.expression(target.index)];
          return (runner) => {
            deleteIndexed(owner(runner), index(runner), runner);
            return Completion.Normal;
          };
        }
        const slot = target.target === 'name' ? target.slot : undefined;
        return (runner) => {
          if (slot?.area === 'global') runner.globals[slot.index] = undefined;
          if (slot && slot.area !== 'global') put(slot, undefined, runner);
          runner.machine.changes += 1;
          return Completion.Normal;
        };
      }
    }
  }

  /** A class: its body runs as a function does, and what that gives names to are its members. */
  private ownClass({ name, index, slot, base }: Extract<Statement, { node: 'class' }>): Execute {
    const above = base && this.values.expression(base);
    const store = this.values.store(slot);
    const { locals } = this.functions[index]!;
    return (runner) => {
      const from = above?.(runner);
      if (from !== undefined && !(from instanceof PyOwnClass))
        throw new RaisedError(
          'TypeError',
          `'${typeName(from)}' object is no class that another can be made from`,
        );
      const body = new PyFunction(name, index, [], this.values.aroundNow(runner));
      const members = runner.namesOf(body);
      runner.take(locals.length);
      store(
        runner,
        new PyOwnClass(
          name,
          new Map(locals.flatMap((member, at) => (members[at] === undefined ? [] : [[member, members[at]]]))),
          from,
        ),
      );
      return Completion.Normal;
    };
  }

  /** `with`: something is used and then given back, whatever happens. */
  private within({ value, target, body }: Extract<Statement, { node: 'with' }>): Execute {
    const thing = this.values.expression(value);
    const store = target && this.values.target(target);
    const run = this.block(body);
    const { span } = value;
    const nothing = { values: [], named: new Map<string, Value>(), span };
    return (runner) => {
      const used = thing(runner);
      const isOwn = used instanceof PyInstance;
      const given = isOwn ? runner.call(used.get('__enter__'), nothing) : used;
      store?.(runner, given);
      const giveBack = (): void => {
        const end = isOwn ? { ...nothing, values: [null, null, null] } : nothing;
        runner.call(attributeOf(used, isOwn ? '__exit__' : 'deinit', span), end);
      };
      let completion: Completion;
      try {
        completion = run(runner);
      } catch (error) {
        if (error instanceof RaisedError) giveBack();
        throw error;
      }
      const { returned } = runner;
      giveBack();
      runner.returned = returned;
      return completion;
    };
  }

  /** A name that gets the time in each pass: what it holds is no change, see `passClocksOf`. */
  private clockSet(statement: Extract<Statement, { node: 'assign' }>): Execute | undefined {
    const [target, more] = statement.targets;
    if (more || target?.target !== 'name' || !this.clocks.has(slotKey(target.slot, this.owner) ?? ''))
      return undefined;
    const value = this.values.followed(statement.value);
    const { slot } = target;
    return (runner) => {
      put(slot, value(runner), runner);
      return Completion.Normal;
    };
  }

  private augment(statement: Extract<Statement, { node: 'augment' }>): Execute {
    const { target, operator } = statement;
    const value = this.values.expression(statement.value);
    const change = (runner: Runner, before: Value, by: Value): Value => {
      runner.machine.spend(pythonCycles.operation);
      // A list is made longer where it is.
      if (operator === '+' && before instanceof PyList) {
        const items = itemsIn(by);
        runner.take(items.length);
        for (const item of items) before.items.push(item);
        return before;
      }
      return runner.made(operate(operator, before, by));
    };
    switch (target.target) {
      case 'name': {
        const [load, store] = [this.values.load(target.slot, target.name), this.values.store(target.slot)];
        return (runner) => {
          store(runner, change(runner, load(runner), value(runner)));
          return Completion.Normal;
        };
      }
      case 'index': {
        const [owner, index] = [this.values.expression(target.owner), this.values.expression(target.index)];
        return (runner) => {
          const [of, at] = [owner(runner), index(runner)];
          setIndexed(of, at, change(runner, indexed(of, at), value(runner)), runner);
          return Completion.Normal;
        };
      }
      case 'attribute': {
        const owner = this.values.expression(target.owner);
        return (runner) => {
          const of = owner(runner);
          const before = attributeOf(of, target.name, target.span);
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
    const condition = this.values.expression(statement.condition);
    const [body, otherwise] = [this.block(statement.body), this.block(statement.otherwise)];
    const { line } = statement.span;
    const { span } = statement.condition;
    return (runner) => {
      const { machine } = runner;
      machine.enterLoop(line);
      let isOver = false;
      try {
        for (;;) {
          machine.beginPass();
          runner.line = line;
          machine.spend(pythonCycles.loop);
          if (!decides(runner, condition, span)) return otherwise(runner);
          const completion = body(runner);
          if (completion === Completion.Break) return Completion.Normal;
          if (completion === Completion.Return) return completion;
          machine.endPass();
        }
      } catch (error) {
        // A run that is over keeps its loops: they say what was running.
        isOver = !(error instanceof RaisedError);
        throw error;
      } finally {
        if (!isOver) machine.leaveLoop();
      }
    };
  }

  private each(statement: Extract<Statement, { node: 'for' }>): Execute {
    const source = this.values.expression(statement.source);
    const store = this.values.target(statement.target);
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
}

/** Whether a condition holds; whoever watches is told. */
function decides(runner: Runner, condition: Evaluate, span: Span): boolean {
  const isSo = isTrue(condition(runner));
  runner.machine.watcher?.decided(span, isSo ? 'so' : 'not so');
  return isSo;
}
