import type { ClassChange, Meeting } from '@/core/messages/class-change';

/** Why something was not done; `undefined` when it was. */
export type Refusal = Promise<string | undefined>;

/** A name with the two words on its slip. */
export interface Slip {
  readonly name: string;
  readonly slip: string;
}

/** What can be done with classes and colleagues from their list. */
export interface PeopleActions {
  readonly makeClass: (
    name: string,
    term: string,
  ) => Promise<{ readonly id: string } | { readonly message: string }>;
  /** The address of a link that makes an account of this role. */
  readonly invite: (role: string) => Promise<{ readonly address: string } | { readonly message: string }>;
  /** The address of a link that sets another password. */
  readonly newPassword: (
    staffId: string,
  ) => Promise<{ readonly address: string } | { readonly message: string }>;
  readonly changeColleague: (
    staffId: string,
    change: { readonly role: string } | { readonly has: 'left' | 'come back' },
  ) => Refusal;
}

/** What can be done with one class. */
export interface ClassActions {
  readonly change: (classId: string, change: ClassChange) => Refusal;
  readonly renewCode: (classId: string) => Refusal;
  readonly addMeetings: (classId: string, meetings: readonly Meeting[]) => Refusal;
  readonly removeMeeting: (classId: string, meetingId: string) => Refusal;
  readonly setStaff: (classId: string, staffId: string, belongs: 'yes' | 'no') => Refusal;
  readonly addLearners: (
    classId: string,
    list: string,
  ) => Promise<
    { readonly slips: readonly Slip[]; readonly notes: readonly string[] } | { readonly message: string }
  >;
  /** New slips for all who have not joined. */
  readonly slips: (classId: string) => Promise<readonly Slip[]>;
  readonly newSlip: (learnerId: string) => Promise<string | undefined>;
  readonly renameLearner: (classId: string, learnerId: string, name: string) => Refusal;
  readonly moveLearner: (classId: string, learnerId: string, toClassId: string) => Refusal;
  readonly eraseLearner: (classId: string, learnerId: string) => Refusal;
}
