import { ref } from '../brand';
import { findKind, ledColours, readOhms, type PartKind } from '../parts';
import { pinsOfRange, socketNamed } from './pins';
import { recipeFor } from './recipes';
import { isOwnValue, isRef, valueWords } from './reading/kind-values';
import { phrasesIn, type Found } from './reading/phrases';
import { accepting, acceptingOf, brackets, current, readWith, resistor } from './reading/read-amounts';
import { pinNamed, readPins } from './reading/read-pins';
import { betweenTwo, join, names, target } from './reading/read-targets';
import { Reading } from './reading/reading';
import { nearestWord } from './spelling';
import type { Option, ReadLine, Statement, StatementContext } from './statement';
import { tokensOf, type Token } from './tokens';
import { numberWords, spelled, type Sign } from './words';
import { withArticle } from '../words/words';

/**
 * Reads a part line such as `amber LED on 13 with 330`, in any order of its pieces and with typing
 * mistakes forgiven. What cannot be read is said with its columns and with lines that would do.
 */
export function readLine(text: string, context: StatementContext): ReadLine {
  const tokens = tokensOf(text);
  const reading = new Reading(text, tokens, phrasesIn(tokens, context.board), context);
  const kind = mainKind(reading);
  if (kind) {
    reading.draft.kind = kind;
    while (reading.at < tokens.length) next(reading, kind);
    settleLoose(reading, kind);
    settleValues(reading, kind);
    settleLights(reading, kind);
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
    found?.meaning.type === 'kind' ? [found.meaning.kind] : [],
  );
  const main = kinds.find(({ resistance }) => resistance !== 'fixed') ?? kinds[0];
  if (main || reading.tokens.length === 0) return main;
  // A colour alone is that of an LED, and piezo is a sort of buzzer.
  if (reading.tokens.some(({ text }) => text === 'piezo')) return findKind('buzzer');
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
    'No part is named here. A line begins like “amber LED on 13 with 330”, “button on 2, pull-up” or “potentiometer on A0”.',
  );
  return undefined;
}

function next(reading: Reading, kind: PartKind): void {
  const token = reading.tokens[reading.at]!;
  const found = reading.found[reading.at];
  if (token.text === ',' || token.text === ';' || token.text === ':') {
    reading.at += 1;
    return;
  }
  if (join(reading, kind) || namedPin(reading, kind)) return;
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
      else if (meaning.kind.resistance !== 'fixed') secondKind(reading, found, kind, meaning.kind);
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
      sign(reading, found, meaning.sign, kind);
  }
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

/** A second part in a line: nothing of it is made, so that is told, with either of them to go on with. */
function secondKind(reading: Reading, found: Found, kind: PartKind, other: PartKind): void {
  const [first, last] = [reading.tokens[found.first]!, reading.tokens[found.first + found.count - 1]!];
  const before = reading.tokens[found.first - 1];
  const begin = before && /^(?:and|,|\+|&|plus)$/.test(before.text) ? before : first;
  const rest = { from: begin.from, to: reading.text.length };
  reading.stops(
    { from: first.from, to: last.to },
    `This line has ${withArticle(kind.title)} and ${withArticle(other.title)}: give each a line of its own.`,
    [reading.replaced(rest, ''), reading.replaced({ from: 0, to: first.from }, '')],
  );
  reading.at = reading.tokens.length;
}

function markKind(reading: Reading, found: Found, kind: PartKind): void {
  const before = reading.pieces.filter(({ slot }) => slot === 'kind').at(-1);
  // Two words for one thing, side by side: a seven-segment digit.
  const isSame = before && reading.text.slice(before.to, reading.tokens[found.first]!.from).trim() === '';
  if (before && !isSame)
    reading.stops(
      reading.tokens[found.first]!,
      `Two ${kind.title}s in one line: give each a line of its own.`,
      [reading.replaced({ from: reading.tokens[found.first]!.from, to: reading.text.length }, '')],
    );
  reading.note(found, 'kind', kind.title);
}

function sign(reading: Reading, found: Found, sign: Sign, kind: PartKind): void {
  switch (sign) {
    case 'on':
      if (!bus(reading, found)) readPins(reading, found);
      return;
    case 'at':
      if (!current(reading) && !bus(reading, found)) readPins(reading, found);
      return;
    case 'with':
      readWith(reading, found, kind);
      return;
    case 'without':
      if (reading.found[reading.at]?.meaning.type === 'kind') reading.at += 1;
      reading.options.add('no-resistor');
      reading.note(found, 'option', optionWords['no-resistor']);
      return;
    case 'from': {
      const source = target(reading, found);
      if (!source) return;
      if (reading.tokens[reading.at]?.text === 'to' && kind.legs.length === 2) {
        reading.at += 1;
        const to = target(reading, found);
        if (to) betweenTwo(reading, kind, source, to);
        return;
      }
      reading.draft.source = source;
      return;
    }
    case 'between': {
      const one = target(reading, found);
      if (reading.tokens[reading.at]?.text === 'and') reading.at += 1;
      const other = one && target(reading, found);
      if (one && other) betweenTwo(reading, kind, one, other);
      return;
    }
    case 'to': {
      const to = target(reading, found);
      if (to) reading.draft.to = to;
      return;
    }
    case 'across': {
      const across = target(reading, found);
      if (across) reading.draft.across = across;
      return;
    }
    case 'as':
      names(reading, found, kind);
      return;
    case 'after': {
      const token = reading.tokens[reading.at];
      reading.at += 1;
      if (token && isRef(token.text)) {
        reading.draft.after = ref(token.text.toUpperCase());
        reading.note(found, 'join', `after ${token.text.toUpperCase()}`, token);
      } else
        reading.stops(token ?? reading.tokens[found.first]!, 'After which part? Write its name, such as X1.');
    }
  }
}

/** Words for the bus of two wires that modules share. */
const BUS = /^(?:i2c|iic|twi)$/;

/** `on I2C`: the pins that the board has for its bus of two wires. */
function bus(reading: Reading, found: Found): boolean {
  const token = reading.tokens[reading.at];
  if (!token || !BUS.test(token.text)) return false;
  reading.at += 1;
  if (reading.tokens[reading.at]?.text === 'bus') reading.at += 1;
  const { board } = reading.context;
  const pins = (['bus-data', 'bus-clock'] as const).flatMap(
    (line) => board.pins.find(({ functions }) => functions.includes(line))?.name ?? [],
  );
  if (pins.length < 2) reading.stops(token, `The ${board.short} has no pins for I2C.`);
  else {
    reading.draft.pins = pins;
    reading.note(found, 'pins', `2 pins: ${pins.join(', ')}`, token);
  }
  return true;
}

/** `trig 7`, `echo on 8`: a pin by the leg that it is for. */
function namedPin(reading: Reading, kind: PartKind): boolean {
  const token = reading.tokens[reading.at]!;
  const needs = recipeFor(kind.kind, reading.context.board).needs(statementOf(reading, kind));
  const wanted = needs.find(({ as, leg }) => as !== '' && [as, leg].includes(token.text));
  if (!wanted) return false;
  let at = reading.at + 1;
  while (/^(?:pin|on|to|at|=|:)$/.test(reading.tokens[at]?.text ?? '')) at += 1;
  const pin = reading.tokens[at];
  const name = pin && socketNamed(reading.context.board, pin.text);
  if (!pin || name === undefined) return false;
  reading.at = at + 1;
  reading.pinsByNeed.set(wanted.as, name);
  reading.draft.pins = needs.flatMap(({ as }) => reading.pinsByNeed.get(as) ?? []);
  reading.pieces.push({
    from: token.from,
    to: pin.to,
    slot: 'pins',
    says: `${wanted.as} on pin ${name}`,
    guessed: false,
  });
  return true;
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

/** Several values are for as many parts: `three LEDs on 8, 9, 10 green yellow red`. */
function settleValues(reading: Reading, kind: PartKind): void {
  const { values, count, pins = [] } = reading.draft;
  if (!values) return;
  const wanted = count ?? (pins.length > 1 ? pins.length : 1);
  const what = kind.observed === 'light' ? 'colours' : 'values';
  const said = values.join(' and ');
  if (wanted === values.length) reading.draft.count = wanted;
  else
    reading.stops(
      reading.pieces.find(({ slot }) => slot === 'value') ?? { from: 0, to: reading.text.length },
      wanted === 1
        ? `One ${kind.title} has one of these: ${said}.`
        : `${wanted} ${kind.title}s and ${values.length} ${what}, ${said}: name one for each, or one for all.`,
    );
}

/** An LED from a pin to ground is one on that pin: it has its resistor, as every LED has. */
function settleLights(reading: Reading, kind: PartKind): void {
  const { joins, source } = reading.draft;
  const [from, to] = joins ?? [];
  if (!recipeFor(kind.kind, reading.context.board).isLight || kind.legs.length !== 2) return;
  if (joins?.length === 2 && from?.to.type === 'pin' && to?.to.type === 'ground') {
    reading.draft.pins = [from.to.pin];
    delete reading.draft.joins;
  } else if (!joins && source?.type === 'pin' && !reading.draft.pins) {
    reading.draft.pins = [source.pin];
    delete reading.draft.source;
  }
}

/** What is left without a sign: pins where pins are missing, resistors, and words nobody knows. */
function settleLoose(reading: Reading, kind: PartKind): void {
  for (const token of reading.loose) {
    const socket = socketNamed(reading.context.board, token.text);
    const range = pinsOfRange(token.text);
    if (socket !== undefined || range) {
      const pins = socket === undefined ? range!.map((name) => pinNamed(reading, name, token)) : [socket];
      reading.draft.pins = [...(reading.draft.pins ?? []), ...pins.filter((name) => name !== undefined)];
      if (token.passing !== undefined) reading.draft.freePins = token.passing.toUpperCase();
      reading.pieces.push({
        from: token.from,
        to: token.to,
        slot: 'pins',
        says: `pin ${token.text.toUpperCase()}`,
        guessed: false,
      });
    } else if (readOhms(token.text).ok && reading.draft.resistor === undefined) {
      reading.draft.resistor = acceptingOf(token.text, token.passing);
      reading.pieces.push({
        from: token.from,
        to: token.to,
        slot: 'resistor',
        says: `${token.text} Ω`,
        guessed: false,
      });
    } else unknown(reading, token, kind);
  }
}

function unknown(reading: Reading, token: Token, kind: PartKind): void {
  const typed = reading.typed(token);
  const value = nearestWord(token.text, valueWords(kind));
  if (value !== undefined && reading.draft.value === undefined) {
    reading.draft.value = value;
    reading.pieces.push({ from: token.from, to: token.to, slot: 'value', says: value, guessed: true });
    return;
  }
  const word = nearestWord(token.text, spelled.keys());
  reading.stops(
    token,
    value !== undefined || word !== undefined
      ? `“${typed}” is not known here; “${value ?? word!}” may be meant.`
      : `“${typed}” says nothing about ${withArticle(kind.title)}.`,
    [
      ...(value !== undefined || word !== undefined ? [reading.replaced(token, value ?? word!)] : []),
      reading.replaced(token, ''),
    ],
  );
}

const optionWords: Readonly<Record<Option, string>> = {
  'pull-up': 'pull-up',
  'pull-down': 'pull-down',
  'anode-side': 'resistor on the long leg',
  'cathode-side': 'resistor on the short leg',
  'lit-by-low': 'lit while the pin is low',
  'no-resistor': 'no resistor',
  dimmed: 'dimmed by PWM',
  'own-supply': 'its own supply',
  transistor: 'through a transistor',
  diode: 'with a diode across it',
  'both-ends': 'between supply and ground',
  'left-free': 'its other legs hang free',
};
