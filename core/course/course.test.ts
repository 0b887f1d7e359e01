import { describe, expect, test } from 'vitest';
import { courseExercises } from '../testing/course';
import {
  DEFAULT_HOUSE_RULES,
  houseQuestionIds,
  placementRules,
  questionOf,
  rulesWith,
  statementRules,
} from './house-rules';
import { ladderOf } from './ladder';
import { freeSlug, renamed, slugOf } from './names';
import { revisionChanges } from './revision-changes';

describe('house rules', () => {
  test('have a default with a reason and at least one other school for each question', () => {
    for (const id of houseQuestionIds) {
      const { schools, why } = questionOf(id);
      expect(schools.length).toBeGreaterThan(1);
      expect(new Set(schools.map((school) => school.id)).size).toBe(schools.length);
      expect(DEFAULT_HOUSE_RULES[id]).toBe(schools[0].id);
      expect(why).toMatch(/\.$/);
    }
  });

  test('of an exercise go before those of its course; an unknown school is refused with its question', () => {
    const rules = rulesWith(DEFAULT_HOUSE_RULES, { buttonInput: 'pull-down', somethingElse: 1 });
    expect(rules.ok && rules.value).toMatchObject({ buttonInput: 'pull-down', cathode: 'own-row' });
    const wrong = rulesWith(DEFAULT_HOUSE_RULES, { cathode: 'in the air' });
    expect(!wrong.ok && wrong.problems[0]!.path).toBe('rules.cathode');
  });

  test('are handed to those who fill in lines and lay out', () => {
    expect(statementRules({ ...DEFAULT_HOUSE_RULES, resistorSide: 'anode' }).resistorSide).toBe('anode');
    expect(placementRules({ ...DEFAULT_HOUSE_RULES, wireColours: 'one' }).colours.signals).toEqual([
      'yellow',
    ]);
    expect(
      placementRules({ ...DEFAULT_HOUSE_RULES, redWires: 'feeding-pins-too' }).colours.signals,
    ).toContain('red');
  });
});

describe('the ladder', () => {
  const led = { ref: 'D1', kind: 'led', value: 'red' };
  const button = { ref: 'S1', kind: 'button', value: '' };
  const rungs = ladderOf([
    { title: 'One', concepts: { introduces: ['pin'], uses: ['loop'] }, parts: [led] },
    {
      title: 'Two',
      concepts: { introduces: ['loop', 'pin'], uses: ['array'] },
      parts: [led, { ...led, ref: 'D2' }, button],
    },
    { title: 'Three', concepts: { introduces: [], uses: ['pin', 'loop'] }, parts: [button] },
  ]);

  test('marks what is used before it is taught, and who teaches it', () => {
    expect(rungs[0]!.concepts).toEqual([
      { concept: 'pin', standing: 'new', taughtBy: undefined },
      { concept: 'loop', standing: 'early', taughtBy: 'Two' },
    ]);
    expect(rungs[1]!.concepts.find(({ concept }) => concept === 'array')).toMatchObject({
      standing: 'early',
      taughtBy: undefined,
    });
    expect(rungs[1]!.concepts.find(({ concept }) => concept === 'pin')).toMatchObject({
      standing: 'known',
      taughtBy: 'One',
    });
    expect(rungs[2]!.concepts.every(({ standing }) => standing === 'known')).toBe(true);
  });

  test('counts which parts stay, come and go', () => {
    expect(rungs[1]).toMatchObject({ carriedOver: ['red LED'], added: ['red LED', 'push button'], left: [] });
    expect(rungs[2]).toMatchObject({ carriedOver: ['push button'], added: [], left: ['2 × red LED'] });
  });
});

describe('names', () => {
  test('of exercises follow a pattern, and numbers given before are replaced', () => {
    const exercises = [
      { title: '1. Beacon', lesson: 1 },
      { title: 'Night bell', lesson: 2 },
      { title: '2.1 Fog lamp', lesson: 2 },
    ];
    expect(renamed(exercises, '{lesson}.{k} {title}')).toEqual([
      '1.1 Beacon',
      '2.1 Night bell',
      '2.2 Fog lamp',
    ]);
    expect(renamed(exercises, '{nn}')).toEqual(['01 Beacon', '02 Night bell', '03 Fog lamp']);
    expect(renamed(exercises, '{title}')).toEqual(['Beacon', 'Night bell', 'Fog lamp']);
    expect(renamed([{ title: 'A', lesson: undefined }], '{lesson} {what} {title}')).toEqual(['{what} A']);
  });

  test('make ids that are free', () => {
    expect(slugOf('Größe & Höhe!')).toBe('gro-e-hohe');
    expect(slugOf('…')).toBe('exercise');
    expect(freeSlug('Beacon', new Set(['beacon', 'beacon-2']))).toBe('beacon-3');
  });
});

describe('revisions', () => {
  const { data } = courseExercises.find(({ exercise }) => exercise.data.id === 'beacon')!.exercise;

  test('that are the same have nothing to say', () => {
    expect(revisionChanges(data, structuredClone(data))).toEqual([]);
  });

  test('say what changed, in sentences', () => {
    const changed = {
      ...data,
      title: 'Harbour beacon',
      parts: data.parts.map((part) => (part.ref === 'R1' ? { ...part, value: '470' } : part)),
      nets: data.nets.map((net) => ({
        ...net,
        points: net.points.map((point) => (point === 'U1.13' ? 'U1.12' : point)),
      })),
      program: data.program.replace('13', '12'),
      scenarios: [],
    };
    const texts = revisionChanges(data, changed).map(({ text }) => text);
    expect(texts).toContain('The title was “Beacon”, now “Harbour beacon”.');
    expect(texts).toContain('R1 was 330 Ω resistor, now 470 Ω resistor.');
    expect(texts).toContain('Joined now: D1.anode, U1.12.');
    expect(texts.some((text) => text.startsWith('The program:'))).toBe(true);
    expect(texts.some((text) => text.startsWith('Not expected any more'))).toBe(true);
  });
});
