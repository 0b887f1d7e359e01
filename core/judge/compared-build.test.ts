import { describe, expect, test } from 'vitest';
import { beacon, grammars, LAYOUT, PROGRAM } from '../testing/beacon';
import { readWiring } from '../wiring/read';
import { compareBuild } from './compared-build';
import { differenceSentence } from './compared-runs';

const compare = (layout: string, source: string) => {
  const wiring = readWiring(layout);
  if (!wiring.ok) throw new Error(wiring.problems[0]?.message);
  return compareBuild(beacon, wiring.value, source, grammars);
};
const firstOf = (layout: string, source: string) => compare(layout, source).runs[0]!.first;

describe('a build beside the reference', () => {
  test('is no different when it is the same, or the same under other names', () => {
    for (const [layout, source] of [
      [LAYOUT, PROGRAM],
      [LAYOUT.replaceAll('D1,', 'D7,'), PROGRAM.replaceAll('LAMP', 'beacon')],
      [LAYOUT.replace('U1.13', 'U1.9'), PROGRAM.replace('= 13', '= 9')],
    ] as const) {
      const { runs, lines, parts } = compare(layout, source);
      expect(runs.map(({ first }) => first)).toEqual([undefined]);
      expect(lines).toEqual({ asked: [], built: [] });
      expect(parts).toEqual({ asked: [], built: [] });
    }
  });

  test('shows both runs over each other, the part as the build calls it', () => {
    const [run] = compare(LAYOUT.replaceAll('D1,', 'D7,'), PROGRAM).runs;
    const row = run!.rows.find(({ name }) => name === 'D1')!;
    expect(row.builtName).toBe('D7');
    expect(row.built).toEqual(row.asked);
    expect(row.asked.length).toBeGreaterThan(3);
  });

  test('parts from it where its program does, with the line', () => {
    const first = firstOf(LAYOUT, PROGRAM.replace('delay(500)', 'delay(900)'))!;
    expect(first).toMatchObject({ part: 'D1', asked: 'is dark', built: 'is lit', by: 'program' });
    expect(first.at).toBeCloseTo(0.5, 1);
    expect(PROGRAM.split('\n')[first.askedLine! - 1]).toContain('LOW');
    expect(differenceSentence(first)).toMatch(
      /^At 0\.50 s D1 is dark in the reference and is lit here\. Line \d+ of the reference has just/,
    );
  });

  test('parts from it by its wiring, where the pins do the same', () => {
    const first = firstOf(LAYOUT.replace('B1.a5', 'B1.a4'), PROGRAM)!;
    expect(first).toMatchObject({ asked: 'is lit', built: 'is dark', by: 'wiring' });
    expect(differenceSentence(first)).toContain('it is the wiring');
  });

  test('does not part by what nobody sees', () => {
    expect(
      firstOf(LAYOUT, PROGRAM.replace('delay(500)', 'delay(500); delayMicroseconds(400)')),
    ).toBeUndefined();
  });

  test('has rows without a counterpart for parts that are missing', () => {
    const without = LAYOUT.split('\n')
      .filter((row) => !row.startsWith('D1'))
      .join('\n');
    const { runs, parts } = compare(without, PROGRAM);
    expect(runs[0]!.first).toMatchObject({ part: 'D1', built: 'is not there' });
    expect(runs[0]!.rows[0]).toMatchObject({ builtName: undefined, built: [] });
    expect(parts.asked).toContain('D1');
  });

  test('has no runs when its program cannot be run, and is compared in its lines all the same', () => {
    const { runs, lines } = compare(LAYOUT, PROGRAM.replace('delay(500);', 'dely(500);'));
    expect(runs).toEqual([]);
    expect(lines.built.map((line) => PROGRAM.split('\n')[line - 1])).toEqual([
      expect.stringContaining('delay(500)'),
    ]);
  });

  test('says what was printed otherwise', () => {
    const prints = PROGRAM.replace(
      'void setup() {',
      'void setup() {\n  Serial.begin(9600);\n  Serial.print("light");',
    );
    expect(compare(LAYOUT, prints).runs[0]!.printed).toEqual({ asked: '', built: 'light' });
  });

  test('ends with its limits, whatever the program does', () => {
    const [run] = compare(LAYOUT, 'void setup() {}\nvoid loop() { while (true) { } }').runs;
    expect(run!.first).toMatchObject({ part: 'D1', by: 'program' });
  });
});
