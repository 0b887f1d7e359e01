import type { TextEdit } from '../../findings/finding';
import type { Token } from '../../program/token';

/** A line that sets a pin, put behind another that does. */
export interface LeftOut {
  readonly edit: TextEdit;
  readonly line: number;
  readonly call: string;
}

/**
 * Calls that set one of `pins`, as the program calls them, put behind every call that sets one of its `fellows`: one of
 * several parts that was forgotten where the others are set. `ends`: the semicolons of those calls.
 */
export function switchesLeftOut(
  tokens: readonly Token[],
  ends: readonly Token[],
  pins: readonly string[],
  fellows: readonly string[],
): readonly LeftOut[] {
  return ends.flatMap((end) => {
    const set = pinSetBefore(tokens, end);
    if (set === undefined || !fellows.includes(set)) return [];
    return pins
      .filter((pin) => pin !== set)
      .flatMap((pin) =>
        ['LOW', 'HIGH'].map((level) => {
          const call = `digitalWrite(${pin}, ${level});`;
          return {
            edit: { line: end.line, column: end.endColumn, length: 0, by: ` ${call}` },
            line: end.line,
            call,
          };
        }),
      );
  });
}

/** The pin that a call sets that ends with this semicolon, as it is written. */
function pinSetBefore(tokens: readonly Token[], end: Token): string | undefined {
  const at = tokens.indexOf(end);
  const call = tokens.slice(0, at).findLastIndex(({ text }) => text === 'digitalWrite');
  return tokens[call + 2]?.text;
}
