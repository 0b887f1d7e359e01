import { describe, expect, test } from 'vitest';
import { exerciseFrom } from '../formats/exercise';
import { readWiring } from '../wiring/read';
import { inspect } from './inspect';

const HEAD = 'ref,kind,value,leg,at\nU1,board,learner-5v,,\nB1,breadboard,half,,\n';
const wire = (name: string, from: string, to: string, colour = 'blue') =>
  `${name},wire,${colour},1,${from}\n${name},wire,${colour},2,${to}\n`;
const GROUND = wire('W1', 'U1.GND', 'a-1', 'black');

/** Codes found in a wiring, against an exercise whose reference is `asked`. */
function found(rows: string, asked: string = rows, rules: object = {}, accept?: object): readonly string[] {
  const read = readWiring(HEAD + rows);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const reference = readWiring(HEAD + asked);
  if (!reference.ok) throw new Error(reference.problems[0]?.message);
  const parts = [
    { ref: 'U1', kind: 'board', value: 'learner-5v' },
    ...reference.value.parts
      .filter((part) => part.kind !== 'wire')
      .map(({ ref, kind, value }) => ({
        ref,
        kind,
        value: value.text,
        ...(accept && kind === 'potentiometer' ? { accept } : {}),
      })),
  ];
  const exercise = exerciseFrom({
    format: 'didaktor/exercise@1',
    id: 'trial',
    title: 'Trial',
    board: 'learner-5v',
    parts,
    nets: [],
    layout: HEAD + asked,
    rules,
  });
  if (!exercise.ok) throw new Error(exercise.problems[0]?.message);
  return inspect(exercise.value, read.value).observations.map(({ code }) => code);
}

const button = (name: string, row: number) =>
  ['1', '2', '3', '4']
    .map(
      (leg, index) => `${name},button,,${leg},${index % 2 === 0 ? 'e' : 'f'}${row + (index > 1 ? 2 : 0)}\n`,
    )
    .join('');

const PULLED_DOWN = `${button('S1', 5)}R1,resistor,10k,1,d5\nR1,resistor,10k,2,a-5\n${wire('W2', 'U1.2', 'a5')}${wire('W3', 'U1.5V', 'a7', 'red')}${GROUND}`;

const motorSwitch = (extra: string) =>
  `Q1,transistor-npn,,collector,e5\nQ1,transistor-npn,,base,e6\nQ1,transistor-npn,,emitter,e7\nR1,resistor,1k,1,d6\nR1,resistor,1k,2,d10\n${wire('W2', 'U1.9', 'a10')}${wire('W3', 'a7', 'a-7', 'black')}G1,battery,4x1.5V,plus,j+1\nG1,battery,4x1.5V,minus,j-1\nM1,motor,6V,plus,j+3\nM1,motor,6V,minus,d5\n${wire('W4', 'a-9', 'j-9', 'black')}${GROUND}${extra}`;

describe('inputs', () => {
  test('with a pull-down and a button to the supply are right', () => {
    expect(found(PULLED_DOWN)).toEqual([]);
  });

  test('whose pull-down is missing are told so, and float', () => {
    const codes = found(PULLED_DOWN.replace(/R1.*\n/g, ''), PULLED_DOWN);
    expect(codes).toContain('pull-missing');
    expect(codes).toContain('input-floating');
  });

  test('whose resistor leads to the button’s own side change nothing', () => {
    expect(
      found(
        PULLED_DOWN.replace('a-5', 'a+5').replace('U1.5V,\n', '') + wire('W9', 'a+1', 'b7', 'red'),
        PULLED_DOWN,
      ),
    ).toContain('pull-wrong-way');
  });
});

describe('a motor switched by a transistor', () => {
  const DIODE = 'D1,diode,,anode,c5\nD1,diode,,cathode,c12\n' + wire('W8', 'a12', 'j+12', 'red');

  test('without a diode is a risk', () => {
    expect(found(motorSwitch(''))).toContain('inductive-no-diode');
  });

  test('with a diode across it is not', () => {
    expect(found(motorSwitch(DIODE))).not.toContain('inductive-no-diode');
  });
});

test('many motors on the board’s own supply are too much for it', () => {
  const motors = [1, 2, 3]
    .map((number) => `M${number},motor,5V,plus,a+${number + 3}\nM${number},motor,5V,minus,a-${number + 3}\n`)
    .join('');
  const codes = found(`${motors}${wire('W2', 'U1.5V', 'a+1', 'red')}${GROUND}`);
  expect(codes).toContain('supply-overcurrent');
  expect(codes).toContain('supply-sag');
});

test('bare legs that cross are mentioned', () => {
  const rows = `R1,resistor,330,1,b5\nR1,resistor,330,2,d9\nR2,resistor,330,1,d6\nR2,resistor,330,2,b8\n`;
  expect(found(rows)).toContain('leads-may-touch');
});

describe('wires', () => {
  test.each([
    ['red', 'U1.GND', 'a-1', true],
    ['black', 'U1.5V', 'a+1', true],
    ['red', 'U1.7', 'a9', true],
    ['black', 'U1.GND', 'a-1', false],
    ['red', 'U1.5V', 'a+1', false],
    ['green', 'U1.7', 'a9', false],
  ])('%s from %s mislead: %s %s', (colour, from, to, misleads) => {
    const rows = `${wire('W5', from, to, colour)}R1,resistor,330,1,${to === 'a9' ? 'b9' : to.replace('1', '4')}\nR1,resistor,330,2,c14\n`;
    expect(found(rows).includes('wire-colour')).toBe(misleads);
  });
});

test('a short leg in the rail is advice only where the exercise says so', () => {
  const rows = `D1,led,red,anode,a5\nD1,led,red,cathode,a-5\nR1,resistor,330,1,b5\nR1,resistor,330,2,b9\n${wire('W2', 'U1.7', 'c9')}${GROUND}`;
  expect(found(rows)).not.toContain('layout-convention');
  expect(found(rows, rows, { cathode: 'own-row' })).toContain('layout-convention');
});

test('power into the board outside its range is told with both figures', () => {
  const rows = (value: string) => `G1,battery,${value},plus,U1.VIN\nG1,battery,${value},minus,U1.GND\n`;
  expect(found(rows('9V block'))).toEqual([]);
  expect(found(rows('3V coin'))).toContain('voltage-mismatch');
  expect(found(`G1,battery,9V,plus,U1.5V\nG1,battery,9V,minus,U1.GND\n`)).toContain('voltage-mismatch');
});

describe('the value of a potentiometer', () => {
  const potentiometer = (ohms: string) =>
    ['1,e5', 'wiper,e6', '2,e7'].map((leg) => `P1,potentiometer,${ohms},${leg}\n`).join('') +
    wire('W2', 'U1.A0', 'a6') +
    wire('W3', 'U1.5V', 'a7', 'red') +
    wire('W4', 'a5', 'a-5', 'black') +
    GROUND;

  test('that is not the asked one is another part, unless the exercise accepts it', () => {
    expect(found(potentiometer('100k'), potentiometer('10k'))).toContain('wrong-part');
    expect(found(potentiometer('100k'), potentiometer('10k'), {}, { from: '5k', to: '100k' })).toEqual([]);
  });
});

test('a can with more volts than it stands is a risk', () => {
  const rows = (volts: string) =>
    `G1,supply,${volts},plus,j+1\nG1,supply,${volts},minus,j-1\nC1,electrolytic,100u,plus,j+3\nC1,electrolytic,100u,minus,j-3\n`;
  expect(found(rows('12V'))).toEqual([]);
  expect(found(rows('24V'))).toContain('voltage-mismatch');
});

test('5 V on a pin that nothing drives is no shorted pin; on one that the exercise drives it is', () => {
  const resistor = 'R1,resistor,330,1,b5\nR1,resistor,330,2,b9\n';
  const tied = wire('W5', 'U1.5V', 'U1.7', 'red') + resistor;
  expect(found(tied, resistor)).not.toContain('pin-short');
  expect(
    found(tied, `${wire('W5', 'U1.7', 'a5')}${resistor}${wire('W6', 'U1.GND', 'a9', 'black')}`),
  ).toContain('pin-short');
});
