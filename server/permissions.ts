/** What somebody is who teaches: an owner also keeps the accounts of the others. */
export const staffRoles = ['owner', 'instructor', 'assistant'] as const;
export type StaffRole = (typeof staffRoles)[number];

/** Who is asking. */
export type Role = 'anonymous' | 'student' | StaffRole;

/**
 * Everything that can be asked for. Each page, handler and action names one of these before it does
 * anything; whose data it may touch is decided by `sameClass` and `ownWork` on top.
 */
export const actions = [
  'ask-health',
  'sign-in',
  'sign-out',
  'use-link',
  'see-today',
  'see-bench',
  'hand-in',
  'check',
  'keep-draft',
  'see-own-report',
  'see-class-reports',
  'see-worksheet',
  'edit-exercise',
  'see-course',
  'edit-course',
  'see-boards',
  'edit-boards',
  'see-values',
  'publish-exercise',
  'close-exercise',
  'review-class',
  'keep-doors',
  'share-course',
  'see-classes',
  'see-record',
  'see-room',
  'see-kit',
  'count-kit',
  'see-run-sheet',
  'run-meeting',
  'keep-kit',
  'plan-meeting',
  'keep-class',
  'export-learner',
  'erase-learner',
  'keep-own-account',
  'keep-colleagues',
  'see-trail',
] as const;
export type Action = (typeof actions)[number];

/** What everybody may do who is signed in. */
const signedIn: readonly Action[] = ['ask-health', 'sign-out', 'use-link', 'see-today'];
const assistant: readonly Action[] = [
  ...signedIn,
  'see-class-reports',
  'see-worksheet',
  'see-course',
  'see-boards',
  'see-values',
  'review-class',
  'keep-doors',
  'see-classes',
  'see-record',
  'see-room',
  'see-kit',
  'count-kit',
  'see-run-sheet',
  'run-meeting',
  'keep-own-account',
];
const instructor: readonly Action[] = [
  ...assistant,
  'edit-exercise',
  'edit-course',
  'edit-boards',
  'publish-exercise',
  'close-exercise',
  'share-course',
  'keep-kit',
  'plan-meeting',
  'keep-class',
  'export-learner',
  'erase-learner',
];

const granted: Readonly<Record<Role, readonly Action[]>> = {
  anonymous: ['ask-health', 'sign-in', 'use-link'],
  student: [...signedIn, 'see-bench', 'hand-in', 'check', 'keep-draft', 'see-own-report'],
  assistant,
  instructor,
  owner: [...instructor, 'keep-colleagues', 'see-trail'],
};

/** Whether a role may do an action at all. */
export const can = (role: Role, action: Action): boolean => granted[role].includes(action);

/** Someone signed in, with the classes that are theirs. */
export type Viewer =
  | {
      readonly role: 'student';
      readonly id: string;
      readonly name: string;
      readonly classIds: readonly [string];
      readonly className: string;
    }
  | {
      readonly role: StaffRole;
      readonly id: string;
      readonly name: string;
      readonly classIds: readonly string[];
    };

export const roleOf = (viewer: Viewer | undefined): Role => viewer?.role ?? 'anonymous';

/** Whether a class is one of the viewer's own. */
export const sameClass = (viewer: Viewer, classId: string): boolean => viewer.classIds.includes(classId);

/** Whether work of a learner is the viewer's own, or that of a class they teach. */
export const ownWork = (
  viewer: Viewer,
  work: { readonly learnerId: string; readonly classId: string },
): boolean => (viewer.role === 'student' ? viewer.id === work.learnerId : sameClass(viewer, work.classId));
