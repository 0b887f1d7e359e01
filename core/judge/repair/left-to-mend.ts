import type { Observation } from '../../findings/finding';
import { isProgram, isWiring } from '../../findings/order';
import { rowOf } from '../../findings/table';
import type { Examination } from '../examine';

/** Whether there is nothing to be said against the wiring of a build. */
export const hasRightWiring = ({ match, observations }: Examination): boolean =>
  match.same &&
  observations.every(
    (seen) => !isWiring(seen.code) || (seen.severity === 'advice' && !putsAtRisk(seen, observations)),
  );

/** Whether what is advice of a part, such as another colour of an LED, is what puts that part at risk. */
const putsAtRisk = ({ repair, refs = [] }: Observation, all: readonly Observation[]): boolean =>
  repair !== undefined &&
  all.some(
    (other) =>
      other.severity === 'risk' && !isProgram(other.code) && other.refs?.some((ref) => refs.includes(ref)),
  );

/** Whether no rule has anything against a wiring, but that it is another. */
export const isSoundWiring = ({ observations }: Examination): boolean =>
  observations.every(
    ({ code, severity }) => severity === 'advice' || !isWiring(code) || rowOf(code).isAnotherBuild === true,
  );

/** Whether a program has a fault that no two words mend; two that make it pass would do so by accident. */
export const needsRewriting = ({ observations }: Examination): boolean =>
  observations.some(
    ({ code, severity, evidence }) =>
      severity === 'fault' &&
      rowOf(code).needsRewriting === true &&
      // A pause that is too long is one number.
      evidence?.['waitsS'] === undefined,
  );

/** Whether nothing has to be rewritten but that a press goes unseen, which may come of anything that takes too long. */
export const onlyMisses = ({ observations }: Examination): boolean =>
  observations.every(
    ({ code, severity }) =>
      severity !== 'fault' || rowOf(code).needsRewriting !== true || code === 'missed-input',
  );
