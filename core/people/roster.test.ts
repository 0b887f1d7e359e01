import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { nameKey } from './person-name';
import { MOST_LEARNERS, readRoster } from './roster';

const read = (text: string, known: readonly string[] = []) => {
  const roster = readRoster(text, known);
  if (!roster.ok) throw new Error(roster.problems.map(({ message }) => message).join('; '));
  return roster.value;
};

describe('a list of learners', () => {
  test.each([
    ['a name on each line', 'Anna\nBo Kai\n\nCleo', ['Anna', 'Bo Kai', 'Cleo']],
    ['numbered', '1. Anna\n2) Bo\n- Cleo\n• Dora', ['Anna', 'Bo', 'Cleo', 'Dora']],
    ['with commas between', 'Anna, Bo, Cleo', ['Anna', 'Bo', 'Cleo']],
    ['family name first', 'Kai, Bo\nAal, Anna', ['Bo Kai', 'Anna Aal']],
    [
      'with headings in any order',
      'Group;Last name;First name\n3;Kai;Bo\n3;Aal;Anna',
      ['Bo Kai', 'Anna Aal'],
    ],
    [
      'with one column of names among others',
      'No,Student,Mail\n1,Anna,a@b.example\n2,Bo,b@b.example',
      ['Anna', 'Bo'],
    ],
    [
      'without headings, with numbers and addresses',
      '1\tAnna Aal\ta@b.example\n2\tBo Kai\tb@b.example',
      ['Anna Aal', 'Bo Kai'],
    ],
    [
      'from a spreadsheet of the other kind',
      '\uFEFFName\r\n"Kai, Bo"\r\n"O’Dea, Ann"\r\n',
      ['Kai, Bo', 'O’Dea, Ann'],
    ],
    ['with wide spaces and unseen signs', '  Anna\u00a0 Aal\u202e\nBo\u200b', ['Anna Aal', 'Bo']],
  ])('%s', (_, text, names) => {
    expect(read(text).names).toEqual(names);
  });

  test('says what it left out and what it took for what', () => {
    expect(read('Name,E-mail,Phone\nAnna,a,1').notes).toEqual([
      'Only names are kept; left out: E-mail and Phone.',
    ]);
    expect(read('Kai, Bo').notes[0]).toContain('“Kai” is taken for the family name');
  });

  test('tells two of the same name apart, and leaves who is there', () => {
    expect(read('Anna\nanna\nAnna')).toMatchObject({ names: ['Anna', 'anna (2)', 'Anna (3)'] });
    expect(read('Anna\nBo', ['Anna'])).toEqual({
      names: ['Bo'],
      notes: ['In the class already, and left as they are: Anna.'],
    });
  });

  test('that is read a second time adds nobody', () => {
    const text = 'Anna\nAnna\nBo\nAnna';
    const { names } = read(text);
    expect(read(text, names).names).toEqual([]);
  });

  test.each([
    ['nothing', '\n  \n', 'no names'],
    ['a line without a letter', 'Anna\n???', 'no letter'],
    ['a name of 300 characters', `Anna\n${'x'.repeat(300)}`, '300 characters'],
    ['a cell that does not end', 'name,x\n"Anna,1', 'does not end'],
    [
      'more than a class has',
      Array.from({ length: 201 }, (_, n) => `L ${n}`).join('\n'),
      `at most ${MOST_LEARNERS}`,
    ],
  ])('with %s is refused', (_, text, message) => {
    const roster = readRoster(text);
    expect(roster.ok).toBe(false);
    expect(!roster.ok && roster.problems[0]!.message).toContain(message);
  });

  test('with a bad line says which', () => {
    const roster = readRoster('Anna\n???\nBo');
    expect(!roster.ok && roster.problems).toMatchObject([{ line: 2, typed: '???' }]);
  });

  test('never gives two learners one name, whatever is in it', () => {
    const name = fc.oneof(
      fc.constantFrom('Anna', 'ANNA', 'Anna (2)', 'Bo', 'Bo,Kai', '1. Bo', '\u202eAnna'),
      fc.string(),
    );
    fc.assert(
      fc.property(
        fc.array(name, { maxLength: 12 }),
        fc.array(fc.constantFrom('Anna', 'Bo', 'Anna (2)')),
        (lines, before) => {
          const known = [...new Set(before)];
          const roster = readRoster(lines.join('\n'), known);
          if (!roster.ok) return;
          const keys = [...known, ...roster.value.names].map(nameKey);
          expect(new Set(keys).size).toBe(keys.length);
        },
      ),
    );
  });
});
