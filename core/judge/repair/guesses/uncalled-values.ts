import { isInside, type Form } from './form';
import { uncalledIn } from './functions';
import { putIn, written, type Guess, type Rule } from './guess';
import { end, givenOutright } from './places';

const [COST, CALLED] = [1.5, 1.55];

/** `int zone = 0;` beside a function `zoneOf(percent)` that no line calls: what that function gives. */
function uncalledAsked(form: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  return uncalledIn(form).flatMap(({ name, takes, block }): readonly Guess[] => {
    const gives = tokens.some(
      ({ text, line }, index) =>
        text === 'return' && isInside(line, block) && tokens[index + 1]?.text !== ';',
    );
    if (!gives || takes.length > 1) return [];
    return tokens.flatMap((token, index): readonly Guess[] => {
      const value = givenOutright(tokens, index);
      // What is given at the top is given once.
      const isHere = blocks.some((other) => other !== block && isInside(token.line, other));
      if (!value || !isHere || isInside(token.line, block)) return [];
      const given =
        takes.length === 0
          ? ['']
          : value.kind === 'word'
            ? [value.text]
            : namesBefore(token.line, tokens, language).slice(0, 4);
      return given.map((one) => ({
        ...written(value, `${name}(${one})`, COST),
        told: {
          why: `No line calls ${name}. Line ${token.line} gives ${token.text} the value ${value.text} instead.`,
          ask: `What is ${name} there for, and who should ask it?`,
        },
      }));
    });
  });
}

/** The names that are given a value above a line, the nearest first. */
const namesBefore = (line: number, tokens: Form['tokens'], language: Form['language']): readonly string[] => [
  ...new Set(
    tokens
      .flatMap(({ kind, text, line: at }, index) =>
        kind === 'word' &&
        at < line &&
        tokens[index + 1]?.text === '=' &&
        tokens[index + 2]?.kind === 'word' &&
        (language === 'python' || tokens[index - 1]?.kind === 'word')
          ? [text]
          : [],
      )
      .reverse(),
  ),
];

/** A function that takes nothing, gives nothing and is called by no line: called last thing in each case of a question. */
function uncalledDone(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  return uncalledIn(form).flatMap(({ name, takes, block }): readonly Guess[] => {
    const gives = tokens.some(({ text, line }) => text === 'return' && isInside(line, block));
    if (gives || takes.length > 0) return [];
    return blocks
      .filter((other) => /^(?:if|else)$/.test(other.head) && other.statements.length > 0)
      .map((other) => ({
        ...putIn(form, other.statements.at(-1)!, `${name}()${end(form)}`, CALLED),
        told: {
          why: `There is a function ${name}, and no line calls it.`,
          ask: `When should the program do what ${name} does?`,
        },
      }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofUncalledValues: readonly Rule[] = [uncalledAsked, uncalledDone];
