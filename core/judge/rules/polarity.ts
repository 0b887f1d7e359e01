import type { LegName } from '../../brand';
import { quantity, type Observation } from '../../finding';
import { kindOf } from '../../parts';
import { volts } from '../../units';
import { circuitParts } from '../../wiring/netlist';
import { nameOf, type PlacedPart } from '../../wiring/wiring';
import { capital, partText, placeText } from '../words';
import { nodeAt, type Rule, type RuleContext } from './context';
import { lightsOf } from './junctions';

/** Reverse volts from which a part counts as held the wrong way round. */
const REVERSED_VOLTS = 1;
/** For a capacitor or a module less is too much already. */
const BACKWARD_VOLTS = 0.5;
const CONDUCTING_MA = 0.01;

/** What can be held against its direction: the legs, and whether current ever passes the right way. */
interface OneWay {
  readonly part: PlacedPart;
  readonly plus: LegName;
  readonly minus: LegName;
  readonly threshold: number;
  readonly what: 'lamp' | 'buzzer' | 'capacitor' | 'module';
  readonly currentOf: (point: RuleContext['states'][number]['point']) => number;
}

function oneWays(context: RuleContext): readonly OneWay[] {
  // A bar can be put in the wrong way round as a whole; a lamp with a common leg cannot.
  const lights = lightsOf(context)
    .filter(({ part, name }) => part.legs.length === 2 || (part.kind === 'led-bar' && name.endsWith('.a1')))
    .map(({ part, anode, cathode, name }): OneWay => ({
      part,
      plus: anode,
      minus: cathode,
      threshold: REVERSED_VOLTS,
      what: 'lamp',
      currentOf: (point) => point.lamps.get(name) ?? 0,
    }));
  const others = circuitParts(context.wiring).flatMap((part): readonly OneWay[] => {
    const kind = kindOf(part.kind);
    const base = { part, currentOf: (): number => 0 };
    if (part.kind === 'electrolytic')
      return [
        {
          ...base,
          plus: part.legs[0]!.leg,
          minus: part.legs[1]!.leg,
          threshold: BACKWARD_VOLTS,
          what: 'capacitor',
        },
      ];
    if (part.kind === 'buzzer' && part.value.text === 'active')
      return [
        {
          part,
          plus: part.legs[0]!.leg,
          minus: part.legs[1]!.leg,
          threshold: REVERSED_VOLTS,
          what: 'buzzer',
          currentOf: (point) => point.parts.get(part.ref)?.currentMa ?? 0,
        },
      ];
    return kind.supplyLegs
      ? [{ ...base, ...kind.supplyLegs, threshold: BACKWARD_VOLTS, what: 'module' }]
      : [];
  });
  return [...lights, ...others];
}

/** Parts that are only ever held against their direction. */
export const polarityReversed: Rule = (context) =>
  oneWays(context).flatMap(({ part, plus, minus, threshold, what, currentOf }): readonly Observation[] => {
    const [high, low] = [nodeAt(context, part.ref, plus), nodeAt(context, part.ref, minus)];
    if (high === low) return [];
    const across = context.states.map(({ point }) => (point.volts[high] ?? 0) - (point.volts[low] ?? 0));
    const passes = context.states.some(({ point }) => currentOf(point) > CONDUCTING_MA);
    const isRightOnce =
      (what === 'module' || what === 'capacitor') && across.some((amount) => amount > threshold);
    const lowest = Math.min(0, ...across);
    if (passes || isRightOnce || lowest > -threshold) return [];
    const [long, short] = [plus, minus].map(
      (leg) => part.legs.find((placed) => placed.leg === leg)?.at ?? null,
    );
    const titles = [plus, minus].map((leg) => kindOf(part.kind).legs.find(({ name }) => name === leg)!.title);
    return [
      {
        code: 'polarity-reversed',
        severity: what === 'capacitor' ? 'risk' : 'fault',
        refs: [part.ref],
        at: [long, short].flatMap((at) => (at ? [nameOf(at)] : [])),
        message: `${capital(partText(part))} is the wrong way round${effects[what]}.${short ? ` Its ${titles[1]}, in ${placeText(short)}, is on the side the current comes from.` : ''} Current must come in at the ${titles[0]} and leave at the ${titles[1]}.`,
        hints: [
          `How does a hand tell the two ends of ${partText(part)} apart? Which of them is towards the pin or the supply?`,
          `${capital(partText(part))} is held at ${volts(-lowest)} against its direction${short ? `; look at the leg in ${placeText(short)}` : ''}.`,
          `Turn ${partText(part)} round: the ${titles[0]} goes where the ${titles[1]} is.`,
        ],
        evidence: { reverseVolts: quantity(-lowest, 'V') },
      },
    ];
  });

const effects: Readonly<Record<OneWay['what'], string>> = {
  lamp: ', so it stays dark',
  buzzer: ', so it stays silent',
  capacitor: '; that way it can burst',
  module: '; that way it gets hot and can be destroyed',
};
