import { warning, type ProgramProblem } from './problem';

/** A number that something is compared with: `reading > 500`. */
export interface Limit {
  /** What is compared, the same text for the same thing. */
  readonly subject: string;
  readonly operator: string;
  readonly value: number;
  readonly line: number;
  readonly column: number;
  /** As it is written. */
  readonly text: string;
}

const MIRRORED: Readonly<Record<string, string>> = { '<': '>', '<=': '>=', '>': '<', '>=': '<=' };

/** The same question with its sides exchanged: `500 < reading` as `reading > 500`. */
export const mirrored = (operator: string): string => MIRRORED[operator] ?? operator;

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
export function neverReachedIn(chain: readonly (Limit | undefined)[]): readonly ProgramProblem[] {
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
      ),
    ];
  });
}
