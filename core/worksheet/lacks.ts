import type { ExerciseData } from '../formats/exercise';
import { partsNamedIn } from '../formats/scenario';
import { kindOf, findKind } from '../parts';
import { listText } from '../words/words';
import type { Proof } from './proof';

/** What an exercise still lacks before a class gets it, and where on the sheet that is. */
export interface Lack {
  readonly text: string;
  /** `gap`: a class would be stuck or nothing would be checked. `thought`: worth a second look. */
  readonly weight: 'gap' | 'thought';
}

/** What is missing for a class, what is most in the way first; none when nothing is. */
export function lacksOf(data: ExerciseData, proof: Proof): readonly Lack[] {
  const gap = (text: string): Lack => ({ text, weight: 'gap' });
  const thought = (text: string): Lack => ({ text, weight: 'thought' });
  const { scenarios, aim, parts } = data;
  const failing = proof.scenarios.filter(({ passed }) => !passed).map(({ name }) => `“${name}”`);
  // One scenario in which nothing may happen is a good one; when all are such, nothing is asked for.
  const asksNothing =
    proof.withoutProgram.length > 0 && proof.withoutProgram.every((met) => met.every(Boolean));
  const all = [...scenarios, ...(data.open?.example ?? [])];
  const named = new Set(all.flatMap((scenario) => partsNamedIn(scenario).map(({ name }) => name)));
  const unwatched = parts.filter(({ ref, kind }) => {
    if (!findKind(kind) || named.has(ref)) return false;
    const { observed, stimulus } = kindOf(kind);
    return observed !== undefined || stimulus !== undefined;
  });
  const [watched, used] = [true, false].map((isSeen) =>
    unwatched.filter(({ kind }) => (kindOf(kind).observed !== undefined) === isSeen).map(({ ref }) => ref),
  );
  return [
    ...(parts.every(({ kind }) => !findKind(kind)) ? [gap('There are no parts yet.')] : []),
    ...(aim.trim() === '' ? [gap('It does not say what is to be done: write the aim.')] : []),
    ...(scenarios.length === 0
      ? [
          gap(
            'Nothing says what must be seen, so whatever a class hands in can only be compared with the drawing.',
          ),
        ]
      : []),
    ...(data.open?.asks.trim() === ''
      ? [gap('The behaviour is left open, and nothing says what may be decided: write it under Check.')]
      : []),
    ...(data.open && data.open.example.length < data.open.least
      ? [
          thought(
            'Say of your own program what a learner has to say of theirs, so that it is seen whether it can be said.',
          ),
        ]
      : []),
    ...(failing.length > 0
      ? [gap(`Your own program does not pass ${listText(failing)}. A class would be told the same.`)]
      : []),
    ...proof.failingStages.map((name) =>
      gap(
        `The program of the stage “${name}” does not do what the stage asks. A class would be told the same.`,
      ),
    ),
    ...(asksNothing
      ? [gap('A program that does nothing would pass: say what must be lit, heard or printed.')]
      : []),
    ...(scenarios.length > 0 && watched!.length > 0
      ? [thought(`No scenario looks at ${listText(watched!)}: nobody would notice if it did nothing.`)]
      : []),
    ...(scenarios.length > 0 && used!.length > 0
      ? [thought(`In no scenario is anything done to ${listText(used!)}.`)]
      : []),
    ...proof.stillWrong.map((name) => thought(`The program still does what you marked as wrong: “${name}”.`)),
    ...(data.concepts.introduces.length + data.concepts.uses.length === 0
      ? [thought('No concept is named, so nobody sees what is learnt.')]
      : []),
  ];
}
