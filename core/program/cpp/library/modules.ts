import { effort } from '../../../effort';
import { libraryCycles } from '../../costs';
import type { LedPanel, TextScreen } from '../../machine';
import type { CppMachine } from '../machine';
import { BOOL, integer, pointerTo, VOID, type StructType } from '../types';
import { define, optional, parameter, type Call, type LibraryFunction, type LibraryTable } from './function';
import { printedText } from './serial';

/** Pulse widths at the ends of a servo's travel, in µs, when the program gives no others. */
const [LEAST_PULSE, MOST_PULSE] = [544, 2400];
/** Below this, a number that is written to a servo is an angle, of at most 180°; from there on a width of pulse in µs. */
const ANGLES_BELOW = LEAST_PULSE;

const cell = (name: string, at: number) => ({ name, type: integer(32, true), cell: at });

/** A class of the library: what its objects keep in memory. Their fields are out of the program's reach. */
const classOf = (name: string, fields: readonly string[]): StructType => ({
  kind: 'struct',
  name,
  fields: fields.map(cell),
  isLibrary: true,
});

const servo = classOf('Servo', ['pin plus one', 'pulse', 'least', 'most']);
const display = classOf('LiquidCrystal_I2C', ['address']);
const panels = classOf('LedControl', ['data', 'clock', 'select', 'count']);

/** The classes of the library by name, and the header that brings each along. */
export const libraryClasses: ReadonlyMap<string, StructType> = new Map(
  [servo, display, panels].map((type) => [type.name, type]),
);

/** A call that reads an object and writes it back takes longer than a step. */
const EFFORT_OF_A_SERVO = 500;

/** The stand-ins for servo, text display and LED panels. Every method gets where its object lies. */
export const moduleFunctions: LibraryTable = (widths) => {
  const byte = integer(8, false);
  const int = integer(widths.intBits, true);
  const own = (type: StructType) => parameter('the object', pointerTo(type));
  const field = (machine: CppMachine, address: number, index: number): number =>
    machine.within(address + index);
  const put = (machine: CppMachine, address: number, values: readonly number[]): void =>
    values.forEach((value, index) => void machine.write(field(machine, address, index), value));

  const ofServo = (
    more: readonly ReturnType<typeof parameter>[],
    result: LibraryFunction['result'],
    work: (object: ServoObject, given: readonly number[], call: Call) => number | void,
  ): LibraryFunction =>
    define([own(servo), ...more], result, libraryCycles.servo, ([address, ...given], call) => {
      effort(EFFORT_OF_A_SERVO);
      const { machine, line } = call;
      const read = (index: number): number => machine.cells[field(machine, address!, index)]!;
      const object: ServoObject = {
        pin: read(0) === 0 ? undefined : read(0) - 1,
        pulse: read(1) || (LEAST_PULSE + MOST_PULSE) / 2,
        least: read(2) || LEAST_PULSE,
        most: read(3) || MOST_PULSE,
        keep: (values) => put(machine, address!, values),
        send: (pin, pulse) => machine.host.servoPulse(pin, pulse, line),
      };
      return work(object, given, call);
    });
  const write = (object: ServoObject, value: number): void => {
    const { least, most, pin } = object;
    const pulse =
      value < ANGLES_BELOW
        ? least + Math.trunc((Math.max(0, Math.min(180, value)) * (most - least)) / 180)
        : Math.max(least, Math.min(most, value));
    object.keep([pin === undefined ? 0 : pin + 1, pulse, least, most]);
    if (pin !== undefined) object.send(pin, pulse);
  };

  const ofDisplay = (
    more: readonly ReturnType<typeof parameter>[],
    work: (screen: TextScreen, given: readonly number[], call: Call) => void,
  ): LibraryFunction =>
    define([own(display), ...more], VOID, libraryCycles.small, ([address, ...given], call) => {
      const { machine } = call;
      machine.changes += 1;
      work(machine.host.screen(machine.cells[machine.within(address!)]!), given, call);
    });

  const ofPanel = (
    more: readonly ReturnType<typeof parameter>[],
    work: (panel: LedPanel, given: readonly number[]) => void,
  ): LibraryFunction =>
    define(
      [own(panels), parameter('which panel', int), ...more],
      VOID,
      libraryCycles.panelRow,
      ([address, index, ...given], { machine, line }) => {
        const [data, clock, select, count] = [0, 1, 2, 3].map(
          (at) => machine.cells[field(machine, address!, at)]!,
        ) as [number, number, number, number];
        if (index! < 0 || index! >= count) return;
        machine.changes += 1;
        work(machine.host.panel({ data, clock, select }, index!, line), given);
      },
    );

  return {
    'Servo.attach': optional(
      2,
      ofServo(
        [parameter('the pin', int), parameter('the least pulse', int), parameter('the most', int)],
        byte,
        (object, [pin, least = LEAST_PULSE, most = MOST_PULSE]) => {
          const pulse = Math.max(least, Math.min(most, object.pulse));
          object.keep([pin! + 1, pulse, least, most]);
          object.send(pin!, pulse);
          return 1;
        },
      ),
    ),
    'Servo.detach': ofServo([], VOID, (object) => {
      if (object.pin !== undefined) object.send(object.pin, undefined);
      object.keep([0, object.pulse, object.least, object.most]);
    }),
    'Servo.attached': ofServo([], BOOL, ({ pin }) => (pin === undefined ? 0 : 1)),
    'Servo.write': ofServo([parameter('the angle', int)], VOID, (object, [angle]) => write(object, angle!)),
    'Servo.writeMicroseconds': ofServo([parameter('the width of pulse', int)], VOID, (object, [width]) =>
      write(object, Math.max(ANGLES_BELOW, width!)),
    ),
    'Servo.read': ofServo([], int, ({ pulse, least, most }) =>
      // The library rounds up, so that what was written is read again.
      Math.trunc(((pulse - least + 1) * 180) / (most - least)),
    ),
    'Servo.readMicroseconds': ofServo([], int, ({ pulse }) => pulse),

    'LiquidCrystal_I2C.new': define(
      [
        own(display),
        parameter('the address', byte),
        parameter('the columns', byte),
        parameter('the rows', byte),
      ],
      VOID,
      libraryCycles.small,
      ([address, bus], { machine }) => put(machine, address!, [bus!]),
    ),
    'LiquidCrystal_I2C.init': ofDisplay([], (screen) => screen.start()),
    'LiquidCrystal_I2C.begin': optional(
      2,
      ofDisplay([parameter('the columns', byte), parameter('the rows', byte)], (screen) => screen.start()),
    ),
    'LiquidCrystal_I2C.backlight': ofDisplay([], (screen) => screen.light('on')),
    'LiquidCrystal_I2C.noBacklight': ofDisplay([], (screen) => screen.light('off')),
    'LiquidCrystal_I2C.clear': ofDisplay([], (screen, _, { machine }) => {
      screen.clear();
      machine.wait(0.002);
    }),
    'LiquidCrystal_I2C.home': ofDisplay([], (screen) => screen.setCursor(0, 0)),
    'LiquidCrystal_I2C.setCursor': ofDisplay(
      [parameter('the column', byte), parameter('the row', byte)],
      (screen, [column, row]) => screen.setCursor(column!, row!),
    ),
    'LiquidCrystal_I2C.print': optional(
      1,
      ofDisplay(
        [parameter('what to show', 'any'), parameter('the digits or base', int)],
        (screen, given, call) => {
          const text = printedText(given, { ...call, types: call.types.slice(1) });
          call.machine.spend(text.length * libraryCycles.displayLetter);
          screen.write(text);
        },
      ),
    ),
    'LiquidCrystal_I2C.write': ofDisplay([parameter('the letter', byte)], (screen, [letter]) =>
      screen.write(String.fromCharCode(letter!)),
    ),

    'LedControl.new': optional(
      1,
      define(
        [
          own(panels),
          parameter('the data pin', int),
          parameter('the clock pin', int),
          parameter('the select pin', int),
          parameter('how many', int),
        ],
        VOID,
        libraryCycles.small,
        ([address, data, clock, select, count = 1], { machine }) =>
          put(machine, address!, [data!, clock!, select!, count]),
      ),
    ),
    'LedControl.shutdown': ofPanel([parameter('whether it is off', BOOL)], (panel, [off]) =>
      panel.wake(off === 0 ? 'on' : 'off'),
    ),
    'LedControl.setIntensity': ofPanel([parameter('the brightness', int)], (panel, [step]) =>
      panel.setBrightness(step!),
    ),
    'LedControl.clearDisplay': ofPanel([], (panel) => {
      for (let row = 0; row < 8; row += 1) panel.setRow(row, 0);
    }),
    'LedControl.setRow': ofPanel(
      [parameter('the row', int), parameter('the LEDs', byte)],
      (panel, [row, bits]) => panel.setRow(row!, bits!),
    ),
    'LedControl.setColumn': ofPanel(
      [parameter('the column', int), parameter('the LEDs', byte)],
      (panel, [column, bits]) => {
        for (let row = 0; row < 8; row += 1) setLed(panel, row, column!, (bits! >> (7 - row)) & 1);
      },
    ),
    'LedControl.setLed': ofPanel(
      [parameter('the row', int), parameter('the column', int), parameter('whether it is lit', BOOL)],
      (panel, [row, column, lit]) => setLed(panel, row!, column!, lit!),
    ),
  };
};

interface ServoObject {
  readonly pin: number | undefined;
  readonly pulse: number;
  readonly least: number;
  readonly most: number;
  readonly keep: (values: readonly number[]) => void;
  readonly send: (pin: number, pulse: number | undefined) => void;
}

function setLed(panel: LedPanel, row: number, column: number, lit: number): void {
  if (row < 0 || row > 7 || column < 0 || column > 7) return;
  const bit = 0x80 >> column;
  const before = panel.rows()[row]!;
  panel.setRow(row, lit === 0 ? before & ~bit : before | bit);
}
