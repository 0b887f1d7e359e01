import { textRepair, warning } from '../../problem';
import { allExpressions } from '../walk';
import type { Habit } from './habit';

/** A program that prints or reads, and never starts the line. */
export const serialHabits: Habit = ({ tree }) => {
  const calls = tree.functions.flatMap(({ body }) =>
    [...allExpressions(body)].flatMap((part) =>
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
