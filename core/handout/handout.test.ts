import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { readExercise, type Exercise } from '../formats/exercise';
import { beacon, grammars } from '../testing/beacon';
import type { Block, Handout } from './document';
import { makeHandout } from './index';
import { markdownOf } from './markdown';

const make = (exercise: Exercise, form: 'student' | 'instructor', rules = DEFAULT_HOUSE_RULES): Handout =>
  makeHandout(
    exercise,
    { form, rules, place: 'The working harbour, exercise 1', address: 'http://room.example/bench/1' },
    grammars,
  );
const titles = ({ sections }: Handout): readonly string[] => sections.map(({ title }) => title);
const blocks = ({ sections }: Handout): readonly Block[] => sections.flatMap((section) => section.blocks);

/** All words of a block. */
function wordsOf(block: Block): readonly string[] {
  switch (block.type) {
    case 'text':
    case 'caution':
      return [block.text];
    case 'list':
      return block.items;
    case 'table':
      return [...block.head, ...block.rows.flat()];
    case 'figure':
      return [block.caption ?? ''];
    case 'pair':
      return block.pair.map(({ caption }) => caption);
    case 'part':
      return [block.title, ...block.lines];
    case 'step':
      return [block.text, block.checkpoint, ...block.cautions];
    case 'program':
      return block.lines.flatMap(({ text, says = '' }) => [text, says]);
    case 'cards':
      return block.cards.flatMap(({ title, lines }) => [title, ...lines]);
    case 'photo':
      return [block.caption];
    case 'lines':
      return [];
    case 'address':
      return [block.says];
  }
}
const allWords = (handout: Handout): readonly string[] => blocks(handout).flatMap(wordsOf);

describe('the handout of the beacon', () => {
  const student = make(beacon, 'student');
  const instructor = make(beacon, 'instructor');

  test('goes through the work in its order', () => {
    expect(titles(student)).toEqual([
      'What we build',
      'In the bag',
      'Connections',
      'Build it',
      'Look twice',
      'Onto the board',
      'A program to begin with',
      'What must be seen',
      'Say it first, then try',
      'The way of the current',
      'Not like this',
      'What I wired',
    ]);
    expect(titles(instructor)).toContain('Usual troubles, and what to ask');
  });

  test('has a step for each part and wire, with only that in colour', () => {
    const steps = blocks(student).filter((block) => block.type === 'step');
    expect(steps.map(({ figure }) => figure.emphasis)).toEqual([['W2'], ['R1'], ['D1'], ['W1']]);
    expect(steps.map(({ number }) => number)).toEqual([1, 2, 3, 4]);
  });

  test('shows the commonest slip beside what is right, from the same place', () => {
    const pair = blocks(student).find((block) => block.type === 'pair')!;
    const [right, wrong] = pair.pair;
    expect(wrong.figure.drawing.window).toEqual(right.figure.drawing.window);
    expect(wrong.caption).toMatch(/^Not like this: the /);
    expect(wrong.figure.drawing.layers).not.toEqual(right.figure.drawing.layers);
  });

  test('keeps the solution from learners: neither the program nor an answer is in it', () => {
    const told = allWords(student).join('\n');
    expect(told).not.toContain('delay(2500)');
    expect(told).not.toContain(beacon.data.text['authorNote']);
    const answers = blocks(instructor).flatMap((block, index, all) => {
      const before = all[index - 1];
      return block.type === 'list' && before?.type === 'text' && /What will be seen/.test(before.text)
        ? block.items
        : [];
    });
    expect(answers.length).toBeGreaterThan(0);
    for (const answer of answers) expect(told).not.toContain(answer);
    expect(allWords(instructor).join('\n')).toContain('delay(2500)');
  });

  test('follows the house rules of its course', () => {
    const gaps = make(beacon, 'student', { ...DEFAULT_HOUSE_RULES, programGiven: 'gaps' });
    expect(titles(gaps)).toContain('Program with gaps');
    const none = make(beacon, 'student', { ...DEFAULT_HOUSE_RULES, programGiven: 'nothing' });
    expect(titles(none)).toContain('Your program');
    const order = (handout: Handout) =>
      blocks(handout).flatMap((block) => (block.type === 'step' ? block.figure.emphasis : []));
    const first = make(beacon, 'student', { ...DEFAULT_HOUSE_RULES, wiringOrder: 'supply-first' });
    expect([...order(first)].sort()).toEqual([...order(student)].sort());
  });

  test('has whatever has a way round looked at, and nothing else', () => {
    const looked = (file: string): string => {
      const read = readExercise(readFileSync(`demo/course/${file}.json`, 'utf8'));
      if (!read.ok) throw new Error(file);
      return (
        allWords(make(read.value, 'student')).find((text) => text.startsWith('The right way round')) ?? ''
      );
    };
    expect(looked('01-beacon')).toBe('The right way round: D1.');
    expect(looked('03-night-bell')).toBe('The right way round: Z1 and D1.');
    expect(looked('08-signal-lantern')).toMatch(/: D1\.$/);
  });

  test('leads the current home', () => {
    const way = student.sections.find(({ title }) => title === 'The way of the current')!;
    expect(way.blocks.flatMap(wordsOf)).toEqual([
      'From pin 13 through the yellow wire W1, then the amber LED D1, then the 330 Ω resistor R1, then the black wire W2, and home to GND.',
    ]);
  });
});

describe('the handouts of the course', () => {
  const course = readdirSync('demo/course')
    .filter((file) => file.endsWith('.json'))
    // Those whose faults take longest to be judged are printed by the endurance of the booklet.
    .filter((file) => !/^(07|10|11)/.test(file))
    .map((file) => {
      const read = readExercise(readFileSync(`demo/course/${file}`, 'utf8'));
      if (!read.ok) throw new Error(file);
      return [file, read.value] as const;
    });

  test.each(course)('%s says nothing that is no sentence, and names every part', (_, exercise) => {
    for (const form of ['student', 'instructor'] as const) {
      const handout = make(exercise, form);
      const words = allWords(handout);
      for (const text of words) expect(text).not.toMatch(/undefined|NaN|\[object/);
      // A program is as it was written.
      const sentences = blocks(handout).flatMap((block) => (block.type === 'program' ? [] : wordsOf(block)));
      for (const text of sentences) expect(text).not.toMatch(/\S {2,}\S/);
      expect(handout.sections.every(({ blocks: own }) => own.length > 0)).toBe(true);
      const all = words.join('\n');
      for (const { ref } of exercise.reference.parts) expect(all).toContain(ref);
    }
  });
});

describe('a handout as Markdown', () => {
  const { text, pictures } = markdownOf(make(beacon, 'student'));

  test('names each of its pictures once, and has them all', () => {
    const named = [...text.matchAll(/\]\(pictures\/([^)]+)\)/g)].map(([, name]) => name);
    expect(named).toEqual(pictures.map(({ name }) => name));
    for (const { svg } of pictures) expect(svg).toMatch(/^<svg [\s\S]+<\/svg>\n$/);
  });

  test('takes no sign of a text for its own', () => {
    const odd = markdownOf({
      title: 'A *star* # and `tick`',
      subtitle: '',
      form: 'student',
      sections: [
        {
          title: 'x | y',
          blocks: [
            { type: 'text', text: '- not a list' },
            { type: 'table', head: ['a'], rows: [['1 | 2']] },
            { type: 'program', lines: [{ text: '```' }] },
          ],
        },
      ],
    }).text;
    expect(odd).toContain('# A \\*star\\* \\# and \\`tick\\`');
    expect(odd).toContain('\\- not a list');
    expect(odd).toContain('| 1 \\| 2 |');
    expect(odd).toMatch(/````\n```\n````/);
  });
});
