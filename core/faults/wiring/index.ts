import type { Exercise } from '../../formats/exercise';
import { readWiring } from '../../wiring/read';
import { writeTable } from '../../wiring/table';
import type { Fault } from '../fault';
import { endSlips } from './ends';
import { exchangeSlips } from './exchanged';
import { partSlips } from './parts';
import { Bench, type WiringSlip } from './slip';

const slips: readonly WiringSlip[] = [...endSlips, ...partSlips, ...exchangeSlips];

/** Slips of a hand at the breadboard, one at a time, made in an exercise's own layout wherever a hand can make them. */
export function* wiringFaults(exercise: Exercise): Generator<Fault> {
  const bench = new Bench(exercise);
  const { program } = exercise.data;
  for (const { sort, codes, made } of slips)
    for (const slipped of made(bench))
      // What a hand can't do is no slip: two legs in one hole, a leg that does not reach.
      if (readWiring(writeTable(slipped.wiring)).ok) yield { sort, codes, program, ...slipped };
}
