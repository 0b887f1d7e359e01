import type { LegName, Ref } from '../brand';
import { kindOf } from '../parts';
import type { Terminal } from './netlist';
import { findPart, shortNameOf, type PlacedPart, type Point, type Wiring } from './wiring';

/** `the amber LED D1`, `the yellow wire W1`, `the RGB LED D2`. */
export function partText(part: PlacedPart): string {
  const { describe, title, isValueHidden } = kindOf(part.kind);
  return `the ${isValueHidden ? title : describe(part.value)} ${part.ref}`;
}

/** The same where its value is what is spoken of: `the RGB LED (common anode) D2`. */
export const partInFull = (part: PlacedPart): string =>
  `the ${kindOf(part.kind).describe(part.value)} ${part.ref}`;

export const partTextOf = (wiring: Wiring, ref: Ref): string => {
  const part = findPart(wiring, ref);
  return part ? partText(part) : ref;
};

/** `long leg`, `one end`; of a wire just `end`, since its ends are told apart by where they are. */
export const legTitle = (part: PlacedPart, leg: LegName): string =>
  kindOf(part.kind).conductor
    ? 'end'
    : (kindOf(part.kind).legs.find((known) => known.name === leg)?.title ?? leg);

/** `the long leg of the amber LED D1`, `one end of the resistor R1`. */
export const legText = (part: PlacedPart, leg: LegName): string => {
  const title = legTitle(part, leg);
  return `${title.startsWith('one ') ? '' : 'the '}${title} of ${partText(part)}`;
};

export const terminalText = (wiring: Wiring, { ref, leg }: Terminal): string => {
  const part = findPart(wiring, ref);
  return part ? legText(part, leg) : `${ref}.${leg}`;
};

const railNames: Readonly<Record<string, string>> = {
  'a-': 'minus rail beside column a',
  'a+': 'plus rail beside column a',
  'j-': 'minus rail beside column j',
  'j+': 'plus rail beside column j',
};

/**
 * `hole e5`, `the minus rail, hole a-1`, `pin 13`, `the signal lead of the servo M1`; beside a leg of the same part that
 * was named before, `its signal lead`.
 */
export function placeText(point: Point, wiring: Wiring, before?: Point): string {
  switch (point.type) {
    case 'pin':
      return /^\d|^A\d/.test(point.pin) && !/V/i.test(point.pin) ? `pin ${point.pin}` : point.pin;
    case 'hole':
      return `hole ${shortNameOf(point)}`;
    case 'rail':
      // The hole says beside which column.
      return `the ${railNames[point.rail]!.replace(/ beside.*/, '')}, hole ${shortNameOf(point)}`;
    case 'leg': {
      const owner = findPart(wiring, point.ref);
      return owner && before?.type === 'leg' && before.ref === point.ref
        ? `its ${legTitle(owner, point.leg)}`
        : terminalText(wiring, point);
    }
  }
}

/** `row 5, a to e` or `the minus rail beside column a`: the strip as a beginner finds it. */
export function stripText(point: Point, wiring: Wiring, before?: Point): string {
  if (point.type === 'hole') return `row ${point.row}, ${point.column <= 'e' ? 'a to e' : 'f to j'}`;
  if (point.type === 'rail') return `the ${railNames[point.rail]}`;
  return placeText(point, wiring, before);
}

const where = (point: Point, text: string): string => `${point.type === 'leg' ? 'on' : 'in'} ${text}`;

/** A place with how something is there: `in hole e5`, `on the signal lead of the servo M1`. */
export const inPlace = (point: Point, wiring: Wiring, before?: Point): string =>
  where(point, placeText(point, wiring, before));

/** The same of a strip: `in row 5, a to e`. */
export const inStrip = (point: Point, wiring: Wiring, before?: Point): string =>
  where(point, stripText(point, wiring, before));
