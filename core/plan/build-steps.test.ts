import { describe, expect, test } from 'vitest';
import { courseExercises } from '../testing/course';
import { netlistOf } from '../wiring/netlist';
import { stagesOf, buildSteps, changeSteps, wiringAfter } from './build-steps';
import { USUAL_LENGTHS_MM, wireLengths } from './wire-lengths';

const wiringOf = (id: string) => courseExercises.find(({ name }) => name === id)!.exercise.reference;

describe('the build steps of every exercise', () => {
  test.each(
    courseExercises.flatMap(({ name, exercise }) =>
      (['supply-last', 'supply-first'] as const).map((order) => [name, order, exercise.reference] as const),
    ),
  )(
    '%s with the %s put everything in once, rails first, each with something to look at',
    (_, order, wiring) => {
      const steps = buildSteps(wiring, order);
      expect(steps.map(({ ref }) => ref).sort()).toEqual(wiring.parts.map(({ ref }) => ref).sort());
      const ranks = steps.map(({ stage }) => stagesOf[order].indexOf(stage));
      expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
      for (const step of steps) {
        expect(step.text).toMatch(/^(Put|Lay) .+\.$/);
        expect(step.checkpoint.length).toBeGreaterThan(10);
        expect(step.present.size).toBe(step.number);
      }
      expect(wiringAfter(wiring, steps.at(-1)!).parts).toEqual(wiring.parts);
    },
  );

  test('of the fog lamp end with the red wire, and say where the long leg goes', () => {
    const steps = buildSteps(wiringOf('fog-lamp'), 'supply-last');
    expect(steps.at(-1)!.text).toMatch(/red wire W\d from a7 to 5V/);
    const led = steps.find(({ ref }) => ref === 'D1')!;
    expect(led.text).toBe('Put the white LED D1 in: long leg in e2, short leg in e3.');
    expect(led.checkpoint).toContain('the longer leg');
    expect(led.cautions.join()).toContain('without its resistor');
  });

  test('of the fog lamp with the supply first have the red wire before any part', () => {
    const texts = buildSteps(wiringOf('fog-lamp'), 'supply-first').map(({ text }) => text);
    const red = texts.findIndex((text) => text.includes('to 5V'));
    expect(red).toBeGreaterThanOrEqual(0);
    expect(red).toBeLessThan(texts.findIndex((text) => text.includes('LED D1')));
  });

  test.each(['supply-last', 'supply-first'] as const)(
    'of the lock gate join the battery last, %s',
    (order) => {
      const steps = buildSteps(wiringOf('lock-gate'), order);
      expect(steps.at(-1)).toMatchObject({ stage: 'source', ref: 'G1' });
      expect(netlistOf(wiringAfter(wiringOf('lock-gate'), steps[0]!)).nodes.length).toBeGreaterThan(0);
    },
  );
});

describe('the steps from one exercise to the next', () => {
  test('are none to itself', () => {
    expect(changeSteps(wiringOf('fog-lamp'), wiringOf('fog-lamp'), 'supply-last')).toEqual([]);
  });

  test('remove, then move, then add', () => {
    const steps = changeSteps(wiringOf('beacon'), wiringOf('leading-lights'), 'supply-last');
    const deeds = steps.map(({ deed }) => deed);
    expect(deeds).toEqual(
      [...deeds].sort((a, b) => ['remove', 'move', 'add'].indexOf(a) - ['remove', 'move', 'add'].indexOf(b)),
    );
    // The amber LED gives way to a red one; its resistor moves.
    expect(steps.find(({ ref }) => ref === 'D1')!.deed).toBe('remove');
    expect(steps.find(({ ref }) => ref === 'R1')!.deed).toBe('move');
    expect(steps.filter(({ deed }) => deed === 'add').map(({ ref }) => ref)).toEqual(
      expect.arrayContaining(['D1', 'D2', 'R2']),
    );
  });
});

describe('wire lengths', () => {
  test('are those of the kit, never shorter than the way', () => {
    for (const { exercise } of courseExercises)
      for (const { neededMm, kitMm } of wireLengths(exercise.reference)) {
        expect(USUAL_LENGTHS_MM).toContain(kitMm);
        expect(kitMm).toBeGreaterThanOrEqual(neededMm);
      }
  });

  test('of a wire from a-8 to a8 are the shortest of the bag; none where the bag has none', () => {
    const short = wireLengths(wiringOf('night-bell')).find(({ ref }) => ref === 'W1')!;
    expect(short).toMatchObject({ colour: 'black', neededMm: 23, kitMm: 25 });
    expect(wireLengths(wiringOf('night-bell'), [10])[0]!.kitMm).toBeUndefined();
  });
});
