import type { BoardProfile } from '../../boards';
import type { Executable } from '../machine';
import { Stop } from '../stop';
import { passClocksOf } from './clock';
import { Completion, type Execute } from './completion';
import { StatementEmitter } from './emit-statements';
import { RaisedError } from './errors';
import { Runner } from './runner';
import { PythonMachine } from './machine';
import type { PythonTree } from './tree';
import { watchedNames } from './names';
import type { Value } from './values';

/** Rate of the serial line over the plug, which is open from the start. */
const SERIAL_RATE = 115_200;

/** Compiles a resolved program to closures over a runner; nothing is generated at run time. */
export function emitPython(tree: PythonTree, board: BoardProfile): Executable {
  const clocks = passClocksOf(tree);
  const body = new StatementEmitter(tree.functions, clocks, -1).block(tree.body);
  const functions = tree.functions.map((fn, index) =>
    new StatementEmitter(tree.functions, clocks, index).block(fn.body),
  );
  return {
    begin(host, limits) {
      const machine = new PythonMachine(host, limits);
      const begun = (): Runner =>
        new Runner(
          machine,
          board,
          tree.globals.length,
          (running, index, values, around) => {
            running.around = around;
            return callFunction(running, functions[index]!, tree.functions[index]!.locals.length, values);
          },
          (index) => tree.functions[index]!,
        );
      // One that starts again knows nothing of what was before.
      let runner: Runner | undefined;
      return {
        machine,
        start: () => {
          runner = begun();
          runAll(body, runner);
        },
        // A program of this language repeats only what it says itself.
        pass: () => undefined,
        call: () => undefined,
        names: watchedNames(tree, () => runner),
      };
    },
  };
}

/** Runs a program from its first line; it ends with an error, or as one that is finished. */
function runAll(body: Execute, runner: Runner): never {
  runner.machine.host.serialBegin(SERIAL_RATE, 1);
  try {
    body(runner);
  } catch (error) {
    if (error instanceof RaisedError) runner.fail(error);
    if (error instanceof RangeError)
      runner.fail(new RaisedError('RuntimeError', 'maximum recursion depth exceeded'));
    throw error;
  }
  throw Stop.for('finished');
}

function callFunction(
  runner: Runner,
  run: Execute,
  names: number,
  values: readonly (Value | undefined)[],
): Value {
  const locals: (Value | undefined)[] = new Array<Value | undefined>(names).fill(undefined);
  values.forEach((value, at) => (locals[at] = value));
  runner.locals = locals;
  runner.returned = null;
  return run(runner) === Completion.Return ? runner.returned : null;
}
