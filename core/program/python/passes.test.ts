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

const everyTime =
  (body: (wait: number, on: number) => string) =>
  (wait: number, on: number): string =>
    `${HEAD}${body(wait, on)}`;
const blinkers = everyTime(
  (wait, on) => `
other = digitalio.DigitalInOut(board.D12)
other.direction = digitalio.Direction.OUTPUT

class Blinker:
    def __init__(self, led, on, off):
        self.led = led
        self.on = on
        self.off = off
        self.next = 0

    def update(self, now):
        left = self.next - now
        if left <= 0:
            self.led.value = not self.led.value
            self.next = now + (self.on if self.led.value else self.off)

blinkers = [Blinker(lamp, ${on / 1000}, ${wait / 1000}), Blinker(other, ${wait / 1000}, 0.05)]
while True:
    now = time.monotonic()
    for blinker in blinkers:
        blinker.update(now)
`,
);
const inFunctions = everyTime(
  (wait) => `
last = 0

def passed(since, now):
    gone = now - since
    return gone * 1000 >= ${wait}

def run():
    global last
    while True:
        now = time.monotonic()
        if passed(last, now):
            last = now
            lamp.value = not lamp.value

run()
`,
);
/** A moment that is kept in every pass, in a name and in an attribute, and read in the next one or later. */
const kept = everyTime(
  (wait, on) => `
class Thing:
    seen = 0

thing = Thing()
turns = 0
while True:
    now = time.monotonic()
    if turns < ${on}:
        thing.seen = now
        until = now + ${wait / 1000}
    if now - thing.seen > ${wait / 1000} or now >= until:
        lamp.value = not lamp.value
        turns = 0
    turns += 1
`,
);
const seenBefore = everyTime(
  (wait) => `
before = time.monotonic()
while True:
    now = time.monotonic()
    lamp.value = now - before > ${wait / 1e6}
    before = now
    if now * 1000 > ${wait}:
        lamp.value = int(now * 10) % 2 == 0
`,
);
const heldDown = everyTime(
  (wait, on) => `
last = time.monotonic()
while True:
    if button.value:
        last = time.monotonic()
    if ${wait / 1000} + last < time.monotonic() or -time.monotonic() > ${on}:
        lamp.value = True
    elif time.monotonic() / 2 > ${on / 1000}:
        lamp.value = not lamp.value
        if lamp.value:
            print(time.monotonic())
`,
);
const inARow = everyTime(
  (wait, on) => `
starts = [0, ${on / 1000}, ${(on + wait) / 1000}]
lit = False
while True:
    now = time.monotonic()
    lit = False
    for place, start in enumerate(starts):
        if start <= now < start + ${wait / 2000}:
            lit = place != 1
    lamp.value = lit
    if max(now, ${wait / 1000}) > ${on / 1000} and now > ${on / 1000}:
        starts = [start + ${(wait + on) / 1000} for start in starts]
`,
);

/** Names that are set and set again in each pass, and what is made anew. */
const setAgain = everyTime(
  (wait, on) => `
note = 0
pair = (0, 0)
while True:
    note = 0
    for value in [button.value, not button.value, False]:
        if value:
            note += 2
    if any(time.monotonic() > limit for limit in (${wait / 1000}, ${(wait + on) / 1000})):
        note = note + 1
    pair = (pair[1], note) if note > 2 else pair
    lamp.value = note > 2 and sum([one for one in pair]) % 2 == 1
    if time.monotonic() > ${on / 500}:
        total = len([1 for _ in range(3) if lamp.value])
        lamp.value = total == 0
`,
);

/** What is made of a reading and kept: time left, whole units, a rest, the reading of the pass before. */
const timeLeft = everyTime(
  (wait, on) => `
start = time.monotonic()
left = 0
while True:
    left = ${wait / 1000} - (time.monotonic() - start)
    if left <= 0:
        start = time.monotonic()
        lamp.value = not lamp.value
    if max(0, left) < ${on / 3000} and not button.value:
        lamp.value = False
`,
);
const wholeUnits = everyTime(
  (wait, on) => `
shown = -1
while True:
    units = int(time.monotonic() * ${on})
    if units != shown:
        shown = units
        lamp.value = units % 2 == 0
    if time.monotonic() % ${(wait + 3) / 1000} < 0.002:
        lamp.value = False
`,
);
const lagging = everyTime(
  (wait, on) => `
before = 0.0
slow = 0
while True:
    now = time.monotonic() * ${on}
    if now - before > ${wait / 100}:
        slow += 1
    before = now
    lamp.value = slow % 2 == 1
`,
);

test('passes that change nothing are skipped, and the trace is the very same', () => {
  const run = (source: string, skip: boolean) => {
    const { compiled, problems } = compileProgram(source, board, grammars, 'python');
    if (!compiled) throw new Error(problems.map(({ message }) => message).join('\n'));
    return rehearse(compiled, wiring, board, { seconds: 0.3, skip });
  };
  fc.assert(
    fc.property(
      fc.constantFrom(
        sleeping,
        following,
        clock,
        waiting,
        named,
        turnedRound,
        stale,
        ownClock,
        calculated,
        blinkers,
        inFunctions,
        kept,
        seenBefore,
        heldDown,
        inARow,
        setAgain,
        timeLeft,
        wholeUnits,
        lagging,
      ),
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
    { numRuns: samples(400), seed: 5 },
  );
});

test.each([
  ['the clock in the comparison', clock],
  ['a name for the time of the pass', named],
  ['sides turned round, in thousand-millionths', turnedRound],
  ['a wait in a function', waiting],
  ['objects that are told the time', blinkers],
  ['functions with names of their own', inFunctions],
  ['time left', timeLeft],
  ['whole units of time', wholeUnits],
])('%s leaves nearly all passes out', (_, write) => {
  const { compiled } = compileProgram(write(80, 60), board, grammars, 'python');
  const stepsOf = (skip: boolean): number =>
    rehearse(compiled!, wiring, board, { seconds: 10, steps: 5_000_000, skip }).steps;
  expect(stepsOf(true)).toBeLessThan(stepsOf(false) / 4);
});
