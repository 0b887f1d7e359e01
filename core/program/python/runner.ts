import type { BoardPin, BoardProfile } from '../../boards';
import { Stop } from '../stop';
import { pythonCycles } from './costs';
import { RaisedError } from './errors';
import { heldBy } from './held';
import type { PythonMachine } from './machine';
import { effort } from '../../effort';
import type { FunctionTree } from './tree';
import {
  PyBuiltin,
  PyClass,
  PyFunction,
  PyTuple,
  sizeOf,
  typeName,
  type Given,
  type Running,
  type Value,
} from './values';

/** Calls inside calls that a board of this class has room for. */
const DEEPEST_CALLS = 80;
/** Bytes that one more item of a list or dictionary takes. */
const ITEM_BYTES = 8;
/** So that a run ends before all that it has made can fill a hundred megabytes. */
const EFFORT_OF_A_WORD = 200;

/** Runs one of the program's own functions with values for its parameters. */
export type CallOwn = (
  runner: Runner,
  index: number,
  values: readonly (Value | undefined)[],
  around: readonly Locals[],
) => Value;

/** Values of a function's names. */
export type Locals = (Value | undefined)[];

/** What a function takes. */
export type Signature = Pick<FunctionTree, 'parameters' | 'byPlace' | 'rest'>;

/** The state of one run of a Python program. */
export class Runner implements Running {
  readonly globals: (Value | undefined)[];
  locals: Locals = [];
  /** Number of the pass in which the running function was called: what its names get then is nobody else's. */
  calledInPass = -1;
  /** Names of the functions around the running one, the nearest first. */
  around: readonly Locals[] = [];
  /** What the function that ended last gives. */
  returned: Value = null;
  readonly claimed = new Map<string, number>();
  /** Names of the functions that are running. */
  private readonly frames: Locals[] = [];
  private readonly wholeBytes: number;
  private depth = 0;
  private nextObject = 1;
  line = 1;

  constructor(
    readonly machine: PythonMachine,
    readonly board: BoardProfile,
    globals: number,
    private readonly callOwn: CallOwn,
    private readonly signatureOf: (index: number) => Signature,
  ) {
    this.globals = new Array<Value | undefined>(globals).fill(undefined);
    this.wholeBytes = machine.freeBytes;
  }

  call(callee: Value, given: Given): Value {
    if (callee instanceof PyFunction) return this.callFunction(callee, given);
    if (callee instanceof PyBuiltin) {
      this.machine.spend(pythonCycles.library);
      const { most } = callee;
      if (most !== undefined && given.values.length > most)
        throw new RaisedError(
          'TypeError',
          `function takes ${most} positional arguments but ${given.values.length} were given`,
        );
      return this.made(callee.call(given, this));
    }
    if (callee instanceof PyClass && callee.call) {
      this.machine.spend(pythonCycles.library);
      return this.made(callee.call(given, this));
    }
    throw new RaisedError('TypeError', `'${typeName(callee)}' object is not callable`);
  }

  private callFunction(fn: PyFunction, { values, named }: Given): Value {
    const { parameters, byPlace, rest } = this.signatureOf(fn.index);
    const wanted = parameters.length - (rest === undefined ? 0 : 1);
    const required = wanted - fn.defaults.filter((value) => value !== undefined).length;
    const filled: (Value | undefined)[] = parameters.map((name, index) =>
      name === rest ? new PyTuple(values.slice(byPlace)) : index < byPlace ? values[index] : undefined,
    );
    for (const [name, value] of named) {
      const index = parameters.indexOf(name);
      if (index < 0) throw new RaisedError('TypeError', `unexpected keyword argument '${name}'`);
      filled[index] = value;
    }
    const complete = filled.map((value, index) => (value === undefined ? fn.defaults[index] : value));
    if ((rest === undefined && values.length > byPlace) || complete.some((value) => value === undefined))
      throw new RaisedError(
        'TypeError',
        `function takes ${required === wanted ? wanted : `${required} to ${wanted}`} positional arguments but ${values.length} were given`,
      );
    if (this.depth >= DEEPEST_CALLS)
      throw new RaisedError('RuntimeError', 'maximum recursion depth exceeded');
    this.depth += 1;
    this.machine.spend(pythonCycles.call);
    const { locals, around, calledInPass } = this;
    this.frames.push(locals);
    try {
      this.calledInPass = this.machine.pass;
      return this.callOwn(this, fn.index, complete, fn.around);
    } finally {
      this.locals = locals;
      this.around = around;
      this.calledInPass = calledInPass;
      this.frames.pop();
      this.depth -= 1;
    }
  }

  /** Runs a body that takes nothing, and gives what its names hold then. */
  namesOf(body: PyFunction): Locals {
    const { locals, around } = this;
    try {
      this.callOwn(this, body.index, [], body.around);
      return this.locals;
    } finally {
      this.locals = locals;
      this.around = around;
    }
  }

  take(items: number): void {
    this.machine.changes += 1;
    this.machine.freeBytes -= items * ITEM_BYTES;
    // What nobody holds any more is found only when the room is gone, as on the board.
    if (this.machine.freeBytes < 0)
      this.machine.freeBytes =
        this.wholeBytes - (items + heldBy([this.globals, ...this.frames])) * ITEM_BYTES;
    if (this.machine.freeBytes < 0)
      throw new RaisedError(
        'MemoryError',
        `memory allocation failed, allocating ${items * ITEM_BYTES} bytes`,
      );
  }

  /** Takes note of a value that was made: what a run makes in all is bounded, whatever it keeps of it. */
  made(value: Value): Value {
    effort(EFFORT_OF_A_WORD * sizeOf(value));
    return value;
  }

  claim(pin: BoardPin): number {
    if (this.claimed.has(pin.name)) throw new RaisedError('ValueError', `${pin.name} in use`);
    const number = this.nextObject;
    this.nextObject += 1;
    this.claimed.set(pin.name, number);
    return number;
  }

  print(text: string): void {
    effort(20 * text.length);
    this.machine.spend(pythonCycles.print);
    // A line ends with a return and a new line on the way to the computer.
    this.machine.host.serialPrint(text.replace(/\n/g, '\r\n'), this.line);
  }

  /** Ends the program with an error that nobody caught, as the board tells it. */
  fail(error: RaisedError): never {
    const { kind, message, line = this.line } = error;
    this.machine.failure = { kind, message, line };
    this.machine.host.serialPrint(
      `Traceback (most recent call last):\r\n  File "code.py", line ${line}, in <module>\r\n${kind}: ${message}\r\n`,
      line,
    );
    throw Stop.for('finished');
  }
}
