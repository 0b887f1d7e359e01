import fc from 'fast-check';
import { expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { ref } from '../../brand';
import { rehearse } from '../../rehearsal/rehearse';
import { grammars } from '../../testing/beacon';
import { compileProgram } from '..';

const board = [...shippedBoards.values()].find(({ language }) => language.default === 'python')!;
const wiring = { board: { ref: ref('U1'), profile: board }, breadboards: [], parts: [] };

const HEAD = `import time
import board
import digitalio

lamp = digitalio.DigitalInOut(board.D13)
lamp.direction = digitalio.Direction.OUTPUT
button = digitalio.DigitalInOut(board.D2)
button.switch_to_input(pull=digitalio.Pull.UP)
`;
const sleeping = (wait: number, on: number): string => `${HEAD}
while True:
    lamp.value = True
    time.sleep(${on / 1000})
    lamp.value = False
    time.sleep(${wait / 1000})
`;
const following = (wait: number): string => `${HEAD}
while True:
    lamp.value = not button.value
    time.sleep(${wait / 1000})
`;
const clock = (wait: number, on: number): string => `${HEAD}
last = time.monotonic()
while True:
    if time.monotonic() - last >= (${on / 1000} if lamp.value else ${wait / 1000}):
        last = time.monotonic()
        lamp.value = not lamp.value
`;
const waiting = (wait: number, on: number): string => `${HEAD}
def hold(seconds):
    since = time.monotonic()
    while time.monotonic() - since < seconds:
        pass

while True:
    lamp.value = True
    hold(${on / 1000})
    lamp.value = False
    hold(${wait / 1000})
`;

test('passes that change nothing are skipped, and the trace is the very same', () => {
  const run = (source: string, skip: boolean) => {
    const { compiled, problems } = compileProgram(source, board, grammars, 'python');
    if (!compiled) throw new Error(problems.map(({ message }) => message).join('\n'));
    return rehearse(compiled, wiring, board, { seconds: 0.4, skip });
  };
  fc.assert(
    fc.property(
      fc.constantFrom(sleeping, following, clock, waiting),
      fc.integer({ min: 1, max: 90 }),
      fc.integer({ min: 1, max: 90 }),
      (write, wait, on) => {
        const source = write(wait, on);
        const [fast, plain] = [run(source, true), run(source, false)];
        expect([...fast.pins]).toEqual([...plain.pins]);
        expect([...fast.reads.keys()]).toEqual([...plain.reads.keys()]);
        expect(fast.ended.at).toBe(plain.ended.at);
        expect(fast.steps).toBeLessThanOrEqual(plain.steps);
      },
    ),
    { numRuns: 40, seed: 5 },
  );
}, 60_000);
