import { warning, type ProgramProblem } from '../../problem';
import type { Statement } from '../tree';
import { allStatements, placeOf, statementsOf, targetsOf } from '../walk';
import type { Habit } from './habit';
import { stepsItself } from './steps';

/** A name that gets its first value anew at every turn of the loop for ever and is stepped once in it. */
export const memoryHabits: Habit = ({ loops }) => loops.flatMap(inLoop);

function inLoop(body: readonly Statement[]): readonly ProgramProblem[] {
  const inner = new Set(
    allStatements(body)
      .filter(({ node }) => node === 'while' || node === 'for')
      .flatMap((loop) => [loop, ...allStatements(statementsOf(loop))]),
  );
  return body.flatMap((statement, index): readonly ProgramProblem[] => {
    if (statement.node !== 'assign' || statement.value.node !== 'constant') return [];
    const [target, more] = statement.targets;
    if (target?.target !== 'name' || more) return [];
    const writes = allStatements(body).filter(
      (one) => one !== statement && targetsOf(one).some((place) => placeOf(place) === target.name),
    );
    const [only, second] = writes;
    if (!only || second || inner.has(only) || !stepsItself(only)) return [];
    // What is stepped before it is set again has counted, once a turn.
    const after = new Set(allStatements(body.slice(index + 1)));
    if (!after.has(only)) return [];
    const { line, column } = statement.span;
    return [
      warning(
        'state-reset',
        'fault',
        { line, column },
        `Line ${line} sets ${target.name} back to its first value every time round the loop, so what line ${only.span.line} does to it is lost.`,
        [
          `What value does ${target.name} have when the loop starts again?`,
          `${target.name} gets its first value in line ${line}, inside the loop, so it starts afresh every time.`,
          `Move line ${line} out of the loop, above “while True”.`,
        ],
      ),
    ];
  });
}
