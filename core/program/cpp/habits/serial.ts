import { textRepair, warning, type ProgramProblem } from '../../problem';
import type { Expression } from '../tree';
import { allExpressions, bare, cellOf } from '../walk';
import type { Facts, Habit } from './habit';
import { writtenIn } from './pin-uses';

/** What is likely not meant so where a program talks to the computer. */
export const serialHabits: Habit = (facts) => [...neverStarted(facts), ...digitsAsNumbers(facts)];

/** A program that prints or reads, and never starts the line. */
const neverStarted: Habit = ({ tree }) => {
  const calls = tree.functions.flatMap(({ body }) =>
    allExpressions(body).flatMap((part) =>
      part.node === 'builtin' && part.name.startsWith('Serial.') ? [part] : [],
    ),
  );
  const [first] = calls;
  if (!first || calls.some(({ name }) => name === 'Serial.begin')) return [];
  const { line, column } = first.span;
  const setup = tree.functions[tree.setup]!.body.span;
  return [
    warning(
      'serial-not-started',
      'fault',
      { line, column },
      `Line ${line} uses serial, but no line starts it, so nothing comes out.`,
      [
        `What has to be in setup before anything can be printed?`,
        `Line ${line} has ${first.name}, but there is no Serial.begin anywhere.`,
        `Add Serial.begin(9600); to setup.`,
      ],
      textRepair('Add Serial.begin(9600); to setup.', {
        line: setup.line,
        column: setup.column + 1,
        length: 0,
        by: ' Serial.begin(9600);',
      }),
    ),
  ];
};

/** `Serial.read() == 1`: what comes of the key 1 is its code, 49. */
function digitsAsNumbers({ tree, source }: Facts): readonly ProgramProblem[] {
  if (!source.includes('Serial.read')) return [];
  const written = writtenIn(source);
  const parts = [...tree.globals, ...tree.functions.map(({ body }) => body)].flatMap((one) => [
    ...allExpressions(one),
  ]);
  const isRead = (value: Expression): boolean => {
    const inner = bare(value);
    return inner.node === 'builtin' && inner.name === 'Serial.read';
  };
  /** Variables that hold what was read, and nothing else but a first number. */
  const held = new Set(
    parts.flatMap((part) => (part.node === 'store' && isRead(part.value) ? [cellOf(part.place)] : [])),
  );
  for (const part of parts)
    if (
      part.node === 'update' ||
      (part.node === 'store' && !isRead(part.value) && bare(part.value).node !== 'constant')
    )
      held.delete(cellOf(part.place));
  return parts.flatMap((part): readonly ProgramProblem[] => {
    if (part.node !== 'compare' || part.operator !== '==') return [];
    const [left, right] = [bare(part.left), bare(part.right)];
    const digit = written(right.span);
    const isLetter = isRead(left) || (left.node === 'load' && held.has(cellOf(left.place)));
    if (!isLetter || !/^\d$/.test(digit)) return [];
    const { line, column } = right.span;
    const by = `'${digit}'`;
    const text = `Write ${by} instead of ${digit} in line ${line}.`;
    return [
      warning(
        'always-true',
        'fault',
        { line, column },
        `Line ${line}: what Serial.read gives is the code of a character. The key ${digit} has the code ${digit.charCodeAt(0)}, and is written ${by}.`,
        [
          `What does Serial.read give when somebody presses the key ${digit}?`,
          `The number ${digit} and the key ${by} are two things.`,
          text,
        ],
        textRepair(text, { line, column, length: 1, by }),
      ),
    ];
  });
}
