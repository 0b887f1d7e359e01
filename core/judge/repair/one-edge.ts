import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';

/** A question for a change that asks for one of its two directions too. */
export interface OneEdge {
  readonly edit: TextEdit;
  /** What is done, without the full stop. */
  readonly text: string;
}

/** `now != last`, of two variables. */
const CHANGE = /\b([A-Za-z_]\w*)\s*!=\s*([A-Za-z_]\w*)\b/;

/** The question for a change in a line, with each of the levels that the change may lead to. */
export function oneEdgeOf(source: string, language: Language, line: number): readonly OneEdge[] {
  const text = source.split('\n')[line - 1] ?? '';
  const found = /^\s*(?:if|elif|else if|\}\s*else if)\b/.test(text) ? CHANGE.exec(text) : null;
  if (!found) return [];
  const [asked, first = '', second = ''] = found;
  return [first, second]
    .flatMap((name) =>
      language === 'python' ? [`not ${name}`, name] : [`${name} == LOW`, `${name} == HIGH`],
    )
    .map((level) => {
      const by = `${asked} ${language === 'python' ? 'and' : '&&'} ${level}`;
      return {
        edit: { line, column: found.index + 1, length: asked.length, by },
        text: `Write ${by} instead of ${asked} in line ${line}`,
      };
    });
}
