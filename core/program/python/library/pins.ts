import { findPin, type BoardPin, type BoardProfile } from '../../../boards';
import type { Span } from '../../syntax';
import { noAttribute } from '../attributes';
import { RaisedError } from '../errors';
import { wholeNumber } from '../methods';
import {
  isTrue,
  numberOf,
  PyBuiltin,
  PyClass,
  PyFloat,
  PyModule,
  typeName,
  type Given,
  type PyObject,
  type Value,
  type Running,
} from '../values';

/** How a pin is told to be, as the machine numbers it. */
const [INPUT, OUTPUT, PULL_UP, PULL_DOWN] = [0, 1, 2, 3];
/** Largest analog value and duty: sixteen bits. */
const FULL = 65_535;

/** A pin of the board as a value. */
interface PinValue extends PyObject {
  readonly pin: BoardPin;
}

const constant = (className: string, name: string): PyObject => ({
  kind: 'object',
  className,
  get: (attribute) => {
    if (attribute === 'name') return name;
    throw new RaisedError('AttributeError', `'${className}' object has no attribute '${attribute}'`);
  },
  set: () => undefined,
});

const direction = { INPUT: constant('Direction', 'INPUT'), OUTPUT: constant('Direction', 'OUTPUT') };
const pull = { UP: constant('Pull', 'UP'), DOWN: constant('Pull', 'DOWN') };
const drive = {
  PUSH_PULL: constant('DriveMode', 'PUSH_PULL'),
  OPEN_DRAIN: constant('DriveMode', 'OPEN_DRAIN'),
};
const members = (of: Readonly<Record<string, Value>>): ReadonlyMap<string, Value> =>
  new Map(Object.entries(of));

/** The pins of a board by all of their names. */
export function boardModule(board: BoardProfile): PyModule {
  const pinValue = (pin: BoardPin): PinValue => ({ ...constant('Pin', pin.name), pin });
  // A name is no number here: pin 13 is `D13`.
  const named = (name: string): string => (/^\d/.test(name) ? `D${name}` : name);
  const pins = board.pins.flatMap((pin) =>
    [pin.name, ...pin.aliases].map((name) => [named(name), pinValue(pin)] as const),
  );
  const [led] = board.onBoard;
  const own = led && findPin(board, led.pin);
  return new PyModule(
    'board',
    new Map<string, Value>([...pins, ...(own ? [['LED', pinValue(own)] as const] : [])]),
  );
}

/** The pin that a class was given first. */
function pinOf({ values, named }: Given): BoardPin {
  const value = values[0] ?? named.get('pin');
  if (value === undefined) throw new RaisedError('TypeError', "function missing required argument 'pin'");
  if (typeof value === 'object' && value !== null && 'pin' in value) return (value as PinValue).pin;
  throw new RaisedError('TypeError', `pin must be of type Pin, not ${typeName(value)}`);
}

function needs(pin: BoardPin, what: 'analog' | 'pwm'): void {
  if (!pin.functions.includes(what)) throw new RaisedError('ValueError', `Invalid pin ${pin.name}`);
}

/** Attributes of an object: how each is read, set or called. */
interface Members {
  readonly [name: string]: {
    readonly get?: (span: Span) => Value;
    readonly set?: (value: Value, span: Span) => void;
    readonly call?: (given: Given) => Value;
  };
}

function object(className: string, attributes: Members): PyObject {
  const self: PyObject = {
    kind: 'object',
    className,
    get(name, span) {
      const attribute = attributes[name];
      if (attribute?.get) return attribute.get(span);
      if (attribute?.call) return new PyBuiltin(name, attribute.call);
      throw noAttribute(self, name);
    },
    set(name, value, span) {
      const attribute = attributes[name];
      if (!attribute?.set) throw noAttribute(self, name);
      attribute.set(value, span);
    },
  };
  return self;
}

function digitalInOut(given: Given, runner: Running): Value {
  const pin = pinOf(given);
  runner.claim(pin);
  const { host } = runner.machine;
  let way: PyObject = direction.INPUT;
  let held: Value = null;
  let mode: Value = drive.PUSH_PULL;
  let level = false;
  const apply = (line: number): void => {
    const input = held === pull.UP ? PULL_UP : held === pull.DOWN ? PULL_DOWN : INPUT;
    // With an open drain a pin pulls down, or lets go.
    const isDriven = way === direction.OUTPUT && !(level && mode === drive.OPEN_DRAIN);
    host.pinMode(pin.number, isDriven ? OUTPUT! : input!, line);
  };
  const release = (): Value => {
    runner.claimed.delete(pin.name);
    host.pinMode(pin.number, INPUT!, runner.line);
    return null;
  };
  apply(given.span.line);
  const write = (value: Value, line: number): void => {
    level = isTrue(value);
    if (mode === drive.OPEN_DRAIN) apply(line);
    if (!level || mode === drive.PUSH_PULL) host.digitalWrite(pin.number, level ? 1 : 0, line);
  };
  const setMode = (value: Value): void => {
    if (value !== drive.PUSH_PULL && value !== drive.OPEN_DRAIN)
      throw new RaisedError('ValueError', 'drive_mode must be DriveMode.PUSH_PULL or DriveMode.OPEN_DRAIN');
    mode = value;
  };
  return object('DigitalInOut', {
    direction: {
      get: () => way,
      set: (value, { line }) => {
        if (value !== direction.INPUT && value !== direction.OUTPUT)
          throw new RaisedError('TypeError', 'direction must be Direction.INPUT or Direction.OUTPUT');
        way = value;
        held = null;
        apply(line);
        if (way === direction.OUTPUT) write(false, line);
      },
    },
    pull: {
      get: () => held,
      set: (value, { line }) => {
        if (way === direction.OUTPUT)
          throw new RaisedError('AttributeError', 'Cannot set pull while in output mode');
        if (value !== null && value !== pull.UP && value !== pull.DOWN)
          throw new RaisedError('ValueError', 'pull must be Pull.UP, Pull.DOWN or None');
        held = value;
        apply(line);
      },
    },
    value: {
      get: ({ line }) => host.digitalRead(pin.number, line) !== 0,
      set: (value, { line }) => {
        if (way !== direction.OUTPUT) {
          // What was tried is kept, for whoever asks why nothing happened.
          host.refusedWrite(pin.number, isTrue(value) ? 1 : 0, line);
          throw new RaisedError('AttributeError', 'Cannot set value when direction is input.');
        }
        write(value, line);
      },
    },
    drive_mode: {
      get: () => mode,
      set: (value, { line }) => {
        setMode(value);
        apply(line);
        write(level, line);
      },
    },
    switch_to_output: {
      call: ({ values, named, span }) => {
        way = direction.OUTPUT;
        held = null;
        setMode(values[1] ?? named.get('drive_mode') ?? drive.PUSH_PULL);
        apply(span.line);
        write(values[0] ?? named.get('value') ?? false, span.line);
        return null;
      },
    },
    switch_to_input: {
      call: ({ values, named, span }) => {
        way = direction.INPUT;
        held = values[0] ?? named.get('pull') ?? null;
        apply(span.line);
        return null;
      },
    },
    deinit: { call: release },
  });
}

function analogIn(given: Given, runner: Running): Value {
  const pin = pinOf(given);
  needs(pin, 'analog');
  runner.claim(pin);
  return object('AnalogIn', {
    value: { get: ({ line }) => runner.machine.host.analogRead(pin.number, line) },
    reference_voltage: { get: () => new PyFloat(runner.board.analog.referenceVolts) },
    deinit: {
      call: () => {
        runner.claimed.delete(pin.name);
        return null;
      },
    },
  });
}

function pwmOut(given: Given, runner: Running): Value {
  const pin = pinOf(given);
  needs(pin, 'pwm');
  runner.claim(pin);
  const { host } = runner.machine;
  let hertz = wholeNumber(given.named.get('frequency') ?? 500);
  let duty = wholeNumber(given.named.get('duty_cycle') ?? 0);
  const isFree = isTrue(given.named.get('variable_frequency') ?? false);
  const apply = (line: number): void => host.pwm(pin.number, duty / FULL, hertz, line);
  apply(given.span.line);
  return object('PWMOut', {
    duty_cycle: {
      get: () => duty,
      set: (value, { line }) => {
        const number = wholeNumber(value);
        if (number < 0 || number > FULL) {
          runner.machine.fault({ kind: 'range', line, index: number, length: FULL });
          throw new RaisedError(
            'ValueError',
            'duty_cycle must be between 0 and 65535 inclusive (16 bit resolution)',
          );
        }
        duty = number;
        apply(line);
      },
    },
    frequency: {
      get: () => hertz,
      set: (value, { line }) => {
        if (!isFree)
          throw new RaisedError(
            'AttributeError',
            'PWM frequency not writable when variable_frequency is False on construction.',
          );
        hertz = Number(numberOf(value) ?? hertz);
        apply(line);
      },
    },
    deinit: {
      call: () => {
        runner.claimed.delete(pin.name);
        host.pinMode(pin.number, INPUT!, runner.line);
        return null;
      },
    },
  });
}

const classNamed = (
  name: string,
  make: (given: Given, runner: Running) => Value,
): readonly [string, Value] => [name, new PyClass(name, make)];

export const digitalModule = new PyModule(
  'digitalio',
  new Map<string, Value>([
    classNamed('DigitalInOut', digitalInOut),
    ['Direction', new PyClass('Direction', undefined, members(direction))],
    ['Pull', new PyClass('Pull', undefined, members(pull))],
    ['DriveMode', new PyClass('DriveMode', undefined, members(drive))],
  ]),
);
export const analogModule = new PyModule('analogio', new Map([classNamed('AnalogIn', analogIn)]));
export const pwmModule = new PyModule('pwmio', new Map([classNamed('PWMOut', pwmOut)]));

/** Names of the attributes that objects of these classes have. */
export const pinAttributes: readonly string[] = [
  'direction',
  'pull',
  'value',
  'drive_mode',
  'switch_to_output',
  'switch_to_input',
  'deinit',
  'reference_voltage',
  'duty_cycle',
  'frequency',
  'name',
  'args',
];
