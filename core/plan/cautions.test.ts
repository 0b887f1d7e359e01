import { describe, expect, test } from 'vitest';
import { exerciseFrom, type ExerciseData } from '../formats/exercise';
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

describe('cautions of the hand and of the program', () => {
  const withText = (id: string, change: (data: ExerciseData) => ExerciseData): readonly string[] => {
    const { exercise } = courseExercises.find((one) => one.exercise.data.id === id)!;
    const read = exerciseFrom(change(exercise.data));
    if (!read.ok) throw new Error(read.problems[0]!.message);
    return cautionsOf(read.value, []).map(({ step, text }) => `${step}: ${text}`);
  };

  test('a pin that a sensor or potentiometer feeds is never driven', () => {
    expect(cautions('fog-lamp').join('\n')).toContain('P1 feeds pin A0: a program never makes it an output.');
    expect(cautions('beacon').join('\n')).not.toContain('feeds pin');
    expect(cautions('night-bell').join('\n')).not.toContain('feeds pin');
  });

  test('pins over which programs are loaded are free while one is', () => {
    const moved = (data: ExerciseData): ExerciseData =>
      JSON.parse(JSON.stringify(data).replaceAll('U1.13', 'U1.1')) as ExerciseData;
    expect(withText('beacon', moved).join('\n')).toContain('bring-up: Take the wires off pin 1 while');
    expect(cautions('beacon').join('\n')).not.toContain('while a program is loaded');
  });

  test('the power socket is spoken of where something is joined to it, with its class-room range', () => {
    expect(
      courseExercises
        .flatMap(({ exercise }) => cautionsOf(exercise, []))
        .some(({ text }) => /VIN/.test(text)),
    ).toBe(false);
    const fed = (data: ExerciseData): ExerciseData => ({
      ...data,
      layout: undefined,
      parts: [...data.parts, { ref: 'G1', kind: 'battery', value: '9V' }],
      nets: [
        ...data.nets.filter(({ name }) => name !== 'ground'),
        { name: 'ground', points: [...data.nets.find(({ name }) => name === 'ground')!.points, 'G1.minus'] },
        { name: 'power', points: ['U1.VIN', 'G1.plus'] },
      ],
    });
    expect(withText('beacon', fed).join('\n')).toContain('VIN gets 7.0 V to 9.5 V in a class room');
  });

  test('eyes are covered where something is trimmed or soldered, and only there', () => {
    const soldered = (data: ExerciseData): ExerciseData => ({
      ...data,
      assemblies: [{ name: 'Leads', refs: [], steps: ['Solder the leads to the lamp.'], fasteners: [] }],
    });
    expect(withText('beacon', soldered).join('\n')).toContain('Eyes are covered');
    for (const { exercise } of courseExercises)
      expect(cautionsOf(exercise, []).some(({ text }) => text.startsWith('Eyes'))).toBe(false);
  });
});
