import type { Lack } from '@/core/worksheet/lacks';

/** When an exercise is open for a class, and for whom; an empty list means the whole class. */
export interface DatesWish {
  /** As an ISO moment; `null` for at once. */
  readonly opensAt: string | null;
  /** As an ISO moment, after which hand-ins are late; `null` for never. */
  readonly dueAt: string | null;
  /** As an ISO moment; `null` for never. */
  readonly closesAt: string | null;
  readonly learnerIds: readonly string[];
}

/** What a class has or had of the exercise. */
export interface PublicationOfClass extends DatesWish {
  readonly publicationId: string;
  readonly revision: number;
  readonly standing: 'coming' | 'open' | 'closed';
  readonly handIns: number;
}

export interface ClassToPublishTo {
  readonly id: string;
  readonly name: string;
  readonly learners: readonly { readonly id: string; readonly name: string }[];
  /** The latest revision first. */
  readonly publications: readonly PublicationOfClass[];
}

/** What comes back from an action that can be refused: why. */
type Refusal = Promise<string | undefined>;

/** What can be done about who has the exercise; the server decides. */
export interface PublishActions {
  readonly publish: (exerciseId: string, classId: string, dates?: DatesWish) => Refusal;
  readonly close: (exerciseId: string, publicationId: string) => Refusal;
  readonly bringBack: (exerciseId: string, publicationId: string) => Refusal;
  readonly setDates: (exerciseId: string, publicationId: string, dates: DatesWish) => Refusal;
  /** What the exercise still lacks before a class gets it. */
  readonly lacks: (exerciseId: string) => Promise<readonly Lack[]>;
}
