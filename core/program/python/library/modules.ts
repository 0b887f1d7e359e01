import { RaisedError } from '../errors';
import { argument, itemsIn, wholeNumber } from '../methods';
import { PyMoment } from '../moment';
import {
  numberOf,
  PyBuiltin,
  PyFloat,
  PyList,
  PyModule,
  typeName,
  type Value,
  type Running,
  type Work,
} from '../values';

const make = (name: string, work: Work, most?: number): readonly [string, Value] => [
  name,
  new PyBuiltin(name, work, most),
];

function realNumber(value: Value): number {
  const number = numberOf(value);
  if (number === undefined) throw new RaisedError('TypeError', `can't convert ${typeName(value)} to float`);
  return Number(number);
}

/** Seconds since the board began, as these boards count them. */
const now: Work = (_, { machine }) => PyMoment.read(machine);

export const timeModule = new PyModule(
  'time',
  new Map([
    make(
      'sleep',
      (given, { machine, line }) => {
        const seconds = realNumber(argument(given, 0, 'seconds'));
        if (seconds < 0) {
          machine.fault({ kind: 'pause', line });
          throw new RaisedError('ValueError', 'sleep length must be non-negative');
        }
        machine.pause(seconds, line);
        return null;
      },
      1,
    ),
    make('monotonic', now, 0),
    make('time', (_, { machine }) => {
      machine.clockEscaped = true;
      return machine.counts(1);
    }),
    make('monotonic_ns', (_, { machine }) => {
      machine.clockEscaped = true;
      return machine.counts(1e6) * 1000;
    }),
  ]),
);

/** A number from 0 to just below 1. */
const chance = ({ machine }: Running): number => machine.host.chance() / 2 ** 32;

/** A whole number between two, both included. */
function between(low: number, high: number, runner: Running): number {
  if (high < low) throw new RaisedError('ValueError', 'empty range');
  return low + Math.floor(chance(runner) * (high - low + 1));
}

export const randomModule = new PyModule(
  'random',
  new Map([
    make('random', (_, runner) => new PyFloat(chance(runner))),
    make('randint', (given, runner) =>
      between(wholeNumber(argument(given, 0, 'from')), wholeNumber(argument(given, 1, 'to')), runner),
    ),
    make('randrange', (given, runner) => {
      const [first, second, step] = given.values.map(wholeNumber);
      const [from, to] = second === undefined ? [0, first ?? 0] : [first!, second];
      const by = step ?? 1;
      if (by === 0) throw new RaisedError('ValueError', 'zero step');
      return from + by * between(0, Math.ceil((to - from) / by) - 1, runner);
    }),
    make('uniform', (given, runner) => {
      const [low, high] = [realNumber(argument(given, 0, 'from')), realNumber(argument(given, 1, 'to'))];
      return new PyFloat(low + (high - low) * chance(runner));
    }),
    make('choice', (given, runner) => {
      const items = itemsIn(argument(given, 0, 'items'));
      if (items.length === 0) throw new RaisedError('IndexError', 'empty sequence');
      return items[between(0, items.length - 1, runner)]!;
    }),
    make('shuffle', (given, runner) => {
      const list = argument(given, 0, 'list');
      if (!(list instanceof PyList))
        throw new RaisedError('TypeError', `'${typeName(list)}' object is no list`);
      for (let last = list.items.length - 1; last > 0; last -= 1) {
        const other = between(0, last, runner);
        [list.items[last], list.items[other]] = [list.items[other]!, list.items[last]!];
      }
      return null;
    }),
    make('seed', () => null),
  ]),
);

const real = (name: string, work: (x: number) => number): readonly [string, Value] =>
  make(name, (given) => {
    const result = work(realNumber(argument(given, 0, 'number')));
    if (Number.isNaN(result)) throw new RaisedError('ValueError', 'math domain error');
    return new PyFloat(result);
  });
const wholeOf = (name: string, work: (x: number) => number): readonly [string, Value] =>
  make(name, (given) => work(realNumber(argument(given, 0, 'number'))) + 0);

export const mathModule = new PyModule(
  'math',
  new Map<string, Value>([
    real('sin', Math.sin),
    real('cos', Math.cos),
    real('tan', Math.tan),
    real('sqrt', Math.sqrt),
    real('exp', Math.exp),
    real('log', Math.log),
    real('fabs', Math.abs),
    real('radians', (x) => (x * Math.PI) / 180),
    real('degrees', (x) => (x * 180) / Math.PI),
    make(
      'pow',
      (given) => new PyFloat(realNumber(argument(given, 0, 'x')) ** realNumber(argument(given, 1, 'y'))),
    ),
    wholeOf('floor', Math.floor),
    wholeOf('ceil', Math.ceil),
    wholeOf('trunc', Math.trunc),
    ['pi', new PyFloat(Math.PI)],
    ['e', new PyFloat(Math.E)],
  ]),
);

/** The functions that tell the time, whose comparisons are followed. */
export const timeReadings: ReadonlySet<Value> = new Set(
  ['monotonic', 'monotonic_ns'].map((name) => timeModule.members.get(name)!),
);
