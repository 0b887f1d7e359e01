import type { BoardProfile } from '../boards';
import { prepareBench, type PinDrive } from '../electrics/bench';
import { solveBench, type BenchPoint } from '../electrics/bench-point';
import { isContact, isResistor, kindOf, roleOfLeg } from '../parts';
import { Circuit, type PartLeg } from '../wiring/circuit';
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

/** One pin of a hookup with a name for it, in words that begin small: `red LED`. */
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
  const circuit = new Circuit(wiring, board);
  const pins = board.pins
    .filter(({ name }) => partsAt(name, circuit).length > 0)
    .sort((one, other) => one.number - other.number);
  const found = pins.flatMap(({ name, number }): readonly Found[] => {
    const input = inputAt(name, circuit, board);
    const output = input ?? outputAt(name, circuit);
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

const partsAt = (pin: string, circuit: Circuit): readonly PartLeg[] => {
  const node = circuit.nodeOfPin(pin);
  return node ? circuit.legsAt(node.id) : [];
};

function inputAt(pin: string, circuit: Circuit, board: BoardProfile): Role | undefined {
  const at = partsAt(pin, circuit);
  for (const { part, leg } of at) {
    const { kind, ref } = part;
    const { resistance, spokenTo } = kindOf(kind);
    const way = spokenTo?.(part.value);
    if (isContact(part)) {
      const isPulled = at.some((other) => isResistor(other.part));
      const active = leadsToGround(part, pin, circuit) ? 'low' : 'high';
      return {
        ref,
        kind,
        sort: '',
        does: { role: 'contact', pull: isPulled ? 'outside' : 'inside', active },
      };
    }
    const role = roleOfLeg(part, leg);
    const isAnalog = board.pins.find(({ name }) => name === pin)?.functions.includes('analog') ?? false;
    if ((resistance === 'sensed' || role === 'measured') && isAnalog)
      return { ref, kind, sort: '', does: { role: 'measure' } };
    // What is spoken to in a protocol of its own is no business of a plain program.
    if (way === 'protocol') return undefined;
    if (way === 'angle' && role === 'input') return { ref, kind, sort: '', does: { role: 'servo' } };
    if (way === 'pulse' && role === 'input')
      return { ref, kind, sort: leg, does: { role: 'switch', on: 'high' } };
    if (role === 'output') return { ref, kind, sort: leg, does: { role: 'signal' } };
  }
  return undefined;
}

/** Whether a part leads from a pin's node to the ground of the board. */
const leadsToGround = (part: PlacedPart, pin: string, circuit: Circuit): boolean =>
  circuit
    .nodesOf(part)
    .some((node) => node !== circuit.nodeOfPin(pin)?.id && circuit.side(node) === 'ground');

function outputAt(pin: string, circuit: Circuit): Role | undefined {
  const bench = prepareBench(circuit);
  const at = (mode: 'high' | 'low'): BenchPoint =>
    solveBench(bench, new Map<string, PinDrive>([[pin, { mode }]]));
  const [high, low] = [at('high'), at('low')];
  const isHigher = (one: number, other: number): 'high' | 'low' | undefined =>
    one - other >= SWITCHES_FROM_MA ? 'high' : other - one >= SWITCHES_FROM_MA ? 'low' : undefined;
  for (const part of circuit.parts) {
    const { ref, kind, value } = part;
    const { observed, spokenTo } = kindOf(kind);
    if (observed === 'light') {
      for (const [led, currentMa] of high.leds) {
        const [owner, light = ''] = led.split('.');
        const on = owner === ref ? isHigher(currentMa, low.leds.get(led) ?? 0) : undefined;
        if (on) return { ref, kind, sort: light === '' ? value.text : light, does: { role: 'switch', on } };
      }
      continue;
    }
    const on = isHigher(
      Math.abs(high.parts.get(ref)?.currentMa ?? 0),
      Math.abs(low.parts.get(ref)?.currentMa ?? 0),
    );
    if (!on || observed === undefined) continue;
    const isTone = spokenTo?.(value) === 'tone';
    return { ref, kind, sort: '', does: isTone ? { role: 'tone' } : { role: 'switch', on } };
  }
  // A relay is switched by a voltage, not by a current that is worth speaking of.
  const told = partsAt(pin, circuit).find(
    ({ part, leg }) =>
      roleOfLeg(part, leg) === 'input' && kindOf(part.kind).spokenTo?.(part.value) === 'level',
  )?.part;
  return told && { ref: told.ref, kind: told.kind, sort: '', does: { role: 'switch', on: 'high' } };
}

/** Names by what a class calls the parts, told apart by colour or else by number. */
function named(found: readonly Found[]): readonly HookedPin[] {
  const titleOf = ({ kind }: Found): readonly string[] => kindOf(kind).codeWords;
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
