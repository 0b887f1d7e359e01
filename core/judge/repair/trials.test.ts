import { describe, expect, test } from 'vitest';
import type { Finding } from '../../findings/finding';
import { rowOf } from '../../findings/table';
import { hasPassed } from '../../formats/report';
import { courseExercises } from '../../testing/course';
import { hardToRead } from '../../testing/plain-words';
import { sampled } from '../../testing/samples';
import { trialExercises } from '../../testing/trials/exercises';
import type { Fault } from '../../faults/fault';
import { programFaults } from '../../faults/program';
import { partsMended, triedOn } from '../../testing/trials/trial';
import { wiringFaults } from '../../faults/wiring';
import type { Wiring } from '../../wiring/wiring';

/** One in fifteen, one in three of a thorough test: `npm run trials` judges them all. */
const few = (faults: Iterable<Fault>): readonly Fault[] =>
  sampled([...faults].filter((_, index) => index % 3 === 0));

const exercises = [...trialExercises, ...courseExercises].map(
  ({ name, exercise }) => [name, exercise] as const,
);

/** Whether a cause and its repair are about one thing: a part, a socket that the part is in, or a line of the program. */
function meet(cause: Finding, { parts }: Wiring): boolean {
  const own = partsMended(cause);
  const sockets = parts
    .filter(({ ref }) => own.includes(ref))
    .flatMap(({ legs }) => legs.flatMap(({ at }) => (at?.type === 'pin' ? [`${at.ref}.${at.pin}`] : [])));
  const { edits } = cause.repair!;
  return (
    edits.some((edit) => 'add' in edit || ('replace' in edit && edit.replace.line === cause.line)) ||
    cause.refs.some((ref) => own.includes(ref)) ||
    cause.at.some((place) => sockets.includes(place))
  );
}

describe('a slip of the hand at the breadboard', () => {
  test.each(exercises)(
    'in %s has a cause at its place, and a repair that mends it and harms nothing',
    (_, exercise) => {
      for (const fault of few(wiringFaults(exercise))) {
        const { report, causes, mended } = triedOn(exercise, fault, [fault]);
        if (hasPassed(report.verdict)) continue;
        const where = `${fault.sort}: ${fault.what}`;
        expect(report.findings.flatMap(hardToRead), where).toEqual([]);
        expect(causes.length, where).toBeGreaterThan(0);
        expect(mended && hasPassed(mended.verdict), where).toBe(true);
        expect(
          mended!.observations.filter(({ code }) => rowOf(code).isHazard),
          where,
        ).toEqual([]);
        for (const cause of causes) {
          const said = `${where}: ${cause.message} ${cause.repair!.text}`;
          expect(meet(cause, fault.wiring), said).toBe(true);
          const isLeft = mended!.observations.some(
            ({ code, message }) => code === cause.code && message === cause.message,
          );
          expect(isLeft, said).toBe(false);
        }
      }
    },
  );
});

describe('a slip in a program', () => {
  test.each(exercises)('in %s has a cause, and a repair that mends it', (_, exercise) => {
    for (const fault of few(programFaults(exercise))) {
      const { report, causes, mended } = triedOn(exercise, fault, [fault]);
      if (hasPassed(report.verdict)) continue;
      const where = `${fault.sort}: ${fault.what}`;
      expect(report.findings.flatMap(hardToRead), where).toEqual([]);
      expect(causes.length, where).toBeGreaterThan(0);
      expect(mended && hasPassed(mended.verdict), `${where}: ${causes[0]!.message}`).toBe(true);
    }
  });
});
