import { describe, expect, test } from 'vitest';
import { actions, can, ownWork, sameClass, type Action, type Role, type Viewer } from './permissions';

/** The whole matrix, written out by hand: who may do what. */
const matrix: Readonly<Record<Action, readonly Role[]>> = {
  'ask-health': ['anonymous', 'student', 'assistant', 'instructor'],
  'sign-in': ['anonymous'],
  'sign-out': ['student', 'assistant', 'instructor'],
  'see-today': ['student', 'assistant', 'instructor'],
  'see-bench': ['student'],
  'hand-in': ['student'],
  check: ['student'],
  'keep-draft': ['student'],
  'see-own-report': ['student'],
  'see-class-reports': ['assistant', 'instructor'],
  'see-worksheet': ['assistant', 'instructor'],
  'edit-exercise': ['instructor'],
  'see-course': ['assistant', 'instructor'],
  'edit-course': ['instructor'],
  'see-boards': ['assistant', 'instructor'],
  'edit-boards': ['instructor'],
  'see-values': ['assistant', 'instructor'],
  'publish-exercise': ['instructor'],
  'close-exercise': ['instructor'],
  'review-class': ['assistant', 'instructor'],
  'keep-doors': ['assistant', 'instructor'],
  'share-course': ['instructor'],
  'erase-learner': ['instructor'],
};
const roles: readonly Role[] = ['anonymous', 'student', 'assistant', 'instructor'];

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
