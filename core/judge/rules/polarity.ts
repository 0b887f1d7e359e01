import type { BenchPoint } from '../../electrics/bench-point';
import { quantity, type Observation } from '../../findings/finding';
import { kindOf, type LegPair } from '../../parts';
import { volts } from '../../units';
import { nameOf, type PlacedPart } from '../../wiring/wiring';
import { inPlace, partText } from '../../wiring/words';
import type { WiringRule, Built } from '../subject';
import { lightsOf, type Light } from './junctions';
import { capital } from '../../words/words';

/** What a part does that is held against its direction, and by how many volts that takes. */
const effects = {
  'stays dark': { volts: 1, blocks: true, severity: 'fault', text: ', so it stays dark' },
  'stays silent': { volts: 1, blocks: true, severity: 'fault', text: ', so it stays silent' },
  bursts: { volts: 0.5, blocks: false, severity: 'risk', text: '; that way it can burst' },
  'gets hot': {
    volts: 0.5,
    blocks: false,
    severity: 'fault',
    text: '; that way it gets hot and can be destroyed',
  },
} as const;

/** Current from which something passes, in mA. */
const CONDUCTING_MA = 0.01;

/** A part that can be held against its direction, and the current that passes it the right way. */
interface OneWay extends LegPair {
  readonly part: PlacedPart;
  readonly backwards: keyof typeof effects;
  readonly currentOf: (point: BenchPoint) => number;
}

function oneWays(built: Built): readonly OneWay[] {
  const lights = lightsOf(built)
    .filter((light, index, all) => isTurnedWith(light, index, all))
    .map(({ part, anode, cathode, name }): OneWay => ({
      part,
      plus: anode,
      minus: cathode,
      backwards: 'stays dark',
      currentOf: (point) => point.leds.get(name) ?? 0,
    }));
  const others = built.circuit.parts.flatMap((part): readonly OneWay[] => {
    const kind = kindOf(part.kind);
    const currentOf = (point: BenchPoint): number => point.parts.get(part.ref)?.currentMa ?? 0;
    const polarity = kind.polarity?.(part.value);
    if (polarity) return [{ part, ...polarity, currentOf }];
    return kind.supplyLegs ? [{ part, ...kind.supplyLegs, backwards: 'gets hot', currentOf }] : [];
  });
  return [...lights, ...others];
}

/** Whether a light shows how its part is turned: it shares no leg with another, and is the first of its part. */
const isTurnedWith = (light: Light, index: number, all: readonly Light[]): boolean =>
  all.every(
    (other, at) =>
      other.part !== light.part ||
      at === index ||
      (at > index && other.anode !== light.anode && other.cathode !== light.cathode),
  );

/** Parts that are only ever held against their direction. */
export const polarityReversed: WiringRule = (built) =>
  oneWays(built).flatMap(({ part, plus, minus, backwards, currentOf }): readonly Observation[] => {
    const [high, low] = [built.circuit.nodeOf(part, plus), built.circuit.nodeOf(part, minus)];
    if (high === low) return [];
    const effect = effects[backwards];
    const across = built.states.map(({ point }) => (point.volts[high] ?? 0) - (point.volts[low] ?? 0));
    const isRightOnce = effect.blocks
      ? built.states.some(({ point }) => currentOf(point) > CONDUCTING_MA)
      : across.some((amount) => amount > effect.volts);
    const lowest = Math.min(0, ...across);
    if (isRightOnce || lowest > -effect.volts) return [];
    const [long, short] = [plus, minus].map(
      (leg) => part.legs.find((placed) => placed.leg === leg)?.at ?? null,
    );
    const titles = [plus, minus].map((leg) => kindOf(part.kind).legs.find(({ name }) => name === leg)!.title);
    return [
      {
        code: 'polarity-reversed',
        severity: effect.severity,
        refs: [part.ref],
        at: [long, short].flatMap((at) => (at ? [nameOf(at)] : [])),
        message: `${capital(partText(part))} is the wrong way round${effect.text}.${short ? ` Its ${titles[1]}, ${inPlace(short, built.circuit.wiring)}, is on the side the current comes from.` : ''} Current has to go in at the ${titles[0]} and come out at the ${titles[1]}.`,
        hints: [
          `How can you tell the two ends of ${partText(part)} apart? Which one is towards the pin or the supply?`,
          `${capital(partText(part))} has ${volts(-lowest)} across it the wrong way${short ? `; look at the leg ${inPlace(short, built.circuit.wiring)}` : ''}.`,
          `Turn ${partText(part)} round: the ${titles[0]} goes where the ${titles[1]} is.`,
        ],
        evidence: { reverseVolts: quantity(-lowest, 'V') },
      },
    ];
  });
