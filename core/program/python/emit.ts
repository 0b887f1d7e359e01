import type { BoardProfile } from '../../boards';
import { Machine, type Executable } from '../machine';
import { Stop } from '../stop';
import { passClocksOf } from './clock';
import { Completion, StatementEmitter, type Execute } from './emit-statements';
import { RaisedError } from './errors';
import { Runner } from './runner';
import type { PythonTree } from './tree';
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
      const machine = new Machine(host, limits);
      return {
        machine,
        start: () => runAll(body, functions, tree, board, machine),
        // A program of this language repeats only what it says itself.
        pass: () => undefined,
        call: () => undefined,
      };
    },
  };
}

/** Runs a program from its first line; it ends with an error, or as one that is finished. */
function runAll(
  body: Execute,
  functions: readonly Execute[],
  tree: PythonTree,
  board: BoardProfile,
  machine: Machine,
): never {
  const runner = new Runner(
    machine,
    board,
    tree.globals.length,
    (running, index, values, around) => {
      running.around = around;
      return callFunction(running, functions[index]!, tree.functions[index]!.locals.length, values);
    },
    (index) => tree.functions[index]!,
  );
  machine.host.serialBegin(SERIAL_RATE, 1);
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
