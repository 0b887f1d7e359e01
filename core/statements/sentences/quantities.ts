import { findKind, type StimulusKind } from '../../parts';
import { NAMES, onlyTouched, type Named } from './plain';

/** A quantity that a sensor or a knob is given, as people name it. */
interface Quantity {
  readonly of: StimulusKind;
  readonly called: string;
  /** The unit as it is typed, and the sentence of so much of it. */
  readonly unit: string;
  readonly say: (name: string, amount: string, unit: string) => string;
}

const share = (amount: string, unit: string): string => (unit === '' ? amount : String(Number(amount) / 100));

const QUANTITIES: readonly Quantity[] = [
  {
    of: 'distance',
    called: 'distance|gap|range|obstacle|object|wall|hand|car',
    unit: ' m',
    say: (name, amount) => `something ${amount} m before ${name}`,
  },
  {
    of: 'warm',
    called: 'temperature|warmth|heat|thermometer|air|room|water',
    unit: ' ?°(?: ?c)?| ?c|',
    say: (name, amount) => `warm ${name} to ${amount} °C`,
  },
  {
    of: 'light',
    called: 'light|brightness|light level|daylight',
    unit: ' %|',
    say: (name, amount, unit) => `light on ${name} to ${share(amount, unit)}`,
  },
  {
    of: 'turn',
    called: 'position|setting|slider|dial',
    unit: ' %|',
    say: (name, amount, unit) => `turn ${name} to ${share(amount, unit)}`,
  },
];

const PLACE = `(?: (?:at|on|of|to|from|before|in front of|measured by|seen by) (${NAMES}))?`;
const BECOMES =
  '(?: is| becomes| gets| goes| falls| drops| rises| changes| is set| comes)?(?: now)?(?: at| to| up to| down to)?';

/**
 * What a quantity is brought to: `the distance is 0.3 m`, `temperature 25 °C`, `P1 is at 30 %`, as the beginning of the
 * sentence that says so. `undefined` for anything else, and where no part or several could be meant.
 */
export function broughtTo(what: string, parts: readonly Named[]): string | undefined {
  for (const { of, called, unit, say } of QUANTITIES) {
    const found = new RegExp(
      `^(?:(?:set |bring |the |an? )*(?:${called})${PLACE}|(?:set |bring )?(${NAMES}))${BECOMES} (-?\\d*\\.?\\d+)(${unit})(?: away)?${PLACE}$`,
      'i',
    ).exec(what);
    if (!found) continue;
    const [, place, subject, amount = '', written = '', behind] = found;
    const name = place ?? subject ?? behind ?? onlyTouched(of, parts);
    if (name !== undefined && isGiven(name, of, parts)) return say(name, amount, written);
  }
  return undefined;
}

const isGiven = (name: string, of: StimulusKind, parts: readonly Named[]): boolean => {
  const part = parts.find(({ ref }) => ref === name.toUpperCase());
  const kind = part && findKind(part.kind);
  // A switch is turned too, and is on or off.
  return kind?.stimulus === of && kind.contact === undefined;
};
