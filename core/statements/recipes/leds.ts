import { isBoard } from '../../boards';
import { legName, type LegName, type PointName, type Ref } from '../../brand';
import { legPoint } from '../../wiring/wiring';
import type { StatedPart } from '../stated';
import type { Make } from './make';
import { acceptOf, ledOhms, ohmsPhrase, usualAccept } from '../resistors';
import type { Statement } from '../statement';
import type { CircuitView, Place } from '../view';
import { transistorSwitch } from './loads';
import type { Recipe } from './recipe';

/** Colour of an LED when none is said. */
const USUAL_COLOUR = 'red';

const leg = (owner: Ref, name: string): PointName => legPoint(owner, legName(name));

/** Adds the resistor of the LEDs in one path; what the line does not say comes from the house rules. */
function addResistor(statement: Statement, make: Make, colours: readonly string[]): Ref {
  const ohms = statement.resistor?.value ?? ledOhms(colours, statement, make.context);
  if (!statement.resistor && statement.currentMa === undefined)
    make.assume('resistor', {
      says: `with ${ohms} Ω`,
      because: 'the house rule for LEDs; the kit has it',
      words: `with ${ohms}`,
    });
  return make.part('resistor', ohms, acceptOf(statement.resistor, usualAccept(ohms)));
}

const onAnodeSide = (statement: Statement, make: Make): boolean =>
  statement.options.has('anode-side') ||
  (make.context.rules.resistorSide === 'anode' && !statement.options.has('cathode-side'));

/** From one point through LED and resistor to another; the resistor on the side that is asked for. */
function chain(
  make: Make,
  side: 'anode' | 'cathode',
  ends: { readonly from: PointName; readonly to: PointName },
  led: { readonly anode: PointName; readonly cathode: PointName },
  resistor: Ref | undefined,
): void {
  if (resistor === undefined) {
    make.join(ends.from, led.anode);
    make.join(ends.to, led.cathode);
  } else if (side === 'anode') {
    make.join(ends.from, leg(resistor, '1'));
    make.join(leg(resistor, '2'), led.anode);
    make.join(ends.to, led.cathode);
  } else {
    make.join(ends.from, led.anode);
    make.join(led.cathode, leg(resistor, '1'));
    make.join(ends.to, leg(resistor, '2'));
  }
}

/** The contact that lets a light's current through. */
const fedFrom = (place: Place): string | undefined =>
  place.type === 'source' ? `from ${place.ref}` : undefined;

const sayOhms = (resistor: StatedPart): string => `with ${ohmsPhrase(resistor, usualAccept(resistor.value))}`;

/** How a light, or a path of them up to `last`, is connected, as a line says it, from the places of its two ends. */
function lightPhrases(
  part: StatedPart,
  anode: LegName,
  cathode: LegName,
  view: CircuitView,
  last = part,
): { readonly pin: string; readonly resistor: StatedPart | undefined; readonly words: string } | undefined {
  const [before, behind] = [view.resistorAt(part, anode), view.resistorAt(last, cathode)];
  const [up, down] = [view.place(part, anode).type, view.place(last, cathode).type];
  const through = up === 'inner' ? before : down === 'inner' ? behind : undefined;
  const resistor = through?.resistor;
  const pinOf = (one: StatedPart, at: string): string | undefined => {
    const place = view.place(one, at);
    return place.type === 'pin' ? place.pin : place.type === 'supply' ? 'supply' : fedFrom(place);
  };
  const top = through && up === 'inner' ? pinOf(resistor!, through.far) : pinOf(part, anode);
  const bottomAt =
    through && down === 'inner' ? view.place(resistor!, through.far) : view.place(last, cathode);
  const side = up === 'inner' ? ', resistor first' : '';
  if (bottomAt.type === 'ground' && top !== undefined)
    return { pin: top === 'supply' ? 'supply' : view.pinText(top), resistor, words: side };
  if (bottomAt.type === 'pin' && top === 'supply')
    return { pin: view.pinText(bottomAt.pin), resistor, words: `${side}, lit by low` };
  return undefined;
}

export const led: Recipe = {
  usually: { value: USUAL_COLOUR, because: 'every kit has that colour' },
  mayHangOnSupply: true,
  isLight: true,
  beginning: { line: 'amber LED', note: 'an LED with its resistor' },
  brings: { 'transistor-npn': 'transistor' },
  needs: (statement) => [{ as: '', does: statement.options.has('dimmed') ? 'pwm' : 'digital' }],
  build(statement, make, [pin]) {
    const { inSeries = 1, value, values } = statement;
    const colours = Array.from({ length: inSeries }, (_, at) => (inSeries > 1 && values?.[at]) || value);
    const lights = colours.map((colour) => make.part('led', colour));
    lights.slice(1).forEach((one, before) => make.join(leg(lights[before]!, 'cathode'), leg(one, 'anode')));
    const resistor = statement.options.has('no-resistor') ? undefined : addResistor(statement, make, colours);
    const ledLegs = { anode: leg(lights[0]!, 'anode'), cathode: leg(lights.at(-1)!, 'cathode') };
    const low = statement.to ? make.point(statement.to) : make.ground();
    const side = onAnodeSide(statement, make) ? 'anode' : 'cathode';
    if (statement.options.has('transistor')) {
      const switched = transistorSwitch(make, pin!);
      chain(make, side, { from: make.supply(statement.source), to: switched }, ledLegs, resistor);
    } else if (statement.options.has('lit-by-low'))
      chain(make, side, { from: make.supply(statement.source), to: make.pin(pin!) }, ledLegs, resistor);
    else {
      const from = pin === undefined ? make.supply(statement.source) : make.pin(pin);
      chain(make, side, { from, to: low }, ledLegs, resistor);
    }
  },
  say(part, view) {
    const following = view.inSeriesBehind(part);
    const path = [part, ...following];
    const said = lightPhrases(part, legName('anode'), legName('cathode'), view, path.at(-1));
    if (!said) return undefined;
    const colours = path.every(({ value }) => value === part.value)
      ? `${part.value} LED`
      : `${path.map(({ value }) => value).join(' ')} LED`;
    const name = following.length > 0 ? `${path.length} ${colours}s in series` : colours;
    const resistor = said.resistor ? ` ${sayOhms(said.resistor)}` : ' without resistor';
    if (!isBoard(view.board))
      return `${name}${resistor}${said.pin.startsWith('from ') ? ` ${said.pin}` : view.fromBattery(part)}${said.words}`;
    return `${name} on ${said.pin === 'supply' ? (view.board.supplies.find((s) => s.role === 'supply' && s.volts === view.board.logicVolts)?.name ?? 'supply') : said.pin}${resistor}${said.words}`;
  },
};

const BAR_LEDS = 10;

export const ledBar: Recipe = {
  mayHangOnSupply: true,
  isLight: true,
  brings: { led: undefined },
  beginning: { line: 'LED bar', note: 'ten LEDs in one' },
  needs: () =>
    Array.from({ length: BAR_LEDS }, (_, index) => ({ as: `LED ${index + 1}`, does: 'digital' as const })),
  fewest: 1,
  build(statement, make, pins) {
    const bar = make.part('led-bar', statement.value);
    const side = onAnodeSide(statement, make) ? 'anode' : 'cathode';
    pins.forEach((pin, index) => {
      const resistor = statement.options.has('no-resistor')
        ? undefined
        : addResistor(statement, make, [statement.value || USUAL_COLOUR]);
      const [anode, cathode] = [leg(bar, `a${index + 1}`), leg(bar, `k${index + 1}`)];
      if (statement.options.has('lit-by-low'))
        chain(
          make,
          side,
          { from: make.supply(statement.source), to: make.pin(pin) },
          { anode, cathode },
          resistor,
        );
      else chain(make, side, { from: make.pin(pin), to: make.ground() }, { anode, cathode }, resistor);
    });
  },
  say(part, view) {
    const lights = Array.from({ length: BAR_LEDS }, (_, index) =>
      lightPhrases(part, legName(`a${index + 1}`), legName(`k${index + 1}`), view),
    ).filter((light) => light !== undefined);
    const [first] = lights;
    if (!first || lights.some((light) => light.words !== first.words)) return undefined;
    const ohms = first.resistor ? ` ${sayOhms(first.resistor)}` : ' without resistor';
    return `${part.value} LED bar on ${view.pins(lights.map((light) => light.pin))}${ohms}${first.words}`;
  },
};

/** LEDs in one housing that share a leg. */
function sharedLeg(kind: string, title: string, lights: readonly string[]): Recipe {
  return {
    usually: { value: 'common-cathode', because: 'the usual form' },
    isLight: true,
    needs: () => lights.map((as) => ({ as, does: 'digital' as const })),
    ...(kind === 'seven-segment' ? { fewest: 7 } : {}),
    build(statement, make, pins) {
      const { value } = statement;
      const one = make.part(kind, value);
      pins.forEach((pin, index) => {
        const at = leg(one, lights[index]!);
        if (statement.options.has('no-resistor')) return make.join(make.pin(pin), at);
        const resistor = addResistor(statement, make, ['green']);
        make.join(make.pin(pin), leg(resistor, '1'));
        make.join(leg(resistor, '2'), at);
      });
      make.join(value === 'common-anode' ? make.supply(statement.source) : make.ground(), leg(one, 'common'));
    },
    say(part, view) {
      const form =
        part.value === 'common-anode' ? view.isSupply(part, 'common') : view.isGround(part, 'common');
      if (!form) return undefined;
      const ways = lights.flatMap((light) => {
        const through = view.resistorAt(part, light);
        const pin = through && view.pin(through.resistor, through.far);
        return pin === undefined ? [] : [{ pin, resistor: through!.resistor }];
      });
      const [first] = ways;
      if (!first || ways.length < Math.min(lights.length, 7)) return undefined;
      return `${title} on ${view.pins(ways.map(({ pin }) => view.pinText(pin)))} ${sayOhms(first.resistor)}, ${part.value.replace('-', ' ')}`;
    },
  };
}

export const rgbLed: Recipe = {
  ...sharedLeg('rgb-led', 'RGB LED', ['red', 'green', 'blue']),
  beginning: { line: 'RGB LED', note: 'three colours in one' },
};
export const digit = sharedLeg('seven-segment', 'seven-segment display', [
  'a',
  'b',
  'c',
  'd',
  'e',
  'f',
  'g',
  'dp',
]);
