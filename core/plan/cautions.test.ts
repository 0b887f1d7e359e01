import { describe, expect, test } from 'vitest';
import { courseExercises } from '../testing/course';
import { cautionsOf } from './cautions';
import { worksheetFigures } from './worksheet';

const cautions = (id: string): readonly string[] => {
  const { exercise } = courseExercises.find((one) => one.exercise.data.id === id)!;
  return cautionsOf(exercise, worksheetFigures(exercise).budget).map(({ step, text }) => `${step}: ${text}`);
};

describe('cautions come from the circuit', () => {
  test('every build is unplugged first, and an LED needs its resistor', () => {
    expect(cautions('beacon')[0]).toBe(
      'build: Unplug the board before any change of wiring, and look twice before power goes on.',
    );
    expect(cautions('beacon').join()).toContain('An LED without its resistor can be destroyed');
  });

  test('a supply of its own shares nothing but ground, and is off while one looks for a fault', () => {
    const said = cautions('lock-gate').join('\n');
    expect(said).toContain('build: G1 and the board share their ground and nothing else');
    expect(said).toContain('find-fault: Take the batteries out');
    expect(said).toContain('vary: Keep fingers and hair away');
  });

  test('what comes near a limit is told where values are chosen', () => {
    expect(cautions('beacon-python').some((text) => text.startsWith('values: Pin D13'))).toBe(false);
    const { exercise } = courseExercises.find((one) => one.exercise.data.id === 'beacon')!;
    const near = cautionsOf(exercise, [{ what: 'all pins', currentMa: 190, limitMa: 200, share: 0.95 }]);
    expect(near.find(({ step }) => step === 'values')?.text).toBe(
      'All pins comes to 190 mA of 200 mA. Add nothing to it without working it out again.',
    );
  });

  test('the author’s own stand beside them, once', () => {
    const said = cautions('night-bell').filter((text) => text.includes('joins its pin to ground'));
    expect(said).toHaveLength(1);
  });
});
