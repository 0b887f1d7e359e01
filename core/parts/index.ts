import type { LegName } from '../brand';
import { battery } from './battery';
import { button } from './button';
import { buzzer } from './buzzer';
import { capacitor, electrolytic } from './capacitor';
import { diode } from './diode';
import { distanceSensor } from './distance-sensor';
import { eitherWay, type LegRole, type PartKind } from './kind';
import type { PartValue } from './value';
import { ledBar } from './led-bar';
import { ledMatrix } from './led-matrix';
import { led } from './led';
import { lightSensor } from './light-sensor';
import { motionSensor } from './motion-sensor';
import { motor } from './motor';
import { potentiometer } from './potentiometer';
import { relay } from './relay';
import { resistor } from './resistor';
import { rgbLed } from './rgb-led';
import { servo } from './servo';
import { sevenSegment } from './seven-segment';
import { shiftRegister } from './shift-register';
import { supply } from './supply';
import { slideSwitch } from './switch';
import { temperatureSensor } from './temperature-sensor';
import { textDisplay } from './text-display';
import { thermistor } from './thermistor';
import { transistorNpn } from './transistor';
import { clip, wire } from './wire';

export { AT_REST } from './kind';
export type {
  Behaviour,
  Body,
  Footprint,
  Leg,
  LegPair,
  LegRole,
  Observed,
  PartElement,
  PartKind,
  PartState,
  Polarity,
  Ratings,
  SchematicSign,
  StimulusKind,
} from './kind';
export type { PartValue } from './value';
export { ledColours, ledModels } from './light';
export { faradsText, ohmsSaid, ohmsText, readFarads, readOhms } from './value';
export { batterySort } from './battery';

/** Kinds in the order in which they are offered and listed. */
export const partKinds: readonly PartKind[] = [
  led,
  resistor,
  wire,
  button,
  buzzer,
  potentiometer,
  rgbLed,
  lightSensor,
  servo,
  ledBar,
  sevenSegment,
  slideSwitch,
  diode,
  transistorNpn,
  capacitor,
  electrolytic,
  thermistor,
  temperatureSensor,
  motor,
  relay,
  ledMatrix,
  shiftRegister,
  distanceSensor,
  motionSensor,
  textDisplay,
  battery,
  supply,
  clip,
];

const byWord: ReadonlyMap<string, PartKind> = new Map(
  partKinds.flatMap((kind) => [kind.kind, ...kind.alsoTyped].map((word) => [word, kind] as const)),
);

/** The kind that a word in the kind column means; `undefined` when there is none. */
export const findKind = (word: string): PartKind | undefined => byWord.get(word.trim().toLowerCase());

/** The kind of a part that has already been read; a missing one is a bug. */
export function kindOf(name: string): PartKind {
  const kind = byWord.get(name);
  if (!kind) throw new Error(`unknown part kind ${name}`);
  return kind;
}

/** A part as far as its kind tells. */
interface OfKind {
  readonly kind: string;
}

/** Whether a part gives power of its own. */
export const isPowerSource = ({ kind }: OfKind): boolean => kindOf(kind).poles !== undefined;

/** Whether a part joins its legs or parts them by hand. */
export const isContact = ({ kind }: OfKind): boolean => kindOf(kind).contact !== undefined;

/** Whether a part is there to limit or hold, and nothing else. */
export const isResistor = ({ kind }: OfKind): boolean => kindOf(kind).resistance === 'fixed';

/** A part as far as its kind and its value tell. */
interface OfValue extends OfKind {
  readonly value: PartValue;
}

/** Whether a value of a kind of which others have a plus and a minus has none, such as a passive buzzer's. */
const hasNoPoles = ({ kind, value }: OfValue): boolean => {
  const { polarity } = kindOf(kind);
  return polarity !== undefined && polarity(value) === undefined;
};

/** Whether a part may be put in either way round. */
export const isEitherWay = (part: OfValue): boolean => kindOf(part.kind).symmetrical || hasNoPoles(part);

/** Orders of a part's legs that are electrically the same part as the first order; none beyond it when empty. */
export const turnsOf = (part: OfValue): PartKind['turns'] => {
  const { turns, legs } = kindOf(part.kind);
  return hasNoPoles(part) ? eitherWay(legs) : turns;
};

/** Whether a part is one light with a housing of its own. */
export const isSingleLight = ({ kind }: OfKind): boolean => {
  const { observed, legs } = kindOf(kind);
  return observed === 'light' && legs.length === 2;
};

/** The role of a leg; `undefined` for one that only carries a current through the part. */
export const roleOfLeg = ({ kind }: OfKind, leg: LegName): LegRole | undefined =>
  kindOf(kind).legs.find(({ name }) => name === leg)?.role;
