import { ref } from '../brand';
import { checkExpectation, type Expectation, type Observed, type Outcome } from '../expectations';
import { seenIntervals } from '../rehearsal/seen';
import type { Trace } from '../rehearsal/trace';
import { beacon } from './beacon';

/** A run in which LEDs carry these currents from these moments on. */
export function observe(
  expectation: Expectation,
  leds: Readonly<Record<string, readonly (readonly [at: number, currentMa: number])[]>>,
  seconds = 12,
  serial = '',
  ended: Trace['ended'] = { reason: 'time', at: seconds, line: 1 },
): Outcome {
  const trace: Trace = {
    seconds,
    pins: new Map(),
    leds: new Map(),
    ownLights: new Map(),
    turns: new Map(),
    pulls: new Map(),
    sounds: new Map(),
    angles: new Map(),
    pictures: new Map(),
    texts: new Map(),
    reads: new Map(),
    floatingReads: [],
    interruptPins: new Map(),
    deadInterrupts: [],
    beyondPins: [],
    stuckInInterrupt: undefined,
    failure: undefined,
    serial: serial === '' ? [] : [{ at: 1, text: serial }],
    pauses: [],
    states: [],
    undirected: [],
    serialStarted: serial !== '',
    serialRate: 9600,
    serialLine: undefined,
    unknownPins: [],
    silentErrors: [],
    solutions: 0,
    steps: 0,
    ended,
  };
  const observed: Observed = {
    wiring: beacon.reference,
    asked: beacon.reference,
    trace,
    stimuli: [],
    listensAt: undefined,
    currents: (led) => leds[led]?.map(([at, currentMa]) => ({ at, currentMa })),
    again: () => observed,
    seen: (led) =>
      leds[led] &&
      seenIntervals(
        leds[led].map(([at, currentMa]) => ({ at, currentMa })),
        seconds,
      ),
    builtPin: (pin) => pin,
    builtRef: (led) => (leds[led] ? ref(led) : undefined),
  };
  return checkExpectation(expectation, observed);
}

/** Flashes over and over: lit, dark, lit, dark. */
export const flashes = (
  on: number,
  off: number,
  seconds = 12,
  currentMa = 8,
): (readonly [number, number])[] => {
  const changes: (readonly [number, number])[] = [];
  for (let at = 0; at < seconds; at += on + off) changes.push([at, currentMa], [at + on, 0]);
  return changes;
};
