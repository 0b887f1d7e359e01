import { describe, expect, test } from 'vitest';
import { expectationSentence } from '../expectations';
import { exerciseFrom, type Exercise } from '../formats/exercise';
import type { Scenario } from '../formats/scenario';
import { buildFor } from '../judge/build';
import { check } from '../judge/check';
import { hasPassed } from '../formats/report';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { sampled } from '../testing/samples';
import { trialExercises } from '../testing/trials/exercises';
import { writeTable } from '../wiring/table';
import { withCatching } from './catching';
import { FaultRehearsal, faultsOf } from './rehearsal';

const exercises = [...trialExercises, ...courseExercises].map(
  ({ name, exercise }) => [name, exercise] as const,
);
const named = (wanted: string): Exercise => exercises.find(([name]) => name === wanted)![1];

/** What the course's own scenarios let through is mended in the course. */
const isOfCourse = (exercise: Exercise): boolean => courseExercises.some((one) => one.exercise === exercise);

describe('the slips that can be made', () => {
  test.each(exercises)(
    'in %s are each another build than the reference',
    (_, { data, reference, ...rest }) => {
      const own = writeTable(reference) + data.program;
      const all = faultsOf({ data, reference, ...rest });
      expect(all.length).toBeGreaterThan(10);
      for (const { wiring, program, sort, what } of all)
        expect(writeTable(wiring) + program, `${sort}: ${what}`).not.toBe(own);
      expect(new Set(all.map(({ sort, what }) => `${sort}: ${what}`)).size).toBe(all.length);
    },
  );

  test('name their line and their parts', () => {
    for (const { line, refs, program, codes } of faultsOf(named('barrier'))) {
      expect(codes.length).toBeGreaterThan(0);
      if (line === undefined) expect(refs.length).toBeGreaterThan(0);
      else expect(line).toBeLessThanOrEqual(program.split('\n').length);
    }
  });
});

describe('a rehearsal of faults', () => {
  test.each(exercises)('of %s says of each what came of it', (_, exercise) => {
    const rehearsal = new FaultRehearsal(exercise, grammars);
    expect(rehearsal.hindrance()).toBeUndefined();
    for (const fault of sampled(faultsOf(exercise).filter((_one, index) => index % 4 === 3))) {
      const { outcome, verdict, told, caughtBy, codes } = rehearsal.rehearse(fault);
      const where = `${fault.sort}: ${fault.what}`;
      expect(outcome, where).not.toBe('wrongly-caught');
      if (!hasPassed(verdict)) expect(told, where).toBeDefined();
      if (outcome === 'right-cause') expect(codes, where).toContain(told?.code);
      expect(caughtBy !== undefined, where).toBe(outcome === 'slips-through');
      if (isOfCourse(exercise)) expect(outcome, where).not.toBe('slips-through');
    }
  });

  test('says the same of a slip whatever was rehearsed before', () => {
    const exercise = named('greenhouse');
    const few = faultsOf(exercise).filter((_, index) => index % 20 === 3);
    const forwards = new FaultRehearsal(exercise, grammars);
    const backwards = new FaultRehearsal(exercise, grammars);
    const [one, other] = [few.map((fault) => forwards.rehearse(fault)), few.toReversed()];
    expect(other.map((fault) => backwards.rehearse(fault)).reverse()).toEqual(one);
  });

  test('hinders nobody but the author of a reference that does not pass itself', () => {
    const { data } = named('level-crossing');
    const broken = exerciseFrom({ ...data, program: data.program.replaceAll('HIGH', 'LOW') });
    expect(broken.ok && new FaultRehearsal(broken.value, grammars).hindrance()).toMatch(/does not pass/);
  });

  test('finds that nothing watches a motor, and the scenario that does catches every such slip', () => {
    const exercise = named('greenhouse');
    const rehearsal = new FaultRehearsal(exercise, grammars);
    const slipped = faultsOf(exercise).flatMap((fault) => {
      const { caughtBy } = rehearsal.rehearse(fault);
      return caughtBy ? [{ fault, caughtBy }] : [];
    });
    expect(slipped.length).toBeGreaterThan(0);
    const scenarios = slipped.reduce<readonly Scenario[]>(
      (all, { caughtBy }) => withCatching(all, caughtBy),
      exercise.data.scenarios,
    );
    const watched = exerciseFrom({ ...exercise.data, scenarios: [...scenarios] });
    if (!watched.ok) throw new Error(watched.problems[0]!.message);
    expect(new FaultRehearsal(watched.value, grammars).hindrance()).toBeUndefined();
    for (const { fault } of slipped) {
      const build = buildFor(watched.value, fault.wiring, fault.program, grammars);
      expect(hasPassed(check(watched.value, build, grammars).verdict), fault.what).toBe(false);
    }
  }, 120_000);

  test('watches a circuit without a program too', () => {
    const outcomes = faultsOf(named('torch')).map((fault) =>
      new FaultRehearsal(named('torch'), grammars).rehearse(fault),
    );
    expect(outcomes.filter(({ outcome }) => outcome === 'slips-through')).toEqual([]);
    expect(outcomes.filter(({ outcome }) => outcome === 'right-cause').length).toBeGreaterThan(15);
  });
});

describe('a scenario that catches', () => {
  const [own] = named('barrier').data.scenarios;

  test('is put at the end when it is new', () => {
    const other = { ...own!, name: 'two cars' };
    expect(withCatching([own!], { scenario: other })).toEqual([own, other]);
  });

  test('adds what is not expected yet to the one of its name, and nothing twice', () => {
    const [first, second] = own!.expect;
    const once = withCatching([{ ...own!, expect: [first!] }], { scenario: { ...own!, expect: [second!] } });
    const twice = withCatching(once, { scenario: { ...own!, expect: [second!, first!] } });
    expect(twice).toEqual(once);
    expect(once[0]!.expect.map(expectationSentence)).toEqual([first!, second!].map(expectationSentence));
  });
});
