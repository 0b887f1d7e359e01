import type { Ref } from '../brand';
import type { PartStates } from '../electrics/bench';
import { kindOf, type PartState } from '../parts';
import { endsOf } from '../stimuli';
import type { Circuit } from '../wiring/circuit';

/** Buttons and switches up to which every combination is looked at; beyond, each alone and all at once. */
const MOST_COMBINED = 4;

/**
 * The states of buttons and switches that rules look at, the one at rest first: every combination of a
 * few, of many each alone and all together. A switch is at rest at its first contact.
 */
export function contactStates({ parts }: Circuit): readonly PartStates[] {
  const contacts = closed(parts);
  const rest: PartStates = new Map();
  if (contacts.length === 0) return [rest];
  if (contacts.length > MOST_COMBINED)
    return [rest, ...contacts.map((contact) => new Map([contact])), new Map(contacts)];
  return Array.from(
    { length: 2 ** contacts.length },
    (_, bits) => new Map(contacts.filter((__, index) => (bits >> index) & 1)),
  );
}

/** Every button and switch in the state in which it is not at rest. */
const closed = (parts: Circuit['parts']): readonly (readonly [Ref, Partial<PartState>])[] =>
  parts.flatMap((part) => {
    const { contact } = kindOf(part.kind);
    if (contact === undefined) return [];
    return [[part.ref, contact === 'momentary' ? { pressed: true } : { position: 1 }] as const];
  });

/**
 * Ends of travel of potentiometers and sensors, each alone: with all buttons and switches at rest, and with all of them
 * closed, as one may lead its current to the other.
 */
export function extremeStates({ parts }: Circuit): readonly PartStates[] {
  const contacts = closed(parts);
  const ends = parts.flatMap((part): readonly PartStates[] => {
    const { stimulus, contact } = kindOf(part.kind);
    const ends: readonly Partial<PartState>[] =
      stimulus === 'turn' && contact === undefined
        ? [{ position: 0 }, { position: 1 }]
        : stimulus === 'light'
          ? [{ light: 0 }, { light: 1 }]
          : stimulus === 'warm'
            ? endsOf('warm').map((celsius) => ({ celsius }))
            : [];
    return ends.map((state) => new Map([[part.ref, state]]));
  });
  return contacts.length === 0 ? ends : [...ends, ...ends.map((end) => new Map([...contacts, ...end]))];
}
