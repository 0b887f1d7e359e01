import { asksForProgram, isComplete, solvedByAuthor, type Exercise } from '../formats/exercise';
import { hasPassed } from '../formats/report';
import { referenceBuild } from '../judge/build';
import { check } from '../judge/check';
import type { Grammars } from '../program';

/** What is missing of an exercise before a class can have it; nothing when it is ready. */
export function lacksOf(exercise: Exercise, grammars: Grammars): readonly string[] {
  const { data, reference } = exercise;
  if (reference.parts.length === 0) return ['it has no parts yet'];
  const lacks: string[] = [];
  if ((data.layout ?? '').trim() === '' && reference.breadboards.length === 0)
    lacks.push('nothing is laid out on a breadboard');
  if (!isComplete(exercise)) lacks.push('it says nowhere what must be seen');
  else {
    const { verdict, findings } = check(
      solvedByAuthor(exercise),
      referenceBuild(exercise, grammars),
      grammars,
    );
    if (!hasPassed(verdict)) {
      const cause = findings.find((finding) => finding.cause)?.message;
      lacks.push(
        `its own ${asksForProgram(exercise) ? 'program' : 'circuit'} doesn’t pass: ${cause ?? verdict}`,
      );
    }
  }
  return lacks;
}
