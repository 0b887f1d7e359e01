import { describe, expect, test } from 'vitest';
import { wiringFaults } from '../faults/wiring';
import { randomFrom } from '../random';
import { courseExercises } from '../testing/course';
import { otherWirings } from '../testing/equivalents/wirings';
import { isHarmful, triedOn } from '../testing/trials/trial';

/** Of the slips in each layout, one in so many is tried. */
const ONE_IN = process.env['DIDAKTOR_TESTS'] === 'thorough' ? 9 : 83;
/** What may be put right by a turned LED as well, where no drawing says which was meant. */
const EITHER_WAY = new Set(['a signal and a supply exchanged']);
/** Of two resistors that are one, the other one alone is a resistor of another value. */
const MADE_OF_TWO = 'a resistor made of two';

const exercises = courseExercises.filter(({ name }) =>
  ['beacon', 'leading-lights', 'night-bell', 'two-button-sluice', 'dusk-switch'].includes(name),
);

describe.each(exercises)('slips in layouts of $name that are not the drawing’s', ({ exercise }) => {
  const layouts = [...otherWirings(exercise, randomFrom(16))].filter(
    ({ program }) => program === exercise.data.program,
  );
  let count = 0;
  const slips = layouts.flatMap(({ sort, wiring }) =>
    [...wiringFaults({ ...exercise, reference: wiring })]
      .filter(() => (count += 1) % ONE_IN === 0)
      .map((slip) => ({ layout: sort, what: `${slip.sort}: ${slip.what}`, slip })),
  );

  test('are tried', () => {
    expect(slips.length).toBeGreaterThan(5);
  });

  test.each(slips)('$layout, $what', ({ layout, slip }) => {
    if (!isHarmful(exercise, slip)) return;
    const trial = triedOn(exercise, slip, [slip]);
    if (layout !== MADE_OF_TWO) {
      expect(trial.isMended).toBe(true);
      if (!EITHER_WAY.has(slip.sort)) expect(trial.isNamed).toBe(true);
    } else expect(trial.causes.every(({ repair }) => repair !== undefined)).toBe(true);
  });
});
