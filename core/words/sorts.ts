import type * as z from 'zod';

/** One of several sorts of object that a format takes in one place, told by the keys that it must have. */
interface Sort {
  readonly keys: readonly string[];
  readonly schema: z.ZodType;
}

/**
 * Why a value is of none of several sorts, for whoever wrote it: the key that none of them knows, else what is wrong
 * with the sort that its keys tell, else which keys belong together.
 */
export function whyOfNoSort(what: string, value: unknown, sorts: readonly Sort[]): string {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return `${what} is an object in braces with keys and values`;
  const own = Object.keys(value);
  const known = new Set(sorts.flatMap(({ keys, schema }) => [...keys, ...keysOf(schema)]));
  const strange = own.filter((key) => !known.has(key));
  if (strange.length > 0)
    return `“${strange[0]}” is not known in ${what}; known are ${[...known].sort().join(', ')}`;
  const told = sorts.find(({ keys }) => keys.every((key) => own.includes(key)));
  const issue = told?.schema.safeParse(value).error?.issues[0];
  if (issue) return [issue.path.join('.'), issue.message].filter(Boolean).join(': ');
  const groups = sorts.map(({ keys }) => keys.join(' with '));
  return `${what} has one of these: ${groups.join('; ')}`;
}

/** The keys of a schema of an object. */
const keysOf = (schema: z.ZodType): readonly string[] =>
  'shape' in schema ? Object.keys(schema.shape as object) : [];
