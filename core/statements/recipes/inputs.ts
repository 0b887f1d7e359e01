import { legName, type PointName, type Ref } from '../../brand';
import { legPoint } from '../../wiring/wiring';
import type { StatedPart } from '../stated';
import type { Make } from './make';
import { acceptOf, ohmsPhrase } from '../resistors';
import type { Statement } from '../statement';
import type { CircuitView } from '../view';
import { onePin, type Recipe } from './recipe';

const leg = (owner: Ref, name: string): PointName => legPoint(owner, legName(name));

/** The usual pull resistor and the usual fixed part of a divider. */
const USUAL_OHMS = '10k';

type Pull = 'inside' | 'up' | 'down';

/** How a contact's line is held: as the line says, else by the house rule. */
function pullOf({ options, resistor, resistorTo }: Statement, { context, assume }: Make): Pull {
  if (resistorTo) return resistorTo.type === 'ground' ? 'down' : 'up';
  if (options.has('pull-down')) return 'down';
  if (options.has('pull-up')) return resistor ? 'up' : 'inside';
  const { buttonInput } = context.rules;
  const words = {
    'pull-up-inside': 'pull-up',
    'pull-down': `pull-down ${USUAL_OHMS}`,
    'pull-up': `pull-up ${USUAL_OHMS}`,
  } as const;
  assume('option', {
    says: buttonInput === 'pull-up-inside' ? 'pull-up inside the board' : words[buttonInput],
    because: 'the house rule for buttons',
    words: `, ${words[buttonInput]}`,
  });
  return buttonInput === 'pull-up-inside' ? 'inside' : buttonInput === 'pull-down' ? 'down' : 'up';
}

/** Joins a contact between its pin and ground or supply, with the resistor that holds the pin meanwhile. */
function connectContact(statement: Statement, make: Make, pin: PointName, far: PointName): void {
  const pull = pullOf(statement, make);
  make.join(pull === 'down' ? make.supply() : make.ground(), far);
  if (pull === 'inside') return;
  const ohms = statement.resistor?.value ?? USUAL_OHMS;
  const resistor = make.part('resistor', ohms, acceptOf(statement.resistor, undefined));
  make.join(pin, leg(resistor, '1'));
  make.join(pull === 'up' ? make.supply() : make.ground(), leg(resistor, '2'));
}

/** How a contact's line is held, as a line says it. */
function sayPull(part: StatedPart, near: string, far: string, view: CircuitView): string | undefined {
  const held = view.resistorAt(part, near);
  const end = held && view.place(held.resistor, held.far).type;
  if (view.isGround(part, far)) {
    if (!held) return 'pull-up';
    return end === 'supply' ? `pull-up ${ohmsPhrase(held.resistor, undefined)}` : undefined;
  }
  return view.isSupply(part, far) && end === 'ground'
    ? `pull-down ${ohmsPhrase(held!.resistor, undefined)}`
    : undefined;
}

export const button: Recipe = {
  beginning: { line: 'button', note: 'pressed or not' },
  needs: onePin(),
  isHeld: true,
  build(statement, make, [pin]) {
    const one = make.part('button', statement.value);
    make.join(make.pin(pin!), leg(one, '1'));
    connectContact(statement, make, make.pin(pin!), leg(one, '3'));
  },
  say(part, view) {
    const [pin, pull] = [view.pin(part, '1'), sayPull(part, '1', '3', view)];
    return pin === undefined || pull === undefined
      ? undefined
      : `${part.value === '' ? '' : `${part.value} `}button on ${view.pinText(pin)}, ${pull}`;
  },
};

export const slideSwitch: Recipe = {
  needs: onePin(),
  isHeld: true,
  build(statement, make, [pin]) {
    const one = make.part('switch', statement.value);
    make.join(make.pin(pin!), leg(one, 'common'));
    if (statement.options.has('both-ends')) {
      make.join(make.ground(), leg(one, '1'));
      make.join(make.supply(), leg(one, '2'));
    } else connectContact(statement, make, make.pin(pin!), leg(one, '2'));
  },
  say(part, view) {
    const pin = view.pin(part, 'common');
    if (pin === undefined) return undefined;
    if (view.isGround(part, '1') && view.isSupply(part, '2'))
      return `slide switch on ${view.pinText(pin)}, both ends`;
    // Of the two ends, which look alike, the circuits of others may use either.
    const pull = sayPull(part, 'common', '2', view) ?? sayPull(part, 'common', '1', view);
    return pull === undefined ? undefined : `slide switch on ${view.pinText(pin)}, ${pull}`;
  },
};

export const potentiometer: Recipe = {
  beginning: { line: 'potentiometer', note: 'turned, read as a number' },
  needs: onePin('analog'),
  build(statement, make, [pin]) {
    const one = make.part('potentiometer', statement.value);
    make.join(make.pin(pin!), leg(one, 'wiper'));
    make.join(make.supply(statement.source), leg(one, '2'));
    make.join(make.ground(), leg(one, '1'));
  },
  say(part, view) {
    const pin = view.pin(part, 'wiper');
    return pin !== undefined && view.isGround(part, '1') && view.isSupply(part, '2')
      ? `${part.value} potentiometer on ${view.pinText(pin)}`
      : undefined;
  },
};

/** A sensor that changes its resistance, in a divider with a fixed resistor. */
function inDivider(kind: string, title: string): Recipe {
  return {
    needs: onePin('analog'),
    build(statement, make, [pin]) {
      const sensor = make.part(kind, statement.value);
      const ohms = statement.resistor?.value ?? USUAL_OHMS;
      if (!statement.resistor)
        make.assume('resistor', {
          says: `with ${USUAL_OHMS} Ω`,
          because: 'the usual fixed resistor beside such a sensor',
          words: `with ${USUAL_OHMS}`,
        });
      const resistor = make.part('resistor', ohms, acceptOf(statement.resistor, undefined));
      const isLower = statement.to?.type === 'ground' || statement.resistorTo?.type === 'supply';
      const [top, bottom] = [make.supply(statement.source), make.ground()];
      make.join(isLower ? bottom : top, leg(sensor, '1'));
      make.join(make.pin(pin!), leg(sensor, '2'));
      make.join(make.pin(pin!), leg(resistor, '1'));
      make.join(isLower ? top : bottom, leg(resistor, '2'));
    },
    say(part, view) {
      const pin = view.pin(part, '2');
      const held = view.resistorAt(part, '2');
      if (pin === undefined || !held) return undefined;
      const [here, there] = [view.place(part, '1').type, view.place(held.resistor, held.far).type];
      const words = `${part.value} ${title} on ${view.pinText(pin)} with ${ohmsPhrase(held.resistor, undefined)}`;
      if (here === 'supply' && there === 'ground') return words;
      return here === 'ground' && there === 'supply' ? `${words}, to ground` : undefined;
    },
  };
}

export const lightSensor: Recipe = {
  ...inDivider('light-sensor', 'light sensor'),
  beginning: { line: 'light sensor', note: 'in a divider' },
};
export const thermistor = inDivider('thermistor', 'thermistor');
