import { formsInCpp } from './in-cpp';
import { formsInPython } from './in-python';
import type { OwnForm } from './own-form';

export const ownForms: readonly OwnForm[] = [...formsInCpp, ...formsInPython];
export { mutantsOf, type Mutant } from './mutants';
export { withRepairs } from './repairs';
export type { OwnForm } from './own-form';
