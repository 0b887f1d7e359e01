import { battery } from './battery';
import { button } from './button';
import { buzzer } from './buzzer';
import { capacitor, electrolytic } from './capacitor';
import { diode } from './diode';
import { distanceSensor } from './distance-sensor';
import type { PartKind } from './kind';
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
  Observed,
  PartElement,
  PartKind,
  PartState,
  Ratings,
  SchematicSign,
  StimulusKind,
} from './kind';
export type { PartValue } from './value';
export { lampColours, lampModels } from './light';
export { faradsText, ohmsText, readFarads, readOhms } from './value';
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

/** Whether a part gives power of its own: a battery or a bench supply. */
export const isPowerSource = (part: { readonly kind: string }): boolean =>
  part.kind === 'battery' || part.kind === 'supply';

/** Whether a part joins its legs or parts them by hand: a button or a switch. */
export const isContact = (part: { readonly kind: string }): boolean =>
  ['button', 'switch'].includes(kindOf(part.kind).sign);
