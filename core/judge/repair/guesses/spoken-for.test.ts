import { describe, expect, test } from 'vitest';
import { applyTextEdit } from '../../../program/problem';
import { formOf } from './form';
import type { Guess, Rule } from './guess';
import { ofFlagsSetBack } from './flags-set-back';
import { ofIdleTakings } from './idle-takings';
import { ofMovedIntoLoops } from './moved-into-loops';
import { ofPinsListed } from './pins-listed';
import { ofPythonBlocks } from './python-blocks';
import { ofPythonCalls } from './python-calls';
import { ofPythonClasses } from './python-classes';
import { ofRangesOfReadings } from './ranges-of-readings';
import { ofReturns } from './returns';
import { ofRounds } from './rounds';
import { ofSameAgain } from './same-again';
import { ofSounds } from './sounds';
import { ofUncalledValues } from './uncalled-values';
import { valuesAdded } from './values-lacking';

const guessed = (
  rules: readonly Rule[],
  source: string,
  language: 'cpp' | 'python' = 'python',
  unset: readonly string[] = [],
): readonly Guess[] => {
  const form = formOf(source, language);
  return rules.flatMap((rule) => rule(form, formOf('', language), { unset, milliseconds: [] }));
};
const told = (...given: Parameters<typeof guessed>): readonly string[] =>
  guessed(...given).map(({ text }) => text);
const made = (source: string, { edits }: Guess): string => edits.reduce(applyTextEdit, source);

describe('what Python calls and counts with', () => {
  test.each([
    ['def measure():\n    return 3\n\nlight = measure\n', 'Write measure() instead of measure in line 4.'],
    ['end = time.monotonic + 3\n', 'Write time.monotonic() instead of time.monotonic in line 1.'],
    ['lamps = []\ni = 0\nlamps(i).value = True\n', 'Write lamps[i] instead of lamps(i) in line 3.'],
    ['values = []\nvalues.add(3)\n', 'Write append instead of add in line 2.'],
    [
      'values = []\nfor n in range(3):\n    values = eye.value\n',
      'Write values.append(eye.value) instead of values = eye.value in line 3.',
    ],
    ['values = []\nmean = values / 3\n', 'Write sum(values) instead of values in line 2.'],
    ['leds = []\nfor i, led in leds:\n    pass\n', 'Write enumerate(leds) instead of leds in line 2.'],
    ['send(SO)\n', 'Write "SO" instead of SO in line 1.'],
    ['codes = {"S": 3}\nsend("s")\n', 'Write "S" instead of "s" in line 2.'],
  ])('%j', (source, text) => {
    expect(told(ofPythonCalls, source)).toEqual([text]);
  });

  test.each([
    'def measure():\n    return 3\n\nlight = measure()\nrun(measure)\n',
    'now = time.monotonic()\n',
    'def lamps(i):\n    return i\n\nlamps(3)\n',
    'values = []\nvalues.append(3)\nmean = sum(values) / len(values)\n',
    'words = set()\nwords.add(3)\n',
    'leds = []\nfor i, led in enumerate(leds):\n    pass\n',
    'text = "SO"\nsend(text)\n',
    'codes = {"S": 3}\nsend("S")\nprint("hello")\n',
  ])('nothing is said of %j', (source) => {
    expect(told(ofPythonCalls, source)).toEqual([]);
  });
});

const KEY = `class Key:
    def __init__(self, pin):
        self.io = DigitalInOut(pin)
        self.last = True

    def pressed(self):
        now = self.io.value
        was = self.last and not now
        self.last = now
        return was

if key.pressed():
    pass
`;

describe('a class of Python', () => {
  test.each([
    [
      'def pressed(self):',
      'def pressed():',
      'Write self first between the parentheses of pressed in line 6.',
    ],
    ['= self.io.value', '= io.value', 'Write self.io instead of io in line 7.'],
    ['        self.last = now', '        last = now', 'Write self.last instead of last in line 9.'],
    ['__init__', '_init_', 'Write __init__ instead of _init_ in line 2.'],
    ['        return was\n', '', 'Add return was after line 9.'],
    ['        self.last = now\n', '', 'Add self.last = now after line 8.'],
  ])('with %j as %j', (right, wrong, text) => {
    const source = KEY.replace(right, wrong);
    const [guess] = guessed([...ofPythonClasses, ...ofReturns], source).filter((one) => one.text === text);
    expect(guess && made(source, guess)).toBe(KEY);
  });

  test('that is right is left as it is', () => {
    expect(told([...ofPythonClasses, ...ofReturns], KEY)).toEqual([]);
  });
});

describe('blocks of Python', () => {
  test('an else that stands under its loop is put under its question', () => {
    const source = 'for sign in code:\n    if sign:\n        a()\nelse:\n    b()\n';
    const [guess] = guessed(ofPythonBlocks, source);
    expect(guess!.text).toBe('Put 4 more spaces before lines 4 to 5.');
    expect(made(source, guess!)).toBe(
      'for sign in code:\n    if sign:\n        a()\n    else:\n        b()\n',
    );
  });

  test.each([
    [
      'def key(pin):\n    k = DigitalInOut(pin)\n    k.direction = digitalio.Direction.INPUT\n    return k\n',
      ['Add k.pull = digitalio.Pull.UP after line 3.'],
    ],
    ['k.direction = Direction.INPUT\nk.pull = Pull.DOWN\n', []],
    [
      'level = 3\ndef show():\n    level = 0\n    print(level)\n',
      ['Write pass instead of level = 0 in line 3, or remove the line.'],
    ],
    ['level = 3\ndef show():\n    global level\n    level = 0\n', []],
  ])('%j', (source, texts) => {
    expect(told(ofPythonBlocks, source)).toEqual(texts);
  });
});

describe('rounds and what is given back', () => {
  test.each([
    [
      'def beep(times):\n    n = 0\n    while n <= times:\n        n += 1\n',
      ['Write < instead of <= in line 3.'],
    ],
    [
      'def beep(times):\n    n = 1\n    while n < times:\n        n += 1\n',
      ['Write 0 instead of 1 in line 2.'],
    ],
    ['def beep(times):\n    n = 1\n    while n <= times:\n        n += 1\n', []],
    ['def beep(times):\n    n = 0\n    while n < times:\n        n += 1\n', []],
    [
      'def zone(x):\n    if x < 3:\n        return 1\n    if x < 6:\n        return 1\n    return 2\n',
      ['Write 0 instead of 1 in line 3.', 'Write 0 instead of 1 in line 5.'],
    ],
    ['def zone(x):\n    if x < 3:\n        return 0\n    return 1\n', []],
    ['def made(pin):\n    led = Out(pin)\nred = made(1)\n', ['Add return led after line 2.']],
  ])('%j', (source, texts) => {
    expect(told([...ofRounds, ...ofReturns], source)).toEqual(texts);
  });

  test('of C++ is what its type asks for', () => {
    const source = 'int next(int now) {\n  int then = now + 1;\n}\n';
    expect(told(ofReturns, source, 'cpp')).toEqual(['Add return then; after line 2.']);
    expect(told(ofReturns, source.replace('int next', 'void next'), 'cpp')).toEqual([]);
  });

  test('of C++ is what its last case gives', () => {
    const source =
      'int zone(int x) {\n  if (x < 3) {\n    return 0;\n  }\n  if (x < 6) {\n    return 1;\n  }\n}\n';
    const [guess] = guessed(ofReturns, source, 'cpp');
    expect(made(source, guess!)).toBe(source.replace('  }\n}\n', '  }\n  return 2;\n}\n'));
    expect(told(ofReturns, source.replace('  }\n}\n', '  }\n  return 2;\n}\n'), 'cpp')).toEqual([]);
  });
});

describe('what speaks for itself in either language', () => {
  const FLAG = 'open = False\nif a:\n    open = True\nif b:\n    stop()\n';

  test.each([
    ['flags', ofFlagsSetBack, FLAG, ['Add open = False after line 4.']],
    ['flags that come back', ofFlagsSetBack, `${FLAG}    open = False\n`, []],
    [
      'what a function says it sets',
      ofFlagsSetBack,
      'on = False\ndef start():\n    global on\n    on = True\ndef stop():\n    global on\n    led()\n',
      ['Add on = False after line 6.', 'Add on = True after line 6.'],
    ],
    [
      'what is taken',
      ofIdleTakings,
      'def flash(length):\n    wait(UNIT)\n',
      ['Write length instead of UNIT in line 2.'],
    ],
    ['what is taken and used', ofIdleTakings, 'def flash(length):\n    wait(length)\n', []],
    [
      'a table',
      ofIdleTakings,
      'codes = {"a": 1}\ndef send(text):\n    show(text)\n',
      ['Write codes[text] instead of text in line 3.'],
    ],
    [
      'turns',
      ofSameAgain,
      'side = 0\nif a:\n    side = side + 1\n',
      ['Write side = 1 - side instead of side = side + 1 in line 3.'],
    ],
    [
      'steps',
      ofSameAgain,
      'n = min(n, 3)\n',
      ['Write n + 1 instead of n in line 1.', 'Write n - 1 instead of n in line 1.'],
    ],
    ['starts', ofSameAgain, 'n = 3\nn += 1\n', ['Write 0 instead of 3 in line 1.']],
    ['counts', ofSameAgain, 'n = 0\nn += 1\nn = min(n + 1, 3)\n', []],
    [
      'readings',
      ofRangesOfReadings,
      'a = AnalogIn(board.A0)\nb = a.value / 1023\n',
      ['Write 65535 instead of 1023 in line 2.'],
    ],
    ['readings that are right', ofRangesOfReadings, 'a = AnalogIn(board.A0)\nb = a.value / 65536\n', []],
  ] as const)('%s: %j', (_, rules, source, texts) => {
    expect(
      told(rules, source).filter((text) => !/^Write side = 1 - side instead of side = 0/.test(text)),
    ).toEqual(texts);
  });

  test('sound goes there and back', () => {
    const source = 'long us = pulseIn(8, HIGH);\nfloat cm = us / 29;\n';
    expect(told(ofRangesOfReadings, source, 'cpp')).toEqual(['Write 58 instead of 29 in line 2.']);
    expect(told(ofRangesOfReadings, source.replace('29', '29 / 2'), 'cpp')).toEqual([]);
  });

  test('a list of pins has all that are wired', () => {
    const python = 'for p in (board.D5, board.D6):\n    pass\n';
    expect(told(ofPinsListed, python, 'python', ['9'])).toEqual([
      'Add board.D9 at the end of the list in line 1.',
    ]);
    expect(told(ofPinsListed, 'int leds[] = {5, 6};\n', 'cpp', ['9', '6'])).toEqual([
      'Add 9 at the end of the list in line 1.',
    ]);
    expect(told(ofPinsListed, 'pair(5, 6);\n', 'cpp', ['9'])).toEqual([]);
  });

  test('a reading above the loop is moved into it', () => {
    const source =
      'def measure():\n    return eye.value\n\nlight = measure()\n\nwhile True:\n    led.value = light > 3\n';
    const [guess] = guessed(ofMovedIntoLoops, source);
    expect(made(source, guess!)).toBe(
      'def measure():\n    return eye.value\n\n\n\nwhile True:\n    light = measure()\n    led.value = light > 3\n',
    );
    expect(told(ofMovedIntoLoops, source.replace('led.value = light > 3', 'light = 2'))).toEqual([]);
  });

  test('a function that nobody asks is asked', () => {
    const source =
      'int zone(int p) {\n  return p / 3;\n}\nvoid loop() {\n  int part = fill();\n  int z = 0;\n  show(z);\n}\n';
    expect(told(ofUncalledValues, source, 'cpp')).toContain('Write zone(part) instead of 0 in line 6.');
    expect(told(ofUncalledValues, source.replace('int z = 0', 'int z = zone(part)'), 'cpp')).toEqual([]);
  });
});

describe('what sounds and is silenced', () => {
  test.each([
    ['tone(BUZZER, 880);\nnoTone(LAMP);\n', 2, 'Write BUZZER instead of LAMP in line 2.'],
    ['tone(8, 880);\ntone(8, 0);\n', 1, 'Write noTone(8) instead of tone(8, 0) in line 2.'],
  ])('%j', (source, count, first) => {
    const texts = told(ofSounds, source, 'cpp');
    expect([texts.length, texts[0]]).toEqual([count, first]);
  });

  test.each(['tone(8, 880);\nnoTone(8);\n', 'tone(8, 880, 200);\n', 'noTone(8);\n', 'tone(8, 0, 200, 3);\n'])(
    'nothing is said of %j',
    (source) => {
      expect(told(ofSounds, source, 'cpp')).toEqual([]);
    },
  );
});

describe('a call that lacks a value is given', () => {
  const SETUP = 'void setup() { pinMode(BUZZER, OUTPUT); pinMode(KEY, INPUT); }\n';
  test.each([
    ['its pin', 'void loop() { noTone(); }', '', ['noTone(BUZZER)', 'noTone(KEY)']],
    [
      'the pin before what is there',
      'void loop() { tone(880); }',
      '',
      ['tone(BUZZER, 880)', 'tone(KEY, 880)'],
    ],
    ['a pitch', 'void loop() { tone(BUZZER); }', '', ['tone(BUZZER, 440)']],
    [
      'the pitches of the program',
      'void loop() { tone(BUZZER, 262); tone(BUZZER); }',
      '',
      ['tone(BUZZER, 262)', 'tone(BUZZER, 440)'],
    ],
    [
      'the pitch that is asked for',
      'void loop() { tone(BUZZER); }',
      'tone(9, 330);',
      ['tone(BUZZER, 330)', 'tone(BUZZER, 440)'],
    ],
    [
      'a level',
      'void loop() { digitalWrite(BUZZER); }',
      '',
      ['digitalWrite(BUZZER, HIGH)', 'digitalWrite(BUZZER, LOW)'],
    ],
    ['nothing that it has', 'void loop() { tone(BUZZER, 3); digitalRead(KEY); delay(); }', '', []],
  ])('%s', (_, loop, asked, calls) => {
    const guesses = valuesAdded(formOf(SETUP + loop, 'cpp'), [2], formOf(asked, 'cpp'));
    expect(guesses.map(({ text }) => text)).toEqual(calls.map((call) => `Write ${call} in line 2.`));
    expect(
      guesses.map((guess) => made(SETUP + loop, guess)).every((source, at) => source.includes(calls[at]!)),
    ).toBe(true);
  });
});
