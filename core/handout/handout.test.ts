import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { readExercise, type Exercise } from '../formats/exercise';
import { beacon, grammars } from '../testing/beacon';
import { cardOf, cardsToPrint } from '../course/concepts';
import { kitPapers } from './kit-papers';
import { classNeeds, needsOf } from '../kit';
import { supplyFor } from '../kit/stock';
import { courseExercises } from '../testing/course';
import type { Block, Handout, HandoutForm } from './document';
import { makeHandout, type HandoutWish } from './index';
import { markdownOf } from './markdown';

const make = (
  exercise: Exercise,
  form: HandoutForm,
  rules = DEFAULT_HOUSE_RULES,
  more: Partial<HandoutWish> = {},
): Handout =>
  makeHandout(
    exercise,
    {
      ...more,
      form,
      rules,
      place: 'The working harbour, exercise 1',
      address: 'http://room.example/bench/1',
    },
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
      'Ready? Go on',
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
    for (const { content } of pictures) expect(content).toMatch(/^<svg [\s\S]+<\/svg>\n$/);
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

const named = (id: string): Exercise =>
  courseExercises.find(({ name, exercise }) => name === id && exercise.data.id === id)!.exercise;

describe('what is printed beside the steps', () => {
  test('goes on with the build of the exercise before, and says what goes back into the box', () => {
    const [night, sluice] = ['night-bell', 'two-button-sluice'].map(named) as [Exercise, Exercise];
    const section = make(sluice, 'student', DEFAULT_HOUSE_RULES, { before: night }).sections.find(
      ({ title }) => title.startsWith('If Night bell'),
    )!;
    const words = section.blocks.flatMap(wordsOf).join(' ');
    expect(words).toMatch(/These stay: .*S1/);
    expect(words).toMatch(/Back into the box: .*buzzer/);
    const boardless = make(named('hand-lamp'), 'student', DEFAULT_HOUSE_RULES, { before: night });
    expect(titles(boardless).some((title) => title.startsWith('If '))).toBe(false);
  });

  test('has cards for concepts that are new, once in a course, in the words of the course', () => {
    const all = courseExercises.filter(({ name, exercise }) => name === exercise.data.id);
    const printed = cardsToPrint(all.map(({ exercise }) => exercise.data));
    expect(new Set(printed.flat()).size).toBe(printed.flat().length);
    const own = { pause: { word: '', means: '', like: 'Holding your breath.' } };
    const cards = ['pause', 'made-up-idea'].map((concept) => cardOf(concept, own));
    const section = make(beacon, 'student', DEFAULT_HOUSE_RULES, { cards }).sections.at(-1)!;
    const words = section.blocks.flatMap(wordsOf);
    expect(words).toContain('Like: Holding your breath.');
    expect(words).toContain('Made up idea');
    expect(titles(make(beacon, 'instructor', DEFAULT_HOUSE_RULES, { cards }))).not.toContain(
      'Cards to cut out',
    );
  });

  test('walks over the board and sorts bands where it is asked for, with answers for who teaches only', () => {
    const extras = ['tour', 'bands'] as const;
    const [learner, teacher] = (['student', 'instructor'] as const).map((form) =>
      allWords(make(named('night-bell'), form, DEFAULT_HOUSE_RULES, { extras })).join('\n'),
    );
    expect(learner).toContain('What does that tell you?');
    expect(learner).not.toContain('Unplug at once');
    expect(teacher).toContain('unplug at once');
    expect(teacher).toContain('2.2 kΩ');
    expect(learner).not.toContain('2.2 kΩ');
  });

  test('puts many parts together with their fasteners, values of the bench, and what each key does', () => {
    const handout = make(named('signal-mast'), 'student', DEFAULT_HOUSE_RULES, {
      calibrated: new Map([['level 3', 92]]),
    });
    const words = allWords(handout).join('\n');
    expect(words).toContain('Fasteners: 8 × M2 × 8 screw and 4 × servo horn screw.');
    expect(words).toMatch(/Centre M1, .* before anything is screwed on/);
    const table = (title: string) =>
      handout.sections
        .find((section) => section.title === title)!
        .blocks.flatMap((block) => (block.type === 'table' ? block.rows : []));
    expect(table('Calibration of this bench')).toContainEqual(['level 3, M3', '75 to 105 °', '92 °']);
    const keys = table('Key and action');
    expect(keys.map(([key]) => key)).toEqual(['p', 's', 'x']);
    expect(keys[0]![1]).toMatch(/M1/);
  });

  test('has a ladder of challenges, or the author’s own', () => {
    const challenges = (exercise: Exercise) =>
      make(exercise, 'student')
        .sections.filter(({ title }) => title === 'Ready? Go on')
        .flatMap((section) => section.blocks.flatMap(wordsOf));
    expect(challenges(beacon)[0]).toBe('Let D1 be lit for 2.5 s and dark for 0.5 s.');
    const own = { ...beacon, data: { ...beacon.data, text: { challenges: 'Blink your name.\n\n' } } };
    expect(challenges(own)).toEqual(['Blink your name.']);
  });

  test('says times and the report of the reference to who teaches', () => {
    expect(titles(make(beacon, 'instructor'))).toEqual(
      expect.arrayContaining(['Times', 'The reference, checked']),
    );
    expect(titles(make(beacon, 'student'))).not.toContain('Times');
  });

  test('goes on a wall without what is for paper', () => {
    const wall = titles(make(beacon, 'projector'));
    expect(wall).toContain('Build it');
    expect(wall).not.toContain('What I wired');
  });

  test('says everything in the words of the course but programs', () => {
    const plain = make(named('night-bell'), 'instructor', { ...DEFAULT_HOUSE_RULES, words: 'plain' });
    const program = blocks(plain).flatMap((block) => (block.type === 'program' ? block.lines : []));
    expect(program.map(({ text }) => text).join('\n')).toBe(named('night-bell').data.program.trimEnd());
    const rest = blocks(plain)
      .filter(({ type }) => type !== 'program')
      .flatMap(wordsOf);
    expect(rest.filter((text) => /\bLEDs?\b/.test(text) && !/[“(]/.test(text))).toEqual([]);
  });
});

test('kit papers have a label for every bench, whatever the class and however long a name', () => {
  const needs = classNeeds(needsOf(beacon), 2);
  const meeting = { meetingId: 'm', from: new Date(0), to: new Date(1), needs };
  const supplies = supplyFor(meeting, [meeting], []);
  for (const names of [[], ['Adda'], ['A'.repeat(300), 'Bo', 'Cy']]) {
    const papers = kitPapers(supplies, { title: 'Beacon', subtitle: '', names, perBench: 1 });
    const cards = blocks(papers).flatMap((block) => (block.type === 'cards' ? block.cards : []));
    expect(cards).toHaveLength(names.length);
  }
});
