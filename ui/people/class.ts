import type { ClassState, Meeting } from '@/core/messages/class-change';
import type { ClassActions } from './actions';

/** A learner as the roster shows them. */
export interface LearnerLine {
  readonly id: string;
  readonly name: string;
  readonly hasJoined: boolean;
  readonly isSignedIn: boolean;
  readonly handIns: number;
}

/** A class with all that those who teach it keep of it. */
export interface ClassDetails {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly term: string;
  readonly state: ClassState;
  readonly endsOn: string | null;
  readonly keepDays: number | null;
  /** The last day on which learners are kept; `null` for ever. */
  readonly keptUntil: string | null;
  readonly meetings: readonly (Meeting & { readonly id: string })[];
  readonly staff: readonly { readonly id: string; readonly name: string }[];
}

export interface ClassPageProps {
  readonly details: ClassDetails;
  readonly learners: readonly LearnerLine[];
  /** Other classes that a learner can move to. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly teaching: readonly { readonly id: string; readonly name: string }[];
  readonly mayKeep: boolean;
  /** Where learners sign in, for the slips. */
  readonly address: string;
  readonly actions: ClassActions;
}
