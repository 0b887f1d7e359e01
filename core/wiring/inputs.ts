import { kindOf, roleOfLeg } from '../parts';
import type { Circuit } from './circuit';

/** Whether a pin's node holds only what is sensed or pressed, so that a program would read it. */
export function looksLikeInput(circuit: Circuit, pin: string): boolean {
  const node = circuit.nodeOfPin(pin);
  if (!node) return false;
  const legs = circuit.legsAt(node.id).map(({ part, leg }) => ({
    kind: kindOf(part.kind),
    role: roleOfLeg(part, leg),
  }));
  const senses = legs.some(
    ({ kind, role }) =>
      kind.contact !== undefined || kind.resistance === 'sensed' || role === 'measured' || role === 'output',
  );
  const isDriven = legs.some(
    ({ kind, role }) =>
      (kind.observed !== undefined && kind.stimulus === undefined && role !== 'output') ||
      kind.legs.some((leg) => leg.role === 'control'),
  );
  return senses && !isDriven;
}
