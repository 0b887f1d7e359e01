export interface StaffState {
  readonly login: string;
  readonly problem?: string;
}

export interface JoinState {
  readonly code: string;
  readonly className?: string;
  /** Whether names that nobody has claimed may be claimed without a slip. */
  readonly isJoining?: boolean;
  readonly learners?: readonly { readonly id: string; readonly name: string; readonly hasWord: boolean }[];
  readonly learnerId?: string;
  readonly problem?: { readonly code?: string; readonly learner?: string; readonly word?: string };
}
