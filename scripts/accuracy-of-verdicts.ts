import { faultOutcomes, type FaultOutcome } from '@/core/faults/outcome';
import { FaultRehearsal, faultsOf } from '@/core/faults/rehearsal';
import { hasPassed } from '@/core/formats/report';
import { buildFor } from '@/core/judge/build';
import { check } from '@/core/judge/check';
import type { Grammars } from '@/core/program';
import { courseExercises } from '@/core/testing/course';
import { equivalentsOf } from '@/core/testing/equivalents';
import { trialExercises } from '@/core/testing/trials/exercises';

const titles: Readonly<Record<FaultOutcome, string>> = {
  'right-cause': 'right cause',
  'other-cause': 'another cause',
  mentioned: 'works, mentioned',
  'no-difference': 'no difference',
  'slips-through': 'slips through',
  'wrongly-caught': 'wrongly caught',
};

type Row = readonly [name: string, ...counts: readonly number[]];

/** Rows of a table with their sum below. */
function table(heads: readonly string[], rows: readonly Row[]): string {
  const total = heads.map((_, index) => rows.reduce((sum, row) => sum + (row[index + 1] as number), 0));
  return [
    `| exercise | ${heads.join(' | ')} |`,
    `| --- | ${heads.map(() => '--:').join(' | ')} |`,
    ...rows.map((row) => `| ${row.join(' | ')} |`),
    `| **all** | ${total.join(' | ')} |`,
  ].join('\n');
}

const share = (part: number, whole: number): string => `${((100 * part) / whole).toFixed(1)} %`;

/** What the check says of builds with one slip in them, and of builds that are right and look otherwise. */
export function verdictFigures(grammars: Grammars): { readonly text: string; readonly summary: string } {
  const faults = courseExercises.map(({ name, exercise }): Row => {
    const rehearsal = new FaultRehearsal(exercise, grammars);
    const outcomes = faultsOf(exercise).map((fault) => rehearsal.rehearse(fault).outcome);
    const count = (wanted: FaultOutcome): number => outcomes.filter((outcome) => outcome === wanted).length;
    return [name, outcomes.length, ...faultOutcomes.map(count)];
  });
  const sum = (rows: readonly Row[], column: number): number =>
    rows.reduce((total, row) => total + (row[column] as number), 0);
  const [right, other] = [1, 2].map((index) => sum(faults, 1 + index));
  const different = [...courseExercises, ...trialExercises].map(({ name, exercise }): Row => {
    const verdicts = equivalentsOf(exercise).map(
      ({ wiring, program }) =>
        check(exercise, buildFor(exercise, wiring, program, grammars), grammars).verdict,
    );
    return [
      name,
      verdicts.length,
      verdicts.filter((verdict) => verdict === 'as-drawn').length,
      verdicts.filter((verdict) => verdict === 'works-differently').length,
      verdicts.filter((verdict) => !hasPassed(verdict)).length,
    ];
  });
  const text = `## Faults made on purpose

Every slip that a hand or a keyboard can make in an exercise of the course is made once in its own build and checked
(\`core/faults\`, \`didaktor mutate\`). Of those that do not pass, the first cause has a code by which an expert would
call the slip in ${share(right!, right! + other!)}. A slip that passes and shows in some situation slips through.

${table(['slips', ...faultOutcomes.map((outcome) => titles[outcome])], faults)}

## Right, but different

Builds that look unlike the reference and are as right as it (\`core/testing/equivalents\`): placed anew, in other
holes, turned, renamed, in other orders, with values from two parts, on other pins where these are free; programs with
other names, pauses, loops, questions and functions; and both at once.

${table(['builds', 'as drawn', 'works, not as drawn', 'called wrong'], different)}
`;
  return {
    text,
    summary: `${share(right!, right! + other!)} of faults by name, ${sum(faults, 6)} slip through, ${sum(different, 4)} of ${sum(different, 1)} right builds called wrong`,
  };
}
