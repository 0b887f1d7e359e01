import { meets, type Limit } from './limit';
import { warning, type ProgramProblem } from './problem';

/** Questions that are asked together: all of them are to be met, or any. */
export interface Joined {
  readonly by: 'and' | 'or';
  readonly limits: readonly Limit[];
  /** The words between them, as they are written, in their order. */
  readonly words: readonly { readonly line: number; readonly column: number; readonly text: string }[];
}

/** What `and` and `or` are called in a language. */
export interface Joints {
  readonly and: string;
  readonly or: string;
}

/** A number for each stretch between the values, for those beyond them, and the values themselves. */
function numbersAround(values: readonly number[]): readonly number[] {
  const sorted = [...new Set(values)].sort((one, other) => one - other);
  const between = sorted.slice(1).map((value, index) => (value + sorted[index]!) / 2);
  return [sorted[0]! - 1, ...sorted, ...between, sorted.at(-1)! + 1];
}

/** `if (t > 10 || t < 20)`, `if (t < 10 && t > 20)`: what every number meets, and what none does. */
export function sameForAllNumbers({ by, limits, words }: Joined, joints: Joints): readonly ProgramProblem[] {
  const subjects = [...new Set(limits.map(({ subject }) => subject))];
  return subjects.flatMap((subject) => {
    const asked = limits.filter((limit) => limit.subject === subject);
    const [first] = asked;
    const numbers = numbersAround(asked.map(({ value }) => value));
    const isSame =
      by === 'or'
        ? numbers.every((number) => asked.some((limit) => meets(number, limit)))
        : numbers.every((number) => !asked.every((limit) => meets(number, limit)));
    if (!first || asked.length < 2 || !isSame) return [];
    const { line, column } = first;
    const other = by === 'or' ? joints.and : joints.or;
    const whole = asked.map(({ text }) => text).join(` ${joints[by]} `);
    const what =
      by === 'or'
        ? `every number meets ${whole}, so the condition asks nothing`
        : `no number meets ${whole}, so what belongs to it never runs`;
    const text = `Write ${other} instead of ${joints[by]} in line ${line}.`;
    const isWhole = asked.length === limits.length && words.length === limits.length - 1;
    return [
      warning(
        'always-true',
        'fault',
        { line, column },
        `Line ${line}: ${what}.`,
        [
          `Try a few numbers in line ${line}, small and large ones. Which of them pass?`,
          by === 'or'
            ? `With ${joints.or} one of the two is enough, and one of them is always so.`
            : `With ${joints.and} both have to be so at once, and they never are.`,
          isWhole ? text : `Look at what joins the questions in line ${line}.`,
        ],
        isWhole
          ? {
              text,
              // From the end, so that the places before stay what they are.
              edits: words.toReversed().map(({ text: word, ...place }) => ({
                replace: { ...place, length: word.length, by: other },
              })),
            }
          : undefined,
      ),
    ];
  });
}
