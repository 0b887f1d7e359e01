import { isContact, kindOf } from '../../parts';
import { quantity, type Observation } from '../../finding';
import type { Stimulus } from '../../formats/scenario';
import type { Trace } from '../../rehearsal/trace';
import { seconds } from '../../units';
import type { Wording } from './wording';
import { nodeOfPin, type Netlist } from '../../wiring/netlist';
import type { PlacedPart, Wiring } from '../../wiring/wiring';
import type { BoardProfile } from '../../boards';

/** What lies on the node of a pin. */
interface At {
  readonly netlist: Netlist;
  readonly wiring: Wiring;
  readonly board: BoardProfile;
}

const partsAt = (pin: string, { netlist, wiring }: At): readonly PlacedPart[] => {
  const node = netlist.nodes.find(({ id }) => id === nodeOfPin(netlist, pin));
  return wiring.parts.filter((part) => node?.terminals.some(({ ref }) => ref === part.ref));
};

/** Pins behind a button to ground that nothing pulls up, inside the board or outside. */
export function pullupUnset(trace: Trace, at: At, wording: Wording): readonly Observation[] {
  return trace.floatingReads.flatMap(({ pin, how, line }): readonly Observation[] => {
    const parts = partsAt(pin, at);
    const button = parts.find((part) => isContact(part));
    if (how !== 'digital' || !button || !leadsToGround(button, pin, at)) return [];
    return [
      {
        code: 'pullup-unset',
        severity: 'fault',
        refs: [button.ref],
        line,
        column: 1,
        message: `Line ${line} reads pin ${pin}, but nothing holds that pin while ${button.ref} is open: its pull-up is not switched on.`,
        hints: [
          `What does pin ${pin} read while ${button.ref} is not pressed?`,
          `${button.ref} joins pin ${pin} to ground when it is pressed; nothing holds the pin high when it is not.`,
          wording.pullUp(pin),
        ],
      },
    ];
  });
}

function leadsToGround(button: PlacedPart, pin: string, { netlist, board }: At): boolean {
  const here = nodeOfPin(netlist, pin);
  const grounds = board.supplies.filter(({ role }) => role === 'ground').map(({ name }) => name);
  return netlist.nodes.some(
    ({ id, pins, terminals }) =>
      id !== here &&
      pins.some((name) => grounds.includes(name)) &&
      terminals.some(({ ref }) => ref === button.ref),
  );
}

/** Presses that are made and let go again while nobody looks at the button. */
export function missedInput(
  trace: Trace,
  at: At,
  stimuli: readonly Stimulus[],
  wording: Wording,
): readonly Observation[] {
  return [...trace.reads].flatMap(([pin, { how, line, gaps }]): readonly Observation[] => {
    const button = partsAt(pin, at).find((part) => kindOf(part.kind).stimulus === 'press');
    if (how !== 'digital' || !button) return [];
    const presses = stimuli.flatMap((stimulus) =>
      'press' in stimulus && stimulus.press === button.ref && stimulus.for !== undefined
        ? [{ from: stimulus.at, to: stimulus.at + stimulus.for }]
        : [],
    );
    const blind = gaps.find((gap) => presses.some((press) => press.from > gap.from && press.to < gap.to));
    if (!blind) return [];
    const length = blind.to - blind.from;
    return [
      {
        code: 'missed-input',
        severity: 'fault',
        refs: [button.ref],
        line,
        column: 1,
        message: `Line ${line} looks at ${button.ref} only from time to time: from ${seconds(blind.from)} on nobody looks for ${seconds(length)}, and a press in that time is lost.`,
        hints: [
          `What does the program do between two looks at ${button.ref}?`,
          `For ${seconds(length)} the program waits and does not look at ${button.ref}.`,
          `Use the clock, ${wording.clock}, instead of long pauses, so that line ${line} runs at every turn.`,
        ],
        evidence: { blindS: quantity(length, 's') },
      },
    ];
  });
}
