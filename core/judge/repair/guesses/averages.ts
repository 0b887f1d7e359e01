import type { Token } from '../../../program/token';
import { isInside, type Block, type Form } from './form';
import { written, type Guess, type Rule } from './guess';

const COST = 1.4;

/** A sum of readings: a loop that goes round a known number of times, and what is kept in it. */
interface Sum {
  readonly name: string;
  readonly rounds: string;
  readonly loop: Block;
  /** The sign by which it is kept. */
  readonly sign: Token;
}

/** Names that are nothing before a loop and are given a reading in each of its rounds. */
function sumsIn({ tokens, blocks, language }: Form): readonly Sum[] {
  return blocks.flatMap((loop): readonly Sum[] => {
    const end =
      language === 'python'
        ? loop.headTokens.findIndex(({ text }) => text === 'range') + 2
        : loop.headTokens.findIndex(({ text }) => text === '<') + 1;
    const rounds = loop.headTokens[end];
    if (loop.head !== 'loop' || end < 2 || !rounds) return [];
    return loop.statements.flatMap(({ first }): readonly Sum[] => {
      const at = tokens.indexOf(first);
      const sign = tokens[at + 1];
      const isNothingBefore = tokens.some(
        ({ text, line }, index) =>
          text === first.text &&
          line < first.line &&
          tokens[index + 1]?.text === '=' &&
          /^0(?:\.0*)?$/.test(tokens[index + 2]?.text ?? ''),
      );
      const isReading = tokens.some(
        ({ text, line }) => line === first.line && /^(?:\w*[rR]ead\w*|value|pulseIn)$/.test(text),
      );
      return isNothingBefore && isReading && /^\+?=$/.test(sign?.text ?? '')
        ? [{ name: first.text, rounds: rounds.text, loop, sign: sign! }]
        : [];
    });
  });
}

/** `sum = analogRead(A0);` in each round: only the last reading is left. */
const onlyTheLast = (form: Form): readonly Guess[] =>
  sumsIn(form)
    .filter(({ sign }) => sign.text === '=')
    .map(({ name, sign }) => ({
      ...written(sign, '+=', COST),
      told: {
        why: `Line ${sign.line} gives ${name} another value in each round, so that only the last is left.`,
        ask: `What becomes of the readings of the rounds before?`,
      },
    }));

/** `sum` behind the loop, as if it were one reading: divided by how many they were. */
function undividedSums(form: Form): readonly Guess[] {
  const { tokens } = form;
  return sumsIn(form).flatMap(({ name, rounds, loop }): readonly Guess[] => {
    const later = tokens.filter(
      ({ text, line }) => text === name && line > loop.closes!.line && !isInside(line, loop),
    );
    const isDivided = (token: Token): boolean =>
      tokens.some(({ text, line }) => line === token.line && text === rounds);
    return later
      .filter((token) => !isDivided(token))
      .map((token): Guess => ({
        ...written(token, `${name} / ${rounds}`, COST),
        told: {
          why: `${name} is the sum of several readings, and line ${token.line} takes it for one.`,
          ask: `How many readings are in ${name}?`,
        },
      }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofAverages: readonly Rule[] = [onlyTheLast, undividedSums];
