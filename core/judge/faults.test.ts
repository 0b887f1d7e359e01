import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { asksForProgram, languageOf } from '../formats/exercise';
import { compileProgram } from '../program';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { readWiring } from '../wiring/read';
import { check } from './check';
import { inspect } from './inspect';

const folder = 'demo/faults';
const faults = readdirSync(folder).flatMap((id) => {
  const expected = JSON.parse(readFileSync(`${folder}/${id}/expected.json`, 'utf8')) as Record<
    string,
    string
  >;
  return Object.entries(expected).map(([name, code]) => ({ id, name, code }));
});
const wirings = faults.filter(({ name }) => !name.includes('.'));
const programs = faults.filter(({ name }) => name.includes('.'));
const exerciseOf = (id: string) => courseExercises.find(({ name }) => name === id)!.exercise;

describe('every exercise', () => {
  const plain = courseExercises.filter(({ name }) => !name.includes(','));

  test.each(plain.map(({ name }) => name))('%s has at least three faulty wirings, each in its file', (id) => {
    const own = wirings.filter((fault) => fault.id === id);
    expect(own.length).toBeGreaterThanOrEqual(3);
    for (const { name } of own) expect(existsSync(`${folder}/${id}/${name}.csv`)).toBe(true);
  });

  test.each(plain.filter(({ exercise }) => asksForProgram(exercise)).map(({ name }) => name))(
    '%s has at least three faulty programs, each in its file',
    (id) => {
      const own = programs.filter((fault) => fault.id === id);
      expect(own.length).toBeGreaterThanOrEqual(3);
      for (const { name } of own) expect(existsSync(`${folder}/${id}/${name}`)).toBe(true);
    },
  );

  test.each(courseExercises.map(({ name, exercise }) => [name, exercise] as const))(
    '%s as it is laid out has nothing to say, and is the same circuit',
    (_, exercise) => {
      const { observations, match } = inspect(exercise, exercise.reference);
      expect(observations).toEqual([]);
      expect(match.same).toBe(true);
    },
  );
});

describe('a faulty wiring', () => {
  test.each(wirings.map(({ id, name, code }) => [id, name.replace(/-/g, ' '), code, name] as const))(
    'of %s, %s, is found as %s',
    (id, _, code, name) => {
      const wiring = readWiring(readFileSync(`${folder}/${id}/${name}.csv`, 'utf8'));
      if (!wiring.ok) throw new Error(wiring.problems[0]?.message);
      const { observations } = inspect(exerciseOf(id), wiring.value);
      const found = observations.find((observation) => observation.code === code);
      expect(observations.map((observation) => observation.code)).toContain(code);
      expect(found!.message.length).toBeGreaterThan(20);
      expect(new Set(found!.hints).size).toBe(3);
    },
  );

  test('is found in more than twenty different ways over the course', () => {
    expect(new Set(faults.map(({ code }) => code)).size).toBeGreaterThan(20);
  });
});

describe('a faulty program', () => {
  test.each(programs.map(({ id, name, code }) => [id, name.replace(/-/g, ' '), code, name] as const))(
    'of %s, %s, does not work because of %s',
    (id, _, code, name) => {
      const exercise = exerciseOf(id);
      const source = readFileSync(`${folder}/${id}/${name}`, 'utf8');
      const program = compileProgram(source, exercise.board, grammars, languageOf(exercise));
      const { verdict, findings } = check(exercise, { wiring: exercise.reference, program }, grammars);
      expect([verdict, findings[0]?.code, findings[0]?.cause]).toEqual(['does-not-work', code, true]);
      expect(new Set(findings[0]!.hints).size).toBe(3);
    },
  );
});
