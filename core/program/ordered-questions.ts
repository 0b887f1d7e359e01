import type { Repair } from '../findings/finding';
import type { Limit } from './limit';
import { warning, type ProgramProblem } from './problem';
import type { Span } from './syntax';

/** A limit with what is done where the answer is yes. */
export interface Question extends Limit {
  readonly branch: Span;
}

/** Whether whatever meets the later question has met the earlier one before. */
function covers(earlier: Limit, later: Limit): boolean {
  if (earlier.subject !== later.subject) return false;
  const [one, other] = [earlier.operator, later.operator];
  const [a, b] = [earlier.value, later.value];
  if (one.startsWith('>') && other.startsWith('>'))
    return b > a || (b === a && !(one === '>' && other === '>='));
  if (one.startsWith('<') && other.startsWith('<'))
    return b < a || (b === a && !(one === '<' && other === '<='));
  if (other !== '==') return false;
  if (one === '==') return a === b;
  return { '>': b > a, '>=': b >= a, '<': b < a, '<=': b <= a }[one] ?? false;
}

/** `if (t > 10) … else if (t > 100)`: questions of a chain that are never reached with a yes. */
export function neverReachedIn(
  chain: readonly (Question | undefined)[],
  source: string,
): readonly ProgramProblem[] {
  return chain.flatMap((later, index) => {
    const earlier = later && chain.slice(0, index).find((one) => one && covers(one, later));
    if (!later || !earlier) return [];
    const { line, column } = later;
    return [
      warning(
        'always-true',
        'fault',
        { line, column },
        `Line ${line}: whenever ${later.text} is so, ${earlier.text} is so too, and line ${earlier.line} takes it first. What belongs to line ${line} never runs.`,
        [
          `For which values is line ${line} reached at all?`,
          `Line ${earlier.line} asks first, and its answer is yes for all that line ${line} asks for.`,
          `Ask for ${later.text} first, and for ${earlier.text} after it.`,
        ],
        exchanged(earlier, later, source),
      ),
    ];
  });
}

/** Two questions in each other’s places, with what belongs to each. */
function exchanged(earlier: Question, later: Question, source: string): Repair {
  const put = (there: Span, by: Span) => ({
    replace: {
      line: there.line,
      column: there.column,
      length: textOf(source, there).length,
      by: textOf(source, by),
    },
  });
  return {
    text: `Ask for ${later.text} in line ${earlier.line} and for ${earlier.text} in line ${later.line}, each with what belongs to it.`,
    // From the end, so that the places before stay what they are.
    edits: [
      put(later.branch, earlier.branch),
      put(later.span, earlier.span),
      put(earlier.branch, later.branch),
      put(earlier.span, later.span),
    ],
  };
}

function textOf(source: string, { line, column, endLine, endColumn }: Span): string {
  const lines = source.split('\n').slice(line - 1, endLine);
  const last = lines.length - 1;
  return lines
    .map((text, index) =>
      text.slice(index === 0 ? column - 1 : 0, index === last ? endColumn - 1 : text.length),
    )
    .join('\n');
}
