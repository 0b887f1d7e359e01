import type { Token } from '../../../program/token';
import { isInside, type Block, type Form } from './form';
import { written, type Guess, type Rule } from './guess';

const [IDLE, ENTRY] = [1.45, 1.5];
/** Places in which what is taken is tried; a block with more is not mended by trying. */
const MOST = 12;

/** The names that a function takes, and that a loop gives to what it goes through. */
function takenBy({ head, headTokens }: Block, language: Form['language']): readonly string[] {
  if (head === 'function')
    return headTokens
      .slice(language === 'python' ? 3 : 2)
      .flatMap(({ kind, text }, index, all) =>
        kind === 'word' && text !== 'self' && /^[,)]$/.test(all[index + 1]?.text ?? ')') ? [text] : [],
      );
  const end = headTokens.findIndex(({ text }) => text === 'in');
  return head === 'loop' && headTokens[0]?.text === 'for' && end > 0
    ? headTokens.slice(1, end).flatMap(({ kind, text }) => (kind === 'word' && text !== '_' ? [text] : []))
    : [];
}

/** Where a value stands by itself: handed to something, compared, reckoned with. */
const isValue = (tokens: readonly Token[], index: number): boolean => {
  const [before, token, after] = [tokens[index - 1], tokens[index]!, tokens[index + 1]];
  return (
    (token.kind === 'number' ||
      (token.kind === 'word' && !/^(?:self|True|False|None|not)$/.test(token.text))) &&
    /^(?:[(,*/%<>+-]|[=!<>]=|=|if|elif|return|in|while)$/.test(before?.text ?? '') &&
    !/^(?:[.(=]|\[)$/.test(after?.text ?? '')
  );
};

/** `def flash(duration):` with `time.sleep(UNIT)`: what a function or a loop is given and does nothing with, in another’s place. */
function takenAndUnused({ tokens, blocks, language }: Form): readonly Guess[] {
  return blocks.flatMap((block) => {
    const used = (name: string): boolean =>
      tokens.some(({ text, line }) => text === name && isInside(line, block));
    const idle = takenBy(block, language).filter((name) => !used(name));
    const places = tokens.filter(({ line }, index) => isInside(line, block) && isValue(tokens, index));
    if (idle.length === 0 || places.length > MOST) return [];
    return idle.flatMap((name) =>
      places.map((token): Guess => ({
        ...written(token, name, token.kind === 'word' ? IDLE : IDLE + 0.02),
        told: {
          why: `Line ${block.opens!.line} takes ${name}, and no line does anything with it.`,
          ask: `What is ${name} there for?`,
        },
      })),
    );
  });
}

/** A table that is made and never asked: the entry for a name, in that name’s place. */
function entriesOfIdleTables({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  const idle = tokens.flatMap(({ kind, text }, index) =>
    kind === 'word' &&
    tokens[index + 1]?.text === '=' &&
    /^[[{]$/.test(tokens[index + 2]?.text ?? '') &&
    tokens.filter((other) => other.text === text).length === 1
      ? [text]
      : [],
  );
  if (idle.length === 0) return [];
  const guesses = blocks.flatMap((block) => {
    const taken = takenBy(block, language);
    return tokens.flatMap((token, index): readonly Guess[] =>
      taken.includes(token.text) && isInside(token.line, block) && isValue(tokens, index)
        ? idle.map((table) => ({
            ...written(token, `${table}[${token.text}]`, ENTRY),
            told: {
              why: `No line asks ${table} for anything. Line ${token.line} uses ${token.text} itself.`,
              ask: `What is kept in ${table}, and which entry of it is meant in line ${token.line}?`,
            },
          }))
        : [],
    );
  });
  return guesses.slice(0, MOST);
}

/** The rules of this subject that something in a program speaks for. */
export const ofIdleTakings: readonly Rule[] = [takenAndUnused, entriesOfIdleTables];
