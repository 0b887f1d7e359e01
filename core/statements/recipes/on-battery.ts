import { legName, type LegName, type PointName, type Ref } from '../../brand';
import { isContact, kindOf } from '../../parts';
import { legPoint } from '../../wiring/wiring';
import type { Make } from './make';
import type { Statement } from '../statement';
import type { Recipe } from './recipe';
import { noPins } from './recipe';
import { led } from './leds';
import { battery, benchSupply, USUAL_BUZZER } from './loads';
import { capacitor, diode, electrolytic, resistor, transistor } from './two-ended';

/**
 * How parts are hooked up where there is no board: each between the plus and the minus of the battery, or behind the
 * button or switch that it takes its current from, as in `red LED from S1`.
 */

const leg = (owner: Ref, name: LegName | string): PointName => legPoint(owner, legName(name));

/** What a part that hangs between plus and minus is said to be. */
const sayAcross =
  (title: string): Recipe['say'] =>
  (part, view) => {
    const place = view.place(part, 'plus');
    if (!view.isGround(part, 'minus') || (place.type !== 'supply' && place.type !== 'source'))
      return undefined;
    return `${part.value} ${title}${place.type === 'source' ? ` from ${place.ref}` : view.fromBattery(part)}`;
  };

const across = (make: Make, statement: Statement, kind: string, value: string): void => {
  const one = make.part(kind, value);
  make.join(make.supply(statement.source), leg(one, 'plus'));
  make.join(make.ground(), leg(one, 'minus'));
};

const buzzer: Recipe = {
  needs: noPins,
  usually: USUAL_BUZZER,
  beginning: { line: 'buzzer', note: 'heard' },
  build: (statement, make) => across(make, statement, 'buzzer', statement.value),
  say: sayAcross('buzzer'),
};

const motor: Recipe = {
  needs: noPins,
  beginning: { line: 'motor', note: 'turns' },
  build: (statement, make) => across(make, statement, 'motor', statement.value),
  say: sayAcross('motor'),
};

/** What the current is led through: one leg on what feeds it, the other one for what takes its current from it. */
const inPath = (kind: string, fed: string, note: string): Recipe => ({
  needs: noPins,
  beginning: { line: kindOf(kind).title, note },
  build(statement, make) {
    make.join(make.supply(statement.source), leg(make.part(kind, statement.value), fed));
  },
  say(part, view) {
    const place = view.place(part, fed);
    const name = `${part.value} ${kindOf(kind).title}`.trim();
    if (place.type === 'source') return `${name} from ${place.ref}`;
    if (place.type !== 'supply') return undefined;
    return isContact(part) ? name : `${name}${view.fromBattery(part)}`;
  },
});

const withoutPins = (recipe: Recipe): Recipe => ({ ...recipe, needs: noPins });

/** What each kind that needs no board is hooked up like; the first of a first lesson first. */
export const batteryRecipes: ReadonlyMap<string, Recipe> = new Map(
  Object.entries({
    battery: { ...battery, beginning: { line: '9V battery', note: 'what drives the current' } },
    led: withoutPins(led),
    button: inPath('button', '1', 'lets current through while it is pressed'),
    switch: inPath('switch', 'common', 'lets current through in one position'),
    potentiometer: inPath('potentiometer', '2', 'lets more current through as it is turned up'),
    'light-sensor': inPath('light-sensor', '1', 'lets more current through in the light'),
    thermistor: inPath('thermistor', '1', 'lets more current through as it gets warm'),
    buzzer,
    motor,
    supply: benchSupply,
    resistor,
    capacitor,
    electrolytic,
    diode,
    'transistor-npn': transistor,
  }),
);

/** A kind that a program has to speak to: nothing is made of it without a board. */
export const forBoardsOnly: Recipe = { needs: noPins, needsBoard: true, build: () => undefined };
