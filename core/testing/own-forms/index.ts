import { formsInCpp } from './in-cpp';
import { formsInDevices } from './in-devices';
import { formsInPython } from './in-python';
import { formsInRounds } from './in-rounds';
import type { OwnForm } from './own-form';

export const ownForms: readonly OwnForm[] = [
  ...formsInCpp,
  ...formsInPython,
  ...formsInRounds,
  ...formsInDevices,
];
export { mutantsOf, type Mutant } from './mutants';
export { withRepairs } from './repairs';
export type { OwnForm } from './own-form';
