import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { shippedBoards } from '../boards';
import type { FindingCode } from '../findings/finding';
import type { Stimulus } from '../stimuli';
import { compileProgram } from '../program';
import { rehearse } from '../rehearsal/rehearse';
import { seenIntervals } from '../rehearsal/seen';
import { grammars } from '../testing/beacon';
import { readWiring } from '../wiring/read';
import { checkExpectation, type Expectation, type Observed, type Outcome } from './index';

/** An LED on 9, an RGB LED on 3, 5 and 6, a buzzer on 8, a button on 2, a servo on 10, panel and display. */
const TABLE = `ref,kind,value,leg,at
U1,board,learner-5v,,
B1,breadboard,full,,
D1,led,white,anode,U1.9
D1,led,white,cathode,B1.a1
R1,resistor,330,1,B1.b1
R1,resistor,330,2,B1.a5
W6,wire,black,1,B1.b5
W6,wire,black,2,B1.d60
D2,rgb-led,common-cathode,red,B1.e10
D2,rgb-led,common-cathode,common,B1.e11
D2,rgb-led,common-cathode,green,B1.e12
D2,rgb-led,common-cathode,blue,B1.e13
R2,resistor,330,1,U1.3
R2,resistor,330,2,B1.a10
R3,resistor,330,1,U1.5
R3,resistor,330,2,B1.a12
R4,resistor,330,1,U1.6
R4,resistor,330,2,B1.a13
W1,wire,black,1,B1.a11
W1,wire,black,2,B1.b60
Z1,buzzer,passive,plus,U1.8
Z1,buzzer,passive,minus,U1.GND
S1,button,,1,B1.e20
S1,button,,2,B1.f20
S1,button,,3,B1.e22
S1,button,,4,B1.f22
W2,wire,blue,1,U1.2
W2,wire,blue,2,B1.a20
W3,wire,black,1,B1.a22
W3,wire,black,2,B1.a60
M1,servo,,signal,U1.10
M1,servo,,plus,G1.plus
M1,servo,,minus,B1.f60
G1,supply,5V,plus,
G1,supply,5V,minus,B1.g60
W4,wire,black,1,B1.e60
W4,wire,black,2,B1.h60
W5,wire,black,1,B1.i60
W5,wire,black,2,U1.GND
X1,text-display,,sda,U1.A4
X1,text-display,,scl,U1.A5
X1,text-display,,vcc,U1.5V
X1,text-display,,gnd,B1.j60
`;

const wiring = (() => {
  const read = readWiring(TABLE);
  if (!read.ok) throw new Error(`${read.problems[0]!.line}: ${read.problems[0]!.message}`);
  return read.value;
})();
const board = shippedBoards.get('learner-5v')!;

function play(source: string, expectation: Expectation, stimuli: readonly Stimulus[] = []): Outcome {
  const { compiled, problems } = compileProgram(source, board, grammars);
  if (!compiled) throw new Error(problems[0]?.message);
  const observe = (seed: number | undefined): Observed => {
    const trace = rehearse(compiled, wiring, board, {
      seconds: 4,
      stimuli,
      ...(seed === undefined ? {} : { seed, floatingReads: 'noise' as const }),
    });
    return {
      wiring,
      asked: wiring,
      trace,
      stimuli,
      listensAt: undefined,
      seen: (led) => {
        const changes = trace.leds.get(led);
        return changes && seenIntervals(changes, 4);
      },
      currents: (led) => trace.leds.get(led),
      builtPin: (pin) => pin,
      builtRef: (name) => {
        const part = name.replace(/\..*/, '');
        return wiring.parts.some((candidate) => candidate.ref === part) ? ref(part) : undefined;
      },
      again: (next) => observe(next),
    };
  };
  return checkExpectation(expectation, observe(undefined));
}

const FADE =
  'void setup() { } void loop() { for (int i = 0; i <= 255; i++) { analogWrite(9, i); delay(15); } }';
const lit = (values: string) => `void setup() { ${values} } void loop() { }`;
const violet = lit('analogWrite(3, 255); analogWrite(6, 200);');
const follow = `void setup() { pinMode(9, OUTPUT); pinMode(2, INPUT_PULLUP); }
void loop() { digitalWrite(9, digitalRead(2) == LOW); PAUSE }`;
const gate = (angle: number) => `#include <Servo.h>
Servo gate; void setup() { gate.attach(10); gate.write(${angle}); } void loop() { }`;
const shown = (text: string) => `#include <LiquidCrystal_I2C.h>
LiquidCrystal_I2C lcd(0x27, 16, 2); void setup() { lcd.init(); lcd.backlight(); lcd.print("${text}"); } void loop() { }`;
const dice = (seeded: string) =>
  `void setup() { pinMode(9, OUTPUT); ${seeded} digitalWrite(9, random(2)); } void loop() { }`;

const CHIRPS = `void setup() { for (int i = 0; i < 3; i++) { tone(8, 880, 100); delay(300); } } void loop() { }`;
const FOLLOW = follow.replace('PAUSE', 'delay(5);');
const ONCE = `bool done = false; void setup() { pinMode(9, OUTPUT); pinMode(2, INPUT_PULLUP); }
void loop() { if (digitalRead(2) == LOW && !done) { done = true; digitalWrite(9, HIGH); delay(300); digitalWrite(9, LOW); } }`;
const PRINTS = `void setup() { Serial.begin(9600); }
void loop() { Serial.print("T: "); Serial.print(22.4); Serial.print(" H="); Serial.println(61); delay(400); }`;
const COUNTS = `void setup() { Serial.begin(9600); Serial.println("go"); }
int n = 0; void loop() { n++; if (n > 3) n = 1; Serial.println(n); delay(500); }`;
const INTERRUPT = `volatile bool rang = false; void ring() { rang = true; }
void setup() { pinMode(2, INPUT_PULLUP); attachInterrupt(digitalPinToInterrupt(2), ring, FALLING); } void loop() { }`;

const presses: readonly Stimulus[] = [
  { at: 1, press: 'S1', for: 0.4 },
  { at: 2, press: 'S1', for: 0.4 },
];

describe('what is seen and heard of a run', () => {
  const cases: readonly (readonly [
    string,
    string,
    Expectation,
    readonly Stimulus[],
    FindingCode | 'right',
  ])[] = [
    ['a lamp that fades in', FADE, { lamp: 'D1', rises: true, from: 0, to: 3.5 }, [], 'right'],
    ['a lamp that fades in', FADE, { lamp: 'D1', falls: true, from: 0, to: 3.5 }, [], 'wrong-direction'],
    ['a steady lamp', lit('analogWrite(9, 90);'), { lamp: 'D1', rises: true }, [], 'no-response'],
    ['a dimmed lamp', lit('analogWrite(9, 40);'), { lamp: 'D1', brightness: [0.1, 0.6] }, [], 'right'],
    ['a full lamp', lit('analogWrite(9, 255);'), { lamp: 'D1', brightness: [0.1, 0.6] }, [], 'too-bright'],
    ['red and blue', violet, { lamp: 'D2', colour: 'violet' }, [], 'right'],
    ['red and blue', violet, { lamp: 'D2', colour: 'green' }, [], 'colour-off'],
    [
      'red and green',
      lit('analogWrite(3, 255); analogWrite(5, 255);'),
      { lamp: 'D2', colour: 'yellow' },
      [],
      'right',
    ],
    [
      'red and some green',
      lit('analogWrite(3, 255); analogWrite(5, 90);'),
      { lamp: 'D2', colour: 'orange' },
      [],
      'right',
    ],
    ['one light of three', violet, { lamp: 'D2.red', is: 'on' }, [], 'right'],
    ['one light of three', violet, { lamp: 'D2.green', is: 'on' }, [], 'not-lit'],
    ['a tone', lit('tone(8, 440);'), { buzzer: 'Z1', tone: 440 }, [], 'right'],
    ['a tone', lit('tone(8, 500);'), { buzzer: 'Z1', tone: 440 }, [], 'tone-off'],
    ['no tone', lit(''), { buzzer: 'Z1', tone: 440 }, [], 'tone-off'],
    ['a tone', lit('tone(8, 440);'), { buzzer: 'Z1', tone: [400, 440] }, [], 'right'],
    ['a tone', lit('tone(8, 440);'), { buzzer: 'Z1', tone: [440, 20_000] }, [], 'right'],
    ['a tone', lit('tone(8, 440);'), { buzzer: 'Z1', tone: [450, 500] }, [], 'tone-off'],
    ['a tone', lit('tone(8, 440);'), { buzzer: 'Z1', tone: [1, 430] }, [], 'tone-off'],
    ['no tone', lit(''), { buzzer: 'Z1', tone: [1, 20_000] }, [], 'tone-off'],
    ['silence', lit(''), { buzzer: 'Z1', is: 'off' }, [], 'right'],
    ['three chirps', CHIRPS, { buzzer: 'Z1', chirps: 3, lasting: [0.05, 0.25] }, [], 'right'],
    ['three chirps', CHIRPS, { buzzer: 'Z1', chirps: 2 }, [], 'count-wrong'],
    ['three chirps', CHIRPS, { buzzer: 'Z1', chirps: 3, lasting: [0.3, 0.5] }, [], 'timing-off'],
    ['three chirps', CHIRPS, { buzzer: 'Z1', chirps: 1, from: 0.2, to: 0.5 }, [], 'right'],
    ['a tone, said to be on', lit('tone(8, 440);'), { lamp: 'Z1', is: 'on', from: 0.1 }, [], 'right'],
    ['no tone, said to be on', lit(''), { lamp: 'Z1', is: 'on' }, [], 'tone-off'],
    ['no chirp', lit(''), { buzzer: 'Z1', chirps: 3 }, [], 'tone-off'],
    ['no chirp', lit(''), { buzzer: 'Z1', chirps: 0 }, [], 'right'],
    [
      'red and green, where orange is as good',
      lit('analogWrite(3, 255); analogWrite(5, 90);'),
      { lamp: 'D2', colour: 'yellow', or: ['orange'] },
      [],
      'right',
    ],
    [
      'a lamp that follows a button',
      FOLLOW,
      { lamp: 'D1', is: 'on', from: 0.1, to: 0.3, after: 'S1' },
      presses,
      'right',
    ],
    [
      'a lamp that follows a button',
      FOLLOW,
      { lamp: 'D1', is: 'off', from: 0.5, after: 'S1' },
      presses,
      'right',
    ],
    [
      'a lamp that follows a button',
      FOLLOW,
      { lamp: 'D1', is: 'on', to: 0.9, after: 'S1' },
      presses,
      'timing-off',
    ],
    ['a lamp that answers once', ONCE, { lamp: 'D1', flashes: 1, to: 0.9, after: 'S1' }, presses, 'not-lit'],
    ['numbers', PRINTS, { prints: [20, 24], behind: 'T' }, [], 'right'],
    ['numbers', PRINTS, { prints: 22, behind: 'T', tolerance: 0.05 }, [], 'right'],
    ['numbers', PRINTS, { prints: 23, behind: 'T', tolerance: 0.02 }, [], 'text-off'],
    ['numbers', PRINTS, { prints: [20, 24], behind: 'H' }, [], 'text-off'],
    ['numbers', PRINTS, { prints: [20, 24] }, [], 'right'],
    ['no numbers', lit(''), { prints: 7 }, [], 'text-off'],
    ['lines in turn', COUNTS, { lines: [1, 2, 3] }, [], 'right'],
    ['lines in turn', COUNTS, { lines: ['go', 1, '2'], every: 0.5 }, [], 'timing-off'],
    ['lines in turn', COUNTS, { lines: [1, 2, 3], every: 0.5, repeats: true }, [], 'right'],
    ['lines in turn', COUNTS, { lines: [2, 3, 1], repeats: true, from: 0.4 }, [], 'right'],
    ['lines in turn', COUNTS, { lines: [1, 3] }, [], 'text-off'],
    ['lines in turn', COUNTS, { lines: [1, 2, 3, 4] }, [], 'text-off'],
    ['lines in turn', COUNTS, { lines: ['go', 1, 2], to: 0.9, only: true }, [], 'right'],
    ['lines in turn', COUNTS, { lines: ['go', 1, 2], to: 1.4, only: true }, [], 'text-off'],
    ['lines in turn', COUNTS, { lines: [1, 2], to: 0.9, only: true }, [], 'text-off'],
    ['lines in turn', lit(''), { lines: [1, 2] }, [], 'text-off'],
    ['a line now and then', COUNTS, { line: 2, every: 1.5 }, [], 'text-off'],
    ['a line now and then', COUNTS, { line: [1, 3], every: 0.5 }, [], 'right'],
    ['a line now and then', COUNTS, { line: [1, 3], every: 0.6 }, [], 'timing-off'],
    ['a line now and then', COUNTS, { line: [1, 3], every: 0.6, tolerance: 0.2 }, [], 'right'],
    ['a line now and then', COUNTS, { line: 'go', times: 1 }, [], 'right'],
    ['a line now and then', COUNTS, { line: 'go', times: 2 }, [], 'count-wrong'],
    ['a line now and then', COUNTS, { line: 'go', every: 1 }, [], 'timing-off'],
    ['a line now and then', COUNTS, { line: 'stop', times: 1 }, [], 'text-off'],
    ['a line now and then', COUNTS, { line: 'stop', times: 0 }, [], 'right'],
    ['a line now and then', COUNTS, { line: 3, times: 1, 'or-more': true }, [], 'right'],
    ['a line now and then', lit(''), { line: 'go', every: 1 }, [], 'text-off'],
    [
      'a pin that is high',
      lit('pinMode(9, OUTPUT); digitalWrite(9, HIGH);'),
      { pin: '9', is: 'high', from: 0.1 },
      [],
      'right',
    ],
    [
      'a pin that is high',
      lit('pinMode(9, OUTPUT); digitalWrite(9, HIGH);'),
      { pin: '9', is: 'low', from: 0.1 },
      [],
      'stays-on',
    ],
    ['a pin that pulses', lit('analogWrite(9, 90);'), { pin: '9', is: 'high', from: 0.1 }, [], 'timing-off'],
    ['a pin that nobody drives', lit(''), { pin: '12', is: 'low' }, [], 'timing-off'],
    ['a button', FOLLOW, { watched: 'S1', by: 'polling' }, [], 'right'],
    ['a button', FOLLOW, { watched: 'S1', by: 'interrupt' }, [], 'way-off'],
    ['a button', INTERRUPT, { watched: 'S1', by: 'interrupt' }, [], 'right'],
    ['a button', INTERRUPT, { watched: 'S1', by: 'polling' }, [], 'way-off'],
    ['nobody', lit(''), { watched: 'S1', by: 'polling' }, [], 'way-off'],
    ['a lamp', lit(''), { part: 'D1', is: 'connected' }, [], 'right'],
    ['a tone that ends', lit('tone(8, 440, 1000);'), { buzzer: 'Z1', is: 'on' }, [], 'timing-off'],
    [
      'a tone made step by step',
      'void setup() { pinMode(8, OUTPUT); } void loop() { digitalWrite(8, HIGH); delayMicroseconds(1136); digitalWrite(8, LOW); delayMicroseconds(1136); }',
      { buzzer: 'Z1', tone: 440 },
      [],
      'right',
    ],
    ['a servo', gate(90), { servo: 'M1', angle: 90 }, [], 'right'],
    ['a servo', gate(45), { servo: 'M1', angle: 90 }, [], 'angle-off'],
    ['a servo', gate(90), { servo: 'M1', angle: [90, 180] }, [], 'right'],
    ['a servo', gate(84), { servo: 'M1', angle: [80, 100] }, [], 'right'],
    ['a servo', gate(76), { servo: 'M1', angle: [80, 100] }, [], 'angle-off'],
    ['a servo', gate(104), { servo: 'M1', angle: [80, 100] }, [], 'angle-off'],
    ['no signal for a servo', lit(''), { servo: 'M1', angle: [0, 180] }, [], 'angle-off'],
    ['no signal for a servo', lit(''), { servo: 'M1', angle: 90 }, [], 'angle-off'],
    ['a display', shown('Tide'), { display: 'X1', text: ['Tide'] }, [], 'right'],
    ['a display', shown('Ebb'), { display: 'X1', text: ['Tide', ''] }, [], 'text-off'],
    ['an empty display', lit(''), { display: 'X1', text: ['Tide'] }, [], 'text-off'],
    [
      'a lamp that follows',
      follow.replace('PAUSE', ''),
      { responds: 'D1', to: 'S1', within: 0.1, then: 'on' },
      presses,
      'right',
    ],
    [
      'a lamp that follows',
      follow.replace('PAUSE', ''),
      { responds: 'D1', to: 'S1', within: 0.1, then: 'changed' },
      presses,
      'right',
    ],
    [
      'a lamp that follows late',
      follow.replace('PAUSE', 'delay(300);'),
      { responds: 'D1', to: 'S1', within: 0.1, then: 'on' },
      presses,
      'late-response',
    ],
    [
      'a lamp that does not',
      lit('pinMode(9, OUTPUT);'),
      { responds: 'D1', to: 'S1', within: 0.1, then: 'on' },
      presses,
      'no-response',
    ],
    [
      'chance',
      dice('randomSeed(analogRead(A0));'),
      {
        'one-of': [
          { lamp: 'D1', is: 'on' },
          { lamp: 'D1', is: 'off' },
        ],
        variety: 2,
        over: 20,
        from: 0.1,
      },
      [],
      'right',
    ],
    [
      'chance without a seed',
      dice(''),
      {
        'one-of': [
          { lamp: 'D1', is: 'on' },
          { lamp: 'D1', is: 'off' },
        ],
        variety: 2,
        over: 20,
        from: 0.1,
      },
      [],
      'variety-off',
    ],
  ];

  test.each(cases)('%s: %s', (_, source, expectation, stimuli, code) => {
    const outcome = play(source, expectation, stimuli);
    expect([outcome.passed, outcome.failures[0]?.code ?? 'right']).toEqual([code === 'right', code]);
    for (const failure of outcome.failures) {
      expect(failure.message).not.toMatch(/undefined|NaN/);
      expect(failure.hints.join(' ')).not.toMatch(/undefined|NaN/);
    }
  });
});
