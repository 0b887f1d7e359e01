import { quantity, type Observation } from '../findings/finding';
import { kindOf } from '../parts';
import type { Trace } from '../rehearsal/trace';
import { isPress, type Stimulus } from '../stimuli';
import { seconds } from '../units';
import type { Circuit } from '../wiring/circuit';

/** A press that is made and let go again while no line looks at the button. */
export interface BlindPress {
  readonly button: string;
  /** When it is made, in seconds. */
  readonly at: number;
  /** The line that reads the button at other times. */
  readonly line: number;
  /** The time in which that line does not, in seconds. */
  readonly blind: { readonly from: number; readonly to: number };
}

/** Presses of a run that its program misses because it looks too seldom; none of a button that it never reads. */
export const blindPresses = (
  { reads }: Pick<Trace, 'reads'>,
  stimuli: readonly Stimulus[],
  circuit: Circuit,
): readonly BlindPress[] =>
  [...reads].flatMap(([pin, { how, line, gaps }]) => {
    const node = circuit.nodeOfPin(pin);
    const button =
      how === 'digital' && node
        ? circuit.partsAt(node.id).find(({ kind }) => kindOf(kind).stimulus === 'press')
        : undefined;
    if (!button) return [];
    return stimuli.filter(isPress).flatMap(({ press, at, for: held }) => {
      if (press !== button.ref || held === undefined) return [];
      const blind = gaps.find((gap) => at > gap.from && at + held < gap.to);
      return blind ? [{ button: button.ref, at, line, blind }] : [];
    });
  });

/** That a line looks at a button too seldom: `comesOfIt` ends the sentence, behind the time in which it does not look. */
export function tooSeldom(
  { button, line, blind }: Omit<BlindPress, 'at'>,
  comesOfIt: string,
  hintsOf: (length: string) => Observation['hints'],
): Observation {
  const length = blind.to - blind.from;
  return {
    code: 'missed-input',
    severity: 'fault',
    refs: [button],
    line,
    column: 1,
    message: `Line ${line} only checks ${button} now and then: from ${seconds(blind.from)} it doesn’t check for ${seconds(length)}, ${comesOfIt}`,
    hints: hintsOf(seconds(length)),
    evidence: { blindS: quantity(length, 's') },
  };
}
