import type { BoardProfile } from '../../boards';
import { legName, type LegName, type PointName, type Ref } from '../../brand';
import { isResistor, kindOf } from '../../parts';
import { legPoint } from '../../wiring/wiring';
import { otherSupply, supplySocket } from '../pins';
import type { StatedPart } from '../stated';
import type { Statement } from '../statement';
import type { CircuitView } from '../view';
import { saySource } from './loads';
import type { Make } from './make';
import type { PinNeed, Recipe } from './recipe';

const leg = (owner: Ref, name: string): PointName => legPoint(owner, legName(name));

/** A pin of a module; what it gives, in V, where a board may not take that much. */
interface ModulePin extends PinNeed {
  readonly leg: string;
  readonly givesVolts?: number;
}

const need = (at: string, as: string, does: PinNeed['does'] = 'digital', givesVolts?: number): ModulePin => ({
  leg: at,
  as,
  does,
  ...(givesVolts === undefined ? {} : { givesVolts }),
});

/** The resistors that bring 5 V down to 3.2 V: before the pin, and from the pin to ground. */
const DIVIDER = ['1k', '1.8k'] as const;
/** Volts by which a pin may be above its board's logic. */
const MAY_BE_ABOVE = 0.3;

/** Whether a pin of a module gives more than the board takes. */
const needsDivider = ({ givesVolts = 0 }: ModulePin, { logicVolts }: BoardProfile): boolean =>
  givesVolts > logicVolts + MAY_BE_ABOVE;

/** Joins a module's leg to its pin, through a divider where it gives more than the board takes. */
function joinPin(one: Ref, pin: string, of: ModulePin, make: Make): void {
  const { board } = make.context;
  if (!needsDivider(of, board)) {
    make.join(make.pin(pin), leg(one, of.leg));
    return;
  }
  const [upper, lower] = DIVIDER.map((ohms) => make.part('resistor', ohms)) as [Ref, Ref];
  make.join(leg(one, of.leg), leg(upper, '1'));
  make.join(make.pin(pin), leg(upper, '2'));
  make.join(make.pin(pin), leg(lower, '1'));
  make.join(make.ground(), leg(lower, '2'));
  make.assume('option', {
    says: `a divider of ${DIVIDER.join(' and ')} before pin ${pin}`,
    because: `its ${of.as} pin gives ${of.givesVolts} V, and this board’s pins take ${board.logicVolts} V`,
  });
}

/** The pin that a module's leg is on, as its line joins it; `undefined` where it is hooked up otherwise. */
function pinOf(part: StatedPart, of: ModulePin, view: CircuitView): string | undefined {
  if (!needsDivider(of, view.board)) return view.pin(part, of.leg);
  const upper = view.resistorAt(part, of.leg);
  if (!upper) return undefined;
  const lower = view
    .neighbours(upper.resistor, upper.far)
    .find((other) => isResistor(other.part) && view.isGround(other.part, farEnd(other.leg)))?.part;
  const isUsual = [upper.resistor, lower].every((one, index) => one?.value === DIVIDER[index]);
  return isUsual ? view.pin(upper.resistor, upper.far) : undefined;
}

const farEnd = (end: LegName): string => (end === legName('1') ? '2' : '1');

/** A module with its supply, its ground and some pins of its own. */
function module(kind: string, needs: readonly ModulePin[], brings: Recipe['brings'] = {}): Recipe {
  const { supplyLegs, ratings, title } = kindOf(kind);
  const { plus, minus } = supplyLegs!;
  // A bus is pulled up to what feeds the module: more than the board’s logic would harm its pins.
  const range = needs.some(({ does }) => does.startsWith('bus-')) ? undefined : ratings?.supplyVolts;
  return {
    needs: () => needs,
    brings,
    build(statement, make, pins) {
      const one = make.part(kind, statement.value);
      pins.forEach((pin, index) => joinPin(one, pin, needs[index]!, make));
      make.join(supplyOf(statement, make, range), legPoint(one, plus));
      make.join(make.ground(), legPoint(one, minus));
    },
    say(part, view) {
      const pins = needs.map((one) => pinOf(part, one, view));
      const source = saySource(part, plus, view);
      if (pins.some((pin) => pin === undefined) || source === undefined || !view.isGround(part, minus))
        return undefined;
      // An address is all that tells two displays on one bus apart.
      const address = /^0x/.test(part.value) ? `${part.value} ` : '';
      return `${address}${title} on ${pins.map((pin) => view.pinText(pin!)).join(', ')}${fromWhere(source, view.board, range)}`;
    },
  };
}

/** The least and the most volts that a module works from. */
type Range = readonly [lowest: number, highest: number] | undefined;

/** What feeds a module: what its line says, or the socket of the board that it works from. */
function supplyOf({ source }: Statement, make: Make, range: Range): PointName {
  const { board } = make.context;
  const other = source ? undefined : otherSupply(board, range);
  if (other === undefined) return make.supply(source);
  make.assume('option', {
    says: `from ${other}`,
    because: `it works from ${range![0]} V on, and the usual supply here is ${board.logicVolts} V`,
    words: `from ${other}`,
  });
  return make.supply({ type: 'pin', pin: other });
}

/** What a line says of a supply, with a space before it; nothing of the usual one. */
function fromWhere(source: string, board: BoardProfile, range: Range): string {
  const other = otherSupply(board, range);
  if (source === (other === undefined ? 'from supply' : `from ${other}`)) return '';
  return source === 'from supply' ? ` from ${supplySocket(board)}` : ` ${source}`;
}

export const temperatureSensor = module('temperature-sensor', [need('out', '', 'analog')]);
export const motionSensor = module('motion-sensor', [need('out', '')]);
// Both are on the module.
export const relay = module('relay', [need('in', '')], { 'transistor-npn': undefined, diode: undefined });
export const distanceSensor = module('distance-sensor', [
  need('trig', 'trigger'),
  need('echo', 'echo', 'digital', 5),
]);
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
    make.join(supplyOf(statement, make, kindOf('led-matrix').ratings?.supplyVolts), leg(one, 'vcc'));
    make.join(make.ground(), leg(one, 'gnd'));
  },
  say(part, view) {
    const before = view.neighbours(part, 'din').find((other) => (other.leg as string) === 'dout')?.part;
    if (!before) return onPins.say!(part, view);
    const source = saySource(part, 'vcc', view);
    if (source === undefined || !view.isGround(part, 'gnd')) return undefined;
    const range = kindOf('led-matrix').ratings?.supplyVolts;
    return `LED matrix after ${before.ref}${fromWhere(source, view.board, range)}`;
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
