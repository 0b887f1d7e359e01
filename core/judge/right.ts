import { partsOfExpectation } from '../expectations';
import type { Finding } from '../findings/finding';
import { isProgram, isWiring } from '../findings/order';
import { rowOf } from '../findings/table';
import { asksForProgram, type Exercise } from '../formats/exercise';
import { hasPassed } from '../formats/report';
import { kindOf } from '../parts';
import { capital, listText } from '../words/words';
import type { Build } from './build';
import type { Examination } from './examine';

/** Parts and things seen that are named at most. */
const [MOST_PARTS, MOST_SEEN] = [5, 2];

/**
 * What is right already of a build that does not pass, in sentences: its wiring, its program, what it shows. None of
 * it is said of a build in which something is in danger, where only one thing counts.
 */
export function rightAlready(
  exercise: Exercise,
  { program }: Build,
  examination: Examination,
  findings: readonly Finding[],
): readonly string[] {
  const { verdict, scenarios } = examination;
  const causes = findings.filter(({ cause }) => cause);
  if (hasPassed(verdict) || causes.some(({ code }) => rowOf(code).isHazard)) return [];
  const wiring = rightWiring(examination, findings, causes);
  return [...wiring, ...rightProgram(exercise, program, causes), ...rightSeen(exercise, scenarios)];
}

/** What is seen as it should be, of parts that show nothing else than they should. */
function rightSeen(exercise: Exercise, scenarios: Examination['scenarios']): readonly string[] {
  const seen = scenarios.flatMap(({ expectations }, scenario) =>
    expectations.map((result, index) => {
      const asked = exercise.data.scenarios[scenario]?.expect[index];
      return { ...result, parts: asked ? partsOfExpectation(asked) : [] };
    }),
  );
  // An LED that is always lit is lit, too, while it should be.
  const off = new Set(seen.flatMap(({ passed, parts }) => (passed ? [] : parts)));
  return (
    seen
      .filter(({ passed, parts }) => passed && !parts.some((part) => off.has(part)))
      // What is dark or silent is so in a build that does nothing at all, too.
      .filter(({ observed }) => !/^(?:dark|silent) all the time|^never/.test(observed))
      .slice(0, MOST_SEEN)
      .map(({ expected }) => `${capital(expected)}.`)
  );
}

function rightWiring(
  { match, circuit, pairs }: Examination,
  findings: readonly Finding[],
  causes: readonly Finding[],
): readonly string[] {
  const isOff = findings.some(({ code, severity }) => isWiring(code) && severity !== 'advice');
  if (match.same && !isOff) return ['Your wiring is the circuit of the exercise.'];
  const blamed = new Set(causes.flatMap(({ refs, repair }) => [...refs, ...namesIn(repair?.edits ?? [])]));
  const right = [...match.parts].flatMap(([asked]): readonly string[] => {
    const part = pairs.get(asked);
    return part && circuit.part(part.ref) && !kindOf(part.kind).conductor && !blamed.has(part.ref)
      ? [part.ref]
      : [];
  });
  if (right.length === 0) return [];
  const shown = right.slice(0, MOST_PARTS);
  const more = right.length - shown.length;
  const names = listText(more > 0 ? [...shown, `${more} more`] : shown);
  return [`${names} ${right.length > 1 ? 'are' : 'is'} connected as in the exercise.`];
}

const namesIn = (edits: NonNullable<Finding['repair']>['edits']): readonly string[] =>
  edits.flatMap((edit) =>
    'move' in edit ? [edit.move.replace(/\..*/, '')] : 'flip' in edit ? [edit.flip] : [],
  );

function rightProgram(
  exercise: Exercise,
  program: Build['program'],
  causes: readonly Finding[],
): readonly string[] {
  if (!asksForProgram(exercise) || program.isEmpty || !program.compiled) return [];
  const isOfWiring = ({ code, repair }: Finding): boolean =>
    isWiring(code) && repair !== undefined && repair.edits.every((edit) => !('replace' in edit));
  if (causes.every(isOfWiring)) return ['Your program needs no change.'];
  return causes.some(({ code }) => isProgram(code) && rowOf(code).isRefused)
    ? []
    : ['The board takes your program.'];
}
