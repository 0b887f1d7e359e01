import type { Edit, Observation } from '../../findings/finding';
import { oppositeSigns } from './opposite-signs';

const levels: Readonly<Record<string, string>> = { HIGH: 'LOW', LOW: 'HIGH', True: 'False', False: 'True' };

/** A word in its line, what stands before it and from it on, and what takes its place. */
interface Place {
  readonly line: number;
  readonly column: number;
  readonly before: string;
  readonly from: string;
  readonly word: string;
  readonly by: string;
}

const turned = ({ line, column }: Place, message: string, hints: Observation['hints']): Observation => ({
  code: 'logic-inverted',
  severity: 'fault',
  line,
  column,
  message,
  hints,
});

/**
 * The finding that a repairing change of one word is evidence of: a question that is asked the wrong way round, or a
 * level that is. Other changes are explained by what the rules saw.
 */
export function findingOfWord(edit: Edit, source: string): Observation | undefined {
  if (!('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const text = source.split('\n')[line - 1] ?? '';
  const [before, from] = [text.slice(0, column - 1), text.slice(column - 1)];
  const place: Place = { line, column, before, from, word: from.slice(0, length), by };
  const isOneSign = place.word === '' || by.trim() === '';
  const negation = isOneSign ? [place.word, by.trim()].find((sign) => /^(?:not|!)$/.test(sign)) : undefined;
  if (negation !== undefined) return ofItself(place, negation) ?? ofNegation(place, negation);
  return ofOpposite(place, edit);
}

/** `lit = lit`: a variable that is meant to be turned round. */
function ofItself(place: Place, negation: string): Observation | undefined {
  const { line, before, from } = place;
  const name = /(\w+)\s*=\s*$/.exec(before)?.[1];
  if (name === undefined || !new RegExp(`^\\s*${name}\\b`).test(from)) return undefined;
  return turned(place, `Line ${line} gives “${name}” the value that it has already, so nothing changes.`, [
    `What should “${name}” be after line ${line}, and what is it?`,
    `Line ${line} sets “${name}” to itself.`,
    `Put ${negation} before the second ${name} in line ${line}.`,
  ]);
}

/** A negation that is missing, or one too many. */
function ofNegation(place: Place, negation: string): Observation {
  const { line, before } = place;
  const isLevel = /(?:digitalWrite\s*\([^,]*,|\.value\s*=)\s*$/.test(before);
  const isMissing = place.word === '';
  const how = `${isMissing ? 'without' : 'with'} “${negation}”`;
  return turned(
    place,
    isLevel
      ? `Line ${line} gives its pin the wrong level: ${how} it is the opposite of what it should be.`
      : `Line ${line} asks the question the wrong way round: ${how} it does the opposite of what it should on this wiring.`,
    [
      isLevel
        ? `Which level should line ${line} give its pin at that moment, and which one does it give?`
        : `What level does the wiring give at that moment, and which one does line ${line} ask for?`,
      `Line ${line} has ${isMissing ? 'no' : 'a'} “${negation}”, and that turns the ${isLevel ? 'level' : 'question'} round.`,
      isMissing
        ? `Put ${negation} before what line ${line} ${isLevel ? 'gives' : 'asks'}.`
        : `Take the ${negation} out of line ${line}.`,
    ],
  );
}

/** A sign for its opposite, and a level for the other one where it is asked for. */
function ofOpposite(place: Place, edit: Edit): Observation | undefined {
  const { line, column, before, word, by } = place;
  const isAsked = /(?:==|!=)\s*$/.test(before);
  if (oppositeSigns[word] !== by && !(isAsked && levels[word] === by)) return undefined;
  // What is more and what is less is no matter of how something is wired.
  const there = /[<>]/.test(word) ? '' : ' on this wiring';
  const remedy = `Write ${by} instead of ${word} in line ${line}.`;
  return {
    ...turned(
      place,
      `Line ${line} asks the question the wrong way round: with ${word} it does the opposite of what it should${there}.`,
      [
        `What level does the wiring give at that moment, and which one does line ${line} ask for?`,
        `The ${word} at column ${column} of line ${line} turns the question round.`,
        remedy,
      ],
    ),
    repair: { text: remedy, edits: [edit] },
  };
}
