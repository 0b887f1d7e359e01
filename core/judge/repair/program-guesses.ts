import { effort, within } from '../../effort';
import type { Program } from '../../program';
import { applyTextEdit } from '../../program/problem';
import { OF_GUESSES } from './bounds';
import type { Candidate } from './candidate';
import { guessesAt, spokenForAt, type Guess, type Lacking } from './guesses';
import { nameOfPin } from './pins-in-programs';
import type { Tried, Tries } from './tries';
import type { ProgramWishes } from './wishes';

/** Changes that are tried when no likelier one is what was meant, as changes of a build; the likeliest first. */
export const programGuesses = (
  program: Program,
  compile: (source: string) => Program,
  wishes: ProgramWishes,
): readonly Candidate[] =>
  guessesAt(program.source, program.language, wishes.asked, lackingIn(program, wishes)).map(
    ({ edits, text, cost, told }) => ({
      ...(told && { told }),
      edits: edits.map((replace) => ({ replace })),
      cost,
      text,
      domain: 'program',
      apply: (build) => ({
        ...build,
        program: compile(edits.reduce(applyTextEdit, build.program.source)),
      }),
    }),
  );

/** What it takes to read one more program. */
const EFFORT_OF_READING = 1e6;

/**
 * The first change of these with which a program does all that is meant, where everything comes a little otherwise too.
 * `isEnough`: whether the first that passes will do where none does what is meant.
 */
export function guessFrom(
  tries: Tries,
  start: Tried,
  guesses: readonly Candidate[],
  isEnough: boolean,
): Tried | undefined {
  let passing: Tried | undefined;
  const meant = within(OF_GUESSES, () => {
    for (const candidate of guesses) {
      if (passing && start.cost + candidate.cost > passing.cost) break;
      effort(EFFORT_OF_READING);
      const tried = tries.make(start, candidate);
      if (!tried || !tries.isRepaired(tried) || !tries.holdsWhenVaried(tried)) continue;
      if (tries.doesWhatIsMeant(tried)) return tried;
      if (isEnough) passing ??= tried;
    }
    return undefined;
  });
  return (meant.ended ? meant.value : undefined) ?? passing;
}

/** Changes that something in the program itself, or in the exercise's own, speaks for. */
export const programSpokenFor = (program: Program, wishes: ProgramWishes): readonly Guess[] =>
  spokenForAt(program.source, program.language, wishes.asked, lackingIn(program, wishes));

function lackingIn({ source }: Program, { asked, silent, milliseconds }: ProgramWishes): Lacking {
  const unset = silent
    .map((pin) => nameOfPin(source, pin))
    .filter((name) => !new RegExp(`(?:Write|tone|attach)\\(${name}\\b`).test(source));
  const pauses = [...asked.matchAll(/\bdelay\((\d+)\)|\btime\.sleep\((\d*\.?\d+)\)/g)].map(
    ([, time, seconds]) => (time === undefined ? Number(seconds) * 1000 : Number(time)),
  );
  // What the exercise's own program waits in two pieces may be one pause here.
  const together = pauses.slice(1).map((time, index) => time + pauses[index]!);
  return { unset, milliseconds: [...new Set([...milliseconds, ...pauses, ...together])] };
}
