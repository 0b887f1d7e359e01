import type { TextEdit } from '../../findings/finding';
import { pythonLines, type LogicalLine } from '../../program/python/lines';

/** A line about a pin's use that a Python program may lack. */
export interface SetupEdit {
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** A pin object, and what a program says of it. */
interface PinObject {
  readonly name: string;
  /** The last of the lines that set it up. */
  readonly last: LogicalLine;
  readonly isWritten: boolean;
  readonly isRead: boolean;
  readonly hasDirection: boolean;
  readonly hasPull: boolean;
  /** The call that makes it an input and says nothing of a pull, where there is one. */
  readonly bareInput: LogicalLine | undefined;
}

/**
 * Directions that are missing of pins that are written to, and pulls of pins that are read, in the program's own manner:
 * `led.direction = digitalio.Direction.OUTPUT`, or `Direction.OUTPUT` where that name was imported.
 */
export function pinsSetUp(source: string): readonly SetupEdit[] {
  const { lines } = pythonLines(source);
  const manner = mannerOf(lines);
  return objectsIn(lines).flatMap((object) => {
    const { name, last, isWritten, isRead, hasDirection, hasPull, bareInput } = object;
    const after = (by: string, of: string): SetupEdit => {
      const { line, endColumn } = last.tokens.at(-1)!;
      return {
        edits: [{ line, column: endColumn, length: 0, by: `\n${last.space}${by}` }, ...manner.imported(of)],
        text: `Add ${by} after line ${line}.`,
      };
    };
    const pull = manner.written('Pull', 'UP');
    if (isWritten && !hasDirection)
      return [after(`${name}.direction = ${manner.written('Direction', 'OUTPUT')}`, 'Direction')];
    if (!isRead || isWritten || hasPull) return [];
    if (!bareInput) return [after(`${name}.pull = ${pull}`, 'Pull')];
    const { line, column } = bareInput.tokens.at(-1)!;
    return [
      {
        edits: [{ line, column, length: 0, by: `pull=${pull}` }, ...manner.imported('Pull')],
        text: `Add pull=${pull} in line ${line}, between the parentheses.`,
      },
    ];
  });
}

interface Manner {
  /** How a program writes one of the values of a class of the module of pins. */
  readonly written: (of: string, value: string) => string;
  /** What has to be imported beside it, where the program imports names one by one. */
  readonly imported: (of: string) => readonly TextEdit[];
}

function mannerOf(lines: readonly LogicalLine[]): Manner {
  const from = lines.find(
    ({ tokens: [first, module] }) => first?.text === 'from' && module?.text === 'digitalio',
  );
  if (!from) return { written: (of, value) => `digitalio.${of}.${value}`, imported: () => [] };
  const names = from.tokens.map(({ text }) => text);
  const { line, endColumn } = from.tokens.at(-1)!;
  return {
    written: (of, value) => `${of}.${value}`,
    imported: (of) =>
      names.includes(of) || names.includes('*')
        ? []
        : [{ line, column: endColumn, length: 0, by: `, ${of}` }],
  };
}

function objectsIn(lines: readonly LogicalLine[]): readonly PinObject[] {
  return lines.flatMap(({ tokens }) => {
    const [name, sign] = tokens;
    const isMade = sign?.text === '=' && tokens.some(({ text }) => text === 'DigitalInOut');
    if (name?.kind !== 'word' || !isMade) return [];
    const asks = (line: LogicalLine, member: RegExp, after?: RegExp): boolean =>
      line.tokens.some(
        ({ text }, index) =>
          text === name.text &&
          line.tokens[index + 1]?.text === '.' &&
          member.test(line.tokens[index + 2]?.text ?? '') &&
          (after === undefined || after.test(line.tokens[index + 3]?.text ?? '')),
      );
    const setUp = lines.filter(
      (line) =>
        line.tokens === tokens ||
        asks(line, /^(?:direction|pull|drive_mode|switch_to_input|switch_to_output)$/),
    );
    const says = (word: string): boolean =>
      setUp.some((line) => line.tokens.some(({ text }) => text === word));
    const isWritten = lines.some(
      (line) => line.tokens[0]?.text === name.text && asks(line, /^value$/, /^=$/),
    );
    return [
      {
        name: name.text,
        last: setUp.at(-1)!,
        isWritten,
        isRead: lines.some((line) => asks(line, /^value$/) && !(line.tokens[0]?.text === name.text)),
        hasDirection: says('direction') || says('switch_to_output'),
        hasPull: says('pull'),
        bareInput: setUp.find((line) => line.tokens.at(-2)?.text === '(' && asks(line, /^switch_to_input$/)),
      },
    ];
  });
}
