import { describe, expect, test } from 'vitest';
import { noBoard, shippedBoards } from '../boards';
import { circuitOf, DEFAULT_STATEMENT_RULES, USUAL_KIT, type StatedCircuit } from '.';

const stated = (text: string, board = 'learner-5v'): StatedCircuit =>
  circuitOf([{ text, refs: [] }], {
    board: shippedBoards.get(board)!,
    rules: DEFAULT_STATEMENT_RULES,
    kit: USUAL_KIT,
  });

const drawn = ({ parts, nets }: StatedCircuit): unknown => [
  parts.map(({ ref, kind, value }) => `${ref} ${kind} ${value}`),
  nets.map(({ points }) => [...points].sort().join(' ')).sort(),
];

const stops = ({ lines }: StatedCircuit): readonly string[] =>
  lines[0]!.troubles.filter(({ weight }) => weight === 'stops').map(({ message }) => message);

/** Lines as people type them, by the line that says the same. */
const SAME: Readonly<Record<string, readonly string[]>> = {
  'red LED on 5 with 220': [
    'LED on 5 via 220',
    'LED on 5 through a 220 ohm resistor',
    'red LED on 5 using 220',
    'LED (red) on pin 5 with a resistor of 220 ohms',
    '5mm red LED on 5 with resistor 220',
    'bright LED on digital pin 5 + 220R resistor',
    'LED on 5 & 220',
    'red LED on pin 5 (ready light) with 220',
    'LED on d5 (red) 220',
    'red LED 5 GND R=220',
    'red LED directly on 5 (220)',
    'D1: red LED, 5, 220R',
    'LED1: red, pin 5, 220',
    'red LED for "ready" on 5 with 220',
    'LED anode on 5, cathode to GND through 220',
    'LED, short leg to ground, long leg to 5, with 220',
    'LED on 5, cathode to ground, with 220',
    'LED on 5 in series with 220',
    'red LED on pin 5 (220 ohm)',
    'LED (220Ω) on 5',
  ],
  'LCD on I2C': [
    'I2C display',
    'i2c LCD',
    'display on i2c bus',
    'I2C display on A4 and A5',
    '16x2 LCD with I2C',
  ],
  '9V battery': ['9 V battery', '9 volt battery', 'battery 9 V'],
  '3x1.5V battery': ['4.5 V battery', 'battery 4.5 volts', 'battery pack 4.5 V'],
  'capacitor 100uF from 5V to GND': ['capacitor 100 uF from 5V to GND', 'capacitor 100 µF from 5V to GND'],
  'yellow LED on 6 with 1k': [
    'yellow LED on pin 6 (1 kΩ)',
    'yellow LED on 6 with 1 kohm',
    'yellow LED on 6, 1 kΩ',
    'yellow LED on 6 (1k)',
  ],
  'red LED on 5': [
    'external LED on pin 5',
    'red led pin5',
    'LED at Pin5',
    'LED on 5 with resistor',
    'LED with its resistor on 5',
    'LED, long leg on 5',
    'red LED to pin 5',
    'LED to D5',
    'LED @ 5',
    'LED @5',
    'LED on ~5',
    'LED = 5',
    'LED - 5',
    'LED1 on 5',
    'red LED connected to pin 5',
    'red LED wired to 5',
    'there is a red LED on pin 5',
    'I want a red LED on pin 5',
    'connect a red LED to pin 5',
    'LED to 5 to ground',
  ],
  'button on 2, pull-up': [
    'button w/ pull-up on 2',
    'button from 2 to GND',
    'button from pin 2 to ground',
    'button between pin 2 and GND',
    'button attached to D2 with internal pull-up',
    'Button - 2, pull-up',
    'button on 2, other side to ground',
  ],
  'button on 2, pull-down': ['button between 2 and 5V', 'button from 2 to 5V'],
  'distance sensor on 7, 8': ['ultrasonic sensor trig=7 echo=8', 'ultrasonic on 7/8'],
  'servo on 9': [
    'servo motor on ~9',
    'servo signal 9',
    'servo @ D9',
    'servo on 9 with own 5V supply',
    'servo on 9, external power supply',
    '5V servo on 9',
  ],
  'potentiometer on A0': [
    'potentiometer middle leg to A0',
    'potentiometer, centre pin on A0',
    'pot wiper pin A0',
    'potmeter on A0',
    'pot wiper on A0',
    'potentiometer @ A0',
    'pot A0 5V GND',
    'potentiometer to A0 and GND and 5V',
    'volume knob on A0',
  ],
  'red LED on 6 with 330, lit by low': [
    'LED cathode to 6, anode to 5V, with 330',
    'LED from supply through 330 to 6',
    'red LED with its short leg on 6 with 330',
  ],
  '3 LEDs on 8, 9, 10 with 220 red yellow green': [
    'traffic light on 8, 9, 10 with 220',
    'traffic lights on 8-10 via 220',
    '3 LEDs (red, yellow, green) on 8, 9, 10 with 220',
    'red, yellow & green LED on 8/9/10 with 220',
  ],
  '2 LEDs on 3, 4 red green': ['pedestrian light on 3, 4'],
  '6 LEDs on 2-7': ['6 LEDs on pins 2 through 7', '6 LEDs on 2..7', '6 LEDs on pins 2 to 7'],
  'motor on 9': [
    'motor on 9 with transistor',
    'motor on 9 with a transistor and a flyback diode',
    'DC motor on pin 9, transistor and diode',
    'motor via NPN transistor on 9',
    'small fan on 9 through a transistor',
    'motor on 9 with 1k base resistor',
  ],
  'relay on 7': ['relay module on 7 with transistor and diode', 'K1 relay on 7'],
  'passive buzzer on 8 with 100': ['speaker on 8 with 100', 'small loudspeaker on 8 through 100 ohm'],
  'button on 2, pull-down 10k': ['button on 2 with a 10k pull-down', 'start button on 2 pulled down by 10k'],
  'light sensor on A0 with 10k': [
    'light sensor in a voltage divider on A0 with 10k',
    'LDR to 5V with 10k to GND, middle to A0',
  ],
  'LED bar on 2-11': [
    'LED bar with 10 LEDs on 2 to 11',
    '10 segment bar graph on 2-11',
    '10-segment LED bar on 2..11',
    'ten segment bar on 2 to 11',
  ],
  'LCD on A4, A5': [
    'LCD',
    'LCD on A5 (SCL), A4 (SDA)',
    '16x2 LCD',
    'LCD 16x2 on I2C',
    '16x2 LCD with I2C backpack on A4 A5',
  ],
  'RGB LED on 9, 10, 11': [
    'RGB LED with red 9, green 10, blue 11',
    'RGB LED on 9, 10, 11, common to GND',
    'RGB LED red on 9, green on 10, blue on 11, common to GND',
    'RGB LED red to 9, green to 10, blue to 11, common to ground',
    'RGB LED with 3 resistors on 9, 10, 11',
    'RGB LED r9 g10 b11',
    'RGB LED R 9 G 10 B 11',
    'RGB LED red on 9, green on 10, blue on 11',
  ],
  'common anode RGB LED on 9, 10, 11': [
    'RGB LED on 9, 10, 11, common to 5V',
    'RGB LED blue to 11, red to 9, green to 10, common to 5V',
  ],
  'seven-segment digit on 2-8': [
    'seven-segment digit a to 2, b to 3, c to 4, d to 5, e to 6, f to 7, g to 8',
  ],
  'distance sensor trig 9 echo 10': [
    'distance sensor 9 (trig), 10 (echo)',
    'distance sensor on pins 10 (echo) and 9 (trig)',
    'distance sensor on 9, 10, 5V, GND',
  ],
  'button on 4': ['button from pin 4 to ground', 'button from ground to pin 4', 'Btn D4 INPUT_PULLUP'],
  'button on 4, pull-down 10k': ['button from 5V to pin 4 with 10k to ground'],
  'two buttons on 2 and 3': ['2 x button on 2, 3', 'two buttons on 2 and 3, both pull-up'],
  'servo on 9 from 5V': ['servo on 9 powered by the board', 'micro servo on 9 from 5V'],
  '2x1.5V battery': ['two AA batteries', '2x AA battery pack', '2 AA cells'],
  'buzzer on 8 through a transistor': ['buzzer on 8 via transistor', 'buzzer on 8 with a transistor'],
};

describe.each(Object.entries(SAME))('%s', (line, others) => {
  test('is understood', () => {
    expect(stops(stated(line))).toEqual([]);
  });

  test.each(others)('is also %s', (other) => {
    // Names that people give to contacts are kept as their values.
    const plain = (circuit: StatedCircuit): string => JSON.stringify(drawn(circuit)).replace(' start', ' ');
    expect(stops(stated(other))).toEqual([]);
    expect(plain(stated(other))).toBe(plain(stated(line)));
  });
});

describe('what cannot be made of a line', () => {
  test.each([
    ['start button on 2, stop button on 3', ['start button on 2', 'stop button on 3']],
    ['button on 2 and LED on 5', ['button on 2', 'LED on 5']],
    ['motor with transistor on 9 and a 6V battery', ['motor with transistor on 9', '6V battery']],
    ['LED in parallel with LED on 5', ['LED', 'LED on 5']],
    ['7-seg with shift register on 2, 3, 4', ['7-seg', 'shift register on 2, 3, 4']],
    ['shift register on 8, 11, 12 driving 8 LEDs', ['shift register on 8, 11, 12', '8 LEDs']],
    ['shift register on 8, 11, 12 with 8 LEDs', ['shift register on 8, 11, 12', '8 LEDs']],
  ])('is cut in two lines that are whole: %s', (line, lines) => {
    const [trouble] = stated(line).lines[0]!.troubles;
    expect(trouble!.message).toContain('give each a line of its own');
    expect(trouble!.offers.map((offer) => offer.line)).toEqual(lines);
  });

  test.each([
    ['joystick on A0, A1 and 2', /two potentiometers and a push button/],
    ['OLED on I2C', /no graphic display/],
    ['onboard LED', /there without a line/],
    ['LED strip on 6', /no LED strip/],
    ['tilt switch on 3', /slide switch stands for it/],
    ['IR receiver on 11', /no remote control/],
    ['water sensor on A1', /not here yet/],
    ['solenoid on 5', /no solenoid/],
    ['bluetooth module on 0, 1', /no radio/],
    ['real-time clock on I2C', /no clock here/],
    ['bulb on 13', /no bulb here/],
    ['bi-colour LED on 5, 6', /no two-colour LED/],
    ['half breadboard', /there without a line/],
    ['jumper wire from 5 to 6', /need no line/],
  ])('is told with what does instead: %s', (line, message) => {
    expect(stops(stated(line))).toEqual([expect.stringMatching(message)]);
  });

  test('of LEDs in series the lines that are named make a series', () => {
    const { nets } = circuitOf(
      [
        { text: 'LED on 9 with 220 to D2.anode', refs: [] },
        { text: 'LED, cathode to ground', refs: [] },
      ],
      { board: shippedBoards.get('learner-5v')!, rules: DEFAULT_STATEMENT_RULES, kit: USUAL_KIT },
    );
    expect(nets.map(({ points }) => [...points].sort().join(' ')).sort()).toEqual([
      'D1.anode U1.9',
      'D1.cathode R1.1',
      'D2.anode R1.2',
      'D2.cathode U1.GND',
    ]);
  });

  test.each([
    ['LED D1 on 9', ['D1.anode U1.9', 'D1.cathode R1.1', 'R1.2 U1.GND']],
    ['LED D3 on D9', ['D3.anode U1.9', 'D3.cathode R1.1', 'R1.2 U1.GND']],
    ['D2 red LED on 9', ['D2.anode U1.9', 'D2.cathode R1.1', 'R1.2 U1.GND']],
    ['yellow LED d7', ['D1.anode U1.7', 'D1.cathode R1.1', 'R1.2 U1.GND']],
    [
      'LEDs D4 and D5 on 9, 10',
      ['D4.anode U1.9', 'D4.cathode R1.1', 'D5.anode U1.10', 'D5.cathode R2.1', 'R1.2 R2.2 U1.GND'],
    ],
    [
      'LEDs on D9 D10',
      ['D1.anode U1.9', 'D1.cathode R1.1', 'D2.anode U1.10', 'D2.cathode R2.1', 'R1.2 R2.2 U1.GND'],
    ],
    ['LED 2 on 9', ['D1.anode U1.9', 'D1.cathode R1.1', 'R1.2 U1.GND']],
    ['LED, anode 9, cathode GND', ['D1.anode U1.9', 'D1.cathode R1.1', 'R1.2 U1.GND']],
    ['LED long leg pin 9, short leg GND', ['D1.anode U1.9', 'D1.cathode R1.1', 'R1.2 U1.GND']],
    ['active buzzer plus 8 minus GND', ['U1.8 Z1.plus', 'U1.GND Z1.minus']],
    ['10k resistor: 1 to A0, 2 to GND', ['R1.1 U1.A0', 'R1.2 U1.GND']],
    ['potentiometer P3 A0 as volume control', ['P3.1 U1.GND', 'P3.2 U1.5V', 'P3.wiper U1.A0']],
  ])('loses nothing and adds nothing: %s', (line, nets) => {
    const circuit = stated(line);
    expect(stops(circuit)).toEqual([]);
    expect(circuit.nets.map(({ points }) => [...points].sort().join(' ')).sort()).toEqual(nets);
  });

  test.each([
    ['220 resistor in series with D1', 'The line of the LED says that: “red LED on 9 with 220”.'],
    ['220 ohm resistor in series with the LED', 'The line of the LED says that: “red LED on 9 with 220”.'],
    ['green LED in series with D1', 'A line for all of them says that: “2 LEDs in series on 9 with 220”.'],
  ])('is told in which line it belongs: %s', (line, message) => {
    expect(stops(stated(line))).toEqual([message]);
  });

  test('joins no common leg to the side that it does not belong to', () => {
    expect(stops(stated('common anode RGB LED on 9, 10, 11, common to GND'))).toEqual([
      'The common leg of one with a common anode goes to the supply.',
    ]);
  });

  test.each(['potentiometer on A0 for the joystick', 'push button on 2 (keypad)'])(
    'is not what a part of ours is for: %s',
    (line) => expect(stops(stated(line))).toEqual([]),
  );

  test('loses no leg of a transistor, however it is said where that is', () => {
    const [on, to] = ['on', 'to'].map((sign) =>
      stated(`transistor base ${sign} 9, collector to 5V, emitter to ground`),
    ) as [StatedCircuit, StatedCircuit];
    expect(drawn(on)).toEqual(drawn(to));
    expect(JSON.stringify(drawn(on))).toContain('Q1.base U1.9');
  });

  test('asks which way a resistor pulls, and offers both', () => {
    const { lines, parts } = stated('push button on 2 and 10k resistor');
    expect(lines[0]!.troubles.map(({ weight, offers }) => [weight, offers.map(({ line }) => line)])).toEqual([
      ['warns', ['push button on 2, pull-down 10k', 'push button on 2, pull-up 10k']],
    ]);
    expect(parts.map(({ kind }) => kind)).toEqual(['button']);
    for (const { line } of lines[0]!.troubles[0]!.offers)
      expect(stated(line).parts.map(({ kind }) => kind)).toContain('resistor');
  });

  test('counts one LED as one LED', () => {
    const [trouble] = stated('two LEDs on 5').lines[0]!.troubles;
    expect(trouble!.offers.map(({ line }) => line)).toContain('LED on 5');
  });

  test.each([
    ['LED on S1 with 470', 'LED from S1 with 470'],
    ['LED with its 470 resistor from S1', 'LED from S1 with 470'],
  ])('without a board, a part is on what feeds it: %s', (line, same) => {
    const [one, other] = [line, same].map((text) =>
      circuitOf(
        ['9V battery', 'slide switch', text].map((typed) => ({ text: typed, refs: [] })),
        { board: noBoard, rules: DEFAULT_STATEMENT_RULES, kit: USUAL_KIT },
      ),
    ) as [StatedCircuit, StatedCircuit];
    expect(one.lines.flatMap(({ troubles }) => troubles)).toEqual([]);
    expect(drawn(one)).toEqual(drawn(other));
  });

  test('needs no pins where the board has none of that sort', () => {
    expect(stops(stated('LCD', 'chip-8')).join()).not.toMatch(/1 LCDs|1 free pins/);
  });
});
