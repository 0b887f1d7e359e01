import type { BoardProfile } from '../boards';
import { prepareBench, type PinDrive } from '../electrics/bench';
import { solveBench, type BenchPoint } from '../electrics/bench-point';
import { isContact, kindOf } from '../parts';
import { netlistOf, nodeOfLeg, nodeOfPin, type Netlist } from '../wiring/netlist';
import type { PlacedPart, Wiring } from '../wiring/wiring';

/** What a program has to do with a pin. */
export type PinRole =
  /** It switches something; `on` is the level that does. */
  | { readonly role: 'switch'; readonly on: 'high' | 'low' }
  /** It gives a tone. */
  | { readonly role: 'tone' }
  | { readonly role: 'servo' }
  /** It is pressed or switched; `pull` says what holds it meanwhile, and `active` the level when it is used. */
  | { readonly role: 'contact'; readonly pull: 'inside' | 'outside'; readonly active: 'high' | 'low' }
  /** It is told something by a module. */
  | { readonly role: 'signal' }
  /** It measures a voltage. */
  | { readonly role: 'measure' };

/** One pin of a hookup with a name for it, in words that begin small: `red lamp`. */
export interface HookedPin {
  readonly pin: string;
  readonly number: number;
  readonly words: readonly string[];
  /** The part that the name is from. */
  readonly ref: string;
  readonly does: PinRole;
}

/** Change of current, in mA, that makes a pin the one that switches a part. */
const SWITCHES_FROM_MA = 0.3;

/**
 * What hangs on each signal pin of a wiring, in the order of the board's pins. Found by the circuit: a pin
 * switches what changes its current with the pin's level, however many parts lie between.
 */
export function hookupOf(wiring: Wiring, board: BoardProfile): readonly HookedPin[] {
  const netlist = netlistOf(wiring);
  const pins = board.pins
    .filter(({ name }) => {
      const node = netlist.nodes.find(({ id }) => id === nodeOfPin(netlist, name));
      return node !== undefined && node.terminals.length > 0;
    })
    .sort((one, other) => one.number - other.number);
  const found = pins.flatMap(({ name, number }): readonly Found[] => {
    const input = inputAt(name, wiring, netlist, board);
    const output = input ?? outputAt(name, wiring, netlist);
    return output ? [{ pin: name, number, ...output }] : [];
  });
  return named(found);
}

interface Found {
  readonly pin: string;
  readonly number: number;
  readonly ref: string;
  readonly kind: string;
  /** What tells parts of one kind apart: a colour, or the colour of one light. */
  readonly sort: string;
  readonly does: PinRole;
}
type Role = Omit<Found, 'pin' | 'number'>;

const partsAt = (
  pin: string,
  wiring: Wiring,
  netlist: Netlist,
): readonly (readonly [PlacedPart, string])[] => {
  const node = netlist.nodes.find(({ id }) => id === nodeOfPin(netlist, pin));
  return (node?.terminals ?? []).flatMap(({ ref, leg }) => {
    const part = wiring.parts.find((candidate) => candidate.ref === ref);
    return part ? [[part, leg as string] as const] : [];
  });
};

function inputAt(pin: string, wiring: Wiring, netlist: Netlist, board: BoardProfile): Role | undefined {
  const at = partsAt(pin, wiring, netlist);
  for (const [part, leg] of at) {
    const { kind, ref } = part;
    if (isContact(part)) {
      const isPulled = at.some(([other]) => other.kind === 'resistor');
      const active = leadsTo(part, pin, 'ground', netlist, board) ? 'low' : 'high';
      return {
        ref,
        kind,
        sort: '',
        does: { role: 'contact', pull: isPulled ? 'outside' : 'inside', active },
      };
    }
    const isMeasured =
      ['light-sensor', 'thermistor'].includes(kind) ||
      (kind === 'potentiometer' && leg === 'wiper') ||
      (kind === 'temperature-sensor' && leg === 'out');
    const isAnalog = board.pins.find(({ name }) => name === pin)?.functions.includes('analog') ?? false;
    if (isMeasured && isAnalog) return { ref, kind, sort: '', does: { role: 'measure' } };
    if ((kind === 'motion-sensor' && leg === 'out') || (kind === 'distance-sensor' && leg === 'echo'))
      return { ref, kind, sort: leg, does: { role: 'signal' } };
    if (kind === 'servo' && leg === 'signal') return { ref, kind, sort: '', does: { role: 'servo' } };
    if (kind === 'distance-sensor' && leg === 'trig')
      return { ref, kind, sort: leg, does: { role: 'switch', on: 'high' } };
    // What is spoken to in a protocol of its own is no business of a plain program.
    if (['led-matrix', 'text-display', 'shift-register'].includes(kind)) return undefined;
  }
  return undefined;
}

/** Whether a part leads from a pin's node to the ground or the supply of the board. */
function leadsTo(
  part: PlacedPart,
  pin: string,
  role: 'ground' | 'supply',
  netlist: Netlist,
  board: BoardProfile,
): boolean {
  const names = board.supplies.filter((supply) => supply.role === role).map(({ name }) => name);
  const here = nodeOfPin(netlist, pin);
  return part.legs.some(({ leg }) => {
    const node = nodeOfLeg(netlist, part.ref, leg);
    return node !== here && netlist.nodes[node]!.pins.some((name) => names.includes(name));
  });
}

function outputAt(pin: string, wiring: Wiring, netlist: Netlist): Role | undefined {
  const bench = prepareBench(wiring, netlist);
  const at = (mode: 'high' | 'low'): BenchPoint =>
    solveBench(bench, new Map<string, PinDrive>([[pin, { mode }]]));
  const [high, low] = [at('high'), at('low')];
  const isHigher = (one: number, other: number): 'high' | 'low' | undefined =>
    one - other >= SWITCHES_FROM_MA ? 'high' : other - one >= SWITCHES_FROM_MA ? 'low' : undefined;
  for (const part of wiring.parts) {
    const { ref, kind, value } = part;
    const { observed } = kindOf(kind);
    if (observed === 'light') {
      for (const [lamp, currentMa] of high.lamps) {
        const [owner, light = ''] = lamp.split('.');
        const on = owner === ref ? isHigher(currentMa, low.lamps.get(lamp) ?? 0) : undefined;
        if (on) return { ref, kind, sort: light === '' ? value.text : light, does: { role: 'switch', on } };
      }
      continue;
    }
    const on = isHigher(
      Math.abs(high.parts.get(ref)?.currentMa ?? 0),
      Math.abs(low.parts.get(ref)?.currentMa ?? 0),
    );
    if (!on || observed === undefined) continue;
    const isTone = kind === 'buzzer' && value.text === 'passive';
    return { ref, kind, sort: '', does: isTone ? { role: 'tone' } : { role: 'switch', on } };
  }
  // A relay is switched by a voltage, not by a current that is worth speaking of.
  const relay = partsAt(pin, wiring, netlist).find(
    ([part, leg]) => part.kind === 'relay' && leg === 'signal',
  );
  return relay && { ref: relay[0].ref, kind: 'relay', sort: '', does: { role: 'switch', on: 'high' } };
}

/** Names by what a class calls the parts, told apart by colour or else by number. */
function named(found: readonly Found[]): readonly HookedPin[] {
  const titleOf = ({ kind }: Found): readonly string[] => titles[kind] ?? [kind.replace(/-.*/, '')];
  return found.map((pin) => {
    const alike = found.filter((other) => titleOf(other).join() === titleOf(pin).join());
    const sorts = new Set(alike.map(({ sort }) => sort));
    const isTold = sorts.size === alike.length && pin.sort !== '';
    const words =
      alike.length === 1
        ? titleOf(pin)
        : isTold && !/\d/.test(pin.sort)
          ? [pin.sort, ...titleOf(pin)]
          : [...titleOf(pin), String(alike.indexOf(pin) + 1)];
    return { pin: pin.pin, number: pin.number, ref: pin.ref, does: pin.does, words };
  });
}

const titles: Readonly<Record<string, readonly string[]>> = {
  led: ['lamp'],
  'rgb-led': ['lamp'],
  'led-bar': ['lamp'],
  'seven-segment': ['segment'],
  button: ['button'],
  switch: ['switch'],
  potentiometer: ['knob'],
  'light-sensor': ['light'],
  thermistor: ['warmth'],
  'temperature-sensor': ['warmth'],
  buzzer: ['buzzer'],
  servo: ['servo'],
  motor: ['motor'],
  relay: ['relay'],
  'distance-sensor': ['distance'],
  'motion-sensor': ['motion'],
};
