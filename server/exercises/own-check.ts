import { solvedByAuthor, type Exercise } from '@/core/formats/exercise';
import { hasPassed, reportSchema } from '@/core/formats/report';
import { writeTable } from '@/core/wiring/table';
import type { Guard } from '../guard/processes';

/**
 * Why an exercise would fail its own hand-in: its wiring and program do not do what its scenarios ask. `undefined`
 * when they do.
 */
export async function ownFault(guarded: Guard, exercise: Exercise): Promise<string | undefined> {
  const { data, reference } = solvedByAuthor(exercise);
  const { report } = await guarded.ask('check', {
    exercise: data,
    wiring: writeTable(reference),
    program: data.program,
  });
  const { verdict, scenarios, findings } = reportSchema.parse(JSON.parse(report));
  if (hasPassed(verdict) || verdict === 'works-at-risk') return undefined;
  const failed = scenarios.flatMap(({ name, expectations }) =>
    expectations.flatMap(({ expected, observed, passed }) => (passed ? [] : [{ name, expected, observed }])),
  )[0];
  if (!failed) return findings[0]?.message;
  const { name, expected, observed } = failed;
  const own = data.program.trim() === '' ? 'there is no program, and its wiring alone' : 'its own program';
  return `${own} does not pass “${name}”: wanted is “${expected}”, seen is “${observed}”.`;
}
