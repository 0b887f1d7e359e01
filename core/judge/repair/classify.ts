import { sideOf } from '../../breadboards';
import { legName, ref } from '../../brand';
import { quantity, type Edit, type Observation } from '../../findings/finding';
import { readPoint, surroundingsOf } from '../../wiring/point';
import { findPart, type Point, type Wiring } from '../../wiring/wiring';
import { legText, placeText, stripText } from '../../wiring/words';
import { capital } from '../../words/words';

/**
 * The finding that a repairing move is evidence of: an end one row or hole from where it is right, or
 * on the other side of the centre gap. Other edits are explained by what the rules saw.
 */
export function findingOfMove(edit: Edit, wiring: Wiring): Observation | undefined {
  if (!('move' in edit) || edit.from === '') return undefined;
  const dot = edit.move.indexOf('.');
  const part = findPart(wiring, ref(edit.move.slice(0, dot)));
  const leg = legName(edit.move.slice(dot + 1));
  const around = surroundingsOf(wiring);
  const [from, to] = [readPoint(edit.from, around), readPoint(edit.to, around)];
  if (!part || !from.ok || !to.ok) return undefined;
  const what = legText(part, leg);
  const slip = slipOf(from.value, to.value);
  if (slip === undefined) return undefined;
  const repair = {
    text: `Move ${what} from ${placeText(from.value)} to ${placeText(to.value)}.`,
    edits: [edit],
  };
  if (slip === 'side')
    return {
      code: 'gap-not-crossed',
      severity: 'fault',
      refs: [part.ref],
      at: [edit.from],
      message: `${capital(what)} is in ${placeText(from.value)}, on the other side of the centre gap. Holes a to e of a row are not joined to holes f to j.`,
      hints: [
        `Which holes of a row belong together, and where does the centre gap divide them?`,
        `${capital(what)} is in ${stripText(from.value)}; what it should connect to is in ${stripText(to.value)}.`,
        `Move ${what} to ${placeText(to.value)}.`,
      ],
      evidence: { rows: quantity(0, '') },
      repair,
    };
  return {
    code: 'off-by-one',
    severity: 'fault',
    refs: [part.ref],
    at: [edit.from],
    message: `${capital(what)} is in ${placeText(from.value)}, one row off. It should be in ${stripText(to.value)}.`,
    hints: [
      `Follow ${what} with a finger. Which row is it in, and which row should it be in?`,
      `${capital(what)} is in ${stripText(from.value)}. Count the rows again.`,
      `Move ${what} to ${placeText(to.value)}.`,
    ],
    evidence: { rows: quantity(slip, '') },
    repair,
  };
}

/** Signs that ask the opposite of each other. */
const opposites: Readonly<Record<string, string>> = { '==': '!=', '!=': '==', '<': '>', '>': '<' };
const levels: Readonly<Record<string, string>> = { HIGH: 'LOW', LOW: 'HIGH', True: 'False', False: 'True' };

/**
 * The finding that a repairing change of one word is evidence of: a question that is asked the wrong way
 * round. Other changes are explained by what the rules saw.
 */
export function findingOfWord(edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const text = source.split('\n')[line - 1] ?? '';
  const word = text.slice(column - 1, column - 1 + length);
  const isAsked = /(?:==|!=)\s*$/.test(text.slice(0, column - 1));
  if (opposites[word] !== by && !(isAsked && levels[word] === by)) return undefined;
  return {
    code: 'logic-inverted',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} asks the question the wrong way round: with ${word} it does the opposite of what it should on this wiring.`,
    hints: [
      `What level does the wiring give at that moment, and which one does line ${line} ask for?`,
      `The ${word} at column ${column} of line ${line} turns the question round.`,
      `Write ${by} instead of ${word} in line ${line}.`,
    ],
    repair: { text: `Write ${by} instead of ${word} in line ${line}.`, edits: [edit] },
  };
}

/** Rows that a slip is off by, signed; `side` across the centre gap in one row; `undefined` for no slip. */
function slipOf(from: Point, to: Point): number | 'side' | undefined {
  if (from.type !== 'hole' || to.type !== 'hole' || from.ref !== to.ref) return undefined;
  const sameSide = sideOf(from.column) === sideOf(to.column);
  if (from.row === to.row) return sameSide ? undefined : 'side';
  const rows = from.row - to.row;
  return sameSide && Math.abs(rows) === 1 ? rows : undefined;
}
