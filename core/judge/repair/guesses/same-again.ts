import type { Token } from '../../../program/token';
import { isInside, type Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { givenOutright } from './places';

const [TURNED, STEPPED, STARTED] = [1.55, 1.5, 1.62];

/** The numbers that a name is given outright. */
const numbersGiven = (name: string, { tokens }: Form): readonly Token[] =>
  tokens.flatMap(({ text }, index) => {
    const value = text === name ? givenOutright(tokens, index) : undefined;
    return value?.kind === 'number' ? [value] : [];
  });

/** `which = 1`, `which = which + 1`: what is 0 and 1 by turns, made the other one. */
function turnsTaken(form: Form): readonly Guess[] {
  const { tokens, blocks, source, language } = form;
  const stop = language === 'python' ? '' : ';';
  return tokens.flatMap((token, index): readonly Guess[] => {
    const sign = tokens[index + 1];
    const value = tokens[index + 2];
    const isSet =
      token.startsLine && token.kind === 'word' && /^(?:=|[-+]=)$/.test(sign?.text ?? '') && value;
    const asked = blocks.filter((block) => block.head === 'if' && isInside(token.line, block));
    // What is set where it is asked for itself begins anew there.
    const isOfItself = asked.some(({ headTokens }) => headTokens.some(({ text }) => text === token.text));
    if (!isSet || asked.length === 0 || isOfItself) return [];
    const rest = tokens.filter(({ line, column }) => line === token.line && column > sign!.column);
    const plain = rest
      .map(({ text }) => text)
      .join('')
      .replace(/;$/, '');
    const isStep = /^[-+]=$/.test(sign!.text)
      ? plain === '1'
      : plain === `${token.text}+1` || plain === `${token.text}-1`;
    const given = numbersGiven(token.text, form).map(({ text }) => text);
    // Neither what counts further than to 1, nor what is only ever one of the two, is meant to take turns.
    const isOfTwo = given.length > 0 && given.every((text) => /^[01]$/.test(text));
    const isOneOfBoth = /^[01]$/.test(plain) && new Set(given).size === 2;
    if (!isOfTwo || !(isStep || isOneOfBoth)) return [];
    const said = (source.split('\n')[token.line - 1] ?? '').slice(token.column - 1).trimEnd();
    const by = `${token.text} = 1 - ${token.text}`;
    return [
      {
        edits: [{ line: token.line, column: token.column, length: said.length, by: `${by}${stop}` }],
        text: `Write ${by} instead of ${said.replace(/;$/, '')} in line ${token.line}.`,
        cost: TURNED,
        told: {
          why: `Line ${token.line} makes ${token.text} no 0 and 1 by turns: 1 - ${token.text} is always the other one.`,
          ask: `Which values does ${token.text} take, one after the other?`,
        },
      },
    ];
  });
}

/** `level = min(level, 3)`: a line that gives back the same is one that should count. */
const sameInBounds = ({ tokens }: Form): readonly Guess[] =>
  tokens.flatMap((token, index): readonly Guess[] => {
    const [sign, call, open, own, comma] = tokens.slice(index + 1, index + 6);
    const isSame =
      sign?.text === '=' &&
      /^(?:min|max|constrain)$/.test(call?.text ?? '') &&
      open?.text === '(' &&
      own?.text === token.text &&
      comma?.text === ',';
    if (!isSame) return [];
    const up = { by: `${token.text} + 1`, cost: STEPPED };
    const down = { by: `${token.text} - 1`, cost: STEPPED + 0.01 };
    const ways = call!.text === 'max' ? [down, up] : [up, down];
    return ways.map(({ by, cost }) => ({
      ...written(own, by, cost),
      told: {
        why: `Line ${token.line} only keeps ${token.text} within its limits. No line counts it on.`,
        ask: `By how much does line ${token.line} change ${token.text}?`,
      },
    }));
  });

/** A counter that begins elsewhere than at 0. */
function countsFromNothing(form: Form): readonly Guess[] {
  const { tokens } = form;
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [sign, value] = [tokens[index + 1], tokens[index + 2]];
    const isFirst = tokens.findIndex(({ text }) => text === token.text) === index;
    const isCounted = tokens.some(
      ({ text }, at) =>
        text === token.text &&
        at > index &&
        (/^(?:[-+]=|\+\+|--)$/.test(tokens[at + 1]?.text ?? '') ||
          (/^[-+]$/.test(tokens[at + 1]?.text ?? '') && tokens[at + 2]?.text === '1')),
    );
    if (!isFirst || sign?.text !== '=' || value?.kind !== 'number' || Number(value.text) === 0 || !isCounted)
      return [];
    return [
      {
        ...written(value, '0', STARTED),
        told: {
          why: `Line ${token.line} lets ${token.text} begin at ${value.text}.`,
          ask: `How many has the program counted before anything happens?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofSameAgain: readonly Rule[] = [turnsTaken, sameInBounds, countsFromNothing];
