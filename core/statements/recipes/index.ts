import type { Make } from './make';
import { legPoint } from '../../wiring/wiring';
import { isLegByLeg, type Statement } from '../statement';
import { button, potentiometer, lightSensor, slideSwitch, thermistor } from './inputs';
import { digit, led, ledBar, rgbLed } from './leds';
import { battery, benchSupply, buzzer, motor, servo } from './loads';
import {
  distanceSensor,
  ledPanel,
  motionSensor,
  relay,
  shiftRegister,
  temperatureSensor,
  textDisplay,
} from './modules';
import type { Recipe } from './recipe';
import { capacitor, diode, electrolytic, resistor, transistor } from './two-ended';

export type { PinNeed, Recipe } from './recipe';

/** How each kind is usually hooked up; those of a first lesson first, which is how they are offered. */
export const recipes: ReadonlyMap<string, Recipe> = new Map(
  Object.entries({
    led: led,
    button,
    potentiometer: potentiometer,
    buzzer,
    'light-sensor': lightSensor,
    'rgb-led': rgbLed,
    'led-bar': ledBar,
    servo,
    'seven-segment': digit,
    switch: slideSwitch,
    thermistor,
    motor,
    battery,
    supply: benchSupply,
    'temperature-sensor': temperatureSensor,
    'motion-sensor': motionSensor,
    relay,
    'distance-sensor': distanceSensor,
    'text-display': textDisplay,
    'led-matrix': ledPanel,
    'shift-register': shiftRegister,
    capacitor,
    electrolytic,
    diode,
    resistor,
    'transistor-npn': transistor,
  }),
);

/** The usual way of a kind; one without it is a bug. */
export function recipeFor(kind: string): Recipe {
  const recipe = recipes.get(kind);
  if (!recipe) throw new Error(`no usual way to hook up a ${kind}`);
  return recipe;
}

/** Makes everything that a statement says: leg by leg when it does, else in the usual way of its kind. */
export function follow(statement: Statement, make: Make): void {
  if (isLegByLeg(statement)) {
    const one = make.part(statement.kind.kind, statement.value, statement.acceptValue);
    for (const { leg, to } of statement.joins) make.join(make.point(to), legPoint(one, leg));
    return;
  }
  const recipe = recipeFor(statement.kind.kind);
  const { pins, count } = statement;
  const each = count === 1 ? pins.length : recipe.needs(statement).length;
  for (let index = 0; index < count; index += 1)
    recipe.build(statement, make, pins.slice(index * each, (index + 1) * each), index);
}
