import type { ExerciseData } from '../formats/exercise';
import { fail, ok, type Result } from '../result';
import { DEFAULT_HOUSE_RULES, rulesWith } from './house-rules';

/** A sign that no database keeps: NUL, and half of a pair of which the other half is missing. */
const UNSTORABLE = /\0|\p{Surrogate}/u;

/** Where a text with such a sign stands in some data, as a path; `undefined` when it can all be kept. */
export function unstorableIn(value: unknown, path = ''): string | undefined {
  if (typeof value === 'string') return UNSTORABLE.test(value) ? path : undefined;
  if (typeof value !== 'object' || value === null) return undefined;
  for (const [key, inner] of Object.entries(value)) {
    if (UNSTORABLE.test(key)) return path;
    const found = unstorableIn(inner, path === '' ? key : `${path}.${key}`);
    if (found !== undefined) return found;
  }
  return undefined;
}

/** An exercise that comes from outside, if it can be kept and opened again: its texts, and the house rules it names. */
export function keepable(data: ExerciseData): Result<ExerciseData> {
  const path = unstorableIn(data);
  if (path !== undefined) return fail({ message: 'this contains a character that can’t be stored', path });
  const rules = rulesWith(DEFAULT_HOUSE_RULES, data.rules);
  return rules.ok ? ok(data) : rules;
}
