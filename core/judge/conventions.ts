import type { Observation } from '../findings/finding';
import { isResistor, isSingleLight, kindOf } from '../parts';
import type { Circuit } from '../wiring/circuit';
import type { NodeId } from '../wiring/netlist';
import { nameOf, type PlacedLeg, type PlacedPart } from '../wiring/wiring';
import { inPlace, partText, placeText } from '../wiring/words';
import { capital } from '../words/words';
import type { Asked, ComparingRule } from './subject';

/** What works and is done otherwise in this course. Only what an exercise says of its rules is judged by. */
export const conventions: ComparingRule = ({ circuit }, asked) => {
  const { rules } = asked.exercise.data;
  return [
    ...(rules['cathode'] === 'own-row' ? shortLegsInRails(circuit) : []),
    ...(rules['resistorSide'] === 'cathode' || rules['resistorSide'] === 'anode'
      ? resistorsOnOtherSide(circuit, rules['resistorSide'])
      : []),
    ...(rules['clipLeads'] === 'never' ? besideTheBreadboard(circuit, () => false) : []),
    ...(rules['clipLeads'] === 'where-said' ? besideTheBreadboard(circuit, saysSo(asked)) : []),
  ];
};

function shortLegsInRails({ parts, wiring }: Circuit): readonly Observation[] {
  return parts.flatMap((part): readonly Observation[] => {
    if (kindOf(part.kind).body !== 'dome') return [];
    const short = part.legs[1]?.at;
    if (short?.type !== 'rail') return [];
    return [
      {
        code: 'layout-convention',
        severity: 'advice',
        refs: [part.ref],
        at: [nameOf(short)],
        message: `${capital(partText(part))} has its short leg straight ${inPlace(short, wiring)}. It works, but in this course every leg gets a row of its own.`,
        hints: [
          `Where does the drawing put the short leg?`,
          `The short leg of ${part.ref} is in a rail.`,
          `Put the short leg in a row of its own, and connect that row to the rail.`,
        ],
      },
    ];
  });
}

/** LEDs whose one resistor is on the leg on which this course does not put it. */
function resistorsOnOtherSide(circuit: Circuit, wanted: 'anode' | 'cathode'): readonly Observation[] {
  const hasResistor = (node: NodeId): boolean =>
    circuit.node(node).pins.length === 0 &&
    circuit.pole(node) === undefined &&
    circuit.partsAt(node).some(isResistor);
  return circuit.parts.filter(isSingleLight).flatMap((part): readonly Observation[] => {
    const [anode, cathode] = circuit.nodesOf(part);
    const [there, elsewhere] = wanted === 'anode' ? [anode!, cathode!] : [cathode!, anode!];
    if (hasResistor(there) || !hasResistor(elsewhere)) return [];
    const [is, asked] = wanted === 'anode' ? ['short', 'long'] : ['long', 'short'];
    return [
      {
        code: 'layout-convention',
        severity: 'advice',
        refs: [part.ref],
        message: `${capital(partText(part))} has its resistor on the ${is} leg. It works just as well there; in this course it goes on the ${asked} leg.`,
        hints: [
          `On which leg of ${part.ref} is the resistor in the drawing?`,
          `The resistor of ${part.ref} is on its ${is} leg.`,
          `Move the resistor to the ${asked} leg of ${part.ref}.`,
        ],
      },
    ];
  });
}

/** What the drawing itself connects without the breadboard may be connected so. */
function saysSo({ circuit, pairs }: Asked): (part: PlacedPart, leg: PlacedLeg | undefined) => boolean {
  const hasBreadboard = circuit.wiring.breadboards.length > 0;
  const hasClips = circuit.wires.some(({ kind }) => isClip(kind));
  return (part, placed) => {
    if (!hasBreadboard) return true;
    if (!placed) return hasClips;
    const reference = [...pairs].find(([, built]) => built.ref === part.ref)?.[0];
    const legs = circuit.parts.find(({ ref }) => ref === reference)?.legs;
    const there = legs?.find(({ leg }) => leg === placed.leg)?.at?.type;
    return there === 'pin' || there === 'leg';
  };
}

const isClip = (kind: string): boolean => kindOf(kind).fastens === 'anywhere';

/** Clip leads, and legs straight in the board or on another leg, but for those that are allowed. */
function besideTheBreadboard(
  circuit: Circuit,
  isAllowed: (part: PlacedPart, leg: PlacedLeg | undefined) => boolean,
): readonly Observation[] {
  const clips = circuit.wires.filter((wire) => isClip(wire.kind) && !isAllowed(wire, undefined));
  const legs = circuit.parts.flatMap((part) =>
    kindOf(part.kind).footprint.type === 'plug'
      ? []
      : part.legs
          .filter((leg) => (leg.at?.type === 'pin' || leg.at?.type === 'leg') && !isAllowed(part, leg))
          .map((leg) => ({ part, at: leg.at! })),
  );
  const [clip] = clips;
  const [leg] = legs;
  if (!clip && !leg) return [];
  const what = clip
    ? `${capital(partText(clip))} connects parts without the breadboard.`
    : `${capital(partText(leg!.part))} is plugged straight into ${placeText(leg!.at, circuit.wiring)}.`;
  return [
    {
      code: 'layout-convention',
      severity: 'advice',
      refs: [...new Set([...clips.map(({ ref }) => ref), ...legs.map(({ part }) => part.ref)])],
      at: legs.map(({ at }) => nameOf(at)),
      message: `${what} It works, but in this course parts go on the breadboard.`,
      hints: [
        `Which parts of your build are not on the breadboard?`,
        clip
          ? `${clip.ref} is a clip lead.`
          : `A leg of ${leg!.part.ref} is ${inPlace(leg!.at, circuit.wiring)}.`,
        `Put every part on the breadboard, and connect the rows with wires.`,
      ],
    },
  ];
}
