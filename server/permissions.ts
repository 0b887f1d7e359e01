/** Who is asking. */
export type Role = 'anonymous' | 'student' | 'assistant' | 'instructor';

/**
 * Everything that can be asked for. Each page, handler and action names one of these before it does
 * anything; whose data it may touch is decided by `sameClass` and `ownWork` on top.
 */
export const actions = [
  'ask-health',
  'sign-in',
  'sign-out',
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
  'erase-learner',
] as const;
export type Action = (typeof actions)[number];

/** What everybody may do who is signed in. */
const signedIn: readonly Action[] = ['ask-health', 'sign-out', 'see-today'];
const assistant: readonly Action[] = [
  ...signedIn,
  'see-class-reports',
  'see-worksheet',
  'see-course',
  'see-boards',
  'see-values',
  'review-class',
  'keep-doors',
];

const granted: Readonly<Record<Role, readonly Action[]>> = {
  anonymous: ['ask-health', 'sign-in'],
  student: [...signedIn, 'see-bench', 'hand-in', 'check', 'keep-draft', 'see-own-report'],
  assistant,
  instructor: [
    ...assistant,
    'edit-exercise',
    'edit-course',
    'edit-boards',
    'publish-exercise',
    'close-exercise',
    'share-course',
    'erase-learner',
  ],
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
      readonly role: 'instructor' | 'assistant';
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
