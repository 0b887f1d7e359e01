import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { metronome } from '../testing/own-slips/metronome';
import { replaced, reportOnSlip } from '../testing/said-slips';

const exercise = exerciseSaid(metronome.said);
const READS = '  int bpm = map(analogRead(pot), 0, 1023, 60, 180);\n';
const reported = (...pairs: readonly (readonly [string, string])[]) =>
  reportOnSlip(exercise, { program: replaced(...pairs) });

describe('what is read once though the exercise’s program reads it again and again', () => {
  test('is worth a remark where nobody touches it', () => {
    const { verdict, findings } = reported(
      [READS, ''],
      ['void setup() {', `${READS.trim()}\nvoid setup() {`],
    );
    expect(verdict).toBe('as-drawn');
    expect(findings.map(({ code, severity }) => [code, severity])).toEqual([['missed-input', 'advice']]);
    expect(findings[0]!.message).toMatch(/reads P1 only once, as the program starts/);
  });

  test('is nothing to say of the exercise’s own program', () => {
    expect(reported().findings).toEqual([]);
  });
});

test('a brightness out of range is told once, with what to write', () => {
  const { findings } = reported(['  digitalWrite(led, HIGH);', '  analogWrite(led, 600);']);
  const told = findings.filter(({ code }) => code === 'out-of-range');
  expect(told.map(({ repair }) => repair?.text)).toEqual([
    expect.stringMatching(/^Write 255 in line \d+\.$/),
  ]);
});

test('what is made anew in each round is not said to keep its first value', () => {
  const { findings } = reported(['60000UL / bpm', '60000UL / bpm / 3']);
  expect(findings.filter(({ cause }) => cause)).not.toEqual([]);
  expect(findings.filter(({ message }) => message.includes('keeps its first value'))).toEqual([]);
});
