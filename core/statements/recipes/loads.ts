import { isBoard } from '../../boards';
import { legName, type PointName, type Ref } from '../../brand';
import { legPoint } from '../../wiring/wiring';
import type { StatedPart } from '../stated';
import type { Make } from './make';
import { acceptOf, ohmsPhrase } from '../resistors';
import type { Accepting, Statement } from '../statement';
import type { CircuitView } from '../view';
import { noPins, onePin, type Recipe } from './recipe';

const leg = (owner: Ref, name: string): PointName => legPoint(owner, legName(name));

/** The usual base resistor of a transistor that switches from a pin. */
const BASE_OHMS = '1k';
/** The batteries that motors get when a line names none. */
const USUAL_BATTERY = '4x1.5V';

/** A transistor that switches to ground from a pin through its base resistor; returns its collector. */
export function transistorSwitch(make: Make, pin: string, ohms?: Accepting): PointName {
  const transistor = make.part('transistor-npn', '');
  const base = make.part('resistor', ohms?.value ?? BASE_OHMS, acceptOf(ohms, undefined));
  make.join(make.pin(pin), leg(base, '1'));
  make.join(leg(base, '2'), leg(transistor, 'base'));
  make.join(make.ground(), leg(transistor, 'emitter'));
  return leg(transistor, 'collector');
}

/** The plus that a motor runs from: what the line names, else batteries of its own, whose minus joins ground. */
function ownSupply(statement: Statement, make: Make): PointName {
  const { source, options } = statement;
  if (source) return make.supply(source);
  if (!options.has('own-supply'))
    make.assume('option', {
      says: 'on its own supply',
      because: 'motors draw more than a board should give; the grounds are joined',
      words: ', own supply',
    });
  const earlier = make.powerSource();
  if (earlier !== undefined) return leg(earlier, 'plus');
  const battery = make.part('battery', USUAL_BATTERY);
  make.join(make.ground(), leg(battery, 'minus'));
  return leg(battery, 'plus');
}

/** A capacitor across a supply, when the line asks for one. */
function buffer(statement: Statement, make: Make, plus: PointName): void {
  if (statement.farads === undefined) return;
  const capacitor = make.part('electrolytic', statement.farads);
  make.join(plus, leg(capacitor, 'plus'));
  make.join(make.ground(), leg(capacitor, 'minus'));
}

/** Where a part takes its power from, as a line says it. */
export function saySource(part: StatedPart, plus: string, view: CircuitView): string | undefined {
  const place = view.place(part, plus);
  if (place.type === 'source') return `from ${place.ref}`;
  if (place.type === 'socket') return `from ${place.name}`;
  return place.type === 'supply' ? 'from supply' : undefined;
}

export const servo: Recipe = {
  beginning: { line: 'servo', note: 'turns to an angle' },
  needs: onePin(),
  build(statement, make, [pin], index) {
    const one = make.part('servo', statement.value);
    make.join(make.pin(pin!), leg(one, 'signal'));
    const plus = ownSupply(statement, make);
    make.join(plus, leg(one, 'plus'));
    make.join(make.ground(), leg(one, 'minus'));
    if (index === 0) buffer(statement, make, plus);
  },
  say(part, view) {
    const [pin, source] = [view.pin(part, 'signal'), saySource(part, 'plus', view)];
    if (pin === undefined || source === undefined || !view.isGround(part, 'minus')) return undefined;
    return `${part.value === 'standard' ? '' : `${part.value} `}servo on ${view.pinText(pin)} ${source}`;
  },
};

export const motor: Recipe = {
  needs: onePin(),
  brings: { 'transistor-npn': undefined, diode: undefined },
  build(statement, make, [pin], index) {
    const one = make.part('motor', statement.value);
    const plus = ownSupply(statement, make);
    make.join(plus, leg(one, 'plus'));
    make.join(transistorSwitch(make, pin!, statement.resistor), leg(one, 'minus'));
    const diode = make.part('diode', '');
    make.join(plus, leg(diode, 'cathode'));
    make.join(leg(one, 'minus'), leg(diode, 'anode'));
    make.assume('option', {
      says: 'through a transistor, with a diode across it',
      because: 'no pin can drive a motor, and a coil must not be cut off without a diode',
      words: ', through a transistor',
    });
    if (index === 0) buffer(statement, make, plus);
  },
};

/** The buzzer of a line that names no sort. */
export const USUAL_BUZZER = { value: 'active', because: 'it sounds by itself' } as const;

export const buzzer: Recipe = {
  usually: USUAL_BUZZER,
  beginning: { line: 'buzzer', note: 'heard' },
  brings: { 'transistor-npn': 'transistor' },
  needs: onePin(),
  build(statement, make, [pin]) {
    const one = make.part('buzzer', statement.value);
    if (statement.options.has('transistor')) {
      make.join(make.supply(statement.source), leg(one, 'plus'));
      make.join(transistorSwitch(make, pin!, statement.resistor), leg(one, 'minus'));
      return;
    }
    if (statement.resistor) {
      const resistor = make.part(
        'resistor',
        statement.resistor.value,
        acceptOf(statement.resistor, undefined),
      );
      make.join(make.pin(pin!), leg(resistor, '1'));
      make.join(leg(resistor, '2'), leg(one, 'plus'));
    } else make.join(make.pin(pin!), leg(one, 'plus'));
    make.join(make.ground(), leg(one, 'minus'));
  },
  say(part, view) {
    if (!view.isGround(part, 'minus')) return undefined;
    const pin = view.pin(part, 'plus');
    if (pin !== undefined) return `${part.value} buzzer on ${view.pinText(pin)}`;
    const through = view.resistorAt(part, 'plus');
    const far = through && view.pin(through.resistor, through.far);
    return far === undefined
      ? undefined
      : `${part.value} buzzer on ${view.pinText(far)} with ${ohmsPhrase(through!.resistor, undefined)}`;
  },
};

/** A battery or bench supply: its minus on the shared ground, its plus where the line says. */
function powerSource(kind: string, title: string): Recipe {
  return {
    needs: noPins,
    build(statement, make) {
      const one = make.part(kind, statement.value);
      make.join(make.ground(), leg(one, 'minus'));
      const { board } = make.context;
      const input = board.supplies.find((socket) => socket.role === 'input' && socket.feedsLogic);
      if (statement.to) make.join(make.point(statement.to), leg(one, 'plus'));
      else if (input) {
        make.join(make.pin(input.name), leg(one, 'plus'));
        make.assume('join', {
          says: `feeds ${input.name}`,
          because: `the ${board.short} has no other supply`,
          words: `, to ${input.name}`,
        });
      }
    },
    say(part, view) {
      if (!view.isGround(part, 'minus')) return undefined;
      const place = view.place(part, 'plus');
      const name = `${part.value} ${title}`;
      if (!isBoard(view.board)) return name;
      if (place.type === 'supply') return `${name} to supply`;
      return place.type === 'socket' ? `${name} to ${place.name}` : name;
    },
  };
}

export const battery = powerSource('battery', 'battery');
export const benchSupply = powerSource('supply', 'bench supply');
