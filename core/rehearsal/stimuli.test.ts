import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import type { Stimulus } from '../stimuli';
import { compileProgram } from '../program';
import { beacon, grammars } from '../testing/beacon';
import { readWiring } from '../wiring/read';
import type { RehearsalOptions } from './options';
import { rehearse } from './rehearse';
import { timelineOf } from './timeline';

const { board } = beacon;

/** An LED on 13, one in series with the button S2 at the supply, a button on 2 to ground, a potentiometer and a light sensor. */
const TABLE = `ref,kind,value,leg,at
U1,board,learner-5v,,
B1,breadboard,full,,
D1,led,amber,anode,U1.13
D1,led,amber,cathode,B1.a2
R1,resistor,330,1,B1.b2
R1,resistor,330,2,U1.GND
S1,button,,1,B1.e5
S1,button,,2,B1.f5
S1,button,,3,B1.e7
S1,button,,4,B1.f7
W1,wire,blue,1,U1.2
W1,wire,blue,2,B1.a5
W2,wire,black,1,B1.a7
W2,wire,black,2,B1.a-7
W3,wire,black,1,B1.a-20
W3,wire,black,2,U1.GND
P1,potentiometer,10k,1,B1.a10
P1,potentiometer,10k,wiper,B1.a11
P1,potentiometer,10k,2,B1.a12
W4,wire,black,1,B1.b10
W4,wire,black,2,B1.a-10
W5,wire,red,1,B1.b12
W5,wire,red,2,U1.5V
W6,wire,green,1,B1.b11
W6,wire,green,2,U1.A0
S2,button,,1,B1.e15
S2,button,,2,B1.f15
S2,button,,3,B1.e17
S2,button,,4,B1.f17
W7,wire,red,1,B1.a15
W7,wire,red,2,B1.c12
R2,resistor,330,1,B1.a17
R2,resistor,330,2,B1.a19
D2,led,red,anode,B1.b19
D2,led,red,cathode,B1.b21
W8,wire,black,1,B1.a21
W8,wire,black,2,B1.a-21
`;

const wiring = (() => {
  const read = readWiring(TABLE);
  if (!read.ok) throw new Error(`${read.problems[0]!.line}: ${read.problems[0]!.message}`);
  return read.value;
})();

function run(source: string, stimuli: readonly Stimulus[], options: Partial<RehearsalOptions> = {}) {
  const program = compileProgram(source, board, grammars);
  if (!program.compiled) throw new Error(program.problems[0]?.message);
  return rehearse(program.compiled, wiring, board, { seconds: 4, stimuli, ...options });
}

const FOLLOW = `void setup() { pinMode(13, OUTPUT); pinMode(2, INPUT_PULLUP); }
void loop() { digitalWrite(13, digitalRead(2) == LOW); }`;
const IDLE = 'void setup() { } void loop() { delay(1000); }';
const WATCH = `int last = -1;
void setup() { Serial.begin(9600); }
void loop() { int now = analogRead(A0); if (now != last) { last = now; Serial.println(now); } }`;

/** When an LED goes on and off; small changes of its current while it is lit are left out. */
const ledTimes = (trace: ReturnType<typeof run>, name: string): readonly (readonly [number, boolean])[] =>
  trace.leds
    .get(ref(name))!
    .map(({ at, currentMa }): [number, boolean] => [Math.round(at * 1e4) / 1e4, currentMa > 1])
    .filter(([, isLit], index, all) => isLit !== all[index - 1]?.[1]);

describe('what is done to the parts while a program runs', () => {
  test('a press is read, and let go again', () => {
    const trace = run(FOLLOW, [{ at: 1, press: 'S1', for: 0.5 }]);
    expect(ledTimes(trace, 'D1')).toEqual([
      [0, false],
      [1, true],
      [1.5, false],
    ]);
  });

  test('a button that stays down has no end', () => {
    const trace = run(FOLLOW, [{ at: 1, press: 'S1' }]);
    expect(trace.leds.get(ref('D1'))!.at(-1)!.currentMa).toBeGreaterThan(1);
  });

  test('an LED that no pin feeds changes at the very moment, also while the program pauses', () => {
    const trace = run(IDLE, [{ at: 1.234, press: 'S2', for: 0.1 }]);
    expect(ledTimes(trace, 'D2')).toEqual([
      [0, false],
      [1.234, true],
      [1.334, false],
    ]);
  });

  test('a press that falls into a pause is not seen by the program', () => {
    const asleep = FOLLOW.replace('digitalWrite(13', 'delay(1000); digitalWrite(13');
    const trace = run(asleep, [{ at: 1.2, press: 'S1', for: 0.3 }]);
    expect(ledTimes(trace, 'D1')).toEqual([[0, false]]);
  });

  test('a potentiometer is turned slowly, in steps, from where it was', () => {
    const trace = run(WATCH, [
      { at: 1, turn: 'P1', to: 0 },
      { at: 2, turn: 'P1', to: 1, over: 1 },
    ]);
    const counts = trace.serial.map(({ text }) => Number(text));
    expect(counts[0]).toBeGreaterThan(500);
    expect(counts[0]).toBeLessThan(523);
    expect(counts[1]).toBeLessThan(5);
    expect(counts.at(-1)).toBeGreaterThan(1018);
    const rising = counts.slice(1);
    expect(rising.length).toBeGreaterThan(40);
    expect(rising).toEqual([...rising].sort((a, b) => a - b));
    expect(trace.serial.at(-1)!.at).toBeGreaterThan(2.98);
    expect(trace.serial.at(-1)!.at).toBeLessThan(3.01);
  });

  test('contacts bounce when they are asked to, each seed in its own way and always the same', () => {
    const count = `int presses = 0; int last = HIGH;
void setup() { pinMode(2, INPUT_PULLUP); Serial.begin(115200); }
void loop() { int now = digitalRead(2); if (now == LOW && last == HIGH) { presses++; Serial.println(presses); } last = now; }`;
    const presses = (bounceSeed?: number): number =>
      run(
        count,
        [
          { at: 1, press: 'S1', for: 0.2 },
          { at: 2, press: 'S1', for: 0.2 },
        ],
        bounceSeed === undefined ? {} : { bounceSeed },
      ).serial.length;
    expect(presses()).toBe(2);
    const seen = [1, 2, 3, 4, 5, 6].map(presses);
    expect(Math.max(...seen)).toBeGreaterThan(2);
    expect([1, 2, 3, 4, 5, 6].map(presses)).toEqual(seen);
  });

  test('skipping unchanging passes makes no difference to it', () => {
    const programs = [
      FOLLOW,
      WATCH,
      FOLLOW.replace('digitalWrite(13', 'if (millis() % 7 < 4) digitalWrite(13'),
      // What is read is asked for in every pass, whether anything has come or not.
      `void setup() { pinMode(13, OUTPUT); Serial.begin(9600); }
void loop() { int key = Serial.read(); if (key == 'a') digitalWrite(13, HIGH); if (key == 'b') digitalWrite(13, LOW); }`,
    ];
    const stimulus = fc.oneof(
      fc.record({
        at: fc.integer({ min: 1, max: 390 }),
        press: fc.constant('S1'),
        for: fc.constantFrom(0.02, 0.1),
      }),
      fc.record({
        at: fc.integer({ min: 1, max: 390 }),
        turn: fc.constant('P1'),
        to: fc.constantFrom(0, 0.3, 1),
      }),
      fc.record({ at: fc.integer({ min: 1, max: 390 }), serial: fc.constantFrom('a', 'b', 'aab') }),
    );
    fc.assert(
      fc.property(fc.constantFrom(...programs), fc.array(stimulus, { maxLength: 4 }), (source, given) => {
        const stimuli = given.map((one) => ({ ...one, at: one.at / 1000 })) as Stimulus[];
        const [fast, plain] = [true, false].map((skip) => run(source, stimuli, { seconds: 0.4, skip }));
        expect([...fast!.pins]).toEqual([...plain!.pins]);
        expect([...fast!.leds]).toEqual([...plain!.leds]);
        expect(fast!.serial).toEqual(plain!.serial);
      }),
      { numRuns: 40, seed: 5 },
    );
  }, 60_000);
});

describe('the timeline', () => {
  test('holds every part as it was left, whatever the order of the list', () => {
    expect(
      timelineOf([
        { at: 2, turn: 'P1', to: 1 },
        { at: 1, press: 'S1', for: 3 },
      ]),
    ).toEqual([
      { at: 1, ref: 'S1', state: { pressed: true } },
      { at: 2, ref: 'P1', state: { position: 1 } },
      { at: 4, ref: 'S1', state: { pressed: false } },
    ]);
  });

  test('ends a press as it began it, however it bounces', () => {
    for (let seed = 1; seed < 40; seed += 1) {
      const changes = timelineOf([{ at: 1, press: 'S1', for: 0.5 }], seed);
      expect(changes.filter(({ at }) => at < 1.4).at(-1)!.state).toEqual({ pressed: true });
      expect(changes.at(-1)!.state).toEqual({ pressed: false });
      expect(changes.at(-1)!.at).toBeLessThan(1.506);
    }
  });
});
