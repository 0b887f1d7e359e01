import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip, withoutParts } from '../testing/said-slips';

const running = exerciseSaid({
  id: 'running',
  board: 'learner-5v',
  lines: ['shift register on 11, 8, 12', 'red LED on X1.Q0', 'red LED on X1.Q1', 'red LED on X1.Q2'],
  program: `void show(byte pattern) {
  digitalWrite(12, LOW);
  shiftOut(11, 8, MSBFIRST, pattern);
  digitalWrite(12, HIGH);
}
void setup() {
  pinMode(11, OUTPUT);
  pinMode(12, OUTPUT);
  pinMode(8, OUTPUT);
}
void loop() {
  for (int i = 0; i < 3; i++) {
    show(1 << i);
    delay(300);
  }
}
`,
  scenarios: [
    { name: 'runs', lasts: 5, done: [], seen: ['D1 is lit 0.3 s, dark 0.6 s', 'D1, then D2, then D3'] },
  ],
});
const findingsWithout = (ref: string) => {
  const report = reportOnSlip(running, { rows: withoutParts(ref) });
  return {
    passed: hasPassed(report.verdict) && report.verdict !== 'works-at-risk',
    findings: report.findings,
  };
};

describe('a module whose supply or ground leg reaches none', () => {
  test('is told so, though it runs on what comes in through its other pins', () => {
    const wires = running.reference.parts.filter(({ kind }) => kind === 'wire');
    const told = wires.filter(({ ref }) => {
      const { passed, findings } = findingsWithout(ref);
      const isOfGround = findings.some(({ code, at }) => code === 'no-return' && at.includes('X1.gnd'));
      const isOfSupply = findings.some(({ code, at }) => code === 'leg-open' && at.includes('X1.vcc'));
      if (isOfGround || isOfSupply) expect(passed, ref).toBe(false);
      return isOfGround || isOfSupply;
    });
    expect(told.length).toBeGreaterThanOrEqual(1);
  });

  test('and is not where it has both', () => {
    const { passed, findings } = findingsWithout('none');
    expect(passed).toBe(true);
    expect(findings.filter(({ code }) => code === 'no-return' || code === 'leg-open')).toEqual([]);
  });
});
