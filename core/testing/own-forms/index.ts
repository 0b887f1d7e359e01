import { formsInCpp } from './in-cpp';
import { formsInMeasures } from './in-measures';
import { formsInPython } from './in-python';
import { formsInRounds } from './in-rounds';
import { formsInStates } from './in-states';
import { formsInSwitches } from './in-switches';
import type { OwnForm } from './own-form';

export const ownForms: readonly OwnForm[] = [
  ...formsInCpp,
  ...formsInPython,
  ...formsInRounds,
  ...formsInStates,
  ...formsInMeasures,
  ...formsInSwitches,
];
export { mutantsOf, type Mutant } from './mutants';
export { withRepairs } from './repairs';
export type { OwnForm } from './own-form';
