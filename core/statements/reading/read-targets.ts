import { groundNames, isBoard, isSupplySocket } from '../../boards';
import { legName, ref, type Ref } from '../../brand';
import type { PartKind } from '../../parts';
import { capital, withArticle } from '../../words/words';
import { socketNamed } from '../pins';
import { recipeFor } from '../recipes';
import type { Target } from '../statement';
import type { Token } from '../tokens';
import { isRef, legWords } from './kind-values';
import type { Found } from './phrases';
import type { Reading } from './reading';

/** Joins the legs of a part with two ends, the first to the first, or the two sides of a button. */
export function betweenTwo(reading: Reading, kind: PartKind, one: Target, other: Target): void {
  const [first, second] = kind.legs;
  const { board } = reading.context;
  const isSupply = (end: Target): boolean => end.type === 'pin' && isSupplySocket(board, end.pin);
  const [pin, end] = one.type === 'pin' && !isSupply(one) ? [one, other] : [other, one];
  // A supply by its name is one too.
  const far: Target =
    end.type === 'pin' && isSupply(end)
      ? { type: groundNames(board).has(end.pin) ? 'ground' : 'supply' }
      : end;
  // A button has two sides, however many legs: one at its pin, the other at what pressing joins it to.
  if (
    kind.contact === 'momentary' &&
    pin.type === 'pin' &&
    (far.type === 'ground' || far.type === 'supply')
  ) {
    reading.draft.pins = [pin.pin];
    if (far.type === 'supply') reading.options.add('pull-down');
    else if (!reading.options.has('pull-down')) reading.options.add('pull-up');
    return;
  }
  if (kind.legs.length !== 2)
    reading.stops(
      reading.tokens[0]!,
      `${capital(withArticle(kind.title))} has ${kind.legs.length} legs; say for each what it is joined to.`,
    );
  else
    reading.draft.joins = [
      { leg: first!.name, to: one },
      { leg: second!.name, to: other },
    ];
}

/** Legs of an LED as they are told apart by eye. */
const LEGS_BY_LENGTH: Readonly<Record<string, string>> = { 'long leg': 'anode', 'short leg': 'cathode' };

/** A leg and what it is joined to: `cathode to D2 anode`, `2 to ground`, `long leg on 5`. */
export function join(reading: Reading, kind: PartKind): boolean {
  const [token, arrow] = reading.tokens.slice(reading.at, reading.at + 2);
  const words = `${token?.text ?? ''} ${arrow?.text ?? ''}`;
  const byLength = kind.legs.find(({ name }) => LEGS_BY_LENGTH[words] === (name as string));
  const leg = byLength ?? kind.legs.find(({ name }) => name === token?.text);
  const first = reading.at;
  const sign = reading.tokens[first + (byLength ? 2 : 1)]?.text ?? '';
  // Where pins are named by what they are for, as those of an RGB LED, “red on 9” is such a pin.
  const { needsBothEnds } = recipeFor(kind.kind, reading.context.board);
  const isLoose = byLength !== undefined || kind.legs.length === 2 || needsBothEnds === true;
  // `anode 9, cathode GND`: the place stands right behind the leg.
  const isBare =
    isLoose &&
    ([...GROUND, ...SUPPLY].includes(sign) || socketNamed(reading.context.board, sign) !== undefined);
  if (!leg || !(isBare || (isLoose ? /^(?:to|on|at|in|:|pin)$/ : /^to$/).test(sign))) return false;
  if (byLength || sign !== 'to') reading.isInPassing = true;
  reading.at = first + (byLength ? 3 : 2) - (isBare ? 1 : 0);
  const other = target(reading, { first, count: 2, meaning: { type: 'filler' }, guess: undefined });
  if (other) reading.draft.joins = [...(reading.draft.joins ?? []), { leg: leg.name, to: other }];
  return true;
}

const GROUND: readonly string[] = ['ground', 'gnd', 'minus'];
const SUPPLY: readonly string[] = ['supply', 'plus', 'power', 'board'];

/** A pin, ground, a supply, a part or one of its legs. */
export function target(reading: Reading, sign: Found): Target | undefined {
  while (['pin', 'the', 'rail', 'leg'].includes(reading.tokens[reading.at]?.text ?? '')) reading.at += 1;
  const token = reading.tokens[reading.at];
  const start = reading.tokens[sign.first]!;
  if (!token) {
    reading.stops(
      start,
      'Joined to what? To a pin, to ground, to a supply or to another leg such as D1.anode.',
    );
    return undefined;
  }
  reading.at += 1;
  const target = targetOf(reading, token);
  const end = reading.tokens[reading.at - 1]!;
  if (target)
    reading.pieces.push({
      from: start.from,
      to: end.to,
      slot: 'join',
      says: reading.typed({ from: start.from, to: end.to }),
      guessed: false,
    });
  return target;
}

function targetOf(reading: Reading, token: Token): Target | undefined {
  const { text } = token;
  if (GROUND.includes(text)) return { type: 'ground' };
  if (SUPPLY.includes(text)) return { type: 'supply' };
  const dotted = /^([a-z]{1,4}\d{1,4})\.([a-z0-9]+)$/.exec(text);
  if (dotted) return { type: 'leg', ref: ref(dotted[1]!.toUpperCase()), leg: legName(dotted[2]!) };
  const next = reading.tokens[reading.at];
  if (isRef(text) && next && legWords.has(next.text)) {
    reading.at += 1;
    return { type: 'leg', ref: ref(text.toUpperCase()), leg: legName(next.text) };
  }
  const socket = socketNamed(reading.context.board, text);
  if (socket !== undefined) return { type: 'pin', pin: socket };
  if (isRef(text)) return { type: 'part', ref: ref(text.toUpperCase()) };
  reading.stops(
    token,
    isBoard(reading.context.board)
      ? `“${reading.typed(token)}” is neither a pin of the ${reading.context.board.short} nor a part. Write a pin, ground, supply, or a leg such as D1.anode.`
      : `“${reading.typed(token)}” is no part. Write a part such as S1, plus, minus, or a leg such as D1.anode.`,
  );
  return undefined;
}

/** Whether the next word still says what a part is for: no sign, option or other part begins with it. */
const isOfUse = ({ found, at }: Reading, kind: PartKind): boolean => {
  const meaning = found[at]?.meaning;
  if (meaning?.type === 'kind') return meaning.kind === kind;
  return meaning === undefined || meaning.type === 'filler';
};

/** `as D1 and D2`, `as D1-D3`: the names that a line gives its parts. */
export function names(reading: Reading, sign: Found, kind: PartKind): void {
  const names: Ref[] = [];
  for (let token = reading.tokens[reading.at]; token; token = reading.tokens[reading.at]) {
    const range = /^([a-z]{1,4})(\d+)-\1?(\d+)$/.exec(token.text);
    if (range)
      for (let index = Number(range[2]); index <= Number(range[3]); index += 1)
        names.push(ref(`${range[1]!.toUpperCase()}${index}`));
    else if (isRef(token.text)) names.push(ref(token.text.toUpperCase()));
    else if (
      !(token.text === ',' || token.text === 'and') ||
      !isRef(reading.tokens[reading.at + 1]?.text ?? '')
    )
      break;
    reading.at += 1;
  }
  // `as a dimmer`: what it is for, which nothing follows from.
  const word = reading.tokens[reading.at]?.text ?? '';
  const isUse = reading.tokens[sign.first]!.text === 'as' && /^[a-z][a-z-]+$/.test(word);
  if (names.length === 0 && isUse) {
    while (/^[a-z][a-z-]*$/.test(reading.tokens[reading.at]?.text ?? '') && isOfUse(reading, kind))
      reading.at += 1;
    return;
  }
  if (names.length === 0) {
    reading.stops(reading.tokens[sign.first]!, `Named how? Write a name like ${kind.prefix}1.`);
    return;
  }
  reading.draft.names = names;
  reading.note(sign, 'name', `named ${names.join(', ')}`, reading.tokens[reading.at - 1]);
}
