import fc from 'fast-check';
import { expect, test } from 'vitest';
import { shippedBoards } from '../../boards';
import { ref } from '../../brand';
import { rehearse } from '../../rehearsal/rehearse';
import { grammars } from '../../testing/beacon';
import { samples } from '../../testing/samples';
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
const named = (wait: number, on: number): string => `${HEAD}
last = time.monotonic()
while True:
    now = time.monotonic()
    if now - last >= (${on / 1000} if lamp.value else ${wait / 1000}):
        last = now
        lamp.value = not lamp.value
`;
const turnedRound = (wait: number, on: number): string => `${HEAD}
EVERY = ${wait * 1e6}
next_turn = time.monotonic_ns() + EVERY
while True:
    now = time.monotonic_ns()
    if next_turn <= now:
        next_turn = now + EVERY
        lamp.value = not lamp.value
    if ${on / 1000} > time.monotonic() and not button.value:
        lamp.value = False
`;
/** The time of the pass before is read at the beginning of the next: it is no clock of the pass. */
const stale = (wait: number): string => `${HEAD}
now = time.monotonic()
last = now
while True:
    if now - last > ${wait / 1000}:
        last = now
        lamp.value = not lamp.value
    now = time.monotonic()
`;
/** What looks like the time and is something else. */
const ownClock = (wait: number): string => `${HEAD}
turns = 0
def monotonic():
    global turns
    turns += 1
    return turns
while True:
    if monotonic() > ${wait}:
        turns = 0
        lamp.value = not lamp.value
`;
/** How the time is used beyond comparing. */
const calculated = (wait: number): string => `${HEAD}
while True:
    now = time.monotonic()
    lamp.value = int(now * 1000) // ${wait} % 2 == 0
`;

test('passes that change nothing are skipped, and the trace is the very same', () => {
  const run = (source: string, skip: boolean) => {
    const { compiled, problems } = compileProgram(source, board, grammars, 'python');
    if (!compiled) throw new Error(problems.map(({ message }) => message).join('\n'));
    return rehearse(compiled, wiring, board, { seconds: 0.3, skip });
  };
  fc.assert(
    fc.property(
      fc.constantFrom(sleeping, following, clock, waiting, named, turnedRound, stale, ownClock, calculated),
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
    { numRuns: samples(250), seed: 5 },
  );
}, 60_000);

test.each([
  ['the clock in the comparison', clock],
  ['a name for the time of the pass', named],
  ['sides turned round, in thousand-millionths', turnedRound],
  ['a wait in a function', waiting],
])('%s leaves nearly all passes out', (_, write) => {
  const { compiled } = compileProgram(write(80, 60), board, grammars, 'python');
  const { steps } = rehearse(compiled!, wiring, board, { seconds: 10 });
  expect(steps).toBeLessThan(100_000);
});
