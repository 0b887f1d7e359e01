import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { valueChangeDump, traceChanges } from '../formats/trace';
import { compileProgram } from '../program';
import { beacon, grammars, LAYOUT } from '../testing/beacon';
import { readWiring } from '../wiring/read';
import type { RehearsalOptions } from './options';
import { rehearse } from './rehearse';
import { EYE_SECONDS, seenIntervals } from './seen';
import { SerialPort } from './serial';
import { driveText, observedSeconds } from './trace';

const { board } = beacon;

function run(source: string, options: Partial<RehearsalOptions> = {}, table = LAYOUT) {
  const wiring = readWiring(table);
  const program = compileProgram(source, board, grammars);
  if (!wiring.ok || !program.compiled) throw new Error(program.problems[0]?.message ?? 'wiring');
  return rehearse(program.compiled, wiring.value, board, { seconds: 2, ...options });
}

const change = (at: number, currentMa: number) => ({ at, currentMa });

describe('what an eye makes of an LED', () => {
  test('is what it does, as long as it is slow', () => {
    const seen = seenIntervals([change(0, 0), change(1, 8), change(1.5, 0)], 3);
    expect(seen.map(({ from, to, glow }) => [from, to, glow])).toEqual([
      [0, 1, 'dark'],
      [1, 1.5, 'lit'],
      [1.5, 3, 'dark'],
    ]);
  });

  test('leaves out a blink that is too short, either way', () => {
    expect(seenIntervals([change(0, 8), change(1, 0), change(1.001, 8)], 2)).toHaveLength(1);
    expect(seenIntervals([change(0, 0), change(1, 8), change(1.001, 0)], 2)).toMatchObject([
      { glow: 'dark' },
    ]);
  });

  test('averages fast changes and names the flicker', () => {
    const fast = Array.from({ length: 400 }, (_, index) => change(index * 0.005, index % 2 === 0 ? 8 : 0));
    const [seen, ...rest] = seenIntervals(fast, 2);
    expect(rest).toEqual([]);
    expect(seen!.glow).toBe('lit');
    expect(seen!.currentMa).toBeCloseTo(4, 1);
    expect(seen!.flickerHz).toBeCloseTo(100, -1);
  });

  test('tells a faint glow from dark and lit', () => {
    expect(seenIntervals([change(0, 0.09)], 1)).toMatchObject([{ glow: 'faint', currentMa: 0.09 }]);
  });

  test('counts a start too short to be seen to what follows', () => {
    expect(seenIntervals([change(0, 0), change(EYE_SECONDS / 4, 8)], 1)).toMatchObject([
      { from: 0, to: 1, glow: 'lit' },
    ]);
  });

  test('covers the whole time without a gap', () => {
    const changes = [0, 0.01, 0.3, 0.305, 0.31, 0.9, 0.91].map((at, index) =>
      change(at, index % 2 === 0 ? 0 : 9),
    );
    const seen = seenIntervals(changes, 1);
    expect(seen[0]!.from).toBe(0);
    expect(seen.at(-1)!.to).toBe(1);
    seen.slice(1).forEach((interval, index) => expect(interval.from).toBeCloseTo(seen[index]!.to, 9));
  });
});

describe('the serial line', () => {
  test('keeps nothing before it is started', () => {
    const port = new SerialPort([]);
    expect(port.print('lost', 0)).toBe(0);
    expect(port.printed).toEqual([]);
    expect(port.begin(9600)).toBe(true);
    expect(port.begin(9600)).toBe(false);
  });

  test('lets a full buffer wait for its turn: ten bits a character', () => {
    const port = new SerialPort([]);
    port.begin(9600);
    expect(port.print('x'.repeat(64), 0)).toBe(0);
    expect(port.print('x'.repeat(96), 0)).toBeCloseTo(96 * (10 / 9600), 9);
  });

  test('hands out what was typed when it has arrived, letter by letter', () => {
    const port = new SerialPort([{ at: 1, text: 'ab' }]);
    expect([port.available(0.5), port.read(0.5, 'take')]).toEqual([0, -1]);
    expect(port.read(1, 'peek')).toBe(97);
    expect([port.available(1), port.read(1, 'take'), port.read(1, 'take'), port.read(1, 'take')]).toEqual([
      2, 97, 98, -1,
    ]);
  });

  test('is full at some point', () => {
    const port = new SerialPort([]);
    port.begin(1e9);
    port.print('x'.repeat(70_000), 0);
    expect(port.isFull).toBe(true);
  });
});

describe('a rehearsal', () => {
  const blink =
    'void setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); delay(100); digitalWrite(13, LOW); delay(100); }';

  test('lights the LED with the current of its circuit, in step with the pin', () => {
    const trace = run(blink);
    const led = trace.leds.get(ref('D1'))!;
    expect(Math.max(...led.map(({ currentMa }) => currentMa))).toBeCloseTo(8.53, 1);
    const edges = trace.pins
      .get('13')!
      .filter(({ drive }) => drive.mode === 'high')
      .map(({ at }) => at);
    expect(led.filter(({ currentMa }) => currentMa > 1).map(({ at }) => at)).toEqual(edges);
  });

  test('reads back what the circuit makes of a driven pin', () => {
    const source =
      'void setup() { Serial.begin(9600); pinMode(13, OUTPUT); digitalWrite(13, HIGH); Serial.print(digitalRead(13)); digitalWrite(13, LOW); Serial.print(digitalRead(13)); }\nvoid loop() { delay(50); }';
    expect(
      run(source)
        .serial.map((piece) => piece.text)
        .join(''),
    ).toBe('10');
    // Joined to ground, a high pin reads low.
    expect(
      run(source, {}, `${LAYOUT}W3,wire,red,1,B1.b5\nW3,wire,red,2,B1.a-9\n`)
        .serial.map((piece) => piece.text)
        .join(''),
    ).toBe('00');
  });

  test('reads a pull-up as high and an input that is tied to ground as low', () => {
    const source =
      'void setup() { Serial.begin(9600); pinMode(7, INPUT_PULLUP); pinMode(8, INPUT); Serial.print(digitalRead(7)); Serial.print(digitalRead(8)); }\nvoid loop() { delay(50); }';
    expect(
      run(source, {}, `${LAYOUT}W3,wire,red,1,U1.8\nW3,wire,red,2,B1.a-9\n`)
        .serial.map((piece) => piece.text)
        .join(''),
    ).toBe('10');
  });

  test('plays a floating line as low, high, or a noise that its seed repeats', () => {
    const source =
      'void setup() { Serial.begin(115200); }\nvoid loop() { Serial.print(digitalRead(7)); delay(20); }';
    const text = (options: Partial<RehearsalOptions>): string =>
      run(source, options)
        .serial.map((piece) => piece.text)
        .join('');
    expect(text({ floatingReads: 'low' })).toMatch(/^0+$/);
    expect(text({ floatingReads: 'high' })).toMatch(/^1+$/);
    expect(text({ floatingReads: 'noise', seed: 4 })).toMatch(/0.*1|1.*0/);
    expect(text({ floatingReads: 'noise', seed: 4 })).toBe(text({ floatingReads: 'noise', seed: 4 }));
    expect(text({ floatingReads: 'noise', seed: 4 })).not.toBe(text({ floatingReads: 'noise', seed: 5 }));
  });

  test('reads an analog pin in steps of its converter', () => {
    const source =
      'void setup() { Serial.begin(9600); Serial.print(analogRead(A0)); Serial.print(" "); Serial.print(analogRead(1)); }\nvoid loop() { delay(50); }';
    const divider = `${LAYOUT}R2,resistor,1k,1,B1.a20\nR2,resistor,1k,2,B1.a24\nR3,resistor,1k,1,B1.b24\nR3,resistor,1k,2,B1.a28\nW3,wire,red,1,U1.5V\nW3,wire,red,2,B1.b20\nW4,wire,black,1,U1.GND\nW4,wire,black,2,B1.b28\nW5,wire,green,1,U1.A0\nW5,wire,green,2,B1.c24\nW6,wire,green,1,U1.A1\nW6,wire,green,2,B1.c20\n`;
    const [half, full] = run(source, {}, divider)
      .serial.map((piece) => piece.text)
      .join('')
      .split(' ')
      .map(Number);
    expect(Math.abs(half! - 512)).toBeLessThan(3);
    expect(full).toBeGreaterThan(1020);
  });

  test('measures against its own supply, which sags for both under what the pins give', () => {
    const source =
      'void setup() { Serial.begin(9600); for (int pin = 4; pin < 8; pin++) { pinMode(pin, OUTPUT); digitalWrite(pin, HIGH); } Serial.print(analogRead(A0)); }\nvoid loop() { delay(50); }';
    const loaded = `${LAYOUT}W3,wire,red,1,U1.5V\nW3,wire,red,2,U1.A0\n${[4, 5, 6, 7]
      .map((pin) => `R${pin},resistor,220,1,U1.${pin}\nR${pin},resistor,220,2,B1.a-${pin + 10}\n`)
      .join('')}`;
    expect(run(source, {}, loaded).serial.map((piece) => piece.text)).toEqual(['1023']);
  });

  test('remembers a pin that the board does not have, and goes on', () => {
    const trace = run(
      'void setup() { pinMode(77, OUTPUT); digitalWrite(77, HIGH); }\nvoid loop() { delay(10); }',
    );
    expect(trace.unknownPins).toEqual([{ number: 77, line: 1 }]);
    expect(trace.ended.reason).toBe('time');
  });

  test('is cut when pins change without end, and says up to when it tells', () => {
    const trace = run(
      'void setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); digitalWrite(13, LOW); }',
      { seconds: 12 },
    );
    expect(trace.ended.reason).toBe('changes');
    expect(observedSeconds(trace)).toBe(trace.ended.at);
    expect(trace.ended.at).toBeLessThan(1);
  });

  test('gives up at its budget of steps', () => {
    const trace = run('volatile long x = 0;\nvoid setup() {}\nvoid loop() { x = x ^ 5; }', { steps: 1000 });
    expect(trace.ended.reason).toBe('steps');
    expect(trace.steps).toBe(1001);
  });

  test('is the same each time', () => {
    expect(run(blink)).toEqual(run(blink));
  });
});

describe('a trace written down', () => {
  const trace = run(
    'void setup() { pinMode(13, OUTPUT); analogWrite(9, 128); }\nvoid loop() { digitalWrite(13, HIGH); delay(500); digitalWrite(13, LOW); delay(500); }',
  );

  test('names drives as tables do', () => {
    expect(driveText({ mode: 'pwm', duty: 128 / 255 }, 255)).toBe('pwm:128');
    expect(driveText({ mode: 'pullup' }, 255)).toBe('pullup');
  });

  test('lists changes in the order of time, pins by full name', () => {
    const { changes, ended } = traceChanges(trace, beacon.reference, board);
    expect(changes.map(({ t }) => t)).toEqual([...changes.map(({ t }) => t)].sort((a, b) => a - b));
    expect(changes).toContainEqual(expect.objectContaining({ signal: 'U1.9', value: 'pwm:128' }));
    expect(ended).toBe('time');
  });

  test('is a value-change dump whose times only grow', () => {
    const dump = valueChangeDump(trace, board);
    const times = [...dump.matchAll(/^#(\d+)$/gm)].map((match) => Number(match[1]));
    expect(times).toEqual([...times].sort((a, b) => a - b));
    expect(dump).toContain('$enddefinitions $end');
    expect(dump.match(/\$var/g)).toHaveLength(3);
  });
});
