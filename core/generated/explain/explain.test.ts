import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import type { Exercise } from '../../formats/exercise';
import { randomFrom } from '../../random';
import { grammars } from '../../testing/beacon';
import { courseExercises } from '../../testing/course';
import { rightPrograms } from '../../testing/right-programs';
import { samples } from '../../testing/samples';
import { slipped } from '../../testing/slips';
import { explainProgram } from './index';

const exerciseOf = (id: string): Exercise => courseExercises.find(({ name }) => name === id)!.exercise;
const withProgram = (exercise: Exercise, program: string): Exercise => ({
  ...exercise,
  data: { ...exercise.data, program },
});
/** What is said of the lines that contain a text. */
const said = (exercise: Exercise, text: string): readonly string[] => {
  const lines = exercise.data.program.split('\n');
  return explainProgram(exercise, grammars)
    .filter(({ line }) => lines[line - 1]!.includes(text))
    .map(({ says }) => says);
};

describe('an explanation line by line', () => {
  test.each([
    ['beacon', 'const int LAMP', 'LAMP stands for pin 13, where D1 is connected.'],
    ['beacon', 'pinMode', 'Pin 13 becomes an output, so that the board can drive D1.'],
    ['beacon', 'LAMP, HIGH', 'Pin 13 gives 5 V: D1 lights up with 8.5 mA.'],
    ['beacon', 'LAMP, LOW', 'Pin 13 gives 0 V: D1 is dark.'],
    ['beacon', 'delay(500)', 'Waits 0.5 s; until then everything stays as it is.'],
    ['beacon', 'void loop', 'Everything in here repeats for as long as the board has power.'],
    [
      'night-bell',
      'INPUT_PULLUP',
      'Pin 2 becomes an input that the board itself holds HIGH. S1 makes it LOW while it is pressed.',
    ],
    ['night-bell', 'if (', 'If S1 is pressed, lines 14 and 15 run.'],
    ['night-bell', '} else {', 'Otherwise, lines 17 and 18 run.'],
    ['night-bell', 'BUZZER, HIGH', 'Pin 8 gives 5 V: Z1 sounds.'],
    [
      'two-button-sluice',
      'LAMP, isOpen',
      'Pin 12 gives 5 V when isOpen is true: D1 lights up with 8.3 mA; otherwise 0 V: D1 is dark.',
    ],
    [
      'passing-boat-counter',
      'millis() - lastPress',
      'If boats is above 0 and level is HIGH (S1 is not pressed) and more than 1.5 s (REST) have passed since lastPress, lines 26 and 27 run.',
    ],
    [
      'passing-boat-counter',
      'int level',
      'level becomes the level at pin 2: LOW while S1 is pressed, HIGH otherwise.',
    ],
    [
      'passing-boat-counter',
      'flash(boats)',
      'Runs flash, lines 31 to 38, with times = boats, and comes back.',
    ],
    [
      'passing-boat-counter',
      'for (',
      'Lines 33 to 36 run as many times as times says; i counts 0, 1, 2 and so on.',
    ],
    [
      'fog-lamp',
      'analogRead',
      'position becomes the voltage at pin A0, which the potentiometer P1 sets, as a number: 0 for 0 V, 1023 for 5 V.',
    ],
    ['tide-gauge', 'PINS[LAMPS]', 'PINS is a list of 10 pins: 11, 10, … 2.'],
    ['lock-gate', 'gate.write(OPEN)', 'M1 turns to 110°.'],
    ['lock-gate', 'Servo gate', 'gate stands for the servo M1.'],
    ['dusk-switch', 'light < DARK', 'If light is below DARK (300), line 17 runs.'],
    ['dusk-switch', 'println', 'Sends light to the computer and begins a new line.'],
    [
      'signal-mast',
      'panels.setRow(0',
      'Row row of panel 0 shows the eight bits of SIGNALS[number].left[row].',
    ],
    ['beacon-python', 'lamp.value = True', 'Pin D13 gives 3.3 V: D1 lights up with 5.2 mA.'],
    ['beacon-python', 'while True', 'Lines 10 to 13 run over and over, forever.'],
  ])('of %s, %s', (id, text, sentence) => {
    expect(said(exerciseOf(id), text)).toContain(sentence);
  });

  test('turns levels round where an LED is lit by a low pin', () => {
    const lantern = exerciseOf('signal-lantern, common anode');
    expect(said(lantern, 'analogWrite(RED')[0]).toMatch(
      /At 0 it is never on: the red light of D1 lights up with .* mA; at 255 it is always on: the red light of D1 is dark\.$/,
    );
  });

  test('speaks of the board’s built-in LED where nothing else is connected on its pin', () => {
    const program =
      'void setup() {\n  pinMode(LED_BUILTIN, OUTPUT);\n}\nvoid loop() {\n  digitalWrite(LED_BUILTIN, HIGH);\n  digitalWrite(LED_BUILTIN, LOW);\n}';
    // The fog lamp's circuit leaves pin 13 alone; the beacon's has an LED of its own there.
    const alone = withProgram(exerciseOf('fog-lamp'), program);
    expect(said(alone, 'HIGH')).toEqual(['Pin 13 gives 5 V: the board’s built-in LED lights up.']);
    expect(said(alone, 'LOW')).toEqual(['Pin 13 gives 0 V: the board’s built-in LED is dark.']);
    expect(said(withProgram(exerciseOf('beacon'), program), 'HIGH')).toEqual([
      'Pin 13 gives 5 V: D1 lights up with 8.5 mA.',
    ]);
    // Where it is lit by a low pin, it is said to be.
    const wifi = { ...alone, board: shippedBoards.get('wifi-3v3')! };
    expect(said(wifi, 'LOW')[0]).toMatch(/built-in LED lights up\.$/);
  });

  test('says how bright a fixed duty is, by the circuit', () => {
    const dimmed = withProgram(
      exerciseOf('fog-lamp'),
      'void setup() { pinMode(9, OUTPUT); }\nvoid loop() {\n  analogWrite(9, 51);\n}',
    );
    expect(said(dimmed, '51')).toEqual([
      'Pin 9 is high 20\u00a0% of the time, too fast to see: D1 lights up with 1.7 mA on average.',
    ]);
  });

  test('knows a variable that is never set again, and leaves one that is', () => {
    const beacon = exerciseOf('beacon');
    const program = (more: string): string =>
      `int lamp = 13;\nvoid setup() {\n  pinMode(lamp, OUTPUT);\n${more}}\nvoid loop() { }`;
    expect(said(withProgram(beacon, program('')), 'pinMode')).toEqual([
      'Pin 13 becomes an output, so that the board can drive D1.',
    ]);
    expect(said(withProgram(beacon, program('lamp = 12;\n')), 'pinMode')).toEqual([
      'The pin stored in lamp becomes an output.',
    ]);
  });

  test('does not take a parameter for the global of the same name', () => {
    const program =
      'int pin = 13;\nvoid light(int pin) {\n  digitalWrite(pin, HIGH);\n}\nvoid setup() { light(7); }\nvoid loop() { }';
    expect(said(withProgram(exerciseOf('beacon'), program), 'digitalWrite')).toEqual([
      'The pin stored in pin becomes HIGH.',
    ]);
  });

  test('reads buttons, clocks, lists and errors in Python', () => {
    const program = [
      'import time, board, digitalio',
      'EVERY = 0.5',
      'lamp = digitalio.DigitalInOut(board.D13)',
      'lamp.switch_to_output()',
      'last = time.monotonic()',
      'def flash(times):',
      '    for i in range(times):',
      '        lamp.value = not lamp.value',
      'while True:',
      '    if time.monotonic() - last >= EVERY:',
      '        flash(3)',
      '    elif last < 2 and not lamp.value:',
      '        for word in ["ebb", "flow"]:',
      '            print(word)',
      '    try:',
      '        last += 1',
      '    except ValueError:',
      '        pass',
    ].join('\n');
    expect(explainProgram(withProgram(exerciseOf('beacon-python'), program), grammars)).toEqual(
      [
        'Includes the clock and pauses, the names of the pins and pins that are on or off.',
        'EVERY becomes 0.5.',
        'lamp stands for pin D13, where D1 is connected, as one that is on or off.',
        'Pin D13 becomes an output, so that the board can drive D1. Pin D13 gives 0 V: D1 is dark.',
        'last becomes the time since the board started, in seconds.',
        'A function, flash: it runs when it is called. It takes times.',
        'Line 8 runs as often as times says; i counts 0, 1, 2 and so on.',
        'Pin D13 turns round: from on to off, or from off to on.',
        'Lines 10 to 18 run over and over, forever.',
        'If at least 0.5 s (EVERY) have passed since last, line 11 runs.',
        'Runs flash, lines 6 to 8, with times = 3, and comes back.',
        'Otherwise, if last is below 2 and lamp.value is False, lines 13 and 14 run.',
        'Line 14 runs once for each one of ["ebb", "flow"]; it is called word.',
        'Sends word to the computer and begins a new line.',
        'Tries it: line 16 runs.',
        'last grows by 1.',
        'If an error comes meanwhile, line 18 runs.',
        'Does nothing.',
      ].map((says, index) => ({ line: index + 1, says })),
    );
  });

  test('has nothing for a program that does not compile', () => {
    expect(explainProgram(withProgram(exerciseOf('beacon'), 'void setup() {'), grammars)).toEqual([]);
  });

  test.each(['cpp', 'python'] as const)(
    'of any program in %s that compiles ends, whatever was slipped into it',
    (language) => {
      const random = randomFrom(17);
      const exercise = exerciseOf(language === 'cpp' ? 'night-bell' : 'beacon-python');
      const sources = rightPrograms.filter((one) => one.language === language).map(({ source }) => source);
      const programs = samples(1500);
      let explained = 0;
      for (let count = 0; count < programs; count += 1) {
        const lines = explainProgram(withProgram(exercise, slipped(random, sources)), grammars);
        if (lines.length > 0) explained += 1;
        expect(lines.every(({ line, says }) => line > 0 && !/undefined|NaN/.test(says))).toBe(true);
      }
      expect(explained).toBeGreaterThan(programs / 5);
    },
  );

  test.each(rightPrograms.map((program) => [`${program.language}: ${program.name}`, program] as const))(
    'leaves no line of %s without a word that does something',
    (_, { source, language, board }) => {
      const exercise = exerciseOf('beacon');
      const explained = explainProgram(
        {
          ...exercise,
          board: shippedBoards.get(board)!,
          data: { ...exercise.data, language, program: source },
        },
        grammars,
      );
      const lines = new Set(explained.map(({ line }) => line));
      const silent = source
        .replace(/\/\*[\s\S]*?\*\//g, (comment) => comment.replace(/[^\n]/g, ' '))
        .split('\n')
        .flatMap((line, index) => (doesSomething(line) && !lines.has(index + 1) ? [line] : []));
      expect(silent).toEqual([]);
      for (const { says } of explained) expect(says).toMatch(/^\S.*[.:]$/s);
    },
  );
});

/** Whether a line has words outside of remarks, text lines, and the inside of a struct or of a list. */
const doesSomething = (line: string): boolean =>
  /\w/.test(
    line.replace(/\/\/.*|^\s*#(?!define|include).*|^\s*""".*|^\s*\{.*|^\s+(char|byte) \w+(\[8\])?;.*/, ''),
  );
