import { describe, expect, test } from 'vitest';
import { ref } from '../brand';
import { courseExercises } from '../testing/course';
import { readWiring } from '../wiring/read';
import { Circuit } from '../wiring/circuit';
import { currentPaths, currentPathsFrom, type CurrentPath } from './paths';

const exercise = (id: string) => courseExercises.find(({ name }) => name === id)!.exercise.reference;
const passed = ({ steps }: CurrentPath): string =>
  steps.flatMap((step) => (step.type === 'part' ? [step.ref as string] : [])).join(' ');

function pathsOf(id: string, pins: readonly string[], pressed: readonly string[] = []) {
  const wiring = exercise(id);
  const states = new Map(pressed.map((name) => [ref(name), { pressed: true }]));
  return currentPaths(new Circuit(wiring), pins, states);
}

describe('the ways of the current', () => {
  test('of the leading lights are one for each pin, through LED and resistor', () => {
    const paths = pathsOf('leading-lights', ['12', '11']).filter(({ isComplete }) => isComplete);
    expect(paths.map(passed)).toEqual(['D1 R1', 'D2 R2']);
    for (const { steps } of paths) {
      expect(steps[0]!.type).toBe('start');
      expect(steps.at(-1)!.type).toBe('arrives');
    }
  });

  test('of the dusk switch go through the divider and through the LED', () => {
    const complete = pathsOf('dusk-switch', ['9']).filter(({ isComplete }) => isComplete);
    expect(complete.map(passed)).toEqual(['L1 R1', 'D1 R2']);
  });

  test('of the lock gate go from the battery through the servo and back', () => {
    const complete = pathsOf('lock-gate', []).filter(({ isComplete }) => isComplete);
    expect(complete.map(passed)).toContain('M1');
  });

  test('of the tide gauge are ten, one for each LED of the bar', () => {
    const pins = Array.from({ length: 10 }, (_, index) => String(index + 2));
    const complete = pathsOf('tide-gauge', pins).filter(({ isComplete }) => isComplete);
    expect(complete.filter((path) => passed(path).startsWith('D1 R'))).toHaveLength(10);
  });

  test('through a button are there only while it is pressed; else they stop at it', () => {
    const [open] = pathsOf('night-bell', ['2']).filter(({ steps }) =>
      JSON.stringify(steps[0]).includes('"2"'),
    );
    expect(open!.isComplete).toBe(false);
    expect(open!.steps.at(-1)).toMatchObject({ type: 'stops', because: { blockedBy: 'S1' } });
    const held = pathsOf('night-bell', ['2'], ['S1']).filter(({ isComplete }) => isComplete);
    expect(held.map(passed)).toContain('S1');
  });

  test('of branches that meet again are all listed', () => {
    const read = readWiring(
      'ref,kind,value,leg,at\nU1,board,learner-5v,,\nR1,resistor,1k,1,U1.5V\nR1,resistor,1k,2,\nR2,resistor,1k,1,R1.1\nR2,resistor,1k,2,R1.2\nR3,resistor,1k,1,R1.2\nR3,resistor,1k,2,U1.GND\n',
    );
    if (!read.ok) throw new Error(read.problems[0]?.message);
    const paths = currentPathsFrom(new Circuit(read.value), {
      type: 'pin',
      ref: ref('U1'),
      pin: '5V',
    });
    expect(paths.map(passed)).toEqual(['R1 R3', 'R2 R3']);
  });
});
