import { kindOf, type Body } from '../../parts';
import { button, potentiometer, slide } from './controls';
import { digit, led, ledBar, rgbLed } from './leds';
import { can, capacitor, diode, halfRound, lightSensor, sounder, thermistor } from './lead-parts';
import { cell, chip, module } from './modules';
import { resistor } from './resistor';
import type { Draw } from './symbol';

export type { Symbol } from './symbol';

const bodies: Readonly<Record<Exclude<Body, 'disc'>, Draw>> = {
  bands: resistor,
  dome: led,
  'dome-four': rgbLed,
  bar: ledBar,
  digit,
  stripe: diode,
  can,
  'half-round': halfRound,
  button,
  slide,
  potentiometer: potentiometer,
  sounder,
  motor: cell,
  cell,
  chip,
  module,
};

/** Round faces differ by the sign on them. */
const faces: Readonly<Record<string, Draw>> = {
  'light-sensor': lightSensor,
  thermistor,
  capacitor,
};

/** Draws a part whose legs are at these places. */
export const drawPart: Draw = (part, legs, rowNames) => {
  const { body, sign } = kindOf(part.kind);
  const draw = body === 'disc' ? faces[sign]! : bodies[body];
  return draw(part, legs, rowNames);
};
