import { describe, expect, test } from 'vitest';
import { printedBy, runOn } from '../testing/bench';

const BUTTON = `B1,breadboard,half,,
S1,button,,1,B1.e5
S1,button,,2,B1.f5
S1,button,,3,B1.e7
S1,button,,4,B1.f7
W1,wire,blue,1,U1.2
W1,wire,blue,2,B1.a5
W2,wire,black,1,B1.a7
W2,wire,black,2,U1.GND
D1,led,amber,anode,U1.13
D1,led,amber,cathode,B1.a12
R1,resistor,330,1,B1.b12
R1,resistor,330,2,U1.GND`;

const presses = [0.3, 0.5, 1.2].map((at) => ({ at, press: 'S1', for: 0.05 }));

describe('an interrupt', () => {
  const counting = (mode: string) => `volatile int count = 0;
void counted() { count++; }
void setup() { Serial.begin(9600); pinMode(2, INPUT_PULLUP); attachInterrupt(digitalPinToInterrupt(2), counted, ${mode}); }
void loop() { delay(800); Serial.print(count); Serial.print(' '); }`;

  test('counts every press, also in the middle of a pause', () => {
    expect(printedBy(runOn({ rows: BUTTON, source: counting('FALLING'), stimuli: presses }))).toBe('2 3 ');
  });

  test('may run a function without a name', () => {
    const source = counting('FALLING')
      .replace('void counted() { count++; }', '')
      .replace('counted', '[] () { count++; }');
    expect(printedBy(runOn({ rows: BUTTON, source, stimuli: presses }))).toBe('2 3 ');
  });

  test('comes at both edges when it is asked for a change', () => {
    expect(printedBy(runOn({ rows: BUTTON, source: counting('CHANGE'), stimuli: presses }))).toBe('4 6 ');
  });

  test('waits while interrupts are held off', () => {
    const source = counting('FALLING').replace(
      'delay(800);',
      'noInterrupts(); delay(800); Serial.print(count); interrupts();',
    );
    expect(printedBy(runOn({ rows: BUTTON, source, stimuli: presses }))).toBe('01 12 ');
  });

  test('that pauses never ends, since its clock stands still', () => {
    const source = counting('FALLING').replace('count++;', 'count++; delay(10);');
    const trace = runOn({ rows: BUTTON, source, stimuli: presses });
    expect(trace.stuckInInterrupt).toBe(2);
    expect(printedBy(trace)).toBe('');
  });

  test('of a number that the board does not have is noted', () => {
    const source = counting('FALLING').replace('digitalPinToInterrupt(2)', '2');
    expect(runOn({ rows: BUTTON, source }).deadInterrupts).toMatchObject([{ number: 2, line: 3 }]);
  });

  test('leaves an empty waiting loop at its moment', () => {
    const source = `volatile bool pressed = false;
void note() { pressed = true; }
void setup() { Serial.begin(9600); pinMode(2, INPUT_PULLUP); attachInterrupt(0, note, FALLING); while (!pressed) { } Serial.print(millis()); }
void loop() { }`;
    expect(Number(printedBy(runOn({ rows: BUTTON, source, stimuli: presses })))).toBeCloseTo(300, -1);
  });
});

describe('the pin-change interrupt of the eight-pin chip', () => {
  const CHIP = `G1,supply,5V,plus,U1.VCC
G1,supply,5V,minus,U1.GND
${BUTTON.replace('U1.2\n', 'U1.1\n')
  .replace('U1.13', 'U1.0')
  .replace(/W2,wire,black,2,U1.GND/, 'W2,wire,black,2,G1.minus')
  .replace('R1,resistor,330,2,U1.GND', 'R1,resistor,330,2,G1.minus')}`;
  const source = `volatile bool lit = false;
void setup() { pinMode(0, OUTPUT); pinMode(1, INPUT_PULLUP); GIMSK |= (1 << PCIE); PCMSK |= (1 << PCINT1); sei(); }
ISR(PCINT0_vect) { if (digitalRead(1) == LOW) lit = !lit; }
void loop() { digitalWrite(0, lit); }`;

  test('runs its routine at each change of the pins that its mask names', () => {
    const changes = runOn({ board: 'chip-8', rows: CHIP, source, stimuli: presses }).pins.get('0')!;
    expect(changes.map(({ at, drive }) => [Math.round(at * 10) / 10, drive.mode]).slice(-3)).toEqual([
      [0.3, 'high'],
      [0.5, 'low'],
      [1.2, 'high'],
    ]);
  });

  test('takes high and low from what feeds it, on two cells as on five volts', () => {
    const [five, three] = [CHIP, CHIP.replace(/supply,5V/g, 'supply,3V')].map((rows) =>
      runOn({ board: 'chip-8', rows, source, stimuli: presses })
        .pins.get('0')!
        .map(({ at, drive }) => [Math.round(at * 10) / 10, drive.mode]),
    );
    expect(CHIP).toMatch(/supply,5V/);
    expect(three).toEqual(five);
  });

  test('runs it without being told that interrupts may come, which they may from the start', () => {
    const [told, untold] = [source, source.replace(' sei();', '')].map((one) =>
      runOn({ board: 'chip-8', rows: CHIP, source: one, stimuli: presses })
        .pins.get('0')!
        .map(({ at, drive }) => [Math.round(at * 10) / 10, drive.mode]),
    );
    expect(untold).toEqual(told);
    const silent = runOn({
      board: 'chip-8',
      rows: CHIP,
      source: source.replace('sei()', 'cli()'),
      stimuli: presses,
    });
    expect(silent.pins.get('0')!.some(({ drive }) => drive.mode === 'high')).toBe(false);
  });
});

describe('the board', () => {
  const source = `int passes = 0;
void setup() { pinMode(13, OUTPUT); Serial.begin(9600); Serial.print("start "); digitalWrite(13, HIGH); }
void loop() { delay(400); passes++; Serial.print(passes); Serial.print(' '); }`;

  test('begins anew when it is reset, with its memory and its clock at zero', () => {
    const trace = runOn({ rows: BUTTON, source, stimuli: [{ at: 1, reset: true }] });
    expect(printedBy(trace)).toBe('start 1 2 start 1 2 ');
  });

  test('is dead without its power, and begins when that comes back', () => {
    const trace = runOn({
      rows: BUTTON,
      source,
      stimuli: [
        { at: 0.5, supply: 'off' },
        { at: 1.5, supply: 'on' },
      ],
    });
    expect(printedBy(trace)).toBe('start 1 start 1 ');
    const led = trace.leds.get('D1')!.map(({ at, currentMa }) => [Math.round(at * 10) / 10, currentMa > 1]);
    expect(led).toEqual([
      [0, false],
      [0, true],
      [0.5, false],
      [1.5, true],
    ]);
  });

  test('stays dead when nobody switches it on again', () => {
    const trace = runOn({ rows: BUTTON, source, stimuli: [{ at: 0.5, supply: 'off' }] });
    expect(printedBy(trace)).toBe('start 1 ');
    expect(trace.ended).toMatchObject({ reason: 'time', at: 2 });
  });
});
