import { describe, expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { libraryConstants, libraryFunctions } from '../cpp/library';
import { libraryModules } from '../python/library';
import { completionsAt, wordAt, wordsOf } from '.';

const board = shippedBoards.get('learner-5v')!;
const python = shippedBoards.get('python-3v3')!;

/** A source with `|` where the caret stands. */
function at(marked: string): readonly [source: string, place: number] {
  return [marked.replace('|', ''), marked.indexOf('|')];
}
const offered = (marked: string) =>
  completionsAt(...at(marked), board, 'cpp')?.words.map(({ name }) => name) ?? [];
const offeredInPython = (marked: string) =>
  completionsAt(...at(marked), python, 'python')?.words.map(({ name }) => name) ?? [];

describe('words of a language', () => {
  test.each([...shippedBoards.values()].filter((one) => one.language.default === 'cpp'))(
    'are all known of $id: its library, its constants, its pins',
    (one) => {
      const known = new Set(wordsOf(one, 'cpp').map(({ name }) => name));
      const wanted = [...libraryFunctions(one.language).keys(), ...libraryConstants(one).keys()].filter(
        // Of registers a data sheet tells.
        (name) => !/\.new$|^PCI/.test(name),
      );
      expect(wanted.filter((name) => !known.has(name))).toEqual([]);
    },
  );

  test('are the modules of the Python board, with what a first term uses of them', () => {
    const known = new Set(wordsOf(python, 'python').map(({ name }) => name));
    for (const [name, { members }] of libraryModules(python)) {
      expect(known).toContain(name);
      for (const word of known)
        if (word.startsWith(`${name}.`)) expect([...members.keys()]).toContain(word.slice(name.length + 1));
    }
  });

  test.each([
    ['cpp', board],
    ['python', python],
  ] as const)('of %s are each said once, in one short sentence', (language, one) => {
    const words = wordsOf(one, language);
    expect(new Set(words.map(({ name }) => name)).size).toBe(words.length);
    for (const { name, says } of words) {
      expect(says, name).toMatch(/^[A-Z].*\.$/);
      expect(says.split(' ').length, `${name}: ${says}`).toBeLessThan(20);
      expect(says, name).not.toMatch(/ {2}|\. [A-Z]/);
    }
  });
});

describe('what may come next', () => {
  test('begins as what is typed does, whatever its capitals', () => {
    expect(offered('void setup() { pinm|')).toEqual(['pinMode']);
    expect(offered('void setup() { digital|')).toEqual([
      'digitalWrite',
      'digitalRead',
      'digitalPinToInterrupt',
    ]);
    expect(offered('void setup() { d|')).toEqual([]);
  });

  test('are names of the program too, before those of the language', () => {
    expect(offered('const int LAMP = 13;\nvoid loop() { digitalWrite(LA|')).toEqual(['LAMP']);
    expect(offered('int serialCount = 0;\nvoid loop() { ser|')[0]).toBe('serialCount');
    // What is being typed, or stands in a text, is no name.
    expect(offered('void loop() { Serial.println("lantern"); lan|')).toEqual([]);
  });

  test('behind a dot is what the thing has', () => {
    expect(offered('void loop() { Serial.pri|')).toEqual(['print', 'println']);
    expect(offered('Servo horn;\nvoid loop() { horn.wr|')).toEqual(['write', 'writeMicroseconds']);
    expect(offered('void loop() { Serial.|').length).toBeGreaterThan(8);
    expect(offeredInPython('import time\ntime.sl|')).toEqual(['sleep']);
    expect(offeredInPython('lamp.dir|')).toEqual(['direction']);
    expect(offeredInPython('board.D1|')).toContain('D13');
  });

  test('is not asked in a text or in a remark', () => {
    expect(offered('void loop() { Serial.print("digi|')).toEqual([]);
    expect(offered('void loop() { // digi|')).toEqual([]);
    expect(offeredInPython('# impo|')).toEqual([]);
    expect(offered('void loop() { Serial.print("a"); digitalW|')).toEqual(['digitalWrite']);
  });
});

describe('a word', () => {
  test.each([
    ['void loop() { digital|Write(13, HIGH); }', 'digitalWrite(pin, level)'],
    ['void loop() { Serial.pr|int(1); }', 'print(value)'],
    ['Servo horn;\nvoid loop() { horn.wri|te(90); }', 'write(degrees)'],
    ['#def|ine LAMP 13', '#define NAME text'],
  ])('in %j is looked up', (marked, form) => {
    expect(wordAt(...at(marked), board, 'cpp')?.word.form).toBe(form);
  });

  test('of the program’s own is none of the language', () => {
    expect(wordAt(...at('int la|mp = 1;'), board, 'cpp')).toBeUndefined();
    expect(wordAt(...at('x = 1 | + 2'), board, 'cpp')).toBeUndefined();
  });
});
