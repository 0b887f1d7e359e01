import { describe, expect, test } from 'vitest';
import { prepareBench, type PinDrive } from '../electrics/bench';
import { readWiring } from '../wiring/read';
import { Circuit } from '../wiring/circuit';
import { titleOf, writeSpice } from './spice';

function spice(rows: string, drives: Readonly<Record<string, PinDrive['mode']>> = {}): string {
  const read = readWiring(`ref,kind,value,leg,at\n${rows}`);
  if (!read.ok) throw new Error(read.problems[0]?.message);
  const bench = prepareBench(new Circuit(read.value));
  return writeSpice(
    bench,
    new Map(Object.entries(drives).map(([pin, mode]) => [pin, { mode } as PinDrive])),
    titleOf(read.value),
  );
}

const cards = (text: string, letter: string): readonly string[] =>
  text.split('\n').filter((line) => line.startsWith(letter));

describe('a netlist', () => {
  test('of a battery and a resistor has a source behind its inner resistance', () => {
    const text = spice(
      'G1,battery,9V,plus,\nG1,battery,9V,minus,\nR1,resistor,470,1,G1.plus\nR1,resistor,470,2,G1.minus\n',
    );
    expect(cards(text, 'V')).toEqual(['VG1_0 s_G1_0 0 9']);
    expect(cards(text, 'RG1')).toEqual(['RG1_0 s_G1_0 n0 1.5']);
    expect(cards(text, 'RR1')).toEqual(['RR1_1 n0 0 470']);
  });

  test('has drivers as resistors to supply or ground, and both clamps of every wired pin', () => {
    const text = spice('U1,board,learner-5v,,\nR1,resistor,330,1,U1.13\nR1,resistor,330,2,U1.12\n', {
      13: 'high',
      12: 'low',
    });
    expect(cards(text, 'Rpin_13')[0]).toMatch(/^Rpin_13_\d+ x\d+ n0 25$/);
    expect(cards(text, 'Rpin_12')[0]).toMatch(/^Rpin_12_\d+ n1 0 25$/);
    expect(cards(text, 'Dclamp')).toHaveLength(4);
  });

  test('shares one model among equal LEDs, and has transistors and capacitors as themselves', () => {
    const text = spice(
      'U1,board,learner-5v,,\nD1,led,red,anode,U1.5V\nD2,led,red,anode,U1.13\nQ1,transistor-npn,,base,U1.9\nC1,capacitor,100n,1,U1.8\n',
    );
    const [one, two] = cards(text, 'DD');
    expect(one!.split(' ').at(-1)).toBe(two!.split(' ').at(-1));
    expect(cards(text, 'QQ1')[0]).toMatch(/^QQ1_\d+ n\d+ n\d+ n\d+ m\d+$/);
    expect(cards(text, 'CC1')[0]).toMatch(/ 1e-7$/);
    expect(cards(text, '.model').filter((line) => line.includes('NPN(IS=1e-14 BF=150 BR=4)'))).toHaveLength(
      1,
    );
  });

  test('names every point of the wiring in a comment, on lines of their own', () => {
    const text = spice(
      'U1,board,learner-5v,,\nB1,breadboard,half,,\nR1,resistor,330,1,B1.a5\nR1,resistor,330,2,B1.a9\n',
    );
    expect(text).toMatch(/^\* n0: R1\.1 B1\.a5$/m);
    expect(text).toMatch(/^\* n1: R1\.2 B1\.a9$/m);
    expect(text.startsWith('* ')).toBe(true);
    expect(text.trimEnd().endsWith('.end')).toBe(true);
  });
});
