import { Completion, type Execute } from './completion';
import type { ExpressionEmitter } from './emit-expressions';
import { RaisedError, type ErrorKind } from './errors';
import type { Runner } from './runner';
import type { Handler, Statement } from './tree';
import { PyClass } from './values';

/** What makes closures of the statements and values that a `try` is made of. */
interface Emit {
  readonly values: ExpressionEmitter;
  readonly block: (statements: readonly Statement[]) => Execute;
}

/** A `try` with what catches its errors, what comes when there are none, and what comes last in any case. */
export function attempt(statement: Extract<Statement, { node: 'try' }>, emit: Emit): Execute {
  const [body, otherwise, last] = [
    emit.block(statement.body),
    emit.block(statement.otherwise),
    emit.block(statement.last),
  ];
  const handlers = statement.handlers.map((handler) => handlerOf(handler, emit));
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
    const { returned } = runner;
    const end = last(runner);
    if (end !== Completion.Normal) return end;
    runner.returned = returned;
    return completion;
  };
}

function handlerOf(
  { kinds, slot, body }: Handler,
  emit: Emit,
): (runner: Runner, error: RaisedError) => Completion | undefined {
  const tests = kinds.map((kind) => emit.values.expression(kind));
  const store = slot && emit.values.store(slot);
  const run = emit.block(body);
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
