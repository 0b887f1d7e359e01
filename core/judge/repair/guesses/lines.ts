import { linesPut } from '../lines-put';
import { isBodyOf, type Block, type Form, type Statement } from './form';
import type { Guess, Rule } from './guess';

const [REMEMBERED, BEFORE_ITS_CHANGE, MOVED, MOVED_FAR, REMOVED] = [1.74, 1.66, 1.87, 2.21, 2.3];
/** `before = now;`: what is remembered is asked for first, and set last. */
const REMEMBERS = /^\w+ ?= ?[a-z]\w*(?:\.\w+)?;?$/i;

/** Statements of a block, each with the one behind it in its place. */
function exchangedLines({ blocks, source }: Form): readonly Guess[] {
  return blocks.filter(isRepeated).flatMap(({ statements }) =>
    statements.slice(1).flatMap((second, index): readonly Guess[] => {
      const first = statements[index]!;
      if (second.first.line !== first.last.line + 1 || first.text === second.text) return [];
      const lines = source.split('\n').slice(first.first.line - 1, second.last.line);
      return [
        {
          edits: [linesPut(first.first.line, lines, lines.toReversed())],
          text: `Move line ${second.first.line} before line ${first.first.line}.`,
          cost: isChange(second, first) ? BEFORE_ITS_CHANGE : MOVED,
        },
      ];
    }),
  );
}

/** Whether a statement changes a name that another one uses. */
function isChange({ text }: Statement, user: Statement): boolean {
  const [, name] = /^(\w+) ?(?:\+\+|--|[-+*/]?=[^=])/.exec(text) ?? [];
  return name !== undefined && new RegExp(`[(,]\\s*${name}\\s*[),]`).test(user.text);
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

/** Statements of a block that are not beside its end, at its end; those not beside its beginning, there. */
function movedLines({ blocks, source, language }: Form): readonly Guess[] {
  const lines = source.split('\n');
  return blocks.filter(isRepeated).flatMap(({ opens, closes, statements, space }) => {
    const first = opens!.line + 1;
    const last = language === 'python' ? closes!.line : closes!.line - 1;
    // What begins or ends in the middle of a line holds more than its lines.
    const isWhole = language === 'python' || (lines[closes!.line - 1] ?? '').trim().startsWith('}');
    if (!isWhole) return [];
    return statements.filter(isNoDeclaration).flatMap((statement): readonly Guess[] => {
      const { line, column } = statement.first;
      const isAlone = statement.last.line === line && column - 1 === space.length;
      if (!isAlone || (lines[line - 1] ?? '').slice(0, column - 1).trim() !== '') return [];
      const turned = (from: number, to: number, isBefore: boolean): Guess => {
        const texts = lines.slice(from - 1, to);
        const by = isBefore ? [texts.at(-1)!, ...texts.slice(0, -1)] : [...texts.slice(1), texts[0]!];
        return {
          edits: [linesPut(from, texts, by)],
          text: `Move line ${line} ${isBefore ? `before line ${from}` : `behind line ${to}`}.`,
          cost: REMEMBERS.test(statement.text)
            ? REMEMBERED
            : !isBefore && statements.some((one) => one.first.line > line && isChange(one, statement))
              ? BEFORE_ITS_CHANGE
              : MOVED_FAR,
        };
      };
      return [
        ...(last > line + 1 ? [turned(line, last, false)] : []),
        ...(line > first + 1 ? [turned(first, line, true)] : []),
      ];
    });
  });
}

const allMoved = (form: Form): readonly Guess[] => [...exchangedLines(form), ...movedLines(form)];

/** Lines in another order for which nothing speaks. */
export const otherOrders = (form: Form): readonly Guess[] =>
  allMoved(form).filter(({ cost }) => cost >= MOVED);

/** What is used before it is changed and remembered before it is asked for, in another order. */
const ordersSpokenFor = (form: Form): readonly Guess[] => allMoved(form).filter(({ cost }) => cost < MOVED);

/** The rules of this subject that something in a program speaks for. */
export const ofLines: readonly Rule[] = [ordersSpokenFor];
