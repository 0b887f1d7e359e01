import { isBoard, type BoardProfile } from '../../boards';
import type { Make } from './make';
import { legPoint } from '../../wiring/wiring';
import { capital, withArticle } from '../../words/words';
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
import { batteryRecipes, forBoardsOnly } from './on-battery';
import type { Recipe } from './recipe';
import { capacitor, diode, electrolytic, resistor, transistor } from './two-ended';

export type { PinNeed, Recipe } from './recipe';

/** How each kind is usually hooked up; those of a first lesson first, which is how they are offered. */
const recipes: ReadonlyMap<string, Recipe> = new Map(
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

/** The recipes where there is a board, and where there is none. */
export const recipesOn = (board: BoardProfile): ReadonlyMap<string, Recipe> =>
  isBoard(board) ? recipes : batteryRecipes;

/** The usual way of a kind on a board, or without one; a kind that has none is a bug. */
export function recipeFor(kind: string, board: BoardProfile): Recipe {
  const recipe = recipesOn(board).get(kind) ?? (isBoard(board) ? undefined : forBoardsOnly);
  if (!recipe) throw new Error(`no usual way to hook up a ${kind}`);
  return recipe;
}

/** Makes everything that a statement says: leg by leg when it does, else in the usual way of its kind. */
export function follow(statement: Statement, make: Make): void {
  let hasResistor = false;
  build(statement, {
    ...make,
    part: (kind, value, accept) => {
      hasResistor ||= kind === 'resistor';
      return make.part(kind, value, accept);
    },
  });
  const recipe = recipesOn(make.context.board).get(statement.kind.kind);
  if (statement.resistor && !hasResistor && recipe?.isHeld !== true)
    make.trouble('resistor', {
      weight: 'warns',
      message: `${capital(withArticle(statement.kind.title))} is not hooked up with a resistor here, so ${statement.resistor.value} is left out. Give it a line of its own: “${statement.resistor.value} resistor between … and …”.`,
      offers: [],
    });
}

/** The statement with the usual value of its kind where it says none. */
function withValue(statement: Statement, make: Make): Statement {
  const { usually } = recipeFor(statement.kind.kind, make.context.board);
  if (statement.value !== '' || !usually) return statement;
  const { value, because } = usually;
  const says = value.replace(/-/g, ' ');
  make.assume('value', { says, because, words: `, ${says}` });
  return { ...statement, value };
}

function build(given: Statement, make: Make): void {
  const statement = withValue(given, make);
  if (isLegByLeg(statement)) {
    const one = make.part(statement.kind.kind, statement.value, statement.acceptValue);
    for (const { leg, to } of statement.joins) make.join(make.point(to), legPoint(one, leg));
    return;
  }
  const recipe = recipeFor(statement.kind.kind, make.context.board);
  const { pins, count } = statement;
  const each = count === 1 ? pins.length : recipe.needs(statement).length;
  for (let index = 0; index < count; index += 1)
    recipe.build(
      { ...statement, value: statement.values?.[index] ?? statement.value },
      make,
      pins.slice(index * each, (index + 1) * each),
      index,
    );
}
