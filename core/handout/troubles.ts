import { faultsOf } from '../faults/rehearsal';
import type { Fault } from '../faults/fault';
import type { FindingCode } from '../findings/finding';
import { rowOf } from '../findings/table';
import type { Exercise } from '../formats/exercise';
import { buildFor } from '../judge/build';
import { check } from '../judge/check';
import type { Grammars } from '../program';
import type { Wiring } from '../wiring/wiring';

/** A trouble that learners run into, and how it is talked about. */
export interface UsualTrouble {
  readonly title: string;
  /** The first hint, which asks. */
  readonly ask: string;
  readonly repair: string;
}

export interface Troubles {
  readonly usual: readonly UsualTrouble[];
  /** The commonest slip of the hand, for its picture. */
  readonly commonest:
    { readonly wiring: Wiring; readonly refs: readonly string[]; readonly says: string } | undefined;
}

/** Slips that beginners make most, where a class has no record of its own; from what goes wrong at benches. */
const USUAL: readonly FindingCode[] = [
  'off-by-one',
  'polarity-reversed',
  'no-return',
  'part-bypassed',
  'gap-not-crossed',
  'direction-unset',
  'syntax-semicolon',
  'name-case',
];

/**
 * What usually goes wrong in an exercise: slips made in its own build and checked. `seen`: what a class has run into, the
 * most frequent first; `most`: how many are told at most, each of which takes a check.
 */
export function troublesOf(
  exercise: Exercise,
  seen: readonly FindingCode[],
  grammars: Grammars,
  most = 6,
): Troubles {
  const all = faultsOf(exercise);
  const wanted = [...new Set([...seen, ...USUAL])];
  const usual: UsualTrouble[] = [];
  let commonest: Troubles['commonest'];
  for (const code of wanted) {
    if (usual.length >= most) break;
    const fault = all.find(({ codes }) => codes[0] === code);
    const told = fault && whatIsSaid(exercise, fault, grammars);
    if (!fault || !told) continue;
    usual.push({
      title: rowOf(told.code).title,
      ask: told.hints[0],
      repair: told.repair?.text ?? told.hints[2],
    });
    const isOfTheHand = fault.program === exercise.data.program;
    if (isOfTheHand) commonest ??= { wiring: fault.wiring, refs: fault.refs, says: told.message };
  }
  return { usual, commonest };
}

function whatIsSaid(exercise: Exercise, { wiring, program }: Fault, grammars: Grammars) {
  const { findings } = check(exercise, buildFor(exercise, wiring, program, grammars), grammars);
  return findings.find(({ cause }) => cause);
}
