import { legName, type PointName, type Ref } from '../../brand';
import { kindOf } from '../../parts';
import { legPoint } from '../../wiring/wiring';
import type { PinNeed, Recipe } from './recipe';
import { saySource } from './loads';

const leg = (owner: Ref, name: string): PointName => legPoint(owner, legName(name));

/** A module with its supply, its ground and some pins of its own. */
function module(
  kind: string,
  needs: readonly (PinNeed & { readonly leg: string })[],
  brings: Recipe['brings'] = {},
): Recipe {
  const { plus, minus } = kindOf(kind).supplyLegs!;
  return {
    needs: () => needs,
    brings,
    build(statement, make, pins) {
      const one = make.part(kind, statement.value);
      pins.forEach((pin, index) => make.join(make.pin(pin), leg(one, needs[index]!.leg)));
      make.join(make.supply(statement.source), legPoint(one, plus));
      make.join(make.ground(), legPoint(one, minus));
    },
    say(part, view) {
      const pins = needs.map((need) => view.pin(part, need.leg));
      const source = saySource(part, plus, view);
      if (pins.some((pin) => pin === undefined) || source === undefined || !view.isGround(part, minus))
        return undefined;
      return `${kindOf(kind).title} on ${pins.map((pin) => view.pinText(pin!)).join(', ')}${source === 'from supply' ? '' : ` ${source}`}`;
    },
  };
}

const need = (
  at: string,
  as: string,
  does: PinNeed['does'] = 'digital',
): PinNeed & { readonly leg: string } => ({
  leg: at,
  as,
  does,
});

export const temperatureSensor = module('temperature-sensor', [need('out', '', 'analog')]);
export const motionSensor = module('motion-sensor', [need('out', '')]);
// Both are on the module.
export const relay = module('relay', [need('in', '')], { 'transistor-npn': undefined, diode: undefined });
export const distanceSensor = module('distance-sensor', [need('trig', 'trigger'), need('echo', 'echo')]);
export const textDisplay = module('text-display', [
  need('sda', 'data', 'bus-data'),
  need('scl', 'clock', 'bus-clock'),
]);

const panelLegs = [need('din', 'data'), need('cs', 'select'), need('clk', 'clock')] as const;
const onPins = module('led-matrix', panelLegs);

/** LED panels: the first on three pins, each further one after another panel. */
export const ledPanel: Recipe = {
  needs: (statement) => (statement.after === undefined ? panelLegs : []),
  leads: true,
  build(statement, make, pins, index) {
    const { after } = statement;
    if (after === undefined) {
      onPins.build(statement, make, pins, index);
      return;
    }
    const one = make.part('led-matrix', statement.value);
    make.join(leg(after, 'dout'), leg(one, 'din'));
    make.join(leg(after, 'cs'), leg(one, 'cs'));
    make.join(leg(after, 'clk'), leg(one, 'clk'));
    make.join(make.supply(statement.source), leg(one, 'vcc'));
    make.join(make.ground(), leg(one, 'gnd'));
  },
  say(part, view) {
    const before = view.neighbours(part, 'din').find((other) => (other.leg as string) === 'dout')?.part;
    if (!before) return onPins.say!(part, view);
    const source = saySource(part, 'vcc', view);
    if (source === undefined || !view.isGround(part, 'gnd')) return undefined;
    return `LED matrix after ${before.ref}${source === 'from supply' ? '' : ` ${source}`}`;
  },
};

/** A shift register on its three pins; its outputs are for others to be joined to. */
export const shiftRegister: Recipe = {
  needs: () => [need('data', 'data'), need('clock', 'clock'), need('latch', 'latch')],
  build(statement, make, pins) {
    const one = make.part('shift-register', statement.value);
    ['data', 'clock', 'latch'].forEach((name, index) => make.join(make.pin(pins[index]!), leg(one, name)));
    make.join(make.supply(statement.source), leg(one, 'vcc'));
    make.join(make.supply(statement.source), leg(one, 'clear'));
    make.join(make.ground(), leg(one, 'gnd'));
    make.join(make.ground(), leg(one, 'enable'));
  },
};
