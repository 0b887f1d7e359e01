import type { KeptClass } from '@/core/messages/class-change';
import type { ClassActions } from './actions';

/** A learner as the roster shows them. */
export interface LearnerLine {
  readonly id: string;
  readonly name: string;
  readonly hasJoined: boolean;
  readonly isSignedIn: boolean;
  readonly handIns: number;
}

export interface ClassPageProps {
  readonly details: KeptClass;
  readonly learners: readonly LearnerLine[];
  /** Other classes that a learner can move to. */
  readonly others: readonly { readonly id: string; readonly name: string }[];
  readonly teaching: readonly { readonly id: string; readonly name: string }[];
  readonly mayKeep: boolean;
  /** Where learners sign in, for the slips. */
  readonly address: string;
  readonly actions: ClassActions;
}
