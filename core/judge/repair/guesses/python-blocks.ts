import { isInside, type Form } from './form';
import type { Guess, Rule } from './guess';

const [ELSE, PULLED, SHADOW] = [1.3, 1.2, 1.55];

/** An `else` under a `for` that belongs to the question inside of it: four more spaces. */
function elsesOfLoops({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return blocks.flatMap((block): readonly Guess[] => {
    const [word] = block.headTokens;
    if (word?.text !== 'else' || !block.opens || !block.closes) return [];
    // The block that begins in the same column last before it.
    const before = blocks.findLast(
      ({ headTokens: [first], closes }) =>
        first && first.line < word.line && first.column === word.column && closes && closes.line < word.line,
    );
    const question =
      before &&
      blocks.findLast(
        ({ head, headTokens: [first] }) => head === 'if' && first && isInside(first.line, before),
      );
    if (before?.head !== 'loop' || !question) return [];
    const by = question.headTokens[0]!.column - word.column;
    const edits = tokens
      .filter(({ startsLine, line }) => startsLine && line >= word.line && line <= block.closes!.line)
      .map(({ line }) => ({ line, column: 1, length: 0, by: ' '.repeat(by) }))
      .reverse();
    const [outer, asked] = [before.headTokens[0]!, question.headTokens[0]!];
    return [
      {
        edits,
        text: `Put ${by} more spaces before lines ${word.line} to ${block.closes.line}.`,
        cost: ELSE,
        told: {
          why: `The else in line ${word.line} begins where ${outer.text} in line ${outer.line} does, so it belongs to the loop and not to the if in line ${asked.line}.`,
          ask: `Under which word does the else in line ${word.line} stand?`,
        },
      },
    ];
  });
}

/** A pin that is made an input in a function or a class, and left floating: pulled up there. */
function pullsOfMade({ tokens, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  return tokens.flatMap((token, index): readonly Guess[] => {
    const isInput =
      token.text === 'INPUT' && tokens[index - 1]?.text === '.' && tokens[index - 2]?.text === 'Direction';
    const own = tokens.filter(({ line }) => line === token.line);
    const end = own.findIndex(({ text }, at) => text === '.' && own[at + 1]?.text === 'direction');
    if (!isInput || end < 1) return [];
    const name = own
      .slice(0, end)
      .map(({ text }) => text)
      .join('');
    const isPulled = tokens.some(
      ({ text, line }, at) =>
        text === 'pull' &&
        tokens[at - 1]?.text === '.' &&
        tokens
          .filter((one) => one.line === line && one.column < tokens[at - 1]!.column)
          .map((one) => one.text)
          .join('') === name,
    );
    if (isPulled) return [];
    const module = own[own.length - 4]?.text === '.' ? `${own[own.length - 5]?.text}.` : '';
    const statement = `${name}.pull = ${module}Pull.UP`;
    return [
      {
        edits: [
          {
            line: token.line,
            column: token.endColumn,
            length: 0,
            by: `\n${' '.repeat(own[0]!.column - 1)}${statement}`,
          },
        ],
        text: `Add ${statement} after line ${token.line}.`,
        cost: PULLED,
      },
    ];
  });
}

/** `level = 0` first thing in a function that only reads the level of the whole program: left out. */
function shadowsInPython({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  const outer = new Set(
    tokens.flatMap(({ kind, text, startsLine, column }, index) =>
      kind === 'word' && startsLine && column === 1 && tokens[index + 1]?.text === '=' ? [text] : [],
    ),
  );
  return blocks.flatMap((block): readonly Guess[] => {
    if (block.head !== 'function') return [];
    return block.statements.flatMap(({ first, last, text }): readonly Guess[] => {
      const isSet = outer.has(first.text) && /^\w+ = (?:-?[\d.]+|True|False)$/.test(text);
      const isGlobal = tokens.some(
        ({ text: word, line }, index) =>
          word === first.text &&
          isInside(line, block) &&
          tokens.some((one, at) => at < index && one.line === line && one.text === 'global'),
      );
      if (!isSet || isGlobal) return [];
      return [
        {
          edits: [
            { line: first.line, column: first.column, length: last.endColumn - first.column, by: 'pass' },
          ],
          text: `Write pass instead of ${text} in line ${first.line}, or remove the line.`,
          cost: SHADOW,
          told: {
            why: `Line ${first.line} makes a new ${first.text} that is known only inside the function. The ${first.text} of the program is not asked there any more.`,
            ask: `How many variables called ${first.text} are there?`,
          },
        },
      ];
    });
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofPythonBlocks: readonly Rule[] = [elsesOfLoops, pullsOfMade, shadowsInPython];
