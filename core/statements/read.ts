import { isBoard } from '../boards';
import { ref } from '../brand';
import { findKind, ledColours, readOhms, type PartKind } from '../parts';
import { namedElsewhere } from './elsewhere';
import { socketNamed } from './pins';
import { recipeFor, type PinNeed } from './recipes';
import { isOwnValue, isRef } from './reading/kind-values';
import { optionWords } from './reading/options';
import { withOutputs } from './reading/outputs';
import { phrasesIn, type Found } from './reading/phrases';
import { accepting, acceptingOf, brackets, current, resistor } from './reading/read-amounts';
import { join } from './reading/read-targets';
import { Reading } from './reading/reading';
import {
  settleBus,
  settleCommon,
  settleLights,
  settleSeries,
  settleLoose,
  settleSupplies,
  settleValues,
} from './reading/settle';
import { BUS, readSign } from './reading/signs';
import type { Option, ReadLine, Statement, StatementContext } from './statement';
import { tokensOf, type Token } from './tokens';
import { numberWords, type Meaning } from './words';
import { withArticle } from '../words/words';

/**
 * Reads a part line such as `amber LED on 13 with 330`, in any order of its pieces and with typing
 * mistakes forgiven. What cannot be read is said with its columns and with lines that would do.
 */
export function readLine(text: string, context: StatementContext): ReadLine {
  const typed = tokensOf(text);
  const tokens = context.chip === undefined ? typed : withOutputs(typed, context.chip);
  const reading = new Reading(text, tokens, phrasesIn(tokens, context.board), context);
  const own = reading.found.find((found) => found?.meaning.type === 'kind');
  const elsewhere = namedElsewhere(text, own ? tokens[own.first]!.from : text.length);
  if (elsewhere !== undefined) reading.stops({ from: 0, to: text.length }, elsewhere);
  const kind = elsewhere === undefined ? mainKind(reading) : undefined;
  if (kind) {
    reading.draft.kind = kind;
    while (reading.at < tokens.length) next(reading, kind);
    settleLoose(reading, kind);
    settleSupplies(reading, kind);
    settleBus(reading, recipeFor(kind.kind, context.board).needs(statementOf(reading, kind)));
    settleValues(reading, kind);
    settleLights(reading, kind);
    settleSeries(reading, kind);
    const { needs, fewest } = recipeFor(kind.kind, context.board);
    const needed = needs(statementOf(reading, kind));
    settleCommon(reading, needed, fewest ?? needed.length, kind);
  }
  const isRead = kind !== undefined && reading.troubles.every(({ weight }) => weight !== 'stops');
  return {
    text,
    statement: isRead ? statementOf(reading, kind) : undefined,
    pieces: [...reading.pieces].sort((a, b) => a.from - b.from),
    troubles: reading.troubles,
  };
}

function statementOf({ draft, options }: Reading, kind: PartKind): Statement {
  const given = draft.names ?? [];
  return {
    ...draft,
    kind,
    count: draft.count ?? Math.max(1, given.length),
    value: draft.value ?? '',
    names: given,
    pins: draft.pins ?? [],
    options,
    joins: draft.joins ?? [],
  };
}

/** The part that the line is about: the first named, but a resistor only when nothing else is. */
function mainKind(reading: Reading): PartKind | undefined {
  const kinds = reading.found.flatMap((found) =>
    found?.meaning.type === 'kind' || found?.meaning.type === 'group' ? [found.meaning.kind] : [],
  );
  const main = kinds.find(({ resistance }) => resistance !== 'fixed') ?? kinds[0];
  if (main || reading.tokens.length === 0) return main;
  // A colour alone is that of an LED, and piezos and speakers are sorts of buzzers.
  if (reading.tokens.some(({ text }) => /^(?:piezo|(?:loud)?speaker)$/.test(text))) return findKind('buzzer');
  // So is a resistance that is between two places.
  const [first] = reading.tokens;
  if (first && /^\d+(?:\.\d+)?[kmr]\d*$/.test(first.text) && readOhms(first.text).ok) {
    reading.pieces.push({ from: first.to, to: first.to, slot: 'kind', says: 'resistor', guessed: true });
    return findKind('resistor');
  }
  const colour = reading.tokens.find(({ text }) => ledColours.includes(text));
  if (colour) {
    reading.pieces.push({ from: colour.to, to: colour.to, slot: 'kind', says: 'LED', guessed: true });
    return findKind('led');
  }
  reading.stops(
    { from: 0, to: reading.text.length },
    `No part is named here. A line begins like ${isBoard(reading.context.board) ? '“amber LED on 13 with 330”, “button on 2, pull-up” or “potentiometer on A0”' : '“9V battery”, “slide switch” or “LED from S1 with 470”'}.`,
  );
  return undefined;
}

function next(reading: Reading, kind: PartKind): void {
  const token = reading.tokens[reading.at]!;
  const found = reading.found[reading.at];
  if (note(reading, token, kind) || join(reading, kind) || namedPin(reading, kind)) return;
  // The bus is named in the names of modules too: “I2C display”.
  if (/^[,;:()]$/.test(token.text) || (BUS.test(token.text) && !found)) {
    reading.at += 1;
    return;
  }
  if (!found) {
    word(reading, token, kind);
    return;
  }
  const { meaning } = found;
  reading.at = found.first + found.count;
  switch (meaning.type) {
    case 'filler':
      return;
    case 'kind':
      if (meaning.kind === kind) markKind(reading, found, kind);
      // A resistor that is named beside its LED is the one that the LED has anyway.
      else if (meaning.kind.resistance !== 'fixed' && !companion(reading, found, kind, meaning.kind))
        secondKind(reading, found, kind, meaning.kind);
      return;
    case 'group':
      group(reading, found, meaning);
      return;
    case 'value':
      value(reading, found, meaning.value, kind);
      return;
    case 'option':
      reading.options.add(meaning.option);
      reading.note(found, 'option', optionWords[meaning.option]);
      pull(reading, found, meaning.option);
      return;
    case 'sign':
      readSign(reading, found, meaning.sign, kind);
  }
}

/** What a part is for, which nothing follows from: `“ready”`, `for the gate`. */
function note(reading: Reading, token: Token, kind: PartKind): boolean {
  if (/^["'“‘].*["'”’]$/.test(token.text)) {
    reading.at += 1;
    return true;
  }
  if (token.text === '(') return bracketNote(reading, kind);
  if (token.text !== 'for') return false;
  const isEnd = (at: number): boolean => {
    const meaning = reading.found[at]?.meaning;
    return at >= reading.tokens.length || /^[,;]$/.test(reading.tokens[at]!.text) || meaning?.type === 'sign';
  };
  do reading.at += 1;
  while (!isEnd(reading.at));
  return true;
}

/** A bracket of words that mean nothing to a line: `(ready)`. */
function bracketNote(reading: Reading, kind: PartKind): boolean {
  const end = reading.tokens.findIndex(({ text }, at) => at > reading.at && text === ')');
  const inside = reading.tokens.slice(reading.at + 1, end);
  const means = ({ text }: Token, at: number): boolean =>
    reading.found[reading.at + 1 + at] !== undefined ||
    /\d/.test(text) ||
    isOwnValue(kind, text) ||
    socketNamed(reading.context.board, text) !== undefined;
  if (end < 0 || inside.some(means)) return false;
  reading.at = end + 1;
  return true;
}

/** A pull, with its resistor where one is named or asked for. */
function pull(reading: Reading, found: Found, option: Option): void {
  if (option !== 'pull-up' && option !== 'pull-down') return;
  const isOutside = /^(?:external|outside|own)$/.test(reading.tokens[found.first]!.text);
  if (!resistor(reading, 'optional') && isOutside)
    reading.draft.resistor ??= acceptingOf(PULL_OHMS, undefined);
}

/** The usual resistor that holds a line. */
const PULL_OHMS = '10k';

/** Whether a word only leads to the next one, so that a line does not end with it. */
function leadsOn(reading: Reading, at: number): boolean {
  const isOf = reading.found.find((one) => one && at >= one.first && at < one.first + one.count);
  return (
    /^(?:and|,|plus|driv(?:es|ing)|feed(?:s|ing)|control(?:s|ling)|switch(?:es|ing)|light(?:s|ing))$/.test(
      reading.tokens[at]!.text,
    ) ||
    isOf?.meaning.type === 'filler' ||
    isOf?.meaning.type === 'sign'
  );
}

/** A part that belongs to the first one anyway, as the transistor of a motor; `false` when it does not. */
function companion(reading: Reading, found: Found, kind: PartKind, other: PartKind): boolean {
  const { brings } = recipeFor(kind.kind, reading.context.board);
  if (!brings || !(other.kind in brings)) return false;
  const wish = brings[other.kind];
  if (wish) reading.options.add(wish);
  reading.note(found, 'option', wish ? optionWords[wish] : `its ${other.title}`);
  return true;
}

/** Several parts by one name: `traffic light on 8, 9, 10`. */
function group(reading: Reading, found: Found, { kind, values }: Meaning & { readonly type: 'group' }): void {
  const { draft } = reading;
  const times = draft.count ?? 1;
  draft.count = times * values.length;
  draft.values = Array.from({ length: times }, () => values).flat();
  draft.value = draft.values[0]!;
  reading.note(found, 'kind', `${draft.count} ${kind.title}s: ${values.join(', ')}`);
}

/** A second part in a line: nothing of it is made, so that is told, with either of them to go on with. */
function secondKind(reading: Reading, found: Found, kind: PartKind, other: PartKind): void {
  const [first, last] = [reading.tokens[found.first]!, reading.tokens[found.first + found.count - 1]!];
  let begin = found.first;
  const isOfOther = (at: number): boolean => {
    const { text } = reading.tokens[at]!;
    const isName = !reading.found[at] && /^[a-z]/.test(text) && other.readValue(text).ok;
    const isCount = /^\d{1,2}$|^\d{1,2}x$/.test(text) || numberWords[text] !== undefined;
    return isName || isOwnValue(other, text) || (isCount && last.text.endsWith('s'));
  };
  while (begin > 1 && isOfOther(begin - 1)) begin -= 1;
  const second = reading.tokens[begin]!.from;
  while (begin > 1 && leadsOn(reading, begin - 1)) begin -= 1;
  const rest = { from: reading.tokens[begin]!.from, to: reading.text.length };
  const kept = reading.loose.filter(({ from }) => from < rest.from);
  reading.loose.splice(0, reading.loose.length, ...kept);
  reading.stops(
    { from: first.from, to: last.to },
    kind === other
      ? `Two ${kind.title}s in one line: give each a line of its own.`
      : `This line has ${withArticle(kind.title)} and ${withArticle(other.title)}: give each a line of its own.`,
    [reading.replaced(rest, ''), reading.replaced({ from: 0, to: second }, '')],
  );
  reading.at = reading.tokens.length;
}

function markKind(reading: Reading, found: Found, kind: PartKind): void {
  const before = reading.pieces.filter(({ slot }) => slot === 'kind').at(-1);
  // Two words for one thing, side by side: a seven-segment digit.
  const isSame = before && reading.text.slice(before.to, reading.tokens[found.first]!.from).trim() === '';
  if (before && !isSame) secondKind(reading, found, kind, kind);
  else reading.note(found, 'kind', kind.title);
}

/** `trig 7`, `echo on 8`, `9 (trig)`: a pin by the leg that it is for. */
function namedPin(reading: Reading, kind: PartKind): boolean {
  const needs = recipeFor(kind.kind, reading.context.board).needs(statementOf(reading, kind));
  const { at } = reading;
  const before = needCalled(reading.tokens[at]?.text, needs);
  const [pinAt, end] = before ? [afterWords(reading, at + 1), undefined] : bracketed(reading, needs);
  const wanted = before ?? needCalled(reading.tokens[pinAt + 2]?.text, needs);
  const pin = reading.tokens[pinAt];
  const name = pin && socketNamed(reading.context.board, pin.text);
  if (!wanted || !pin || name === undefined) return false;
  reading.at = (end ?? pinAt) + 1;
  reading.pinsByNeed.set(wanted.as, name);
  reading.draft.pins = needs.flatMap(({ as }) => reading.pinsByNeed.get(as) ?? []);
  reading.pieces.push({
    from: reading.tokens[end === undefined ? at : pinAt]!.from,
    to: reading.tokens[end ?? pinAt]!.to,
    slot: 'pins',
    says: `${wanted.as} on pin ${name}`,
    guessed: false,
  });
  return true;
}

/** What a part needs a pin for, by its name, by that of the leg, or by its first letter where that is of one only. */
function needCalled(word: string | undefined, needs: readonly PinNeed[]): PinNeed | undefined {
  const isShort = new Set(needs.map(({ as }) => as[0])).size === needs.length;
  return needs.find(
    ({ as, leg }) => as !== '' && word !== undefined && [as, leg, isShort ? as[0] : as].includes(word),
  );
}

/** Words that lead to a pin. */
const LEADS_TO_PIN = /^(?:pins?|on|to|at|=|:|digital|analog(?:ue)?)$/;

/** Where, from a token on, the words end that lead to a pin. */
function afterWords(reading: Reading, from: number): number {
  let at = from;
  while (LEADS_TO_PIN.test(reading.tokens[at]?.text ?? '')) at += 1;
  return at;
}

/** `on 9 (trig)`: where the pin is that is told behind it what it is for, and where that ends; past the line's end where none is. */
function bracketed(reading: Reading, needs: readonly PinNeed[]): readonly [pin: number, end: number] {
  const pin = afterWords(reading, reading.at);
  const [open, word, close] = reading.tokens.slice(pin + 1, pin + 4).map(({ text }) => text);
  const isBracketed = open === '(' && close === ')' && needCalled(word, needs) !== undefined;
  return isBracketed ? [pin, pin + 3] : [reading.tokens.length, reading.tokens.length];
}

/** A word that is no phrase: a value, a count, a number without a sign before it, or nothing known. */
function word(reading: Reading, token: Token, kind: PartKind): void {
  const times = /^(\d{1,4})(x|×)$/.exec(token.text);
  if (times || countsParts(reading, token, kind)) {
    reading.at += 1;
    const count = times ? Number(times[1]) : (numberWords[token.text] ?? Number(token.text));
    if (count < 1) reading.stops(token, 'At least one of them.', [reading.replaced(token, '1')]);
    reading.draft.count = count;
    reading.pieces.push({
      from: token.from,
      to: token.to,
      slot: 'count',
      says: `${count} of them`,
      guessed: false,
    });
    return;
  }
  if (current(reading)) return;
  reading.at += 1;
  // `5 V relay`: what it is made for is no place.
  const isRating = /^\d+(?:\.\d+)?v$/.test(token.text) && reading.found[reading.at]?.meaning.type === 'kind';
  if (isRating && !isOwnValue(kind, token.text) && !kind.readValue(token.text).ok) return;
  // `K1 relay on 7`: its name, where one would write it on paper.
  const behind = reading.tokens[1]?.text;
  const isName =
    reading.at === 1 &&
    isRef(token.text) &&
    (reading.found[1]?.meaning.type === 'kind' || (behind === ':' && reading.tokens.length > 2));
  if (isName && token.text.startsWith(kind.prefix.toLowerCase())) {
    reading.draft.names = [ref(token.text.toUpperCase())];
    reading.mark(token, 'name', `named ${token.text.toUpperCase()}`);
    return;
  }
  if (isOwnValue(kind, token.text) || (kind.resistance === 'fixed' && readOhms(token.text).ok)) {
    value(
      reading,
      { first: reading.at - 1, count: 1, meaning: { type: 'filler' }, guess: undefined },
      token.text,
      kind,
    );
    return;
  }
  // A kind that takes any word as its value takes the one before it: `open button`.
  const isNamed = reading.found[reading.at]?.meaning.type === 'kind' && /^[a-z]/.test(token.text);
  if (isNamed && kind.readValue(token.text).ok && reading.draft.value === undefined) {
    reading.draft.value = token.text;
    reading.mark(token, 'value', `called ${token.text}`);
    return;
  }
  reading.loose.push({ ...token, passing: brackets(reading) });
}

/** Whether a first number counts parts: before several of them, or where the pins are named elsewhere. */
function countsParts(reading: Reading, token: Token, kind: PartKind): boolean {
  if (reading.at !== 0 || reading.draft.count !== undefined || isOwnValue(kind, token.text)) return false;
  if (numberWords[token.text] !== undefined) return true;
  if (!/^\d{1,4}$/.test(token.text)) return false;
  const named = reading.found.find((found) => found?.meaning.type === 'kind');
  const isPlural = named !== undefined && reading.tokens[named.first + named.count - 1]!.text.endsWith('s');
  // `47 resistor` is a value, `13 LED with 330` a pin.
  if (!isPlural && kind.readValue(token.text).ok && kind.resistance === 'fixed') return false;
  return (
    isPlural || reading.found.some((found) => found?.meaning.type === 'sign' && found.meaning.sign === 'on')
  );
}

function value(reading: Reading, found: Found, text: string, kind: PartKind): void {
  const read = kind.readValue(text);
  if (!read.ok) {
    reading.stops(reading.tokens[found.first]!, `${read.problems[0]!.message}.`);
    return;
  }
  const { value, accept } = accepting(reading, text);
  const { value: before } = reading.draft;
  const earlier = before === undefined ? undefined : kind.readValue(before);
  const isAnother = earlier?.ok === true && earlier.value.text !== read.value.text;
  if (before !== undefined && isAnother)
    reading.draft.values = [...(reading.draft.values ?? [before]), value];
  else if (reading.draft.values) reading.draft.values = [...reading.draft.values, value];
  reading.draft.value = reading.draft.values?.[0] ?? value;
  if (accept) reading.draft.acceptValue = accept;
  reading.note(found, 'value', kind.describe(read.value));
}
