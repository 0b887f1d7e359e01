import type { TextEdit } from '../../findings/finding';
import { linesPut } from './lines-put';

/** A declaration moved before the line that uses its name first. */
export interface DeclaredEarlier {
  readonly edit: TextEdit;
  readonly text: string;
}

/**
 * `float volts = raw * 5.0 / 1024;` and below it `int raw = analogRead(A0);`: the line that declares a name, moved to before
 * line `line`, which uses it and stands in the same block. `undefined` where no line below declares it there.
 */
export function declaredEarlier(source: string, line: number, name: string): DeclaredEarlier | undefined {
  const lines = source.split('\n');
  const declares = new RegExp(`^\\s*(?!return\\b|else\\b)(?:[A-Za-z_]\\w*\\s+)+${name}\\s*(?:=[^;]*)?;\\s*$`);
  let depth = 0;
  for (let at = line; at <= lines.length && depth >= 0; at += 1) {
    const text = lines[at - 1]!;
    if (at > line && depth === 0 && declares.test(text)) {
      const between = lines.slice(line - 1, at - 1);
      return {
        edit: linesPut(line, [...between, text], [text, ...between]),
        text: `Move line ${at} before line ${line}.`,
      };
    }
    for (const sign of text.replace(/'.'|"[^"]*"|\/\/.*/g, ''))
      depth += sign === '{' ? 1 : sign === '}' ? -1 : 0;
  }
  return undefined;
}
