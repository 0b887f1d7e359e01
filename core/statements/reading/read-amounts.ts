import { ledColours, readFarads, readOhms, type PartKind } from '../../parts';
import type { Accepting } from '../statement';
import { isBoard } from '../../boards';
import { isRef } from './kind-values';
import type { Found } from './phrases';
import type { Reading } from './reading';

export function readWith(reading: Reading, sign: Found, kind: PartKind): void {
  while (['a', 'an'].includes(reading.tokens[reading.at]?.text ?? '')) reading.at += 1;
  if (inSeriesWith(reading, sign, kind)) return;
  const found = reading.found[reading.at];
  // `with pull-up`, `with a transistor`: the words that follow say it all.
  if (found && (found.meaning.type !== 'kind' || found.meaning.kind.resistance !== 'fixed')) return;
  if (found) {
    // `with a resistor of 220`, or with the usual one.
    reading.at = found.first + found.count;
    if (reading.tokens[reading.at]?.text === 'of') reading.at += 1;
    const isAmount = readOhms(reading.tokens[reading.at]?.text ?? '').ok;
    if (isAmount && resistor(reading, 'wanted', sign)) return;
    reading.note(found, 'resistor', 'its resistor');
    return;
  }
  if (current(reading)) return;
  // `with 10 LEDs` counts parts, and is no resistor.
  const behind = reading.found[reading.at + 1]?.meaning;
  if (behind?.type === 'kind' && behind.kind.resistance !== 'fixed' && isCount(reading.tokens[reading.at])) {
    reading.at += 1;
    return;
  }
  if (farads(reading, sign)) return;
  // `with 3 resistors`: one for each of its lights, of the usual value.
  const [count, counted] = reading.tokens.slice(reading.at, reading.at + 2);
  if (/^\d$/.test(count?.text ?? '') && counted?.text === 'resistors') {
    reading.at += 2;
    reading.mark({ from: count!.from, to: counted.to }, 'resistor', 'its resistors');
    return;
  }
  if (resistor(reading, 'wanted', sign)) return;
  const token = reading.tokens[reading.at];
  if (token && kind.readValue(token.text).ok) return;
  // `with red on 11, green on 10`: what follows says where each leg goes.
  if (kind.legs.some(({ name }) => name === token?.text)) return;
  const message = 'With what? A resistor is written like 330 or 4k7.';
  if (token) reading.stops(token, message);
  else reading.awaits(message);
}

/** `in series with D1`: a line for the path as a whole says that; what leads the current to it is in series anyway. */
function inSeriesWith(reading: Reading, sign: Found, kind: PartKind): boolean {
  while (reading.tokens[reading.at]?.text === 'the') reading.at += 1;
  const token = reading.tokens[reading.at];
  if (reading.tokens[sign.first - 1]?.text !== 'series' || !token) return false;
  const other = reading.found[reading.at]?.meaning;
  const isLight = other?.type === 'kind' && other.kind.observed === 'light';
  if (!isRef(token.text) && !isLight) return false;
  reading.at += isRef(token.text) ? 1 : reading.found[reading.at]!.count;
  const place = isBoard(reading.context.board) ? ' on 9' : '';
  const isOfResistor = reading.found.some(
    (found) => found?.meaning.type === 'kind' && found.meaning.kind.resistance === 'fixed',
  );
  if (isOfResistor) reading.stops(token, `The line of the LED says that: “red LED${place} with 220”.`);
  else if (kind.observed === 'light')
    reading.stops(token, `A line for all of them says that: “2 ${kind.title}s in series${place} with 220”.`);
  return true;
}

const isCount = (token: { readonly text: string } | undefined): boolean =>
  token !== undefined && /^\d{1,2}$/.test(token.text);

/** A resistance, with the accepted range in brackets; `330 ohm resistor` is read whole. */
export function resistor(reading: Reading, need: 'wanted' | 'optional', sign?: Found): boolean {
  const token = reading.tokens[reading.at];
  if (!token) return false;
  const negative = /^-\d/.test(token.text);
  if (negative && need === 'wanted') {
    reading.at += 1;
    reading.stops(token, 'A resistance is above zero.', [reading.replaced(token, token.text.slice(1))]);
    return true;
  }
  const read = readOhms(token.text);
  if (!read.ok) return false;
  // After `pull-up`, a small bare number is more likely a pin.
  if (need === 'optional' && read.value < 100) return false;
  reading.at += 1;
  const from = sign ? reading.tokens[sign.first]!.from : token.from;
  while (/^(ohms?|ω|r|resistors?|each)$/.test(reading.tokens[reading.at]?.text ?? '')) reading.at += 1;
  const to = reading.tokens[reading.at - 1]!.to;
  reading.draft.resistor = accepting(reading, token.text);
  reading.pieces.push({ from, to, slot: 'resistor', says: `${token.text} Ω`, guessed: false });
  resistorsEnd(reading);
  return true;
}

/** `10k to GND`, without a comma: where the other end of the resistor goes. */
function resistorsEnd(reading: Reading): void {
  const [to, end] = reading.tokens.slice(reading.at, reading.at + 2);
  if (!end || !/^(?:to|against)$/.test(to?.text ?? '')) return;
  const isGround = /^(?:ground|gnd|minus)$/.test(end.text);
  const isSupply = /^(?:supply|plus|power|5v|3v3|3\.3v|vcc)$/.test(end.text);
  if (!isGround && !isSupply) return;
  reading.at += 2;
  reading.draft.resistorTo = { type: isGround ? 'ground' : 'supply' };
  reading.pieces.push({
    from: to!.from,
    to: end.to,
    slot: 'join',
    says: `its other end to ${isGround ? 'ground' : 'the supply'}`,
    guessed: false,
  });
}

export function farads(reading: Reading, sign: Found): boolean {
  const token = reading.tokens[reading.at];
  if (!token || !readFarads(token.text).ok || readOhms(token.text).ok) return false;
  reading.at += 1;
  while (/^(capacitors?|electrolytic|buffer)$/.test(reading.tokens[reading.at]?.text ?? '')) reading.at += 1;
  reading.draft.farads = token.text;
  reading.note(sign, 'value', `${token.text} capacitor`, reading.tokens[reading.at - 1]);
  return true;
}

/** A current such as `8 mA` or `8mA`. */
export function current(reading: Reading): boolean {
  const [token, unit] = reading.tokens.slice(reading.at, reading.at + 2);
  const match = /^(-?\d+(?:\.\d+)?)(ma)?$/.exec(token?.text ?? '');
  if (!token || !match || (match[2] === undefined && unit?.text !== 'ma')) return false;
  reading.at += match[2] === undefined ? 2 : 1;
  const end = reading.tokens[reading.at - 1]!;
  const amount = Number(match[1]);
  const piece = { from: token.from, to: end.to };
  if (amount <= 0)
    reading.stops(piece, 'The current of an LED is above zero; which way it flows depends on its legs.', [
      reading.replaced(piece, `${Math.abs(amount) || 8} mA`),
    ]);
  else reading.draft.currentMa = amount;
  reading.pieces.push({ ...piece, slot: 'current', says: `${amount} mA`, guessed: false });
  return true;
}

export const accepting = (reading: Reading, value: string): Accepting =>
  acceptingOf(value, brackets(reading));

/** A value with the values that stand in brackets behind it. */
export function acceptingOf(value: string, inside: string | undefined): Accepting {
  const range = inside === undefined ? undefined : /^(\S+?)(?:-| to )(\S+)$/.exec(inside);
  return range ? { value, accept: { from: range[1]!, to: range[2]! } } : { value };
}

/** Whether a word says by itself what a part is, or how it is connected. */
const saysMore = ({ tokens, found }: Reading, at: number): boolean =>
  ledColours.includes(tokens[at]!.text) || ['value', 'option'].includes(found[at]?.meaning.type ?? '');

/** The text in brackets that follows, if it does: what will do as well. */
export function brackets(reading: Reading): string | undefined {
  if (reading.tokens[reading.at]?.text !== '(') return undefined;
  const close = reading.tokens.findIndex((token, index) => index > reading.at && token.text === ')');
  const inside = reading.tokens.slice(reading.at + 1, close < 0 ? undefined : close);
  // `LED on 5 (blue)` says more of the part, and not what will do as well.
  if (
    inside.some((_, index) => saysMore(reading, reading.at + 1 + index)) &&
    !inside.some(({ text }) => /\d/.test(text))
  )
    return undefined;
  const [open, end] = [
    reading.tokens[reading.at]!,
    reading.tokens[close < 0 ? reading.tokens.length - 1 : close]!,
  ];
  reading.at = close < 0 ? reading.tokens.length : close + 1;
  const text = inside
    .map((token) => token.text)
    .join(' ')
    .replace(/ ?, ?/g, ',');
  reading.pieces.push({
    from: open.from,
    to: end.to,
    slot: 'value',
    says: `${text} pass as well`,
    guessed: false,
  });
  return text;
}
