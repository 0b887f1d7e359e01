import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../../boards';
import type { FindingCode } from '../../../findings/finding';
import { grammars } from '../../../testing/beacon';
import { compileProgram } from '../../index';
import { applyTextEdit } from '../../problem';

const HEAD = `import time
import board
import digitalio
import analogio

lamp = digitalio.DigitalInOut(board.D13)
lamp.switch_to_output()
button = digitalio.DigitalInOut(board.D2)
button.pull = digitalio.Pull.UP
knob = analogio.AnalogIn(board.A0)
count = 0
last = True
`;
/** Lines of the program's beginning, behind which a body starts. */
const BEHIND = HEAD.split('\n').length - 1;
const found = (body: string, head = HEAD): readonly string[] =>
  compileProgram(head + body, shippedBoards.get('python-3v3')!, grammars).problems.map(
    ({ code, line }) => `${code} ${line - BEHIND}`,
  );
const forEver = (...lines: readonly string[]): string =>
  ['while True:', ...lines.map((line) => `    ${line}`)].join('\n');

describe('what is likely not meant so in Python', () => {
  test.each<readonly [FindingCode, number, string]>([
    ['state-reset', 2, forEver('count = 0', 'if not button.value:', '    count += 1', 'print(count)')],
    ['state-reset', 2, forEver('lit = False', 'lit = not lit', 'lamp.value = lit')],
    ['state-reset', 3, forEver('time.sleep(0.1)', 'count = 0', 'count = count + 1', 'print(count)')],
    ['repeats-while-held', 2, forEver('if not button.value:', '    count += 1', 'print(count)')],
    ['repeats-while-held', 2, forEver('if button.value == False:', '    lamp.value = not lamp.value')],
    ['repeats-while-held', 3, forEver('now = button.value', 'if not now:', '    count += 1')],
    ['repeats-while-held', 3, forEver('now = button.value', 'if not now and last:', '    count += 1')],
    ['repeats-while-held', 3, forEver('now = button.value', 'if now != last:', '    count += 1')],
    [
      'repeats-while-held',
      3,
      forEver('pressed = not button.value', 'if pressed:', '    count += 1', '    time.sleep(0.02)'),
    ],
    ['repeats-while-held', 2, forEver('if not button.value and count < 9:', '    count += 1')],
    ['repeats-while-held', 2, forEver('if 0 < count and not button.value:', '    count -= 1')],
    [
      'double-count',
      3,
      forEver(
        'now = button.value',
        'if now != last:',
        '    count += 1',
        '    last = now',
        '    time.sleep(0.02)',
      ),
    ],
    ['out-of-range', 2, forEver('if knob.value > 70000:', '    lamp.value = True')],
    ['out-of-range', 3, forEver('dark = knob.value', 'lamp.value = dark < -1')],
    ['out-of-range', 2, forEver('wait = knob.value / 1023', 'time.sleep(wait)')],
    ['out-of-range', 3, forEver('dark = knob.value', 'wait = 10 * dark // 4095', 'time.sleep(wait)')],
    ['integer-division', 2, forEver('count = knob.value * (1 // 4)', 'time.sleep(0.1)')],
  ])('%s in line %i: %j', (code, line, body) => {
    expect(found(body)).toContain(`${code} ${line}`);
  });

  test.each([
    ['count += 1'],
    ['count -= 1'],
    ['count = count + 1'],
    ['count = (count + 1) % 4'],
    ['count = 1 - count'],
    ['count ^= 1'],
    ['last = not last'],
    ['last = last == False'],
    ['last = False if last else True'],
    ['lamp.value = not lamp.value'],
    ['if last:', '    last = False', 'else:', '    last = True'],
    ['step()'],
  ])('a held button that repeats: %s', (...step) => {
    const head = `${HEAD}def step():\n    global count\n    count += 1\n`;
    const turn = ['if not button.value:', ...step.map((line) => `    ${line}`), 'time.sleep(0.02)'];
    expect(found(forEver(...turn), head)).toContain('repeats-while-held 5');
    const looks = `${HEAD}def look():\n    global count, last\n${turn.map((line) => `    ${line}\n`).join('')}`;
    if (!step.includes('step()'))
      expect(found(forEver('look()'), looks).join()).toContain('repeats-while-held');
    expect(found(forEver(...turn.slice(0, -1), 'time.sleep(0.3)'), head).join()).not.toContain('repeats');
  });

  test.each<readonly [string, string]>([
    ['a counter of an inner loop', forEver('n = 0', 'while n < 3:', '    n += 1', '    print(n)')],
    [
      'how many of two buttons are down',
      forEver(
        'down = 0',
        'if not button.value:',
        '    down += 1',
        'if knob.value > 9:',
        '    down += 1',
        'print(down)',
      ),
    ],
    ['a name set back behind its step', forEver('count += 1', 'print(count)', 'count = 0')],
    [
      'a press at its edge',
      forEver(
        'now = button.value',
        'if last and not now:',
        '    count += 1',
        'last = now',
        'time.sleep(0.02)',
      ),
    ],
    [
      'an edge that is looked at again',
      forEver(
        'now = button.value',
        'if now != last:',
        '    last = now',
        '    if not now:',
        '        count += 1',
      ),
    ],
    [
      'a press that waits for its end',
      forEver('if not button.value:', '    count += 1', '    while not button.value:', '        pass'),
    ],
    ['a long pause after a press', forEver('if not button.value:', '    count += 1', '    time.sleep(0.5)')],
    ['a level that is followed', forEver('lamp.value = not button.value')],
    ['up to the largest', forEver('lamp.value = knob.value < 65536')],
    [
      'a name that is more than what was measured',
      forEver('n = knob.value', 'n = n * 2', 'lamp.value = n > 70000'),
    ],
    ['a division that leaves something', forEver('print(7 // 2)', 'time.sleep(1)')],
  ])('is not told of %s', (_, body) => {
    expect(found(body)).toEqual([]);
  });

  test.each<readonly [FindingCode, number, string, string | undefined]>([
    ['no-effect', 2, forEver('button.value', 'print(last)'), undefined],
    [
      'no-effect',
      4,
      ['def blink():', '    lamp.value = True', 'while True:', '    blink'].join('\n'),
      ['def blink():', '    lamp.value = True', 'while True:', '    blink()'].join('\n'),
    ],
    ['arguments', 2, forEver('time.sleep[0.5]'), forEver('time.sleep(0.5)')],
    ['arguments', 2, forEver('time.sleep(0,5)'), forEver('time.sleep(0.5)')],
    ['arguments', 2, forEver('lamp.value(True)'), forEver('lamp.value = True')],
    [
      'arguments',
      2,
      forEver('if button.value():', '    print(count)'),
      forEver('if button.value:', '    print(count)'),
    ],
    [
      'always-true',
      5,
      forEver('n = knob.value', 'if n > 10:', '    print(1)', 'elif n > 100:', '    print(2)'),
      undefined,
    ],
    [
      'state-reset',
      2,
      ['def step():', '    count = count + 1', 'while True:', '    step()', '    print(count)'].join('\n'),
      [
        'def step():',
        '    global count',
        '    count = count + 1',
        'while True:',
        '    step()',
        '    print(count)',
      ].join('\n'),
    ],
    [
      'no-effect',
      2,
      ['def reset():', '    count = 0', 'while True:', '    reset()', '    print(count)'].join('\n'),
      [
        'def reset():',
        '    global count',
        '    count = 0',
        'while True:',
        '    reset()',
        '    print(count)',
      ].join('\n'),
    ],
  ])('%s in line %i is mended by its repair', (code, line, body, mended) => {
    const [first] = compileProgram(HEAD + body, shippedBoards.get('python-3v3')!, grammars).problems;
    expect(first && [first.code, first.line - BEHIND]).toEqual([code, line]);
    if (mended === undefined) return;
    const edits = first!.repair!.edits.flatMap((edit) => ('replace' in edit ? [edit.replace] : []));
    expect(edits.reduce(applyTextEdit, HEAD + body)).toBe(HEAD + mended);
    expect(found(mended)).toEqual([]);
  });

  test.each([
    [
      'limits that go down',
      forEver('n = knob.value', 'if n > 100:', '    print(1)', 'elif n > 10:', '    print(2)'),
    ],
    [
      'a name that only a function has',
      'def blink(times):\n    for i in range(times):\n        lamp.value = True\nfor i in range(3):\n    blink(i)',
    ],
    [
      'a name of its own that a function looks at',
      'def wait():\n    count = 3\n    time.sleep(count)\nwhile True:\n    wait()\n    print(count)',
    ],
    [
      'a function that says “global”',
      'def step():\n    global count\n    count += 1\nwhile True:\n    step()\n    print(count)',
    ],
  ])('and of %s nothing is told', (_, body) => {
    expect(found(body)).toEqual([]);
  });

  test('is looked for in functions too, and with classes imported by name', () => {
    const head = HEAD.replace('import digitalio', 'from digitalio import DigitalInOut, Pull').replace(
      /digitalio\./g,
      '',
    );
    const body = [
      'def main():',
      '    presses = 0',
      '    while True:',
      '        if not button.value:',
      '            presses += 1',
      'main()',
    ].join('\n');
    expect(found(body, head)).toEqual(['repeats-while-held 4']);
  });
});

describe('a text that is compared with what is none', () => {
  test.each([
    ['button.value == "0"', 'False'],
    ['button.value == "True"', 'True'],
    ['"1" == button.value', 'True'],
    ['count == "3"', '3'],
    ["count != '0'", '0'],
    ['int(knob.value / 100) == "12"', '12'],
    ['knob.value == "loud"', undefined],
    ['button.value == "pressed"', undefined],
    ['(not button.value) == "yes"', undefined],
  ])('is told, with what is meant where that shows: %s', (question, meant) => {
    const source = HEAD + forEver(`if ${question}:`, '    lamp.value = True', 'count += 1');
    const { problems } = compileProgram(source, shippedBoards.get('python-3v3')!, grammars);
    const told = problems.find(({ code }) => code === 'always-true');
    expect(told?.message).toContain('text because of its quotes');
    const [edit] = told?.repair?.edits ?? [];
    if (meant === undefined) expect(edit).toBeUndefined();
    else
      expect(edit && 'replace' in edit && applyTextEdit(source, edit.replace).split('\n')[BEHIND + 1]).toBe(
        `    if ${question.replace(/(["']).*?\1/, meant)}:`,
      );
  });

  test.each([
    ['word = input()', 'word == "3"'],
    ['word = "a"', 'word == "3"'],
    ['word = 0\nword = input()', 'word == "3"'],
    ['word = 0\nfor word in ["a", "b"]:\n    pass', 'word == "a"'],
    ['word = 0\nif (word := input()) == "a":\n    pass', 'word == "b"'],
    ['first, word = 1, "a"', 'word == "a"'],
    ['word = str(count)', 'word == "0"'],
    ['word = "12"[0]', 'word == "1"'],
    ['word = "a"\nword += "b"', 'word == "ab"'],
  ])('is not told of what may be one: %s, %s', (given, question) => {
    const source = `${HEAD}${given}\n${forEver(`if ${question}:`, '    lamp.value = True')}`;
    const { problems } = compileProgram(source, shippedBoards.get('python-3v3')!, grammars);
    expect(problems.filter(({ code }) => code === 'always-true')).toEqual([]);
  });
});

describe('a pin whose name is given to what it is to give', () => {
  const mended = (line: string): string | undefined => {
    const source = HEAD + forEver(line);
    const [first] = compileProgram(source, shippedBoards.get('python-3v3')!, grammars).problems.filter(
      ({ code }) => code === 'no-effect',
    );
    const edit = first?.repair?.edits[0];
    return edit && 'replace' in edit
      ? applyTextEdit(source, edit.replace).split('\n').at(-1)!.trim()
      : undefined;
  };
  test.each([
    ['lamp = True', 'lamp.value = True'],
    ['lamp = 0', 'lamp.value = False'],
    ['lamp = 1', 'lamp.value = True'],
    ['lamp = not lamp', 'lamp.value = not lamp.value'],
    ['lamp = not button.value', 'lamp.value = not button.value'],
    ['lamp = knob.value > 3000', 'lamp.value = knob.value > 3000'],
  ])('%s', (line, expected) => {
    expect(mended(line)).toBe(expected);
  });

  test.each(['count = 1', 'lamp = digitalio.DigitalInOut(board.D12)', 'lamp = other', 'last = not last'])(
    'and no other: %s',
    (line) => {
      expect(mended(line)).toBeUndefined();
    },
  );
});
