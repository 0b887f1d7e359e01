import { isBoard } from '../../boards';
import { isLegPin, legsNamed, looksLikePin, pinsOfRange, socketNamed } from '../pins';
import type { Token } from '../tokens';
import { ALL_OUTPUTS } from './outputs';
import { brackets } from './read-amounts';
import type { Found } from './phrases';
import type { Reading } from './reading';

/** Pins after `on`: single ones, lists and ranges, and in brackets those that may stand for them. */
export function readPins(reading: Reading, sign: Found): void {
  const names: string[] = [];
  const start = reading.tokens[sign.first]!;
  for (;;) {
    while (names.length > 0 && [',', 'and'].includes(reading.tokens[reading.at]?.text ?? '')) {
      const after = reading.tokens[reading.at + 1];
      if (
        !after ||
        !(isPinWord(reading, after.text) || (after.text === 'and' && reading.tokens[reading.at + 2]))
      )
        break;
      reading.at += 1;
    }
    const token = reading.tokens[reading.at];
    if (!token) break;
    const ranged = spokenRange(reading, token) ?? pinsOfRange(token.text);
    const legs = legsNamed(token.text);
    if (legs) {
      reading.at += 1;
      names.push(...legs);
    } else if (ranged) {
      reading.at += 1;
      names.push(
        ...ranged.map((name) => pinNamed(reading, name, token)).filter((name) => name !== undefined),
      );
    } else if (isPinWord(reading, token.text)) {
      reading.at += 1;
      const name = pinNamed(reading, token.text, token);
      if (name !== undefined) names.push(name);
    } else if (/^(?:pins?|ports?|digital|analog(?:ue)?|gpio|the)$/.test(token.text)) {
      reading.at += 1;
      continue;
    } else break;
    if (![',', 'and'].includes(reading.tokens[reading.at]?.text ?? '')) break;
  }
  if (names.length === 0) {
    const message = 'On which pin? Write its name as printed on the board.';
    if (reading.at >= reading.tokens.length && sign.count === 1) return;
    if (!reading.troubles.some(({ weight }) => weight === 'stops')) reading.stops(start, message);
    return;
  }
  reading.draft.pins = [...(reading.draft.pins ?? []), ...names];
  reading.pieces.push({
    from: start.from,
    to: reading.tokens[reading.at - 1]!.to,
    slot: 'pins',
    says:
      names.length > 1
        ? `${names.length} pins: ${names.join(', ')}`
        : isLegPin(names[0]!)
          ? names[0]!.replace(new RegExp(`^(.+)\\.${ALL_OUTPUTS}$`), 'the outputs of $1')
          : `pin ${names[0]!}`,
    guessed: false,
  });
  const free = brackets(reading);
  // A bracket without a figure is a note: `on 12 (ready)`.
  if (free === undefined || !/\d/.test(free)) return;
  reading.draft.freePins = free.toUpperCase();
}

/** `2 to 11` as a range. */
function spokenRange(reading: Reading, token: Token): readonly string[] | undefined {
  const [to, last] = reading.tokens.slice(reading.at + 1, reading.at + 3);
  if (
    !/^(?:to|through|thru|till|until)$/.test(to?.text ?? '') ||
    !last ||
    !looksLikePin(token.text) ||
    !looksLikePin(last.text)
  )
    return undefined;
  const range = pinsOfRange(`${token.text}-${last.text}`);
  if (range) reading.at += 2;
  return range;
}

function isPinWord(reading: Reading, word: string): boolean {
  return (
    looksLikePin(word) ||
    legsNamed(word) !== undefined ||
    pinsOfRange(word) !== undefined ||
    socketNamed(reading.context.board, word) !== undefined
  );
}

export function pinNamed(reading: Reading, word: string, token: Token): string | undefined {
  const name = socketNamed(reading.context.board, word);
  if (name !== undefined) return name;
  const { board } = reading.context;
  if (!isBoard(board)) {
    reading.stops(
      token,
      'There is no board, so there are no pins. A part takes its current from the battery, or as in “from S1”.',
    );
    return undefined;
  }
  const near = board.pins.filter((pin) => pin.reserved === undefined).map((pin) => pin.name);
  const wanted = Number(/\d+/.exec(word)?.[0] ?? 0);
  const nearest = near
    .filter((pin) => /^A/i.test(pin) === /^a/i.test(word))
    .sort(
      (a, b) => Math.abs(Number(/\d+/.exec(a)?.[0]) - wanted) - Math.abs(Number(/\d+/.exec(b)?.[0]) - wanted),
    )
    .slice(0, 2);
  if (pinsOfRange(token.text)) {
    if (!reading.troubles.some(({ from }) => from === token.from))
      reading.stops(
        token,
        `The ${board.short} has no pin ${word.toUpperCase()}; its pins are ${pinRanges(near)}.`,
      );
    return undefined;
  }
  reading.stops(
    token,
    `The ${board.short} has no pin ${reading.typed(token)}; its pins are ${pinRanges(near)}.`,
    nearest.map((pin) => reading.replaced(token, pin)),
  );
  return undefined;
}

/** Pins in short: `2 to 13 and A0 to A5`. */
function pinRanges(pins: readonly string[]): string {
  const groups = new Map<string, number[]>();
  for (const pin of pins) {
    const [, letter = '', number = ''] = /^([A-Z]*)(\d+)$/.exec(pin) ?? [];
    groups.set(letter, [...(groups.get(letter) ?? []), Number(number)]);
  }
  return [...groups]
    .map(([letter, numbers]) => {
      const [first, last] = [`${letter}${Math.min(...numbers)}`, `${letter}${Math.max(...numbers)}`];
      return first === last ? first : `${first} to ${last}`;
    })
    .join(' and ');
}
