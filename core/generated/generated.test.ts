import { describe, expect, test } from 'vitest';
import { asksForProgram, languageOf } from '../formats/exercise';
import { compileProgram } from '../program';
import { rehearse } from '../rehearsal/rehearse';
import { grammars } from '../testing/beacon';
import { courseExercises } from '../testing/course';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import { seenIntervals } from '../rehearsal/seen';
import { diagnosticProgram } from './diagnostic';
import { givenProgram } from './given';
import { hookupOf } from './hookup';
import { starterProgram } from './starter';
import { nameOf, type NameStyle, type Writing } from './writing';

const rows = courseExercises.map(({ name, exercise }) => [name, exercise] as const);
const writingOf = (
  exercise: (typeof courseExercises)[number]['exercise'],
  names: NameStyle = 'upper',
): Writing => ({
  language: languageOf(exercise),
  names,
  pinNames: 'constants',
  title: exercise.data.title,
});

describe('what hangs on the pins', () => {
  const named = (id: string) => {
    const { exercise } = courseExercises.find(({ name }) => name === id)!;
    return Object.fromEntries(
      hookupOf(exercise.reference, exercise.board).map((pin) => [
        pin.pin,
        [nameOf(pin, 'upper'), pin.does.role],
      ]),
    );
  };

  test.each([
    ['beacon', { 13: ['LED', 'switch'] }],
    ['leading-lights', { 11: ['GREEN_LED', 'switch'], 12: ['RED_LED', 'switch'] }],
    ['night-bell', { 2: ['BUTTON', 'contact'], 8: ['BUZZER', 'switch'], 13: ['LED', 'switch'] }],
    ['two-button-sluice', { 2: ['BUTTON_1', 'contact'], 3: ['BUTTON_2', 'contact'], 12: ['LED', 'switch'] }],
    ['fog-lamp', { 9: ['LED', 'switch'], A0: ['POTENTIOMETER', 'measure'] }],
    ['signal-lantern', { 9: ['BLUE_LED', 'switch'], 10: ['GREEN_LED', 'switch'], 11: ['RED_LED', 'switch'] }],
    ['dusk-switch', { 9: ['LED', 'switch'], A0: ['LIGHT', 'measure'] }],
    ['lock-gate', { 9: ['SERVO', 'servo'] }],
    ['beacon-python', { D13: ['LED', 'switch'] }],
  ])('of %s is found by the circuit and named', (id, wanted) => {
    expect(named(id)).toEqual(wanted);
  });

  test('of an LED with its anode at the supply is switched on by a low pin', () => {
    const { exercise } = courseExercises.find(({ name }) => name === 'signal-lantern, common anode')!;
    for (const { does } of hookupOf(exercise.reference, exercise.board))
      expect(does).toEqual({ role: 'switch', on: 'low' });
  });
});

describe('a starter program', () => {
  test.each(rows)(
    'of %s compiles, in every style of names, and with gaps leaves something to write',
    (_, exercise) => {
      const pins = hookupOf(exercise.reference, exercise.board);
      for (const names of ['upper', 'camel', 'snake'] as const) {
        const source = starterProgram(pins, writingOf(exercise, names));
        const { problems, compiled } = compileProgram(source, exercise.board, grammars, languageOf(exercise));
        expect(problems.filter(({ stopsCompiler }) => stopsCompiler)).toEqual([]);
        expect(compiled).toBeDefined();
        for (const pin of pins)
          expect(source).toContain(
            nameOf(pin, languageOf(exercise) === 'python' && names === 'upper' ? 'snake' : names),
          );
      }
      if (pins.length > 0) expect(starterProgram(pins, writingOf(exercise), 'gaps')).toContain('____');
    },
  );
});

describe('the program that a learner is given', () => {
  test.each(rows.filter(([, exercise]) => asksForProgram(exercise)))(
    'for %s compiles as an example, and says nothing of how it is solved',
    (_, exercise) => {
      const rules = { ...DEFAULT_HOUSE_RULES, programGiven: 'example' as const };
      const source = givenProgram(exercise, rules);
      const { compiled, problems } = compileProgram(source, exercise.board, grammars, languageOf(exercise));
      expect(problems.filter(({ severity }) => severity === 'fault')).toEqual([]);
      expect(compiled).toBeDefined();
      // It follows from the connections: another reference program makes no other example.
      const other = {
        ...exercise,
        data: { ...exercise.data, program: '// another', scenarios: [], aim: '' },
      };
      expect(givenProgram(other, rules)).toBe(source);
    },
  );

  test('is none where none is asked for', () => {
    const { exercise } = courseExercises.find(({ name }) => name === 'hand-lamp')!;
    expect(givenProgram(exercise, { ...DEFAULT_HOUSE_RULES, programGiven: 'gaps' })).toBe('');
  });

  test('switches a lone LED off long enough to be seen, as it does on', () => {
    const { exercise } = courseExercises.find(({ name }) => name === 'beacon')!;
    const { compiled } = compileProgram(
      givenProgram(exercise, DEFAULT_HOUSE_RULES),
      exercise.board,
      grammars,
    );
    const trace = rehearse(compiled!, exercise.reference, exercise.board, { seconds: 6 });
    const led = [...trace.leds.values()][0]!;
    expect(seenIntervals(led, 6).filter(({ glow }) => glow === 'dark').length).toBeGreaterThan(1);
  });
});

describe('a diagnostic program', () => {
  test.each(rows)('of %s switches each of its outputs on alone, one after the other', (_, exercise) => {
    const pins = hookupOf(exercise.reference, exercise.board);
    const source = diagnosticProgram(pins, writingOf(exercise));
    const { compiled, problems } = compileProgram(source, exercise.board, grammars, languageOf(exercise));
    expect(problems.filter(({ severity }) => severity === 'fault')).toEqual([]);
    const outputs = pins.filter(({ does }) => does.role === 'switch');
    const seconds = pins.filter(({ does }) => ['switch', 'tone', 'servo'].includes(does.role)).length + 0.5;
    const trace = rehearse(compiled!, exercise.reference, exercise.board, { seconds });
    const lit = [...trace.leds].map(([led, changes]) => ({
      lamp: led,
      spans: changes.flatMap(({ at, currentMa }, index) => {
        const to = changes[index + 1]?.at ?? seconds;
        return currentMa > 0.5 && to - at > 0.5 ? [[at, Math.min(to, seconds)] as const] : [];
      }),
    }));
    const leds = lit.filter(({ lamp: led }) =>
      outputs.some(({ ref }) => led === ref || led.startsWith(`${ref}.`)),
    );
    for (const { lamp: led, spans } of leds) expect(spans.length, led).toBeGreaterThanOrEqual(1);
    const all = leds.flatMap(({ spans }) => spans).sort((one, other) => one[0] - other[0]);
    // No two are on together: each begins when the one before has ended.
    all.forEach(([from], index) => {
      if (index > 0) expect(from).toBeGreaterThanOrEqual(all[index - 1]![1] - 0.02);
    });
  });

  test('prints what its inputs read', () => {
    const { exercise } = courseExercises.find(({ name }) => name === 'night-bell')!;
    const source = diagnosticProgram(hookupOf(exercise.reference, exercise.board), writingOf(exercise));
    const { compiled } = compileProgram(source, exercise.board, grammars);
    const trace = rehearse(compiled!, exercise.reference, exercise.board, {
      seconds: 4.5,
      stimuli: [{ at: 3, press: 'S1' }],
    });
    const text = trace.serial.map((piece) => piece.text).join('');
    expect(text).toContain('button 1');
    expect(text).toContain('button 0');
  });
});
