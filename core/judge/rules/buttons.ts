import type { Observation } from '../../finding';
import { isContact, kindOf } from '../../parts';
import type { NodeId } from '../../wiring/netlist';
import { nameOf, type PlacedPart } from '../../wiring/wiring';
import { capital, partText } from '../words';
import { nodeAt, type Rule, type RuleContext } from './context';

const contactsOf = (context: RuleContext): readonly PlacedPart[] =>
  context.wiring.parts.filter((part) => isContact(part));

/** Whether something else than the part itself is on a node. */
const isUsed = ({ netlist }: RuleContext, node: NodeId, part: PlacedPart): boolean => {
  const { pins, terminals } = netlist.nodes[node]!;
  return pins.length > 0 || terminals.some(({ ref }) => ref !== part.ref);
};

/** Strips of one pair of joined legs that something else is plugged into. */
function usedStrips(context: RuleContext, part: PlacedPart, legs: readonly number[]): number {
  const { wiring, netlist } = context;
  const strips = new Set(
    legs.flatMap((index) => {
      const at = part.legs[index]!.at;
      return at ? [netlist.stripAt.get(nameOf(at))!] : [];
    }),
  );
  return [...strips].filter(
    (strip) =>
      wiring.parts.some(
        (other) =>
          other.ref !== part.ref &&
          other.legs.some((leg) => leg.at && netlist.stripAt.get(nameOf(leg.at)) === strip),
      ) || /^[A-Z]+\d*\.(?!.*[af]\d)/.test(strip),
  ).length;
}

const places = (part: PlacedPart): string[] => part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : []));

/** Buttons of which the two used legs are the pair that is joined inside. */
export const buttonAlwaysClosed: Rule = (context) =>
  contactsOf(context)
    .filter((part) => kindOf(part.kind).sign === 'button')
    .flatMap((part): readonly Observation[] => {
      const [first, , third] = part.legs.map(({ leg }) => nodeAt(context, part.ref, leg));
      if (first === third) return [];
      const pairs = [
        { node: first!, legs: [0, 1] },
        { node: third!, legs: [2, 3] },
      ];
      const pair = pairs.find(
        ({ node, legs }, index) =>
          isUsed(context, node, part) &&
          !isUsed(context, pairs[1 - index]!.node, part) &&
          usedStrips(context, part, legs) > 1,
      );
      if (!pair) return [];
      const names = pair.legs.map((index) => index + 1).join(' and ');
      return [
        {
          code: 'button-always-closed',
          severity: 'fault',
          refs: [part.ref],
          at: places(part),
          message: `${capital(partText(part))} is used at its legs ${names}. These two are one piece of metal inside, so the button is closed all the time, pressed or not.`,
          hints: [
            `Which legs of the button are joined inside, and which only while you press?`,
            `Legs ${names} of ${part.ref} are joined inside; the gap is between legs 1 and 3.`,
            `Move one of the wires to the row of leg ${pair.legs[0] === 0 ? 3 : 1}, two rows along.`,
          ],
        },
      ];
    });

/** Buttons and switches whose contact has nothing on one side. */
export const buttonNeverCloses: Rule = (context) =>
  contactsOf(context).flatMap((part): readonly Observation[] => {
    const nodes = part.legs.map(({ leg }) => nodeAt(context, part.ref, leg));
    const used = nodes.map((node) => isUsed(context, node, part));
    if (!used.some(Boolean)) return [];
    const isButton = kindOf(part.kind).sign === 'button';
    const reason = isButton ? idleButton(context, part, nodes, used) : idleSwitch(used);
    if (reason === undefined) return [];
    return [
      {
        code: 'button-never-closes',
        severity: 'fault',
        refs: [part.ref],
        at: places(part),
        message: `${capital(partText(part))} changes nothing: ${reason}`,
        hints: [
          `Follow the current to ${part.ref} and out of it again. Where does it leave?`,
          `${capital(reason)}`,
          isButton
            ? `Put the second wire of ${part.ref} into the row of a leg on the other side of its gap.`
            : `Use the middle leg of ${part.ref} and one outer leg.`,
        ],
      },
    ];
  });

function idleButton(
  context: RuleContext,
  part: PlacedPart,
  nodes: readonly NodeId[],
  used: readonly boolean[],
): string | undefined {
  if (nodes[0] === nodes[2]) return undefined;
  if (used[0] && used[2]) return undefined;
  if (usedStrips(context, part, used[0] ? [0, 1] : [2, 3]) > 1) return undefined;
  return `nothing is joined to its legs ${used[0] ? '3 and 4' : '1 and 2'}.`;
}

function idleSwitch(used: readonly boolean[]): string | undefined {
  const [one, common, two] = used;
  if (common) return one || two ? undefined : 'its middle leg leads on to neither outer leg.';
  return one && two
    ? 'its two outer legs are used, and they never meet.'
    : 'nothing is joined to its middle leg.';
}
