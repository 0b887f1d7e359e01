import { isInside, type Block, type Form } from './form';
import { putIn, written, type Guess, type Rule } from './guess';

const [COST, CALLED] = [1.5, 1.55];

/** The names that stand before the round bracket of a function's head and those between its brackets. */
const takenBy = ({ headTokens }: Block, from: number): readonly string[] =>
  headTokens
    .slice(from)
    .flatMap(({ kind, text }, index, all) =>
      kind === 'word' && /^[,)]$/.test(all[index + 1]?.text ?? ')') ? [text] : [],
    );

/** `int zone = 0;` beside a function `zoneOf(percent)` that no line calls: what that function gives. */
function uncalledAsked({ tokens, blocks, language }: Form): readonly Guess[] {
  const isPython = language === 'python';
  return blocks.flatMap((block): readonly Guess[] => {
    const name = block.head === 'function' ? block.headTokens[isPython ? 1 : 0] : undefined;
    const isUncalled = name && tokens.filter(({ text }) => text === name.text).length === 1;
    const gives = tokens.some(
      ({ text, line }, index) =>
        text === 'return' && isInside(line, block) && tokens[index + 1]?.text !== ';',
    );
    if (!isUncalled || !gives) return [];
    const taken = takenBy(block, isPython ? 3 : 2);
    if (taken.length > 1) return [];
    return tokens.flatMap((token, index): readonly Guess[] => {
      const [value, next] = [tokens[index + 2], tokens[index + 3]];
      const isPlain =
        token.kind === 'word' &&
        tokens[index + 1]?.text === '=' &&
        (value?.kind === 'number' || value?.kind === 'word') &&
        (!next || next.line > value.line || next.text === ';');
      const isHere =
        isPlain &&
        blocks.some((other) =>
          other.head !== 'function'
            ? other.opens && isInside(token.line, other)
            : other !== block && isInside(token.line, other),
        );
      if (!isHere || isInside(token.line, block) || value.line !== token.line) return [];
      const given =
        taken.length === 0
          ? ['']
          : value.kind === 'word'
            ? [value.text]
            : namesBefore(token.line, tokens, language).slice(0, 4);
      return given.map((one) => ({
        ...written(value, `${name.text}(${one})`, COST),
        told: {
          why: `No line calls ${name.text}. Line ${token.line} gives ${token.text} the value ${value.text} instead.`,
          ask: `What is ${name.text} there for, and who should ask it?`,
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
  const { tokens, blocks, language } = form;
  const isPython = language === 'python';
  return blocks.flatMap((block): readonly Guess[] => {
    const name = block.head === 'function' ? block.headTokens[isPython ? 1 : 0] : undefined;
    const isUncalled = name && tokens.filter(({ text }) => text === name.text).length === 1;
    const gives = tokens.some(({ text, line }) => text === 'return' && isInside(line, block));
    if (!isUncalled || gives || /^(?:setup|loop|main|__\w+__)$/.test(name.text)) return [];
    if (takenBy(block, isPython ? 3 : 2).length > 0) return [];
    return blocks
      .filter((other) => /^(?:if|else)$/.test(other.head) && other.statements.length > 0)
      .map((other) => ({
        ...putIn(form, other.statements.at(-1)!, `${name.text}()${isPython ? '' : ';'}`, CALLED),
        told: {
          why: `There is a function ${name.text}, and no line calls it.`,
          ask: `When should the program do what ${name.text} does?`,
        },
      }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofUncalledValues: readonly Rule[] = [uncalledAsked, uncalledDone];
