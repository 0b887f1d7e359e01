import { isBodyOf, type Block, type Form, type Statement } from './form';
import type { Guess } from './guess';

const [MOVED, REMOVED] = [1.87, 2.3];

/** Statements of a block, each with the one behind it in its place. */
export function exchangedLines({ blocks, source }: Form): readonly Guess[] {
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.slice(1).flatMap((second, index): readonly Guess[] => {
      const first = statements[index]!;
      if (second.first.line !== first.last.line + 1 || first.text === second.text) return [];
      const lines = source.split('\n').slice(first.first.line - 1, second.last.line);
      return [
        {
          edits: [
            {
              line: first.first.line,
              column: 1,
              length: lines.join('\n').length,
              by: [...lines].reverse().join('\n'),
            },
          ],
          text: `Move line ${second.first.line} before line ${first.first.line}.`,
          cost: MOVED,
        },
      ];
    }),
  );
}

/** Whether a block is more than what is done once at the start, whose lines may stand in any order. */
export const isRepeated = (block: Block): boolean => block.opens !== undefined && !isBodyOf('setup', block);

/** Statements that may be one too many: with another in their block, so that no head is left without a body. */
export function removedLines({ blocks }: Form): readonly Guess[] {
  return blocks.flatMap(({ statements, opens }) =>
    statements.length < 2 && opens === undefined
      ? []
      : statements.filter(isNoDeclaration).map(({ first, last, text }) => ({
          edits: [{ line: first.line, column: first.column, length: last.endColumn - first.column, by: '' }],
          text: `Remove ${text} from line ${first.line}.`,
          cost: REMOVED,
        })),
  );
}

/** A declaration says what it is before it says the name. */
export const isNoDeclaration = ({ text }: Statement): boolean => !/^\w+(?:\s+\w+)+\s*[=;[]/.test(text);
