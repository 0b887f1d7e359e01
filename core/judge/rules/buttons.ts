import { placesOf } from '../places';
import type { Observation } from '../../findings/finding';
import { isContact, kindOf } from '../../parts';
import type { NodeId } from '../../wiring/netlist';
import type { PlacedPart } from '../../wiring/wiring';
import { partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { capital } from '../../words/words';

const contactsOf = (built: Built): readonly PlacedPart[] =>
  built.circuit.parts.filter((part) => isContact(part));

/** Whether something else than the part itself is on a node. */
const isUsed = ({ circuit }: Built, node: NodeId, part: PlacedPart): boolean =>
  circuit.node(node).pins.length > 0 || circuit.partsAt(node).some((other) => other !== part);

/** Strips of one pair of joined legs that something else is plugged into, or that lead on by themselves. */
function usedStrips({ circuit }: Built, part: PlacedPart, legs: readonly number[]): number {
  const places = new Map(
    legs.flatMap((index) => {
      const at = part.legs[index]!.at;
      return at ? [[circuit.stripAt(at)!, at] as const] : [];
    }),
  );
  return [...places.values()].filter(
    (at) => at.type !== 'hole' || circuit.partsInStrip(at).some((other) => other !== part),
  ).length;
}

/** Buttons of which the two used legs are the pair that is joined inside. */
export const buttonAlwaysClosed: WiringRule = (built) =>
  contactsOf(built)
    .filter((part) => kindOf(part.kind).contact === 'momentary')
    .flatMap((part): readonly Observation[] => {
      const [first, , third] = built.circuit.nodesOf(part);
      if (first === third) return [];
      const pairs = [
        { node: first!, legs: [0, 1] },
        { node: third!, legs: [2, 3] },
      ];
      const pair = pairs.find(
        ({ node, legs }, index) =>
          isUsed(built, node, part) &&
          !isUsed(built, pairs[1 - index]!.node, part) &&
          usedStrips(built, part, legs) > 1,
      );
      if (!pair) return [];
      const names = pair.legs.map((index) => index + 1).join(' and ');
      return [
        {
          code: 'button-always-closed',
          severity: 'fault',
          refs: [part.ref],
          at: placesOf(part),
          message: `${capital(partText(part))} is wired at its legs ${names}. Inside, these two are one piece of metal, so the button is always closed, pressed or not.`,
          hints: [
            `Which legs of the button are joined inside, and which only while you press?`,
            `Legs ${names} of ${part.ref} are joined inside; the gap is between legs 1 and 3.`,
            `Move one of the wires to the row of leg ${pair.legs[0] === 0 ? 3 : 1}, two rows further along.`,
          ],
        },
      ];
    });

/** Buttons and switches whose contact has nothing on one side. */
export const buttonNeverCloses: WiringRule = (built) =>
  contactsOf(built).flatMap((part): readonly Observation[] => {
    const nodes = built.circuit.nodesOf(part);
    const used = nodes.map((node) => isUsed(built, node, part));
    if (!used.some(Boolean)) return [];
    const isButton = kindOf(part.kind).contact === 'momentary';
    const reason = isButton ? idleButton(built, part, nodes, used) : idleSwitch(used);
    if (reason === undefined) return [];
    return [
      {
        code: 'button-never-closes',
        severity: 'fault',
        refs: [part.ref],
        at: placesOf(part),
        message: `${capital(partText(part))} changes nothing: ${reason}`,
        hints: [
          `Follow the current into ${part.ref} and out again. Where does it come out?`,
          `${capital(reason)}`,
          isButton
            ? `Put the second wire of ${part.ref} into the row of a leg on the other side of the button.`
            : `Use the middle leg of ${part.ref} and one outer leg.`,
        ],
      },
    ];
  });

function idleButton(
  built: Built,
  part: PlacedPart,
  nodes: readonly NodeId[],
  used: readonly boolean[],
): string | undefined {
  if (nodes[0] === nodes[2]) return undefined;
  if (used[0] && used[2]) return undefined;
  if (usedStrips(built, part, used[0] ? [0, 1] : [2, 3]) > 1) return undefined;
  return `nothing is connected to its legs ${used[0] ? '3 and 4' : '1 and 2'}.`;
}

function idleSwitch(used: readonly boolean[]): string | undefined {
  const [one, common, two] = used;
  if (common) return one || two ? undefined : 'neither of its outer legs is connected.';
  return one && two
    ? 'only its two outer legs are used, and they never connect.'
    : 'nothing is connected to its middle leg.';
}
