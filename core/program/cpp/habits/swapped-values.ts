import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Span } from '../../syntax';
import type { Expression } from '../tree';
import { allExpressions, bare } from '../walk';
import type { Facts, Habit } from './habit';
import { writtenIn } from './pin-uses';

/** Words that say what is done with a pin, by the function that takes them behind it. */
const WORDS_BEHIND: Readonly<Record<string, RegExp>> = {
  digitalWrite: /^(?:HIGH|LOW)$/,
  pinMode: /^(?:OUTPUT|INPUT|INPUT_PULLUP)$/,
};
/** Functions that take a number behind a pin. */
const NUMBER_BEHIND: ReadonlySet<string> = new Set(['tone', 'analogWrite']);
/** Up to here a plain number may be a pin. */
const LAST_PIN = 60;

/** `digitalWrite(HIGH, 13)`, `tone(440, BUZZER)`: the pin and what comes behind it in each other's places. */
export const swappedValues: Habit = (facts) => {
  const written = writtenIn(facts.source);
  const all = facts.tree.functions.flatMap(({ body }) => allExpressions(body));
  return all.flatMap((expression): readonly ProgramProblem[] => {
    const swapped = swappedIn(expression, facts);
    if (!swapped) return [];
    const { called, first, second } = swapped;
    const [one, other] = [written(first), written(second)];
    const { line, column } = first;
    const between = written({ ...first, column: first.endColumn, endColumn: second.column });
    const text = `Exchange ${one} and ${other} in line ${line}.`;
    return [
      warning(
        'arguments',
        'fault',
        { line, column },
        `Line ${line}: ${called} takes the pin first. ${one} stands where the pin should be.`,
        [
          `Which of the two values of ${called} in line ${line} is the pin?`,
          `In line ${line}, ${one} and ${other} are in each other’s places.`,
          text,
        ],
        textRepair(text, {
          line,
          column,
          length: second.endColumn - first.column,
          by: `${other}${between}${one}`,
        }),
      ),
    ];
  });
};

/** The two values of a call that takes a pin first, where the second one is the pin; `undefined` otherwise. */
export function swappedIn(
  expression: Expression,
  { source, pinUses }: Pick<Facts, 'source' | 'pinUses'>,
): { readonly called: string; readonly first: Span; readonly second: Span } | undefined {
  if (expression.node !== 'builtin') return undefined;
  const { name: called } = expression;
  const [first, second] = expression.arguments.map((value) => bare(value).span);
  if (!first || !second || first.line !== second.line) return undefined;
  const written = writtenIn(source);
  const [one, other] = [written(first), written(second)];
  const words = WORDS_BEHIND[called];
  if (words)
    return words.test(one) && !words.test(other) && /^\w+$/.test(other)
      ? { called, first, second }
      : undefined;
  if (!NUMBER_BEHIND.has(called) || !/^\w+$/.test(other)) return undefined;
  /** Whether a call of another function takes it for a pin. */
  const isPinElsewhere = (text: string): boolean =>
    pinUses.some(({ name, span }) => name !== called && written(span) === text);
  const mayBePin = isPinElsewhere(one) || (/^\d+$/.test(one) && Number(one) <= LAST_PIN);
  return isPinElsewhere(other) && !mayBePin ? { called, first, second } : undefined;
}
