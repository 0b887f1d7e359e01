import type { BoardProfile } from '../../boards';
import type { TextEdit } from '../../findings/finding';
import type { Token } from '../../program/token';
import { listText } from '../../words/words';
import type { Candidate } from './candidate';
import { exchangeText } from './exchange-text';
import { TAKES_PIN } from './pin-functions';
import { declaresInside } from './token-places';
import { cost, type ProgramWishes } from './wishes';

/** Another pin in all the places where a program names one, where these are several. */
export function pinsEverywhere(
  tokens: readonly Token[],
  board: BoardProfile,
  { pins, used }: ProgramWishes,
  makeAll: (edits: readonly TextEdit[], amount: number, text: string) => Candidate,
  replace: (token: Token, by: string) => TextEdit,
): readonly Candidate[] {
  const named = tokens.filter(
    (_, index) => tokens[index - 1]?.text === '(' && TAKES_PIN.test(tokens[index - 2]?.text ?? ''),
  );
  return [...new Set(named.map(({ text }) => text))].flatMap((text) => {
    const places = named.filter((token) => token.text === text);
    const own = board.pins.find(({ name, number }) => name === text || String(number) === text);
    if (places.length < 2 || !own || !used.includes(own.number)) return [];
    const isName = places[0]!.kind === 'word';
    return board.pins
      .filter((pin) => pin !== own && pins.includes(pin.number))
      .map((pin) => {
        const by = isName ? pin.name : String(pin.number);
        const lines = [...new Set(places.map(({ line }) => String(line)))];
        // From the end, so that the places before stay what they are.
        const edits = places.toReversed().map((token) => replace(token, by));
        return makeAll(
          edits,
          cost.pinNumber + 0.1 * places.length,
          `Write ${by} instead of ${text} everywhere: in ${lines.length > 1 ? 'lines' : 'line'} ${listText(lines)}.`,
        );
      });
  });
}

/** The numbers of pins that names are given outside of functions. */
export const pinsGiven = (tokens: readonly Token[], { used }: ProgramWishes): readonly Token[] =>
  tokens.filter(
    (token, index) =>
      token.kind === 'number' &&
      used.includes(Number(token.text)) &&
      (tokens[index - 1]?.text === '=' || tokens[index - 2]?.text === '#define') &&
      !declaresInside(tokens, index),
  );

/** Pins of which each may stand where another one belongs. */
export function exchangesOf(
  given: readonly Token[],
  makeAll: (edits: readonly TextEdit[], amount: number, text: string) => Candidate,
  replace: (token: Token, by: string) => TextEdit,
): readonly Candidate[] {
  if (given.length > MOST_PINS) return [];
  return given.flatMap((one, index) =>
    given
      .slice(index + 1)
      .filter((other) => other.text !== one.text)
      .map((other) =>
        makeAll(
          // From the end, so that the place before stays what it is.
          [replace(other, one.text), replace(one, other.text)],
          cost.pinNumber + 0.2,
          exchangeText(one.text, one.line, other.text, other.line),
        ),
      ),
  );
}

/** Pins of which two at a time are exchanged; a program that names more is not mended by trying. */
const MOST_PINS = 12;

/** What a program calls a pin: the name that it gives to its number, which no counter of a loop is, or the number. */
export function nameOfPin(source: string, pin: number): string {
  const named = new RegExp(
    `^[^(\\n]*\\b([A-Za-z_]\\w*)\\s*=\\s*${pin}\\s*(?=[,;])|#define\\s+(\\w+)\\s+${pin}\\b`,
    'm',
  ).exec(source);
  const name = named?.[1] ?? named?.[2];
  // What is compared and reckoned with is a number of something else.
  const isNumber =
    name !== undefined &&
    new RegExp(`[<>+\\-*/%]=?\\s*${name}\\b|\\b${name}\\s*(?:[<>+\\-*/%]|[=!]=)`).test(source);
  return name === undefined || isNumber ? String(pin) : name;
}

/** Whether a pin may stand where a number is handed to a function that sets pins or reads them. */
export function fitsItsCall(
  tokens: readonly Token[],
  index: number,
  pin: number,
  seen: readonly number[],
): boolean {
  const call = tokens[index - 1]?.text === '(' ? (tokens[index - 2]?.text ?? '') : '';
  if (/^(?:digitalWrite|analogWrite|tone|noTone)$/.test(call)) return seen.includes(pin);
  return !/^(?:digitalRead|analogRead)$/.test(call) || !seen.includes(pin);
}

/** Whether a number is what something counts up or down to, `n < 3`, which no pin and no time is. */
export function isCountedTo(tokens: readonly Token[], index: number): boolean {
  const [name, sign] = [tokens[index - 2], tokens[index - 1]?.text ?? ''];
  if (name?.kind !== 'word' || !/^(?:[<>=!]=|[<>])$/.test(sign)) return false;
  const isStep = (text: string | undefined): boolean => text === '++' || text === '--';
  let isCounter = false;
  for (const [at, { text }] of tokens.entries()) {
    if (text !== name.text) continue;
    const isPin = tokens[at - 1]?.text === '(' && TAKES_PIN.test(tokens[at - 2]?.text ?? '');
    if (isPin) return false;
    isCounter ||= isStep(tokens[at - 1]?.text) || isStep(tokens[at + 1]?.text);
  }
  return isCounter;
}
