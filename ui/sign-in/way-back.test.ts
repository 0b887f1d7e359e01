import { describe, expect, test } from 'vitest';
import { doorTo, wayBack } from './way-back';

describe('the way back after signing in', () => {
  test.each(['/bench/a1-b2', '/exercises/x?tab=2', '/courses/c/rules', '/'])(
    'is the page that was asked for: %s',
    (path) => {
      expect(wayBack(path)).toBe(path);
    },
  );

  test.each([
    '//elsewhere.invalid',
    '/\\elsewhere.invalid',
    'https://elsewhere.invalid',
    'javascript:alert(1)',
    '/sign-in',
    '/api/submissions',
    '/a b',
    '/x'.repeat(300),
    undefined,
    ['/bench'],
  ])('is Today for any other: %s', (asked) => {
    expect(wayBack(asked)).toBe('/');
    expect(doorTo(asked)).toBe('/sign-in');
  });

  test('stands at the door', () => {
    expect(doorTo('/bench/a1')).toBe('/sign-in?to=%2Fbench%2Fa1');
  });
});
