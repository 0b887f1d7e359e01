import { quantity, type Observation } from '../../findings/finding';
import { isContact, kindOf } from '../../parts';
import { touchedBy } from '../../stimuli';
import { seconds } from '../../units';
import type { PlacedPart } from '../../wiring/wiring';
import { blindPresses, tooSeldom } from '../blind-presses';
import type { Built, BuiltRunRule } from '../subject';

const partsAt = (pin: string, { circuit }: Built): readonly PlacedPart[] => {
  const node = circuit.nodeOfPin(pin);
  return node ? circuit.partsAt(node.id) : [];
};

/** Pins behind a button to ground that nothing pulls up, inside the board or outside. */
export const pullupUnset: BuiltRunRule = ({ trace }, { wording }, built) =>
  trace.floatingReads.flatMap(({ pin, how, line }): readonly Observation[] => {
    const parts = partsAt(pin, built);
    const button = parts.find((part) => isContact(part));
    if (how !== 'digital' || !button || !leadsToGround(button, pin, built)) return [];
    return [
      {
        code: 'pullup-unset',
        severity: 'fault',
        refs: [button.ref],
        line,
        column: 1,
        message: `Line ${line} reads pin ${pin}, but that pin floats while ${button.ref} is open: its pull-up is not switched on.`,
        hints: [
          `What does pin ${pin} read while ${button.ref} is open?`,
          `${button.ref} joins pin ${pin} to ground while it is closed; while it is open, nothing holds the pin high.`,
          wording.pullUp(pin),
        ],
      },
    ];
  });

const leadsToGround = (button: PlacedPart, pin: string, { circuit }: Built): boolean =>
  circuit
    .nodesOf(button)
    .some((node) => node !== circuit.nodeOfPin(pin)?.id && circuit.side(node) === 'ground');

/** Seconds that are the start of a program to whoever watches. */
const AT_THE_START = 0.2;
/** Seconds from which on a pause is one in which nobody would look at a button. */
const LONG_WAIT = 1;

/**
 * What a program looks at once, as it starts, and what is then done to it unseen. Where nothing is done to it, that is worth
 * saying if the exercise's own program goes on looking.
 */
export const readOnce: BuiltRunRule = ({ trace, stimuli, isReadAgain }, { wording }, built) =>
  [...trace.reads].flatMap(([pin, { looks, line, firstAt }]): readonly Observation[] => {
    const part = partsAt(pin, built).find(({ kind }) => kindOf(kind).stimulus !== undefined);
    // A program that an error has stopped looks at nothing any more, whatever it would have done.
    if (!part || looks > 1 || trace.failure) return [];
    const missed = stimuli.find(
      (stimulus) => stimulus.at > firstAt && touchedBy(stimulus)?.name === (part.ref as string),
    );
    if (!missed && !isReadAgain(part.ref)) return [];
    const told = {
      code: 'missed-input' as const,
      severity: missed ? ('fault' as const) : ('advice' as const),
      refs: [part.ref],
      line,
      column: 1,
    };
    const wait = trace.pauses.find(
      (pause) => pause.at >= firstAt && pause.at + pause.seconds >= trace.seconds,
    );
    if (wait && wait.seconds >= LONG_WAIT)
      return [
        {
          ...told,
          message: `Line ${line} reads ${part.ref} only every ${seconds(wait.seconds)}, because line ${wait.line} waits that long. What happens to ${part.ref} meanwhile is missed.`,
          hints: [
            `How long does the program wait before it looks at ${part.ref} again?`,
            `Line ${wait.line} waits for ${seconds(wait.seconds)}. In that time nobody looks at ${part.ref}.`,
            `Make the pause in line ${wait.line} much shorter, such as 10 milliseconds.`,
          ],
          evidence: { waitsS: quantity(wait.seconds, 's') },
        },
      ];
    return [
      {
        ...told,
        message: `Line ${line} reads ${part.ref} only once, ${firstAt < AT_THE_START ? 'as the program starts' : `at ${seconds(firstAt)}`}, and never again. What happens to ${part.ref} after that is missed.`,
        hints: [
          `How often does the program look at ${part.ref}?`,
          `Line ${line} is the only one that reads ${part.ref}, and it runs once.`,
          `Move the reading from line ${line} ${wording.again}.`,
        ],
        evidence: { readAtS: quantity(firstAt, 's') },
      },
    ];
  });

/** Presses that are made and let go again while nobody looks at the button, though the exercise's own program does. */
export const missedInput: BuiltRunRule = ({ trace, stimuli, isMissedAnyway }, { wording }, built) =>
  blindPresses(trace, stimuli, built.circuit)
    .filter(({ button, at }) => !isMissedAnyway(button, at))
    .map((press) =>
      tooSeldom(press, 'and a press in that time is missed.', (length) => [
        `What does the program do between two checks of ${press.button}?`,
        `For ${length} the program waits and doesn’t check ${press.button}.`,
        `Use the clock, ${wording.clock}, instead of long delays, so that line ${press.line} runs every time round the loop.`,
      ]),
    );
