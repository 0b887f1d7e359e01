import { libraryCycles } from '../../costs';
import type { InterruptMode } from '../../machine';
import type { CppMachine } from '../machine';
import { integer, VOID } from '../types';
import { define, optional, parameter, type LibraryTable } from './function';

/** Orders in which bits are clocked out, as the language numbers them. */
export const [LSBFIRST, MSBFIRST] = [0, 1];
/** Changes of a level, as the language numbers them. */
export const interruptModes: Readonly<Record<number, InterruptMode>> = {
  1: 'change',
  2: 'falling',
  3: 'rising',
};
/** Microseconds after which `pulseIn` gives up, when nothing else is said. */
const PULSE_TIMEOUT = 1_000_000;
/** The highest duration that waiting for ever stands for, in s; no run is as long. */
const toSeconds = (milliseconds: number | undefined): number | undefined =>
  milliseconds === undefined ? undefined : milliseconds / 1e3;

/** Pins, PWM, analog reading, time, tones, pulses, shifting and interrupts. */
export const boardFunctions: LibraryTable = (widths) => {
  const byte = integer(8, false);
  const int = integer(widths.intBits, true);
  const unsignedInt = integer(widths.intBits, false);
  const unsignedLong = integer(32, false);
  const pin = parameter('the pin', byte);
  const clock = (perSecond: number, step: number) => ({
    ...define(
      [],
      unsignedLong,
      perSecond === 1e3 ? libraryCycles.millis : libraryCycles.micros,
      (_, { machine }) => (machine.counts(perSecond / step) * step) >>> 0,
    ),
    clock: perSecond === 1e3 ? ('millis' as const) : ('micros' as const),
  });
  return {
    // The program stops here, and every pin stays as it is.
    exit: define([parameter('a number', int)], VOID, 0, (_, { machine }) =>
      machine.wait(Number.POSITIVE_INFINITY),
    ),
    pinMode: define(
      [pin, parameter('the direction', byte)],
      VOID,
      libraryCycles.pinMode,
      ([at, mode], { machine, line }) => machine.host.pinMode(at!, mode!, line),
    ),
    digitalWrite: define(
      [pin, parameter('the level', byte)],
      VOID,
      libraryCycles.digitalWrite,
      ([at, level], { machine, line }) => machine.host.digitalWrite(at!, level!, line),
    ),
    digitalRead: define([pin], int, libraryCycles.digitalRead, ([at], { machine, line }) =>
      machine.host.digitalRead(at!, line),
    ),
    analogWrite: define(
      [pin, parameter('the duty', int)],
      VOID,
      libraryCycles.analogWrite,
      ([at, duty], { machine, line }) => machine.host.analogWrite(at!, duty!, line),
    ),
    analogRead: define([pin], int, libraryCycles.analogRead, ([at], { machine, line }) =>
      machine.host.analogRead(machine.host.analogChannel(at!), line),
    ),
    delay: define(
      [parameter('the milliseconds', unsignedLong)],
      VOID,
      libraryCycles.delay,
      ([milliseconds], { machine, line }) => machine.pause(milliseconds! / 1e3, line),
    ),
    // It counts its own steps, so that it works where the clock stands still.
    delayMicroseconds: define(
      [parameter('the microseconds', unsignedInt)],
      VOID,
      4,
      ([microseconds], { machine, line }) =>
        machine.inInterrupt ? machine.wait(microseconds! / 1e6) : machine.pause(microseconds! / 1e6, line),
    ),
    millis: clock(1e3, 1),
    // The timer behind it counts every 64th cycle of a 16 MHz clock: steps of four.
    micros: clock(1e6, 4),
    tone: optional(
      1,
      define(
        [pin, parameter('the hertz', unsignedInt), parameter('the milliseconds', unsignedLong)],
        VOID,
        libraryCycles.tone,
        ([at, hertz, milliseconds], { machine, line }) =>
          machine.host.tone(at!, hertz!, toSeconds(milliseconds), line),
      ),
    ),
    noTone: define([pin], VOID, libraryCycles.small, ([at], { machine, line }) =>
      machine.host.noTone(at!, line),
    ),
    pulseIn: optional(
      1,
      define(
        [pin, parameter('the level', byte), parameter('the longest wait', unsignedLong)],
        unsignedLong,
        libraryCycles.small,
        ([at, level, timeout = PULSE_TIMEOUT], { machine, line }) => {
          machine.changes += 1;
          return machine.host.pulseIn(at!, level!, timeout, line);
        },
      ),
    ),
    shiftOut: define(
      [
        parameter('the data pin', byte),
        parameter('the clock pin', byte),
        parameter('the order', byte),
        parameter('the value', byte),
      ],
      VOID,
      libraryCycles.small,
      ([data, clock, order, value], { machine, line }) =>
        shiftOut(machine, { data: data!, clock: clock! }, order!, value!, line),
    ),
    digitalPinToInterrupt: define([pin], int, 2, ([at], { machine }) => machine.host.interruptOf(at!)),
    attachInterrupt: define(
      [parameter('the interrupt', byte), parameter('the routine', 'routine'), parameter('the change', int)],
      VOID,
      libraryCycles.attachInterrupt,
      ([interrupt, routine, mode], { machine, line }) => {
        machine.changes += 1;
        machine.host.attachInterrupt(interrupt!, routine!, interruptModes[mode!] ?? 'change', line);
      },
    ),
    detachInterrupt: define(
      [parameter('the interrupt', byte)],
      VOID,
      libraryCycles.attachInterrupt,
      ([interrupt], { machine }) => machine.host.detachInterrupt(interrupt!),
    ),
    interrupts: define([], VOID, 1, (_, { machine }) => machine.host.allowInterrupts('now')),
    noInterrupts: define([], VOID, 1, (_, { machine }) => machine.host.allowInterrupts('later')),
    sei: define([], VOID, 1, (_, { machine }) => machine.host.allowInterrupts('now')),
    cli: define([], VOID, 1, (_, { machine }) => machine.host.allowInterrupts('later')),
  };
};

function shiftOut(
  machine: CppMachine,
  pins: { readonly data: number; readonly clock: number },
  order: number,
  value: number,
  line: number,
): void {
  for (let step = 0; step < 8; step += 1) {
    const bit = order === MSBFIRST ? 7 - step : step;
    machine.spend(libraryCycles.shiftBit);
    machine.host.digitalWrite(pins.data, (value >> bit) & 1, line);
    machine.host.digitalWrite(pins.clock, 1, line);
    machine.host.digitalWrite(pins.clock, 0, line);
  }
}
