import type { Ref } from '../brand';
import type { PartStates } from '../electrics/bench';
import { kindOf, type PartState } from '../parts';
import type { Netlist } from '../wiring/netlist';
import type { Wiring } from '../wiring/wiring';

/** Buttons and switches up to which every combination is looked at; beyond, each alone and all at once. */
const MOST_COMBINED = 4;

/**
 * The states of buttons and switches that rules look at, the one at rest first: every combination of a
 * few, of many each alone and all together. A switch is at rest at its first contact.
 */
export function contactStates(wiring: Wiring): readonly PartStates[] {
  const contacts = wiring.parts.flatMap((part): readonly (readonly [Ref, Partial<PartState>])[] => {
    const { stimulus, sign } = kindOf(part.kind);
    if (stimulus === 'press') return [[part.ref, { pressed: true }]];
    return sign === 'switch' ? [[part.ref, { position: 1 }]] : [];
  });
  const rest: PartStates = new Map();
  if (contacts.length === 0) return [rest];
  if (contacts.length > MOST_COMBINED)
    return [rest, ...contacts.map((contact) => new Map([contact])), new Map(contacts)];
  return Array.from(
    { length: 2 ** contacts.length },
    (_, bits) => new Map(contacts.filter((__, index) => (bits >> index) & 1)),
  );
}

/** Ends of travel of knobs and sensors, each alone. */
export function extremeStates(wiring: Wiring): readonly PartStates[] {
  return wiring.parts.flatMap((part): readonly PartStates[] => {
    const { stimulus, sign } = kindOf(part.kind);
    const ends: readonly Partial<PartState>[] =
      stimulus === 'turn' && sign !== 'switch'
        ? [{ position: 0 }, { position: 1 }]
        : stimulus === 'light'
          ? [{ light: 0 }, { light: 1 }]
          : [];
    return ends.map((state) => new Map([[part.ref, state]]));
  });
}

/** Whether a pin's node holds only what is sensed or pressed, so that a program would read it. */
export function looksLikeInput(wiring: Wiring, netlist: Netlist, pin: string): boolean {
  const node = netlist.nodes.find((candidate) => candidate.pins.includes(pin));
  if (!node || node.terminals.length === 0) return false;
  const kinds = node.terminals.map(({ ref, leg }) => {
    const part = wiring.parts.find((candidate) => candidate.ref === ref)!;
    return { kind: kindOf(part.kind), leg: leg as string };
  });
  const senses = kinds.some(
    ({ kind, leg }) =>
      ['button', 'switch', 'light-sensor', 'thermistor'].includes(kind.sign) ||
      (kind.sign === 'knob' && leg === 'wiper') ||
      ['out', 'echo', 'dout'].includes(leg),
  );
  const isDriven = kinds.some(
    ({ kind, leg }) =>
      (kind.observed !== undefined && kind.stimulus === undefined && !['out', 'dout'].includes(leg)) ||
      kind.sign === 'transistor',
  );
  return senses && !isDriven;
}
