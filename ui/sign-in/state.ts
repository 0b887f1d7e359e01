export interface StaffState {
  readonly login: string;
  readonly problem?: string;
}

export interface JoinState {
  readonly code: string;
  readonly className?: string;
  readonly learners?: readonly { readonly id: string; readonly name: string; readonly hasWord: boolean }[];
  readonly learnerId?: string;
  readonly problem?: { readonly code?: string; readonly learner?: string; readonly word?: string };
}
