import { describe, expect, test } from 'vitest';
import { programFor } from '../judge/build';
import { courseExercises } from '../testing/course';
import { beacon, grammars, LAYOUT } from '../testing/beacon';
import { compileProgram } from '../program';
import { readWiring } from '../wiring/read';
import { record } from './recording';
import { rehearse } from './rehearse';
import { Replay } from './replay';
import { ReplayedProgram } from './replayed-program';
import type { RehearsalOptions } from './options';

const { board } = beacon;

function recorded(source: string, options: Partial<RehearsalOptions> = {}) {
  const wiring = readWiring(LAYOUT);
  const program = compileProgram(source, board, grammars);
  if (!wiring.ok || !program.compiled) throw new Error(program.problems[0]?.message ?? 'wiring');
  const recording = record(program.compiled, wiring.value, board, { seconds: 2, ...options });
  return {
    recording,
    replay: new Replay(recording.trace),
    program: new ReplayedProgram(recording, source),
  };
}

const COUNTING = `int count = 0;
bool isOn = false;

void step(int by) {
  int next = count + by;
  count = next;
}

void setup() {
  pinMode(13, OUTPUT);
}

void loop() {
  step(2);
  if (count > 3) {
    isOn = !isOn;
    digitalWrite(13, isOn);
  }
  delay(500);
}
`;

describe('a recorded run', () => {
  test.each(courseExercises)('of $name is the run that nobody watches', ({ exercise }) => {
    const { compiled } = programFor(exercise, exercise.data.program, grammars);
    for (const { for: seconds, stimuli } of exercise.data.scenarios.slice(0, 2)) {
      const options = { seconds: Math.min(seconds, 6), stimuli };
      const plain = rehearse(compiled!, exercise.reference, exercise.board, options);
      const { trace } = record(compiled!, exercise.reference, exercise.board, options);
      expect(trace).toEqual(plain);
    }
  });

  test('shows moments of the clock go by, in passes that are skipped too', () => {
    const { recording } = recorded(
      'unsigned long last = 0;\nvoid setup() { }\nvoid loop() {\n  last = millis();\n}\n',
    );
    expect(recording.trace.ended.reason).toBe('time');
    expect(recording.trace.steps).toBeLessThan(60_000);
    const { values } = recording.names.find(({ name }) => name === 'last')!;
    for (const at of [0.3, 1, 1.7]) {
      const shown = values.findLast((value) => value.at <= at)!;
      expect(Math.abs(Number(shown.text) - at * 1000)).toBeLessThan(80);
    }
  });

  test('says which line runs, and what follows it', () => {
    const { program } = recorded(COUNTING);
    expect(program.lineAt(0.3)).toBe(19);
    const next = program.stepFrom(0.3, 'next')!;
    expect(next).toBeCloseTo(0.5, 2);
    expect(program.lineAt(next)).toBe(14);
    expect(program.stepFrom(next, 'before')).toBeLessThan(next);
    expect(program.lineAt(program.roundFrom(0.3)!)).toBe(19);
    expect(program.roundFrom(0.3)).toBeCloseTo(0.5, 2);
  });

  test('says what variables hold, those of a function only while it runs', () => {
    const { program } = recorded(COUNTING);
    const names = (at: number) => program.namesAt(at).map(({ name, text }) => `${name} ${text}`);
    expect(names(0.3)).toEqual(['count 2', 'isOn false']);
    expect(names(0.8)).toEqual(['count 4', 'isOn true']);
    let at = program.stepFrom(0.3, 'next')!;
    while (program.lineAt(at) !== 6) at = program.stepFrom(at, 'next')!;
    expect(names(at)).toEqual(['by 2', 'next 4', 'count 2', 'isOn true'.replace('true', 'false')]);
  });

  test('says why a condition came out as it did', () => {
    const { program } = recorded(COUNTING);
    const whyOf = (from: number) => {
      let at = program.stepFrom(from, 'next')!;
      while (program.lineAt(at) !== 15) at = program.stepFrom(at, 'next')!;
      return program.whyAt(at);
    };
    expect(whyOf(0)).toBe('count is 2, so “count > 3” doesn’t hold.');
    expect(whyOf(0.3)).toBe('count is 4, so “count > 3” holds.');
    expect(program.whyAt(0.3)).toBeUndefined();
  });

  test.each([
    ['if (isOn) {}', 'bool isOn = true;', '“isOn” holds.'],
    [
      'if (digitalRead(2) == LOW) {}',
      '',
      /^digitalRead\(2\) is \d and LOW is 0, so “digitalRead\(2\) == LOW”/,
    ],
    ['if (a < 5 && b == 7) {}', 'int a = 1; int b = 7;', 'a is 1 and b is 7, so “a < 5 && b == 7” holds.'],
    ['if (a < 5 && b == 7) {}', 'int a = 9; int b = 7;', 'a is 9, so “a < 5 && b == 7” doesn’t hold.'],
    [
      'while (a < LIMIT) a++;',
      '#define LIMIT 3\nint a = 9;',
      'a is 9 and LIMIT is 3, so “a < LIMIT” doesn’t hold.',
    ],
    ['if (level > 1.5) {}', 'float level = 2.25;', 'level is 2.25, so “level > 1.5” holds.'],
    ['if (name == "ab") {}', 'String name = "ab";', 'name is "ab", so “name == "ab"” holds.'],
  ])('and of %s with %s', (statement, globals, said) => {
    const source = `${globals}\nvoid setup() {\n${statement}\ndelay(100);\n}\nvoid loop() {}\n`;
    const { program } = recorded(source, { seconds: 0.05 });
    const line = source.split('\n').indexOf(statement) + 1;
    let at = 0;
    while (program.lineAt(at) !== line) at = program.stepFrom(at, 'next')!;
    if (typeof said === 'string') expect(program.whyAt(at)).toBe(said);
    else expect(program.whyAt(at)).toMatch(said);
  });

  test('keeps what a program that never rests does as far as it can, and says how far', () => {
    const { recording, program } = recorded(
      'volatile unsigned long a = 1;\nvoid setup() {}\nvoid loop() {\n  a = a + 1;\n  a = a * 5;\n}\n',
      { seconds: 20 },
    );
    expect(recording.keptUntil).toBeLessThan(20);
    expect(recording.keptUntil).toBeGreaterThan(0.5);
    expect(program.lineAt(recording.keptUntil + 1)).toBeUndefined();
  });
});

describe('a run seen again', () => {
  const BLINK = `void setup() { pinMode(13, OUTPUT); }
void loop() {
  digitalWrite(13, HIGH);
  delay(500);
  digitalWrite(13, LOW);
  delay(500);
}
`;

  test('shows the LED as it was at every moment', () => {
    const { replay } = recorded(BLINK);
    const light = (at: number) => replay.momentAt(at).lights.get('D1')!;
    expect(light(0.25)).toBeGreaterThan(0.3);
    expect(light(0.75)).toBe(0);
    expect(light(1.25)).toBeCloseTo(light(0.25), 6);
    expect(replay.momentAt(0.25).pins.get('13')).toEqual({ mode: 'high' });
  });

  test('melts what is faster than the eye into one brightness', () => {
    const { replay } = recorded(
      'void setup() { pinMode(13, OUTPUT); }\nvoid loop() { digitalWrite(13, HIGH); delay(1); digitalWrite(13, LOW); delay(3); }\n',
    );
    const all = Array.from({ length: 40 }, (_, index) =>
      replay.momentAt(1 + index * 0.0007).lights.get('D1')!,
    );
    expect(Math.max(...all) - Math.min(...all)).toBeLessThan(0.05);
    // Slowed down, it is seen to flash.
    const slow = Array.from({ length: 40 }, (_, index) =>
      replay.momentAt(1 + index * 0.0007, 1e-5).lights.get('D1')!,
    );
    expect(Math.min(...slow)).toBe(0);
  });

  test('goes from change to change, there and back', () => {
    const { replay } = recorded(BLINK);
    const there: number[] = [];
    for (let at = replay.changeFrom(0.1, 'next'); at !== undefined; at = replay.changeFrom(at, 'next'))
      there.push(at);
    expect(there.map((at) => at.toFixed(2))).toEqual(['0.50', '1.00', '1.50']);
    expect(replay.changeFrom(there[2]!, 'before')).toBe(there[1]);
  });
});
