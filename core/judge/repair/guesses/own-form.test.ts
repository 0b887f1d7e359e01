import { describe, expect, test } from 'vitest';
import { guessesAt, misplacedAt, spokenForAt } from '.';
import type { Language } from '../../../program';
import { applyTextEdit } from '../../../program/problem';

const NOTHING = { unset: [], milliseconds: [] };
/** What a program may become by one change, without the space at the ends of lines. */
const made = (source: string, language: Language, asked = ''): readonly string[] =>
  [...spokenForAt(source, language, asked, NOTHING), ...guessesAt(source, language, asked, NOTHING)].map(
    ({ edits }) => edits.reduce(applyTextEdit, source).replace(/[ \t]+$/gm, ''),
  );
const loop = (...lines: readonly string[]): string =>
  `int n = 0;\nbool on = false;\nbool other = true;\nunsigned long since = 0;\nvoid loop() {\n${lines.map((line) => `  ${line}\n`).join('')}}\n`;
const python = (...lines: readonly string[]): string =>
  `n = 0\non = False\nsince = 0\nwhile True:\n${lines.map((line) => `    ${line}\n`).join('')}`;

const SWITCH =
  'enum State { OFF, ON };\nState state = OFF;\nvoid loop() {\n  switch (state) {\n    case OFF:\n      state = ON;\n      break;\n    case ON:\n      state = OFF;\n      break;\n  }\n}\n';

const PHASES =
  'int phase = 0;\nunsigned long began = 0;\nvoid next(int to) {\n  phase = to;\n  began = millis();\n}\nvoid setup() {\n  pinMode(2, INPUT_PULLUP);\n}\nvoid loop() {\n  unsigned long passed = millis() - began;\n  switch (phase) {\n    case 0:\n show(LOW, LOW);\n if (digitalRead(2) == LOW) next(1);\n      break;\n    case 1:\n show(LOW, HIGH);\n if (passed >= 1000) next(2);\n      break;\n    case 2:\n show(HIGH, LOW);\n if (passed >= 3000) next(0);\n      break;\n  }\n  delay(1000);\n}\n';

/** A right program, and what was slipped in it: the right one is among what it may become. */
type Slip = readonly [what: string, right: string, was: string, by: string];

describe('a slip is among what is tried', () => {
  test.each<Slip>([
    ['never counted', loop('n++;', 'if (n >= 5) {', '  n = 0;', '}'), '  n++;\n', ''],
    ['never set back', loop('n++;', 'if (n >= 5) {', '  show();', '  n = 0;', '}'), '    n = 0;\n', ''],
    ['set to a level that is to be toggled', loop('if (down()) {', '  on = !on;', '}'), '!on', 'true'],
    ['one of two questions', loop('if (on || other) {', '  on = true;', '}'), ' || other', ''],
    [
      'a question too few',
      loop('if (n > 3 && !on) {', '  on = true;', '  other = !other;', '}'),
      ' && !on',
      '',
    ],
    [
      'a time that begins with its flag',
      loop(
        'if (down()) {',
        '  on = true;',
        '  since = millis();',
        '}',
        'if (on && millis() - since > 900) {',
        '}',
      ),
      '    since = millis();\n',
      '',
    ],
    [
      'a number for a time',
      loop('if (down()) {', '  since = millis();', '}', 'if (millis() - since > 900) {', '}'),
      'since = millis()',
      'since = 0',
    ],
    ['begun anew each round', loop('n++;'), 'void loop() {\n', 'void loop() {\n  n = 0;\n'],
    ['a number in tens', loop('Serial.println(n / 10);'), 'n / 10', 'n'],
    [
      'a type too narrow',
      'float volts;\nvoid loop() {\n  volts = n * 5.0 / 1023;\n}\n',
      'float volts',
      'int volts',
    ],
    [
      'a reading left out',
      'int level;\nint sensor = A2;\nvoid loop() {\n  level = analogRead(sensor);\n  if (level > 5) {\n    show();\n  }\n}\n',
      '\n  level = analogRead(sensor);',
      '',
    ],
    [
      'a line that belongs into a block',
      loop('if (on) {', '  n = 0;', '  show();', '}'),
      '    show();\n  }\n',
      '  }\n  show();\n',
    ],
    [
      'a line that belongs behind a block',
      loop('if (on) {', '  n = 0;', '}', 'show();'),
      '  }\n  show();\n',
      '    show();\n  }\n',
    ],
    [
      'a parameter that nothing is done with',
      'void blink(int times) {\n  for (int i = 0; i < times; i++) {\n    flash();\n  }\n}\n',
      'i < times',
      'i < 3',
    ],
    [
      'a function that is named and not called',
      `void beep(int times) {\n  tone(8, 3 * times);\n}\n${loop('if (on) {', '  beep(3);', '}')}`,
      'beep(3)',
      'beep',
    ],
    [
      'another function than the one that nothing calls',
      `void warn() {\n  tone(8, 5);\n}\nvoid show() {\n  noTone(8);\n}\n${loop('if (on) {', '  warn();', '}', 'show();')}`,
      'warn();\n  }',
      'show();\n  }',
    ],
    [
      'a place that a loop counts',
      'int leds[] = {4, 5, 6};\nvoid loop() {\n  for (int k = 0; k < 3; k++) {\n    digitalWrite(leds[k], HIGH);\n  }\n}\n',
      'leds[k]',
      'leds[0]',
    ],
    [
      'added, and not set',
      loop('if (down()) {', '  n = n + 5;', '}', 'if (n > 0) {', '  n--;', '}'),
      'n + 5',
      '5',
    ],
    [
      'counted round',
      loop('n++;', 'if (n > 2) n = 0;', 'if (n == 1) show();', 'if (n == 2) hide();'),
      '  if (n > 2) n = 0;\n',
      '',
    ],
    [
      'counted down',
      loop('n = n + 3;', 'if (n > 0) {', '  n = n - 1;', '  show();', '}'),
      '    n = n - 1;\n',
      '',
    ],
    ['a wait that goes on', loop('while (down()) {', '  delay(5);', '}'), 'while', 'if'],
    ['an echo there and back', loop('n = pulseIn(7, HIGH) * 0.0343 / 2;'), ' / 2', ''],
    [
      'limits in each other’s places',
      loop('if (n < 20) {', '  near();', '} else if (n < 60) {', '  far();', '}'),
      'n < 20) {\n    near();\n  } else if (n < 60',
      'n < 60) {\n    near();\n  } else if (n < 20',
    ],
    ['printed under its name', loop('Serial.println(n);'), '(n)', '("n")'],
    [
      'a name that nothing is done with',
      'int trig = 12, echo = 11;\nvoid loop() {\n  digitalWrite(trig, LOW);\n  n = pulseIn(echo, HIGH);\n}\n',
      'pulseIn(echo',
      'pulseIn(trig',
    ],
    [
      'a case of another name',
      'enum State { OFF, WAITING, RINGING };\nState state = OFF;\nvoid loop() {\n  digitalWrite(8, state == RINGING);\n}\n',
      '== RINGING',
      '== WAITING',
    ],
    [
      'what a switch goes by',
      'int state = 0;\nbool hit = false;\nvoid loop() {\n  switch (state) {\n    case 1: show();\n  }\n}\n',
      'switch (state)',
      'switch (hit)',
    ],
    [
      'one pause of two',
      loop('show();', 'delay(250);', 'hide();', 'delay(250);'),
      '  hide();\n  delay(250);\n',
      '  hide();\n',
    ],
    [
      'a place that a function is told',
      'int pins[] = {5, 6};\nvoid answer(int which) {\n  digitalWrite(pins[which], HIGH);\n  show(pins[which]);\n}\n',
      'digitalWrite(pins[which]',
      'digitalWrite(pins[0]',
    ],
    [
      'an entry turned over',
      'int states[] = {0, 0};\nvoid answer(int which) {\n  states[which] = 1 - states[which];\n  digitalWrite(5, states[which]);\n}\n',
      '  states[which] = 1 - states[which];\n',
      '',
    ],
    [
      'two entries in each other’s places',
      'int pins[] = {5, 6, 7};\nvoid loop() {\n}\n',
      '{5, 6, 7}',
      '{6, 5, 7}',
    ],
    [
      'pins set up in a loop',
      'int pins[] = {5, 6};\nvoid setup() {\n  for (int i = 0; i < 2; i++) {\n    show();\n    pinMode(pins[i], OUTPUT);\n  }\n}\nvoid loop() {\n  digitalWrite(pins[0], HIGH);\n}\n',
      '    pinMode(pins[i], OUTPUT);\n',
      '',
    ],
    [
      'read once',
      loop('char c = Serial.read();', 'if (c == 5) {', '  show();', '}'),
      'if (c ==',
      'if (Serial.read() ==',
    ],
    ['a space between two pieces', loop('Serial.print("red");', 'Serial.println(" on");'), '" on"', '"on"'],
    ['a level, and no brightness', loop('digitalWrite(9, on);'), 'digitalWrite', 'analogWrite'],
    ['a level that is read', loop('if (!digitalRead(4)) {', '  n++;', '}'), 'digitalRead', 'analogRead'],
    ['counted to its end', loop('for (int i = 0; i < 3; i++) {', '  show(i);', '}'), 'i++', 'i--'],
    [
      'printed behind the beginning',
      'void setup() {\n  Serial.begin(9600);\n  Serial.println("ready");\n}\nvoid loop() {\n}\n',
      '  Serial.begin(9600);\n  Serial.println("ready");\n',
      '  Serial.println("ready");\n  Serial.begin(9600);\n',
    ],
    [
      'a value that is printed',
      'int n = 0;\nvoid setup() {\n  Serial.begin(9600);\n}\nvoid loop() {\n  n = n + 2;\n  Serial.println(n);\n}\n',
      '  Serial.println(n);\n',
      '',
    ],
    [
      'a pin that is given, switched',
      'void light(int pin) {\n  allOff();\n  digitalWrite(pin, HIGH);\n}\nvoid loop() {\n  light(5);\n}\n',
      '  digitalWrite(pin, HIGH);\n',
      '',
    ],
    ['a label left out', SWITCH, '    case ON:\n', ''],
    ['the first label left out', SWITCH, '    case OFF:\n', ''],
    [
      'a case behind its end',
      SWITCH,
      '      state = ON;\n      break;\n',
      '      break;\n      state = ON;\n',
    ],
    [
      'a case before its label',
      SWITCH,
      '    case OFF:\n      state = ON;\n',
      '      state = ON;\n    case OFF:\n',
    ],
    ['what each other case calls', PHASES, ' show(LOW, HIGH);\n', ''],
    ['what each other case asks', PHASES, ' if (passed >= 1000) next(2);\n', ''],
    ['what one case asks of an input', PHASES, ' if (digitalRead(2) == LOW) next(1);\n', ''],
    ['a moment that is taken nowhere', PHASES, '  began = millis();\n', ''],
    [
      'a loop that never runs',
      loop('while (true) {', '  show();', '}'),
      'true) {\n    show',
      'false) {\n    show',
    ],
    ['a moment that is added', PHASES, 'millis() - began', 'millis() + began'],
    ['an empty case', SWITCH, '      state = ON;\n', ''],
    [
      'a pin that nothing is written to',
      'void setup() {\n  pinMode(8, OUTPUT);\n  pinMode(9, OUTPUT);\n}\nvoid loop() {\n  digitalWrite(8, on);\n  digitalWrite(9, !on);\n}\n',
      'digitalWrite(9',
      'digitalWrite(8',
    ],
    [
      'the name of an entry, printed',
      'int states[2];\nString names[2] = {"a", "b"};\nvoid answer(int which) {\n  states[which]++;\n  Serial.print(names[which]);\n}\n',
      '  Serial.print(names[which]);\n',
      '',
    ],
    [
      'an entry written to its pin',
      'int pins[] = {5, 6};\nint states[] = {0, 0};\nvoid answer(int which) {\n  states[which] = 1 - states[which];\n  digitalWrite(pins[which], states[which]);\n}\nvoid loop() {\n  digitalWrite(pins[0], LOW);\n}\n',
      '  digitalWrite(pins[which], states[which]);\n',
      '',
    ],
  ])('in C++: %s', (_, right, was, by) => {
    const slipped = right.replace(was, by);
    expect(slipped).not.toBe(right);
    const plain = (text: string): string => text.replace(/\s+/g, ' ').trim();
    expect(made(slipped, 'cpp').map(plain)).toContain(plain(right));
  });

  test.each<Slip>([
    ['never counted', python('n += 1', 'if n >= 5:', '    n = 0'), '    n += 1\n', ''],
    ['never set back', python('n += 1', 'if n >= 5:', '    show()', '    n = 0'), '        n = 0\n', ''],
    ['toggled', python('if down():', '    on = not on'), 'not on', 'True'],
    [
      'a time that begins with its flag',
      python(
        'if down():',
        '    on = True',
        '    since = time.monotonic()',
        'if on and time.monotonic() - since > 2:',
        '    stop()',
      ),
      '        since = time.monotonic()\n',
      '',
    ],
    ['begun anew each round', python('n += 1'), 'while True:\n', 'while True:\n    n = 0\n'],
    [
      'a line that belongs into a block',
      python('if on:', '    n = 0', '    show()'),
      '        show()\n',
      '    show()\n',
    ],
    [
      'a line that belongs behind a block',
      python('if on:', '    n = 0', 'show()'),
      '\n    show()\n',
      '\n        show()\n',
    ],
    [
      'the value of a pin',
      `key = DigitalInOut(board.D4)\n${python('on = key.value', 'if on:', '    show()')}`,
      'key.value',
      'key',
    ],
    [
      'so many times',
      'def beep(times):\n    for i in range(times):\n        show()\n',
      'range(times)',
      'times',
    ],
    [
      'a parameter',
      'def beep(times):\n    for i in range(times):\n        show()\n',
      'range(times)',
      'range(1)',
    ],
    [
      'counted down by as much as is waited',
      python('n = n + 2', 'if n > 0:', '    n = n - 0.01', '    show()', 'time.sleep(0.01)'),
      '        n = n - 0.01\n',
      '',
    ],
    ['a loop that never runs', python('show()'), 'True:', 'False:'],
    [
      'switched off somewhere else',
      python(
        'if n > 0:',
        '    led.value = True',
        '    if n == 1:',
        '        led.value = False',
        '        show()',
      ),
      '            led.value = False\n',
      '',
    ],
  ])('in Python: %s', (_, right, was, by) => {
    const slipped = right.replace(was, by);
    expect(slipped).not.toBe(right);
    const plain = (text: string): string => text.replace(/\n\s*\n/g, '\n').trim();
    expect(made(slipped, 'python').map(plain)).toContain(plain(right));
  });

  test('both levels of an output are exchanged together, in either language', () => {
    const cpp = 'void loop() {\n  digitalWrite(9, LOW);\n  delay(5);\n  digitalWrite(9, HIGH);\n}\n';
    expect(made(cpp, 'cpp')).toContain(cpp.replace('LOW', '?').replace('HIGH', 'LOW').replace('?', 'HIGH'));
    const py = (first: string, second: string): string =>
      `while True:\n    led.value = ${first}\n    wait()\n    led.value = ${second}\n`;
    expect(made(py('False', 'True'), 'python')).toContain(py('True', 'False'));
  });

  test('numbers of one variable are exchanged', () => {
    const source = python('if on:', '    n = 80', 'else:', '    n = 20');
    expect(made(source, 'python')).toContain(python('if on:', '    n = 20', 'else:', '    n = 80'));
  });
});

describe('what only the exercise’s own program has', () => {
  test('a term, bound to what it belongs to', () => {
    expect(made('t = volts * 100;', 'cpp', 'c = (v - 0.5) * 100;')).toContain('t = (volts - 0.5) * 100;');
    expect(made('t = volts + 1;', 'cpp', 'c = v + 1 - 0.5;')).toContain('t = volts - 0.5 + 1;');
  });

  test('a second limit', () => {
    const own = 'void loop() {\n  if (warm > 30) {\n    on();\n  } else {\n    off();\n  }\n}\n';
    const asked = 'void loop() {\n  if (c > 30) {\n    a();\n  } else if (c < 26) {\n    b();\n  }\n}\n';
    expect(made(own, 'cpp', asked)).toContain(own.replace('else', 'else if (warm < 26)'));
    const py = 'while True:\n    if warm > 30:\n        on()\n    else:\n        off()\n';
    const pyAsked = 'while True:\n    if c > 30:\n        a()\n    elif c < 26:\n        b()\n';
    expect(made(py, 'python', pyAsked)).toContain(py.replace('else', 'elif warm < 26'));
  });

  test('a text that is nearly the same, and no other', () => {
    const asked = 'void loop() { lcd.print("Time "); lcd.print("ready"); }';
    const texts = made('void loop() { show.print("Time: "); }', 'cpp', asked);
    expect(texts).toContain('void loop() { show.print("Time "); }');
    expect(texts.join()).not.toContain('ready');
  });

  test('an else that has lost its if, in order again', () => {
    const right = loop('if (on) n = 0;', 'else if (other) n = 1;');
    const slipped = loop('else if (other) n = 1;', 'if (on) n = 0;');
    expect(
      misplacedAt(slipped, 'cpp', '').map(({ edits }) => edits.reduce(applyTextEdit, slipped)),
    ).toContain(right);
  });

  test('of a case with many numbers only so many are tried', () => {
    const many = `mix(${Array.from({ length: 16 }, (_, index) => index % 4).join(', ')});`;
    const source = `void loop() {\n  switch (n) {\n    case 0:\n      ${many}\n      break;\n    case 1:\n      ${many}\n      break;\n    case 2:\n      show();\n      break;\n  }\n}\n`;
    const tried = made(source, 'cpp').filter((text) => text.split('mix(').length > 3);
    expect(tried.length).toBeGreaterThan(3);
    expect(tried.length).toBeLessThan(200);
  });

  test('one of two cases for one value', () => {
    const right = SWITCH.replace('case ON', 'case 1').replace('case OFF', 'case 0');
    const slipped = right.replace('case 1', 'case 0');
    expect(
      misplacedAt(slipped, 'cpp', '').map(({ edits }) => edits.reduce(applyTextEdit, slipped)),
    ).toContain(right);
  });

  test('a text that nothing prints, in each place', () => {
    const own = loop('if (on) {', '  hide();', '}');
    const texts = made(own, 'cpp', 'void loop() {\n  Serial.println("all off");\n}\n');
    expect(texts).toContain(own.replace('hide();', 'hide(); Serial.println("all off");'));
  });

  test('a text beside the one of the other answer', () => {
    const own = loop('if (on) {', '} else {', '  Serial.println(" off");', '}');
    const asked = 'void loop() {\n  Serial.println(on ? "red on" : "red off");\n}\n';
    expect(made(own, 'cpp', asked)).toContain(own.replace('if (on) {', 'if (on) { Serial.println(" on");'));
  });

  const asked =
    'LiquidCrystal_I2C lcd(0x27, 16, 2);\nvoid setup() {\n  lcd.init();\n  lcd.backlight();\n}\nvoid loop() {\n  lcd.setCursor(0, 0);\n  lcd.print(n);\n}\n';
  test.each([
    ['  display.init();\n', /void setup\(\) \{ display\.init\(\);|backlight\(\); display\.init\(\);/],
    ['  display.backlight();\n', /init\(\); display\.backlight\(\);/],
    ['  display.setCursor(0, 0);\n', /display\.setCursor\(0, 0\); display\.print\(n\);/],
  ])('what a module is asked: %j', (line, expected) => {
    const own = asked.replaceAll('lcd', 'display').replace(line, '');
    expect(made(own, 'cpp', asked).some((text) => expected.test(text))).toBe(true);
  });
});

describe('what the exercise’s own program says', () => {
  const setup = (...lines: readonly string[]): string =>
    `void setup() {\n${lines.map((line) => `  ${line}\n`).join('')}}\n`;
  const plain = (text: string): string => text.replace(/\s+/g, ' ').trim();
  test.each([
    [
      'at which rate it sends',
      `${setup('Serial.begin(9600);')}${loop('Serial.println(n);')}`,
      'begin(9600)',
      'begin(115200)',
    ],
    [
      'what it prints as it begins',
      `${setup('Serial.begin(9600);', 'Serial.println("ready");')}${loop('n++;')}`,
      ' Serial.println("ready");',
      '',
    ],
    [
      'how often a function goes round',
      `void beep(int times) {\n  tone(8, times);\n}\n${loop('if (on) {', '  on = false;', '  beep(3);', '}')}`,
      '    beep(3);\n',
      '',
    ],
    [
      'how high a tone is',
      loop('if (on) {', '  n++;', '  tone(8, 440);', '} else {', '  noTone(8);', '}'),
      '    tone(8, 440);\n',
      '',
    ],
  ])('%s', (_, right, was, by) => {
    const slipped = right.replace(was, by);
    expect(slipped).not.toBe(right);
    expect(made(slipped, 'cpp', right).map(plain)).toContain(plain(right));
  });
});

describe('what cannot be meant is not tried', () => {
  const all = (source: string, language: Language): string => made(source, language, '').join('\n');
  test('no truth is waited for, and none is counted up', () => {
    const source = python('on = button.value', 'if on:', '    show()');
    expect(all(source, 'python')).not.toMatch(/sleep\(on\)|on \+= 1/);
  });

  test('no pin gets another number where its name is counted', () => {
    const source =
      'int led = 9;\nvoid setup() {\n  pinMode(led, OUTPUT);\n}\nvoid loop() {\n  digitalWrite(led, HIGH);\n}\n';
    expect(all(source, 'cpp')).not.toMatch(/led\+\+|led = -led|led = !led/);
  });

  test('no address and no rate is another', () => {
    const source = 'LiquidCrystal_I2C lcd(0x27, 16, 2);\nvoid setup() {\n  Serial.begin(9600);\n}\n';
    const changed = [
      ...spokenForAt(source, 'cpp', 'int a = 5;', NOTHING),
      ...guessesAt(source, 'cpp', 'int a = 5;', NOTHING),
    ];
    expect(changed.filter(({ text }) => /^(?:Write|Exchange).*(?:0x27|9600|\b16\b)/.test(text))).toEqual([]);
  });

  test('lines that set things up may stand in any order', () => {
    const source = 'void setup() {\n  pinMode(8, OUTPUT);\n  pinMode(9, OUTPUT);\n}\nvoid loop() {\n}\n';
    expect(guessesAt(source, 'cpp', '', NOTHING).filter(({ text }) => text.startsWith('Move'))).toEqual([]);
  });
});
