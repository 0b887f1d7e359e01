import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, test } from 'vitest';
import { noBoard, shippedBoards } from '../boards';
import { exerciseFrom, formOf, type Exercise, type ExerciseData } from '../formats/exercise';
import { kindOf } from '../parts';
import { randomTask } from '../testing/random-netlist';
import { samples } from '../testing/samples';
import { legPoint } from '../wiring/wiring';
import {
  circuitOf,
  completionsOf,
  DEFAULT_STATEMENT_RULES,
  sayCircuit,
  USUAL_KIT,
  type SayableCircuit,
  type StatedCircuit,
  type StatementContext,
} from '.';
import { pointName, ref } from '../brand';

const on = (board: string, rules: Partial<StatementContext['rules']> = {}): StatementContext => ({
  board: shippedBoards.get(board) ?? noBoard,
  rules: { ...DEFAULT_STATEMENT_RULES, ...rules },
  kit: USUAL_KIT,
});
const learner = on('learner-5v');

const stated = (texts: readonly string[], context = learner): StatedCircuit =>
  circuitOf(
    texts.map((text) => ({ text, refs: [] })),
    context,
  );

const partsOf = ({ parts }: Pick<SayableCircuit, 'parts'>): readonly string[] =>
  parts.map(({ ref, value, accept }) =>
    `${ref} ${value}${accept ? ` ${accept.from}-${accept.to}` : ''}`.trim(),
  );

const netsOf = ({ nets }: Pick<SayableCircuit, 'nets'>): readonly string[] =>
  nets.map(({ points }) => [...points].sort().join(' ')).sort();

describe('legs of a chip stand for pins', () => {
  const chip = 'shift register on 11, 12, 8';
  const said = (line: string): StatedCircuit => stated([chip, line]);
  const told = (line: string): readonly string[] =>
    said(line).lines[1]!.troubles.map(({ message }) => message);

  test.each([
    ['red LED on X1.q0 with 330', ['X1.q0 D1.anode'.split(' ').sort().join(' ')]],
    ['2 green LEDs on x1.q2, x1.q3', ['D1.anode X1.q2', 'D2.anode X1.q3']],
    ['3 LEDs on X1.q5-q7', ['D1.anode X1.q5', 'D2.anode X1.q6', 'D3.anode X1.q7']],
    ['2 LEDs on X1.q1-X1.q0', ['D1.anode X1.q1', 'D2.anode X1.q0']],
    ['buzzer on X1.q4', ['X1.q4 Z1.plus']],
  ])('%s', (line, nets) => {
    expect(told(line)).toEqual([]);
    expect(netsOf(said(line))).toEqual(expect.arrayContaining(nets));
  });

  test.each([
    ['red LED on Q3', ['X1.q3']],
    ['red LED on q3 of the shift register', ['X1.q3']],
    ['red LED on output 3 of X1', ['X1.q3']],
    ['red LED on QD', ['X1.q3']],
    ['traffic light on X1', ['X1.q0', 'X1.q1', 'X1.q2']],
    ['4 LEDs on q4 to q7', ['X1.q4', 'X1.q5', 'X1.q6', 'X1.q7']],
    ['4 LEDs on X1.q0 to X1.q3', ['X1.q0', 'X1.q1', 'X1.q2', 'X1.q3']],
    ['2 LEDs on its outputs 0 and q5', ['X1.q0', 'X1.q5']],
    ['seven-segment behind the shift register', ['X1.q0', 'X1.q6', 'X1.q7']],
    ['seven-segment via shift register with 330', ['X1.q0', 'X1.q6']],
  ])('are meant where the only chip is not named: %s', (line, outputs) => {
    const { nets, lines } = stated([chip, line]);
    expect(lines[1]!.troubles).toEqual([]);
    const joined = nets.flatMap(({ points }) => (points.length > 1 ? points : [])).map(String);
    expect(joined).toEqual(expect.arrayContaining(outputs));
  });

  test.each([
    ['small-signal transistor as Q2: collector to 4', 'Q2.collector U1.4'],
    ['small-signal transistor named Q3: base to 4', 'Q3.base U1.4'],
    ['10k as R3: 1 to Q2 base, 2 to 4', 'R3.2 U1.4'],
  ])('are not taken for a transistor: %s', (line, net) => {
    const { nets, lines } = stated([chip, 'small-signal transistor as Q1: emitter to ground', line]);
    expect(lines[2]!.troubles.filter(({ weight }) => weight === 'stops')).toEqual([]);
    expect(netsOf({ nets })).toContain(net);
  });

  test('are no words where two chips may be meant', () => {
    const { lines } = stated([chip, 'shift register on 5, 6, 7', 'red LED on q3']);
    expect(lines[2]!.troubles[0]!.message).toContain('On which pin?');
  });

  test('the chip takes no name that another line gives', () => {
    const { nets } = stated(['distance sensor as X1 on 3, 4', 'red LED on q3', chip]);
    expect(JSON.stringify(nets)).toContain('X2.q3');
    expect(JSON.stringify(nets)).toContain('X1.trig');
  });

  test('the chip keeps its name whatever stands before it', () => {
    const { nets } = stated(['distance sensor on 3, 4', 'red LED on q3', chip]);
    expect(JSON.stringify(nets)).toContain('X1.q3');
    expect(JSON.stringify(nets)).toContain('X2.trig');
  });

  test.each([
    ['button on X1.q0', 'A push button needs a pin of the board; X1.q0 can only switch something.'],
    ['red LED on X1.q0, dimmed', 'X1.q0 can’t be dimmed: it is only on or off.'],
    ['red LED on X1.q9', 'There is no X1 q9 yet'],
    ['red LED on X2.q0', 'There is no X2 q0 yet'],
  ])('are told where they can’t: %s', (line, message) => {
    expect(told(line).join()).toContain(message);
  });

  test('are told where they are somebody’s already', () => {
    const { lines } = stated([chip, 'red LED on X1.q0', 'green LED on X1.q0']);
    expect(lines[2]!.troubles[0]!.message).toContain('X1.q0 is the red LED’s already');
  });
});

describe('words that name one part', () => {
  test.each([
    ['seven-segment digit on 2, 3, 4, 5, 6, 7, 8', 'seven-segment'],
    ['servo motor on 9', 'servo'],
    ['push button switch on 2', 'button'],
    ['toggle switch on 4', 'switch'],
    ['red light on 5', 'led'],
    ['RGB light on 9, 10, 11', 'rgb-led'],
    ['piezo buzzer on 8', 'buzzer'],
    ['LDR sensor on A0', 'light-sensor'],
    ['temp sensor on A1', 'temperature-sensor'],
    ['8x8 LED matrix on 13, 10, 12', 'led-matrix'],
  ])('%s', (line, kind) => {
    const { parts, lines } = stated([line]);
    expect(lines[0]!.troubles).toEqual([]);
    expect(parts.some((part) => part.kind === kind)).toBe(true);
  });

  test('two parts of a kind in one line are still told', () => {
    expect(stated(['red LED on 5 and LED on 6']).lines[0]!.troubles[0]!.message).toContain('Two LEDs');
  });

  test('a pin may be called what a program calls it', () => {
    expect(netsOf(stated(['light sensor on A1 with 10k'], on('chip-8')))).toContainEqual(
      expect.stringContaining('U1.2'),
    );
  });
});

describe('a part line makes parts and connections', () => {
  test.each([
    [
      'amber lamp on 13 with 330',
      ['D1 amber', 'R1 330 220-560'],
      ['D1.anode U1.13', 'D1.cathode R1.1', 'R1.2 U1.GND'],
    ],
    ['knob on A0', ['P1 10k'], ['P1.1 U1.GND', 'P1.2 U1.5V', 'P1.wiper U1.A0']],
    ['button on 2, pull-up', ['S1'], ['S1.1 U1.2', 'S1.3 U1.GND']],
    ['button on 2, pull-down 10k', ['S1', 'R1 10k'], ['R1.1 S1.1 U1.2', 'R1.2 U1.GND', 'S1.3 U1.5V']],
    ['button on 2, pull-up 4k7', ['S1', 'R1 4.7k'], ['R1.1 S1.1 U1.2', 'R1.2 U1.5V', 'S1.3 U1.GND']],
    [
      'servo on 9, own supply',
      ['M1 standard', 'G1 4x1.5V'],
      ['G1.minus M1.minus U1.GND', 'G1.plus M1.plus', 'M1.signal U1.9'],
    ],
    [
      'red lamp on 5V with 330',
      ['D1 red', 'R1 330 220-560'],
      ['D1.anode U1.5V', 'D1.cathode R1.1', 'R1.2 U1.GND'],
    ],
    [
      'red lamp on 8 with 330, resistor first',
      ['D1 red', 'R1 330 220-560'],
      ['D1.anode R1.2', 'D1.cathode U1.GND', 'R1.1 U1.8'],
    ],
    [
      'red lamp on 8 with 330, lit by low',
      ['D1 red', 'R1 330 220-560'],
      ['D1.anode U1.5V', 'D1.cathode R1.1', 'R1.2 U1.8'],
    ],
    ['green lamp on 7 without resistor', ['D1 green'], ['D1.anode U1.7', 'D1.cathode U1.GND']],
    [
      'light sensor on A0 with 10k (4.7k-22k)',
      ['L1 20k', 'R1 10k'],
      ['L1.1 U1.5V', 'L1.2 R1.1 U1.A0', 'R1.2 U1.GND'],
    ],
    ['10k resistor from A0 to ground', ['R1 10k'], ['R1.1 U1.A0', 'R1.2 U1.GND']],
    ['100n capacitor across supply', ['C1 100n'], ['C1.1 U1.5V', 'C1.2 U1.GND']],
    ['slide switch on 4, both ends', ['S1'], ['S1.1 U1.GND', 'S1.2 U1.5V', 'S1.common U1.4']],
    ['text display on A4, A5', ['X1'], ['U1.5V X1.vcc', 'U1.A4 X1.sda', 'U1.A5 X1.scl', 'U1.GND X1.gnd']],
    [
      'motor on 9',
      ['M1 5V', 'G1 4x1.5V', 'Q1 small-signal', 'R1 1k', 'D1 rectifier'],
      [
        'D1.anode M1.minus Q1.collector',
        'D1.cathode G1.plus M1.plus',
        'G1.minus Q1.emitter U1.GND',
        'Q1.base R1.2',
        'R1.1 U1.9',
      ],
    ],
  ])('%s', (line, parts, nets) => {
    const circuit = stated([line]);
    expect(circuit.lines[0]!.troubles).toEqual([]);
    expect(partsOf(circuit)).toEqual(parts.map((part) => expect.stringContaining(part)));
    expect(netsOf(circuit)).toEqual(nets);
  });

  test('ten LEDs take a resistor each and their pins in order', () => {
    const circuit = stated(['10 lamps on 2-11']);
    expect(circuit.parts).toHaveLength(20);
    expect(netsOf(circuit)).toContain('D10.anode U1.11');
    expect(circuit.lines[0]!.assumptions.map(({ says }) => says)).toEqual(['red', 'with 330 Ω']);
  });

  test('LEDs share one ground, servos one supply', () => {
    const circuit = stated([
      'red lamp on 12',
      'green lamp on 11',
      'servo on 9, own supply',
      'servo on 10, own supply',
    ]);
    expect(netsOf(circuit)).toContain('G1.minus M1.minus M2.minus R1.2 R2.2 U1.GND');
    expect(netsOf(circuit)).toContain('G1.plus M1.plus M2.plus');
  });

  test('a resistor is worked out from the current that is wanted', () => {
    expect(partsOf(stated(['red lamp on 13 at 3 mA']))).toContain('R1 1k 680-1.8k');
  });

  test('house rules decide what a line leaves open', () => {
    expect(partsOf(stated(['button on 2'], on('learner-5v', { buttonInput: 'pull-down' })))).toEqual([
      'S1',
      'R1 10k',
    ]);
    expect(netsOf(stated(['red lamp on 9 with 330'], on('learner-5v', { resistorSide: 'anode' })))).toContain(
      'R1.1 U1.9',
    );
    expect(partsOf(stated(['red lamp on 9'], on('learner-5v', { resistorValue: 'frugal' })))).toContain(
      'R1 1k 680-1.8k',
    );
  });

  test('pins that may stand for one are given in brackets', () => {
    for (const line of ['amber lamp on 13 (2-13) with 330', 'amber 13 (2-13)'])
      expect(stated([line]).freePins).toEqual({ 'U1.13': '2-13' });
    expect(partsOf(stated(['amber 13 330 (300-360)']))).toContain('R1 330 300-360');
  });

  test('a part keeps its name when a line is put before its own', () => {
    const context = learner;
    const before = circuitOf([{ text: 'red lamp on 12', refs: [] }], context);
    const after = circuitOf(
      [
        { text: 'green lamp on 11', refs: [] },
        { text: 'red lamp on 12', refs: before.lines[0]!.refs },
      ],
      context,
    );
    expect(after.lines.map(({ refs }) => refs)).toEqual([
      ['D2', 'R2'],
      ['D1', 'R1'],
    ]);
  });
});

describe('the same line said otherwise', () => {
  test.each([
    '13 amber lamp 330',
    'with 330 on 13 lamp amber',
    'ambr lmap on 13 wiht 330',
    'AMBER LED on pin 13 with a 330 ohm resistor',
    'an amber lamp, pin 13, 330Ω',
    'amber lamp on 13 with 330R',
    'amber 13 330',
  ])('%s', (line) => {
    expect(netsOf(stated([line]))).toEqual(netsOf(stated(['amber lamp on 13 with 330'])));
    expect(partsOf(stated([line]))).toEqual(['D1 amber', 'R1 330 220-560']);
  });

  test.each(['servo on 9, own suply', 'servo on 9, with own spply', 'servo on 9, own battries'])(
    'a phrase of several words may have a typing mistake: %s',
    (text) => {
      const [line] = stated([text]).lines;
      expect(line!.troubles.filter(({ weight }) => weight === 'stops')).toEqual([]);
      expect(line!.pieces.find(({ slot }) => slot === 'option')).toMatchObject({ guessed: true });
    },
  );

  test('what was guessed is marked', () => {
    const guessed = stated(['ambr lmap on 13']).lines[0]!.pieces.filter((piece) => piece.guessed);
    expect(guessed.map(({ says }) => says)).toEqual(['amber', 'LED']);
  });
});

describe('a wish that cannot be is answered with what can', () => {
  test.each([
    ['flarb gronk', 'No part is named', undefined],
    ['amber', 'On which pin?', 'amber on 13'],
    ['red lamp on 8, dimmed', 'no PWM. These can: 3, 5, 6, 9-11', 'red lamp on 11, dimmed'],
    ['knob on 5', 'cannot measure a voltage. These can: A0-A5', 'knob on A0'],
    ['30 lamps', 'has 18 free pins', '18 lamps on 2-13, A0-A5'],
    ['30 red lamps on 2-13', '30 LEDs on 12 pins', '12 red lamps on 2-13'],
    ['red lamp on 99', 'has no pin 99', 'red lamp on 13'],
    ['red lamp on 13 with 337', 'kit has no 337 Ω', 'red lamp on 13 with 330'],
    ['red lamp on 13 at -5 mA', 'above zero', 'red lamp on 13 at 5 mA'],
    ['red lamp on 13 with -330', 'above zero', 'red lamp on 13 with 330'],
    ['blue lamp on 9 at 25mA', 'no more than 20 mA', 'blue lamp on 9 at 20 mA'],
    ['red lamp on 1', 'better left free', 'red lamp on 13'],
    ['red lamp on 13, on 13', 'named twice', undefined],
    ['text display on 2, 3', 'data line of a bus', 'text display on A4, A5'],
    ['three-colour lamp on 11, 10', 'takes 3 pins (red, green, blue)', 'three-colour lamp on 11, 10, 13'],
    ['red lamp on 13 with 330 sparkles', 'says nothing about an LED', 'red lamp on 13 with 330'],
    ['one red lamp on 12 and a green lamp on 11', 'a line of its own', undefined],
    ['button on 5V', 'is a supply', 'button on 13'],
    ['100n capacitor', 'Between what', '100n capacitor across supply'],
    ['amber lamp', 'On which pin?', 'amber lamp on 13'],
    ['red lamp on 13 (30-40)', 'names no pin', undefined],
    ['amber lamp with', 'With what?', undefined],
    ['2000 red lamps', 'free pins', '18 red lamps on 2-13, A0-A5'],
  ])('%s', (line, says, offers) => {
    const [trouble] = stated([line]).lines[0]!.troubles;
    expect(trouble?.message).toContain(says);
    if (offers !== undefined) expect(trouble?.offers.map((offer) => offer.line)).toContain(offers);
  });

  test('what is offered can be taken', () => {
    for (const line of ['knob on 5', '30 lamps', 'red lamp on 99', 'text display on 2, 3', 'button on 5V'])
      for (const offer of stated([line]).lines[0]!.troubles[0]!.offers)
        expect(stated([offer.line]).lines[0]!.troubles.filter(({ weight }) => weight === 'stops')).toEqual(
          [],
        );
  });

  test('a pin of another line is named with who has it', () => {
    const [, second] = stated(['red lamp on 12', 'green lamp on 12']).lines;
    expect(second!.troubles[0]!.message).toBe(
      'Pin 12 is the red LED’s already; both would always do the same.',
    );
    expect(second!.troubles[0]!.weight).toBe('warns');
  });

  test.each([
    'distance sensor trig 9 echo 10',
    'distance sensor, trigger on 9, echo on 10',
    'distance sensor on 9, 10',
    'RGB LED red 9 green 10 blue 11 with 220',
    'RGB LED on 9-11',
    'seven-segment display on 2-8',
    'LED matrix on 10, 11, 12',
    'two red LEDs on 8, 9',
    'button on 2, pull-up',
    'potentiometer on A0',
  ])('a line that is written twice is offered pins of its own: %s', (line) => {
    const [offered] = stated([line, line]).lines[1]!.troubles[0]!.offers;
    const { lines } = stated([line, offered!.line]);
    expect(lines.flatMap(({ troubles }) => troubles.filter(({ weight }) => weight === 'stops'))).toEqual([]);
    const pinsOf = (text: string): readonly string[] =>
      netsOf({ nets: stated([text]).nets }).flatMap((net) => net.match(/U1\.(?:A?\d+)\b/g) ?? []);
    const own = pinsOf(line);
    expect(own.length).toBeGreaterThan(0);
    expect(pinsOf(offered!.line).filter((pin) => own.includes(pin))).toHaveLength(
      line.startsWith('two') ? own.length - 1 : 0,
    );
  });

  test('a leg of a part that is not there hangs free, and the line says so', () => {
    const { lines, nets } = stated(['10k resistor from A0 to X9.out']);
    expect(lines[0]!.troubles[0]!.message).toContain('no X9 out yet');
    expect(netsOf({ nets })).toEqual(['R1.1 U1.A0']);
  });

  test('no text makes the reader fail', () => {
    const pieces = [
      'lamp',
      'on',
      'with',
      '(',
      ')',
      '13',
      '-',
      ',',
      'to',
      'D1',
      '.',
      '330',
      'from',
      'as',
      'pull-up',
      '→',
      '2-',
      '9',
    ];
    for (let seed = 0; seed < 3000; seed += 1) {
      const words = Array.from(
        { length: 1 + (seed % 7) },
        (_, index) => pieces[(seed * 7919 + index * 104729 * (seed % 13)) % pieces.length],
      );
      expect(() => stated([words.join(seed % 2 ? ' ' : '')])).not.toThrow();
    }
  });
});

const course = join(import.meta.dirname, '../../demo/course');

describe('every exercise of the course can be said in lines', () => {
  const exercises: [string, Exercise][] = readdirSync(course).flatMap((file) => {
    const read = exerciseFrom(JSON.parse(readFileSync(join(course, file), 'utf8')));
    if (!read.ok) throw new Error(file);
    const { data } = read.value;
    const forms = (data.forms ?? []).map(({ name }): [string, Exercise] => {
      const form = formOf(data, name);
      if (!form.ok) throw new Error(name);
      return [`${data.id}, ${name}`, form.value];
    });
    return [[data.id, read.value] as [string, Exercise], ...forms];
  });

  test.each(exercises)('%s', (_, { data, board }) => {
    const context = on(board.id);
    const circuit = sayable(data);
    const lines = sayCircuit(circuit, context);
    const made = circuitOf(lines, context);
    expect(netsOf(made)).toEqual(netsOf(circuit));
    expect([...partsOf(made)].sort()).toEqual([...partsOf(circuit)].sort());
    expect(made.freePins).toEqual(circuit.freePins);
    // In the usual words: no line goes leg by leg.
    expect(lines.filter(({ text }) => text.includes(':'))).toEqual([]);
  });
});

const sayable = (data: ExerciseData): SayableCircuit => ({
  parts: data.parts
    .filter((part) => part.kind !== 'board' && part.kind !== 'breadboard')
    .map(({ accept, ...part }) => ({ ...part, ref: ref(part.ref), ...(accept ? { accept } : {}) })),
  nets: data.nets.map(({ name, points }) => ({ name, points: points.map(pointName) })),
  freePins: data.free.pins ?? {},
});

describe('words that people bring along', () => {
  test.each([
    ['button on 2, external pull-down', 'S1 R1', 'U1.2=S1.1=R1.1'],
    ['button on 2 external pullup', 'S1 R1', 'U1.5V=R1.2'],
    ['piezo on 8', 'Z1', 'U1.8=Z1.plus'],
    ['ultrasonic on 7 and 8', 'X1', 'U1.7=X1.trig'],
    ['ultrasonic sensor trig 7 echo 8', 'X1', 'U1.8=X1.echo'],
    ['ultrasonic sensor echo 8, trigger on 7', 'X1', 'U1.7=X1.trig'],
    ['PIR sensor on 4', 'X1', 'U1.4=X1.out'],
    ['LCD on I2C', 'X1', 'U1.A4=X1.sda'],
    ['yellow LED at d7', 'D1 R1', 'U1.7=D1.anode'],
    ['LED matrix data 11 select 10 clock 13', 'X1', 'U1.10=X1.cs'],
    ['RGB LED on 11, 10, 9, common cathode', 'D1 R1 R2 R3', 'U1.11=R1.1'],
    ['three-colour lamp on 11, 10, 9, common cathode', 'D1 R1 R2 R3', 'U1.11=R1.1'],
  ])('“%s”', (line, parts, net) => {
    const { parts: made, nets, lines } = stated([line]);
    expect(lines[0]!.troubles.filter(({ weight }) => weight === 'stops')).toEqual([]);
    expect(made.map(({ ref }) => ref).join(' ')).toBe(parts);
    expect(nets.map(({ points }) => points.join('='))).toContainEqual(expect.stringContaining(net));
  });

  test.each([
    ['led and button', ['led', 'button']],
    ['red LED on 13 and button on 2', ['red LED on 13', 'button on 2']],
    ['10k knob on A0, buzzer on 8', ['10k knob on A0', 'buzzer on 8']],
  ])('“%s” is two lines, and neither part is lost silently', (line, offers) => {
    const { parts, lines } = stated([line]);
    const [trouble] = lines[0]!.troubles;
    expect(parts).toEqual([]);
    expect(trouble!.message).toContain('give each a line of its own');
    expect(trouble!.offers.map((offer) => offer.line)).toEqual(offers);
  });

  test('a resistor beside its LED is no second part', () => {
    expect(stated(['amber LED with 330 ohm resistor on 13']).parts).toHaveLength(2);
  });
});

describe('what a line says is not lost', () => {
  const made = (text: string) => {
    const { parts, nets, lines } = circuitOf([{ text, refs: [] }], learner);
    return {
      parts: parts.map(({ ref, kind, value }) => `${ref} ${kind}${value === '' ? '' : ` ${value}`}`),
      nets: nets.map(({ points }) => points.join(' ')),
      told: lines[0]!.troubles.map(({ message }) => message).join(' '),
    };
  };

  test.each([
    ['lamp from 8 to ground with 330', ['D1 led red', 'R1 resistor 330'], 'U1.8 D1.anode'],
    ['red LED between 8 and GND', ['D1 led red', 'R1 resistor 330'], 'U1.8 D1.anode'],
    [
      'three LEDs on 8, 9, 10 green yellow red with 220',
      [
        'D1 led green',
        'R1 resistor 220',
        'D2 led yellow',
        'R2 resistor 220',
        'D3 led red',
        'R3 resistor 220',
      ],
      'U1.9 D2.anode',
    ],
    ['LDR on A0 with 10k to GND', ['L1 light-sensor 20k', 'R1 resistor 10k'], 'U1.GND R1.2'],
    ['LDR on A0 with 10k to 5V', ['L1 light-sensor 20k', 'R1 resistor 10k'], 'U1.GND L1.1'],
    ['LDR on A0 with 10k, to ground', ['L1 light-sensor 20k', 'R1 resistor 10k'], 'U1.GND L1.1'],
    ['button on 2 with 10k to GND', ['S1 button', 'R1 resistor 10k'], 'U1.5V S1.3'],
    ['button between 2 and GND', ['S1 button'], 'U1.GND S1.3'],
    ['10k from A0 to GND', ['R1 resistor 10k'], 'U1.A0 R1.1'],
    ['9V block battery', ['G1 battery 9V block'], 'U1.GND G1.minus'],
  ])('%s', (text, parts, net) => {
    expect(made(text)).toMatchObject({ parts, nets: expect.arrayContaining([net]) as unknown });
  });

  test.each([
    ['3 LEDs on 8, 9, 10 green red', '3 LEDs and 2 colours'],
    ['green red LED on 8', 'One LED has one of these: green and red'],
    ['servo on 9 with 330', 'so 330 is left out'],
    ['9V battery', 'Plus of G1 goes to no part yet'],
  ])('or is told: %s', (text, told) => {
    expect(made(text).told).toContain(told);
  });
});

test('any circuit can be said and read back', () => {
  for (let seed = 1; seed <= samples(300); seed += 1) {
    const task = randomTask(seed, 6);
    const context = on(task.board!.profile.id);
    const circuit: SayableCircuit = {
      // Some kinds take any word as their value; a figure in front of one would count parts.
      parts: task.parts.map((part) => ({
        ...part,
        value: kindOf(part.kind).readValue('any word').ok ? '' : part.value.text,
      })),
      nets: task.nets.map((net) => ({
        name: net.name,
        points: [
          ...net.pins.map((pin) => pointName(`U1.${pin}`)),
          ...net.legs.map(({ ref, leg }) => legPoint(ref, leg)),
        ],
      })),
      freePins: {},
    };
    const made = circuitOf(sayCircuit(circuit, context), context);
    expect(netsOf(made), `seed ${seed}`).toEqual(netsOf(circuit));
    expect([...partsOf(made)].sort(), `seed ${seed}`).toEqual([...partsOf(circuit)].sort());
  }
});

describe('a line is completed', () => {
  const words = (line: string, taken = new Map<string, string>()): readonly string[] =>
    completionsOf(line, learner, taken).map((completion) => completion.line);

  test('with a pin that is able and free', () => {
    expect(words('amber lamp on ', new Map([['13', 'the red lamp']]))[0]).toBe('amber lamp on 12');
    expect(words('knob on ')[0]).toBe('knob on A0');
  });

  test('with resistors and the current that each gives', () => {
    const [first] = completionsOf('amber lamp on 13 with 33', learner, new Map());
    expect(first).toMatchObject({ line: 'amber lamp on 13 with 330', note: '8.5 mA' });
  });

  test('with the words that begin so', () => {
    expect(words('am')).toContain('amber LED');
    expect(words('button on 2, pul')).toEqual(['button on 2, pull-up', 'button on 2, pull-down 10k']);
  });

  test('with the piece that is still missing', () => {
    expect(words('amber lamp')[0]).toBe('amber lamp on 13');
    expect(words('button on 2')).toContain('button on 2, pull-up');
  });
});

describe('without a board', () => {
  const onBattery = (...texts: string[]) =>
    circuitOf(
      texts.map((text) => ({ text, refs: [] })),
      on('none'),
    );

  test('parts hang between the poles of the battery, or behind the contact that they name', () => {
    expect(onBattery('9V battery', 'red LED with 470').nets.map(({ points }) => points)).toEqual([
      ['D1.cathode', 'R1.1'],
      ['G1.plus', 'D1.anode'],
      ['G1.minus', 'R1.2'],
    ]);
    expect(
      onBattery('motor from S1', 'slide switch', '4x1.5V battery').nets.map(({ points }) => points),
    ).toEqual([
      ['S1.2', 'M1.plus'],
      expect.arrayContaining(['G1.plus', 'S1.common']),
      expect.arrayContaining(['G1.minus', 'M1.minus']),
    ]);
  });

  test('a resistor is worked out from what the battery gives', () => {
    const ohms = (battery: string) =>
      Number.parseFloat(
        onBattery(battery, 'red LED')
          .parts.find(({ kind }) => kind === 'resistor')!
          .value.replace('k', '000'),
      );
    expect(ohms('9V battery')).toBeGreaterThan(ohms('3x1.5V battery') * 2);
  });

  test('what a program must speak to, a pin and a missing battery are told', () => {
    const troubles = (...texts: string[]) =>
      onBattery(...texts).lines.flatMap((line) => line.troubles.map(({ message }) => message));
    expect(troubles('9V battery', 'servo').join()).toContain('there is no board');
    expect(troubles('9V battery', 'red LED on 13').join()).toContain('there are no pins');
    expect(troubles('red LED')).toEqual([expect.stringContaining('There is no battery yet')]);
    expect(troubles('red LED', '9V battery')).toEqual([]);
  });
});
