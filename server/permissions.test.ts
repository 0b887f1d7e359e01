import { describe, expect, test } from 'vitest';
import { actions, can, ownWork, sameClass, type Action, type Role, type Viewer } from './permissions';

/** The whole matrix, written out by hand: who may do what. */
const matrix: Readonly<Record<Action, readonly Role[]>> = {
  'ask-health': ['anonymous', 'student', 'assistant', 'instructor', 'owner'],
  'sign-in': ['anonymous'],
  'use-link': ['anonymous', 'student', 'assistant', 'instructor', 'owner'],
  'sign-out': ['student', 'assistant', 'instructor', 'owner'],
  'see-today': ['student', 'assistant', 'instructor', 'owner'],
  'see-bench': ['student'],
  'hand-in': ['student'],
  check: ['student'],
  'keep-draft': ['student'],
  'see-own-report': ['student'],
  'see-class-reports': ['assistant', 'instructor', 'owner'],
  'see-worksheet': ['assistant', 'instructor', 'owner'],
  'edit-exercise': ['instructor', 'owner'],
  'see-course': ['assistant', 'instructor', 'owner'],
  'edit-course': ['instructor', 'owner'],
  'see-boards': ['assistant', 'instructor', 'owner'],
  'edit-boards': ['instructor', 'owner'],
  'see-values': ['assistant', 'instructor', 'owner'],
  'publish-exercise': ['instructor', 'owner'],
  'close-exercise': ['instructor', 'owner'],
  'review-class': ['assistant', 'instructor', 'owner'],
  'keep-doors': ['assistant', 'instructor', 'owner'],
  'share-course': ['instructor', 'owner'],
  'see-classes': ['assistant', 'instructor', 'owner'],
  'see-record': ['assistant', 'instructor', 'owner'],
  'see-room': ['assistant', 'instructor', 'owner'],
  'see-kit': ['assistant', 'instructor', 'owner'],
  'count-kit': ['assistant', 'instructor', 'owner'],
  'see-run-sheet': ['assistant', 'instructor', 'owner'],
  'run-meeting': ['assistant', 'instructor', 'owner'],
  'keep-kit': ['instructor', 'owner'],
  'plan-meeting': ['instructor', 'owner'],
  'keep-class': ['instructor', 'owner'],
  'export-learner': ['instructor', 'owner'],
  'erase-learner': ['instructor', 'owner'],
  'keep-own-account': ['assistant', 'instructor', 'owner'],
  'keep-colleagues': ['owner'],
  'see-trail': ['owner'],
};
const roles: readonly Role[] = ['anonymous', 'student', 'assistant', 'instructor', 'owner'];

describe('permissions', () => {
  test.each(actions.flatMap((action) => roles.map((role) => [role, action] as const)))(
    '%s: %s',
    (role, action) => {
      expect(can(role, action)).toBe(matrix[action].includes(role));
    },
  );

  const learner: Viewer = { role: 'student', id: 'a', name: 'A', classIds: ['one'], className: 'One' };
  const teacher: Viewer = { role: 'instructor', id: 't', name: 'T', classIds: ['one', 'two'] };

  test('a learner’s work is their own and their teachers’, not their neighbours’', () => {
    expect(ownWork(learner, { learnerId: 'a', classId: 'one' })).toBe(true);
    expect(ownWork(learner, { learnerId: 'b', classId: 'one' })).toBe(false);
    expect(ownWork(teacher, { learnerId: 'b', classId: 'two' })).toBe(true);
    expect(ownWork(teacher, { learnerId: 'b', classId: 'three' })).toBe(false);
  });

  test('a class is its own learners’ and teachers’', () => {
    expect(sameClass(learner, 'one')).toBe(true);
    expect(sameClass(learner, 'two')).toBe(false);
    expect(sameClass(teacher, 'two')).toBe(true);
  });
});
