import { ref } from '../../brand';
import { isBoard, isSupplySocket } from '../../boards';
import type { PartKind } from '../../parts';
import { busPins, socketNamed } from '../pins';
import { recipeFor } from '../recipes';
import type { Sign } from '../words';
import { isRef } from './kind-values';
import { optionWords } from './options';
import type { Found } from './phrases';
import { current, readWith } from './read-amounts';
import { readPins } from './read-pins';
import { betweenTwo, names, target } from './read-targets';
import type { Reading } from './reading';

/** What stands behind a word that says where it belongs. */
export function readSign(reading: Reading, found: Found, sign: Sign, kind: PartKind): void {
  switch (sign) {
    case 'on':
      // Without a board there are no pins: what a part is on is what feeds it.
      if (!isBoard(reading.context.board) && isRef(reading.tokens[reading.at]?.text ?? ''))
        readSign(reading, found, 'from', kind);
      else if (!bus(reading, found)) readPins(reading, found);
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
      if (kind.contact === 'momentary' && namesSignal(reading)) {
        fromPin(reading, found, kind);
        return;
      }
      const source = target(reading, found);
      if (!source) return;
      const hasTwoSides = kind.legs.length === 2 || kind.contact === 'momentary';
      if (reading.tokens[reading.at]?.text === 'to' && hasTwoSides) {
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
      const isOnPin = recipeFor(kind.kind, reading.context.board).needsBothEnds !== true;
      // `LED to pin 13`: what has a pin of its own, and none yet, is on it.
      if (isOnPin && !reading.draft.pins && !reading.draft.source && namesSignal(reading)) {
        readPins(reading, found);
        return;
      }
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

/** Whether a signal pin of the board is named next. */
function namesSignal({ tokens, at, context: { board } }: Reading): boolean {
  const word = tokens
    .slice(at)
    .find(({ text }) => !/^(?:the|pins?|digital|analog(?:ue)?|gpio|port)$/.test(text));
  const socket = word && socketNamed(board, word.text);
  return socket !== undefined && !isSupplySocket(board, socket);
}

/** `from 2 to ground`: the two sides of a button. */
function fromPin(reading: Reading, found: Found, kind: PartKind): void {
  const pin = target(reading, found);
  if (reading.tokens[reading.at]?.text === 'to') reading.at += 1;
  const far = pin && target(reading, found);
  if (pin && far) betweenTwo(reading, kind, pin, far);
}

/** Words for the bus of two wires that modules share. */
export const BUS = /^(?:i2c|iic|twi)$/;

/** `on I2C`: the pins that the board has for its bus of two wires. */
function bus(reading: Reading, found: Found): boolean {
  const token = reading.tokens[reading.at];
  if (!token || !BUS.test(token.text)) return false;
  reading.at += 1;
  if (reading.tokens[reading.at]?.text === 'bus') reading.at += 1;
  const { board } = reading.context;
  const pins = busPins(board);
  if (pins.length < 2) reading.stops(token, `The ${board.short} has no pins for I2C.`);
  else {
    reading.draft.pins = pins;
    reading.note(found, 'pins', `2 pins: ${pins.join(', ')}`, token);
  }
  return true;
}
