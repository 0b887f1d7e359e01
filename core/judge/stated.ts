import { exerciseOf, languageOf, type Exercise } from '../formats/exercise';
import { partsNamedIn, type Scenario } from '../formats/scenario';
import { idleProgram } from '../program/idle';
import { fail, ok, type Result } from '../result';
import { howMany } from '../words/words';
import { examine } from './examine';
import { referenceOf } from './reference';
import type { Grammars } from '../program';

/** Steps that the trial of a program that does nothing may take. */
const STEPS = 200_000;

/**
 * An exercise that leaves the behaviour open, with what a learner says that theirs does: a build is judged by the
 * frame of the exercise and by these scenarios. Refused when too little is said, when a part is named that is not
 * there, and when a program that does nothing would do it: that says nothing. `grammars` reads the reference.
 */
export function statedExercise(
  exercise: Exercise,
  stated: readonly Scenario[],
  grammars: Grammars,
): Result<Exercise> {
  const { data } = exercise;
  if (!data.open)
    return stated.length === 0
      ? ok(exercise)
      : fail({ message: 'This exercise says itself what must be seen; nothing can be added to it.' });
  if (stated.length < data.open.least)
    return fail({
      message: `Say first what yours does: at least ${howMany(data.open.least, 'sentence')} of what will be seen, and when.`,
    });
  for (const scenario of stated) {
    const stranger = partsNamedIn(scenario).find(({ name }) => !data.parts.some((part) => part.ref === name));
    if (stranger) return fail({ message: `You speak of ${stranger.name}, and there is no such part.` });
  }
  const own = stated.map((scenario, index): Scenario => ({
    name: stated.length === 1 ? 'what you said' : `what you said, ${index + 1}`,
    for: scenario.for,
    stimuli: scenario.stimuli,
    expect: scenario.expect,
  }));
  const alone = exerciseOf({ ...data, scenarios: own }, exercise.reference);
  if (!alone.ok) return alone;
  const empty = metByNothing(alone.value, grammars);
  if (empty >= 0)
    return fail({
      message: `A board without a program does what you say${stated.length === 1 ? '' : ` in ${own[empty]!.name}`} too. Say something that must happen.`,
    });
  return exerciseOf({ ...data, scenarios: [...data.scenarios, ...own] }, exercise.reference);
}

/** The first scenario that is met by a program that does nothing; -1 when there is none. */
function metByNothing(exercise: Exercise, grammars: Grammars): number {
  const idle = { wiring: exercise.reference, program: idleProgram(languageOf(exercise)) };
  const { scenarios } = examine(referenceOf(exercise, grammars), idle, STEPS);
  return scenarios.findIndex(({ passed }) => passed);
}
