import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, test } from 'vitest';
import { effortLeft, within } from '../effort';
import { readExercise, type Exercise } from '../formats/exercise';
import { grammars } from '../testing/beacon';
import { programFor } from './build';
import { check } from './check';

/** An exercise read anew: nothing is known of it. */
function fresh(file: string): Exercise {
  const read = readExercise(readFileSync(`demo/course/${file}`, 'utf8'));
  if (!read.ok) throw new Error(file);
  return read.value;
}

const faultsOf = (id: string): readonly string[] =>
  readdirSync(`demo/faults/${id}`)
    .filter((name) => /\.(cpp|py)$/.test(name))
    .map((name) => readFileSync(`demo/faults/${id}/${name}`, 'utf8'));

/** What a check says, and the units of work that it is charged. */
function checked(of: Exercise, source: string): { readonly said: string; readonly units: number } {
  const program = programFor(of, source, grammars);
  const done = within(1e12, () => {
    const before = effortLeft();
    const said = JSON.stringify(check(of, { wiring: of.reference, program }, grammars));
    return { said, units: before - effortLeft() };
  });
  if (!done.ended) throw new Error('more work than any check may take');
  return done.value;
}

describe('what is kept from one check to the next', () => {
  test.for([
    ['03-night-bell.json', 'night-bell'],
    ['05-passing-boat-counter.json', 'passing-boat-counter'],
    ['06-fog-lamp.json', 'fog-lamp'],
    ['09-dusk-switch.json', 'dusk-switch'],
    ['12-beacon-python.json', 'beacon-python'],
    ['14-harbour-signal.json', 'harbour-signal'],
  ] as const)('changes neither the report nor the work that it counts as: %s', ([file, id]) => {
    const [warm, sources] = [fresh(file), faultsOf(id)];
    // The reference is made by the first check, and counted with it.
    checked(warm, warm.data.program);
    for (const source of sources) checked(warm, source);
    for (const source of sources) {
      const cold = fresh(file);
      checked(cold, '');
      expect(checked(warm, source)).toEqual(checked(cold, source));
    }
  });
});
