import { describe, expect, test } from 'vitest';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip } from '../testing/said-slips';

const PROGRAM = `import time
import board
import digitalio
led = digitalio.DigitalInOut(board.D7)
led.direction = digitalio.Direction.OUTPUT
while True:
    led.value = not led.value
    time.sleep(0.5)
`;
const exercise = exerciseSaid({
  id: 'dead',
  board: 'python-3v3',
  lines: ['blue LED on 7'],
  program: PROGRAM,
  scenarios: [{ name: 'blinks', lasts: 5, done: [], seen: ['D1 lit 0.5 s, dark 0.5 s'] }],
});

describe('a program that ends before it lights anything', () => {
  test.each([
    ['a module is not imported', 'import time\n', ''],
    ['a name is not known', 'not led.value', 'not lamp.value'],
    ['it never switches it on', 'not led.value', 'False'],
  ])('says nothing of volts that are there: %s', (_, was, by) => {
    const { findings } = reportOnSlip(exercise, { program: (source) => source.replace(was, by) });
    expect(findings.map(({ code }) => code)).not.toContain('headroom');
    expect(findings.filter(({ cause }) => cause)[0]?.repair).toBeDefined();
  });
});
