import { groundNames, isSupplySocket, type PinFunction } from '../../boards';
import { ref } from '../../brand';
import { readOhms, type PartKind } from '../../parts';
import { withArticle } from '../../words/words';
import { busPins, pinsOfRange, socketNamed, supplySocket } from '../pins';
import { recipeFor, type PinNeed } from '../recipes';
import { nearestWord } from '../spelling';
import type { Target } from '../statement';
import type { Token } from '../tokens';
import { spelled } from '../words';
import { isRef, valueWords } from './kind-values';
import { acceptingOf } from './read-amounts';
import { pinNamed } from './read-pins';
import type { Reading } from './reading';

/** Several values are for as many parts: `three LEDs on 8, 9, 10 green yellow red`. */
export function settleValues(reading: Reading, kind: PartKind): void {
  const { values, count, pins = [] } = reading.draft;
  if (!values) return;
  // `red and green LED in series`: one pin, and as many as there are colours.
  const wanted = count ?? (seriesIn(reading) ? values.length : pins.length > 1 ? pins.length : 1);
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

/** An LED from a pin to ground, or from the supply to a pin, is one on that pin: it has its resistor, as every LED has. */
export function settleLights(reading: Reading, kind: PartKind): void {
  const { joins, source, to: end, pins } = reading.draft;
  if (!recipeFor(kind.kind, reading.context.board).isLight || kind.legs.length !== 2) return;
  const oneOf = (reading.isInPassing || pins) && joins?.length === 1 ? joins[0] : undefined;
  if (oneOf) {
    const isUp = oneOf.leg === kind.legs[0]!.name;
    if (oneOf.to.type === 'pin') {
      reading.draft.pins = [oneOf.to.pin];
      if (!isUp) reading.options.add('lit-by-low');
      delete reading.draft.joins;
    } else if (pins && oneOf.to.type === (isUp ? 'supply' : 'ground')) {
      if (isUp) reading.options.add('lit-by-low');
      delete reading.draft.joins;
    }
  } else if (joins?.length === 2) {
    const [up, down] = kind.legs.map(({ name }) => joins.find(({ leg }) => leg === name)?.to);
    if (up?.type === 'pin' && down?.type === 'ground') reading.draft.pins = [up.pin];
    else if (down?.type === 'pin' && isSupply(reading, up)) {
      reading.draft.pins = [down.pin];
      reading.options.add('lit-by-low');
    } else return;
    delete reading.draft.joins;
  } else if (!joins && source?.type === 'supply' && end?.type === 'pin' && !pins) {
    reading.draft.pins = [end.pin];
    reading.options.add('lit-by-low');
    delete reading.draft.source;
    delete reading.draft.to;
  } else if (!joins && source?.type === 'pin' && !pins) {
    reading.draft.pins = [source.pin];
    delete reading.draft.source;
  }
}

/** The word that says that parts hang one on the other. */
const seriesIn = ({ tokens }: Reading): Token | undefined =>
  tokens.find(({ text }) => text === 'series' || text === 'chain');

/** `two LEDs in series on 9`: one path through all of them, which takes one pin and one resistor. */
export function settleSeries(reading: Reading, kind: PartKind): void {
  const { draft, context } = reading;
  const token = seriesIn(reading);
  const isLight = recipeFor(kind.kind, context.board).isLight === true && kind.legs.length === 2;
  const inSeries = draft.count ?? draft.names?.length ?? 1;
  if (!token || !isLight || inSeries < 2) return;
  draft.inSeries = inSeries;
  draft.count = 1;
  reading.mark(token, 'option', 'in series: one after the other');
  if ((draft.pins?.length ?? 0) > 1)
    reading.stops(
      reading.pieces.find(({ slot }) => slot === 'pins') ?? token,
      `In series all ${inSeries} ${kind.title}s hang on one pin.`,
    );
}

/** Which common leg of several lights goes to ground, and which to the supply. */
const COMMON = { ground: 'common-cathode', supply: 'common-anode' } as const;

/**
 * `RGB LED on 11, 10, 9, common to GND` and `RGB LED red to 11, green to 10, blue to 9`: the common leg goes where it always
 * goes, and each light has its resistor.
 */
export function settleCommon(
  reading: Reading,
  needs: readonly PinNeed[],
  fewest: number,
  kind: PartKind,
): void {
  const { draft } = reading;
  const { joins = [] } = draft;
  const common = joins.find(({ leg }) => leg === 'common');
  const others = joins.filter((join) => join !== common);
  const toPins = needs.flatMap(({ as, leg = as }) =>
    others.flatMap(({ leg: own, to }) => (leg === own && to.type === 'pin' ? [to.pin] : [])),
  );
  // What is told of some of its lights only is as it is told.
  const areAllOnPins = toPins.length === others.length && others.length >= Math.max(2, fewest);
  if (draft.pins ? !common || others.length > 0 : !areAllOnPins) return;
  const end =
    common && (common.to.type === 'ground' ? 'ground' : isSupply(reading, common.to) ? 'supply' : 'none');
  if (end === 'none' || !kind.readValue(COMMON[end ?? 'ground']).ok) return;
  delete draft.joins;
  if (others.length > 0) draft.pins = toPins;
  if (end === undefined || draft.value === COMMON[end]) return;
  if (draft.value === undefined) draft.value = COMMON[end];
  else
    reading.stops(
      reading.pieces.find(({ slot }) => slot === 'join') ?? { from: 0, to: reading.text.length },
      `The common leg of one with a common ${draft.value.replace('common-', '')} goes to ${end === 'ground' ? 'the supply' : 'ground'}.`,
    );
}

/** Whether something is fed from where the logic of the board is. */
const isSupply = (reading: Reading, target: Target | undefined): boolean =>
  target?.type === 'supply' || (target?.type === 'pin' && target.pin === supplySocket(reading.context.board));

/**
 * `potentiometer A0 5V GND`, `LED 5 GND`: what stands beside the pins and feeds the part is no pin of its own, and the part
 * is joined to it anyway.
 */
export function settleSupplies({ draft, options, context: { board } }: Reading, kind: PartKind): void {
  const { pins } = draft;
  const signals = pins?.filter((name) => !isSupplySocket(board, name)) ?? [];
  if (!pins || signals.length === 0 || signals.length === pins.length) return;
  const { isLight, mayHangOnSupply } = recipeFor(kind.kind, board);
  if (kind.legs.length > 2 && !mayHangOnSupply) draft.pins = signals;
  // An LED from a pin to the supply is lit by low; two places for two legs are one LED.
  else if (isLight && kind.legs.length === 2 && pins.length === 2 && (draft.count ?? 1) === 1) {
    draft.pins = signals;
    if (!pins.some((name) => groundNames(board).has(name))) options.add('lit-by-low');
  }
}

/** A module for the bus of two wires that names no pins is on the two that the board has for it. */
export function settleBus(reading: Reading, needs: readonly PinNeed[]): void {
  const { board } = reading.context;
  const { draft, text } = reading;
  if (draft.pins || draft.joins) return;
  const pins = busPins(board);
  if (needs.length === 0 || needs.length !== pins.length || !needs.every(({ does }) => isOfBus(does))) return;
  draft.pins = pins;
  const says = `2 pins: ${pins.join(', ')}`;
  reading.pieces.push({ from: text.length, to: text.length, slot: 'pins', says, guessed: true });
}

const isOfBus = (does: PinFunction): boolean => does === 'bus-data' || does === 'bus-clock';

/** What is left without a sign: pins where pins are missing, resistors, and words nobody knows. */
export function settleLoose(reading: Reading, kind: PartKind): void {
  const pinsAt = reading.pieces.find(({ slot }) => slot === 'pins')?.from;
  for (const token of reading.loose) {
    if (isOwnName(token, pinsAt, reading, kind)) {
      const name = ref(token.text.toUpperCase());
      reading.draft.names = [...(reading.draft.names ?? []), name];
      reading.mark(token, 'name', `named ${name}`);
      continue;
    }
    if (pinsAt !== undefined && isNumberOf(token, reading)) continue;
    const socket = socketNamed(reading.context.board, token.text);
    const range = pinsOfRange(token.text);
    if (socket !== undefined || range) {
      const pins = socket === undefined ? range!.map((name) => pinNamed(reading, name, token)) : [socket];
      reading.draft.pins = [...(reading.draft.pins ?? []), ...pins.filter((name) => name !== undefined)];
      // `A5 (SCL)` is a note.
      if (token.passing !== undefined && /\d/.test(token.passing))
        reading.draft.freePins = token.passing.toUpperCase();
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

/** `LED D1 on 9`: its name, where its pin is said behind it or no pin is called so; `LEDs on D9 D10` are two pins. */
const isOwnName = (
  { text, from }: Token,
  pinsAt: number | undefined,
  { context }: Reading,
  kind: PartKind,
): boolean =>
  isRef(text) &&
  text.replace(/\d+$/, '') === kind.prefix.toLowerCase() &&
  ((pinsAt !== undefined && from < pinsAt) || socketNamed(context.board, text) === undefined);

/** `LED 1 on 9`: which of them it is, right behind what it is. */
const isNumberOf = ({ text, from }: Token, { pieces, text: line }: Reading): boolean =>
  /^\d$/.test(text) &&
  pieces.some(({ slot, to }) => slot === 'kind' && to < from && line.slice(to, from).trim() === '');

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
