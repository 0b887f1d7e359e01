import { describe, expect, test } from 'vitest';
import { wantedSchema } from '../messages/wanted';
import { ref } from '../brand';
import { Replay } from '../rehearsal/replay';
import { touched } from '../rehearsal/hands';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { writeTable } from '../wiring/table';
import type { Exercise } from '../formats/exercise';
import { LiveRunner, type RunSubject } from './live-runs';
import { traceOfWanted, wantedOf } from './wanted';

const named = (id: string): Exercise => courseExercises.find(({ name }) => name === id)!.exercise;
const subjectOf = ({ data, reference }: Exercise): RunSubject => ({
  wiring: writeTable(reference),
  program: data.program,
  exercise: data,
});
const bell = named('night-bell');

describe('a circuit under one’s hands', () => {
  test('does what is done to it, moment by moment', () => {
    const runner = new LiveRunner(grammars);
    const quiet = runner.run([subjectOf(bell)], [], 5);
    if (!quiet.ok) throw new Error(quiet.problems[0]!.message);
    const hold = touched([], { touch: 'hold', how: 'press', ref: ref('S1') }, 2);
    const loud = runner.run([subjectOf(bell)], touched(hold, { touch: 'let go', ref: ref('S1') }, 3), 5);
    if (!loud.ok) throw new Error(loud.problems[0]!.message);
    const heard = (result: typeof loud, at: number) => [
      ...new Replay(result.value.runs[0]!.recording.trace).momentAt(at).sounds.values(),
    ];
    expect(heard(quiet, 2.5)).toEqual([0]);
    expect([1.5, 2.5, 3.5].map((at) => heard(loud, at)[0]! > 0)).toEqual([false, true, false]);
  });

  test.each(courseExercises)('of $name can be seen from its own work', ({ exercise }) => {
    const outcome = new LiveRunner(grammars).run(
      [subjectOf(exercise)],
      exercise.data.scenarios[0]!.stimuli,
      3,
    );
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
    const [run] = outcome.value.runs;
    expect(run!.recording.trace.seconds).toBe(3);
    if (exercise.data.program.trim() !== '') expect(run!.explained.length).toBeGreaterThan(2);
  });

  test.each([
    ['', 'There is no program yet. Write one, and it can be run.'],
    ['void setup() {}\nvoid loop() { digitalWrite(13, HIGH) }', /line 2/i],
  ])('says why %j cannot be run', (program, said) => {
    const outcome = new LiveRunner(grammars).run([{ ...subjectOf(bell), program }], [], 3);
    expect(outcome.ok).toBe(false);
    if (!outcome.ok) expect(outcome.problems[0]!.message).toMatch(said);
  });
});

describe('two circuits under the same hands', () => {
  const asked = subjectOf(bell);
  const [{ for: seconds, stimuli }] = bell.data.scenarios as [(typeof bell.data.scenarios)[number]];
  const first = (built: RunSubject) => {
    const outcome = new LiveRunner(grammars).run([asked, built], stimuli, seconds);
    if (!outcome.ok) throw new Error(outcome.problems[0]!.message);
    return outcome.value.first;
  };

  test('that are alike do the same, whatever their parts are called', () => {
    expect(first(asked)).toBeUndefined();
    const renamed = { ...asked, wiring: asked.wiring.replace(/\bS1\b/g, 'S7').replace(/\bD1\b/g, 'D9') };
    expect(first(renamed)).toBeUndefined();
  });

  test('part where a line is another', () => {
    const program = asked.program.replace('digitalWrite(LAMP, HIGH)', 'digitalWrite(LAMP, LOW)');
    const found = first({ ...asked, program });
    expect(found).toMatchObject({ part: 'D1', by: 'program' });
    expect(found!.at).toBeCloseTo(stimuli[0]!.at, 1);
  });

  test('part where a wire is out', () => {
    const lines = asked.wiring.split('\n');
    const end = lines.findIndex((line) => /^D1,/.test(line));
    const wiring = lines
      .map((line, index) => (index === end ? line.replace(/,[^,]*$/, ',') : line))
      .join('\n');
    expect(first({ ...asked, wiring })).toMatchObject({ part: 'D1', by: 'wiring' });
  });
});

test('what was done by hand becomes a scenario of which everything holds', () => {
  const hold = touched([], { touch: 'hold', how: 'press', ref: ref('S1') }, 1);
  const stimuli = touched(hold, { touch: 'let go', ref: ref('S1') }, 2);
  const shown = new LiveRunner(grammars).keep(subjectOf(bell), { name: 'by hand 1', stimuli, seconds: 4 });
  expect(shown?.scenario).toMatchObject({ name: 'by hand 1', for: 4, stimuli });
  expect(shown!.scenario.expect.length).toBeGreaterThan(1);
});

describe('what an exercise wants', () => {
  test.each(courseExercises)('of $name is told without how it is made', ({ exercise }) => {
    const wanted = wantedOf(exercise, grammars);
    const text = JSON.stringify(wanted);
    expect(wantedSchema.parse(JSON.parse(text))).toEqual(JSON.parse(text));
    expect(text).not.toMatch(/"(pins|wiring|program|line|legs|at":"|layout|nets)/);
    expect(wanted.runs).toHaveLength(exercise.data.open ? 0 : exercise.data.scenarios.length);
  });

  test('looks as the reference does', () => {
    const wanted = wantedOf(bell, grammars);
    const [run] = wanted.runs;
    const replay = new Replay(traceOfWanted(run!));
    const pressed = run!.stimuli[0]!.at + 0.2;
    expect(replay.momentAt(pressed).lights.get('D1')).toBeGreaterThan(0.2);
    expect(replay.momentAt(0.2).lights.get('D1')).toBe(0);
    expect(wanted.parts.map(({ ref: name }) => name)).toEqual(expect.arrayContaining(['D1', 'S1', 'Z1']));
  });
});
