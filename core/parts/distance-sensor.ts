import { legName } from '../brand';
import { defineKind, rowOfLegs, type Leg } from './kind';
import { anyNote, input, load, moduleRatings, output, substrate, supplyPair, vcc } from './module';

const trigger = legName('trig');
const echo = legName('echo');
const legs: readonly Leg[] = [
  supplyPair[0],
  { name: trigger, title: 'trigger pin', role: 'input', knownBy: 'the print beside it', mark: 'T' },
  { name: echo, title: 'echo pin', role: 'output', knownBy: 'the print beside it', mark: 'E' },
  supplyPair[1],
];

/** Speed of sound in air of 20 °C, in m/s. */
const SOUND = 343;
/** Seconds from the end of the trigger pulse until the burst is out and the echo line rises. */
const BURST_SECONDS = 0.00045;
/** The farthest that it hears, in m; beyond, the echo line stays up for a fixed time. */
const FARTHEST = 4;
const NO_ECHO_SECONDS = 0.038;
const HIGH_VOLTS = 2;

export const distanceSensor = defineKind({
  kind: 'distance-sensor',
  alsoTyped: ['ultrasonic-sensor'],
  alsoSaid: ['ultrasonic', 'ultrasonic distance sensor', 'sonar'],
  prefix: 'X',
  title: 'distance sensor',
  legs,
  footprint: rowOfLegs(legs),
  ratings: moduleRatings(4.5, 5.5),
  stimulus: 'distance',
  body: 'module',
  sign: 'box',
  spokenTo: () => 'pulse',
  codeWords: ['distance'],
  hazards: ['Its echo pin gives 5 V: a 3.3 V board needs a divider there.'],
  readValue: anyNote,
  elements: (_, { echoing }) => [
    load(5, 15),
    ...input(trigger),
    output(echo, echoing ? 5 : 0),
    substrate(echo),
  ],
  behave: () => {
    let triggered = false;
    return (volts, { metres, echoing }) => {
      const high = (volts(trigger) ?? 0) >= HIGH_VOLTS && (volts(vcc) ?? 0) >= HIGH_VOLTS;
      const released = triggered && !high;
      triggered = high;
      if (!released || echoing) return [];
      const there = metres <= FARTHEST ? (2 * metres) / SOUND : NO_ECHO_SECONDS;
      return [
        { afterSeconds: BURST_SECONDS, state: { echoing: true } },
        { afterSeconds: BURST_SECONDS + there, state: { echoing: false } },
      ];
    };
  },
  describe: () => 'distance sensor',
});
