import type { Repair } from '../findings/finding';
import { textRepair, warning, type ProgramProblem } from './problem';
import type { Span } from './syntax';

interface Place {
  readonly line: number;
  readonly column: number;
}

/** How a language calls what repeats, and what a pin gives: `loop` and `level`. */
interface Words {
  readonly loop: string;
  readonly level: string;
}

/** A press that acts at every turn for as long as it lasts: asked at `place`, acted on in `stepLine`. */
export const repeatsWhileHeld = (
  { line, column }: Place,
  stepLine: number,
  { loop, level }: Words,
): ProgramProblem =>
  warning(
    'repeats-while-held',
    'fault',
    { line, column },
    `While the button is held, line ${stepLine} runs every time round ${loop}, not once per press.`,
    [
      `How often does ${loop} go round while a finger is on the button?`,
      `Line ${line} asks whether the button is down now, not whether it has just gone down.`,
      `Remember the last ${level}, and act only when it has changed to pressed.`,
    ],
  );

/** A press that is counted when it begins and when it ends: seen at `place`, counted in `stepLine`. */
export const doubleCount = ({ line, column }: Place, stepLine: number): ProgramProblem =>
  warning(
    'double-count',
    'fault',
    { line, column },
    `Line ${line} sees a change when the button goes down and again when it is let go, and line ${stepLine} counts both.`,
    [
      `How many changes does one press make?`,
      `A press has two edges, and line ${stepLine} runs on both.`,
      `Ask inside line ${line} whether the button is down now, and count only then.`,
    ],
  );

/** A function that no line calls. `call`: how it is called; `alone`: what runs without being called. */
export const neverCalled = (
  { line, column }: Place,
  name: string,
  { call, alone }: { readonly call: string; readonly alone: string },
): ProgramProblem =>
  warning(
    'no-effect',
    'advice',
    { line, column },
    `Line ${line} says what ${name} does, but no line calls it, so it never runs.`,
    [`Which line makes ${name} run?`, alone, `Write ${call} where it should happen, or remove it.`],
  );

/**
 * A second variable of one name, known only inside a function, which is worked out from itself or only hides the one of the
 * program. `makes`: what makes it another one.
 */
export const secondVariable = (
  { line, column }: Place,
  name: string,
  {
    isItself,
    message,
    makes,
    repair,
  }: {
    readonly isItself: boolean;
    readonly message: string;
    readonly makes: string;
    readonly repair: Repair;
  },
): ProgramProblem =>
  warning(
    isItself ? 'state-reset' : 'no-effect',
    // What it is worked out from is whatever is left in the memory: it may do what is wanted, today and on this board.
    isItself ? 'risk' : 'fault',
    { line, column },
    message,
    [`How many variables with the name ${name} are there?`, makes, repair.text],
    repair,
  );

/**
 * A measured value, from 0 to `most`, that is compared with what it never reaches; `undefined` where it may. One
 * more than the most is how some people write “up to the most”.
 */
export const neverReached = (
  { line, column }: Place,
  limit: number,
  operator: string,
  most: number,
): ProgramProblem | undefined =>
  (limit <= most && limit >= 0) || (limit === most + 1 && (operator === '<' || operator === '>='))
    ? undefined
    : warning(
        'out-of-range',
        'fault',
        { line, column },
        `Line ${line} compares with ${limit}, but the reading only goes from 0 to ${most}.`,
        [
          `What numbers can a reading be?`,
          `${limit} in line ${line} is never reached.`,
          `Compare with a number from 0 to ${most} in line ${line}.`,
        ],
      );

/** Highest readings of boards that measure in 10, 12 and 16 bits. */
const HIGHEST_READINGS: readonly number[] = [1023, 4095, 65_535];

/** The highest brightness that is written, which is taken for that of a reading. */
export const HIGHEST_WRITTEN = 255;

/**
 * A reading, from 0 to `most`, that is divided by the highest reading of another board, or mapped from it or from one of
 * `others`; `undefined` for any other number. A power of two that a reading can reach divides it into steps.
 */
export function ofAnotherBoard(
  { line, endLine, column, endColumn }: Span,
  highest: number,
  most: number,
  others: readonly number[] = [],
): ProgramProblem | undefined {
  const isOther = [...HIGHEST_READINGS, ...others].includes(highest) && highest !== most;
  const isBeyond = HIGHEST_READINGS.includes(highest - 1) && highest - 1 > most;
  if (!isOther && !isBeyond) return undefined;
  const own = isOther ? most : most + 1;
  const text = `Write ${own} instead of ${highest} in line ${line}.`;
  return warning(
    'out-of-range',
    'fault',
    { line, column },
    `Line ${line} takes ${highest} for the highest reading, but on this board a reading goes from 0 to ${most}.`,
    [
      'How high can a reading get on this board?',
      `Line ${line} reckons with ${highest}, but a reading goes from 0 to ${most}.`,
      text,
    ],
    line === endLine
      ? textRepair(text, { line, column, length: endColumn - column, by: String(own) })
      : undefined,
  );
}
