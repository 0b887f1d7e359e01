/**
 * The newer of two values, with every part of it that is the same as before taken from the older one: who
 * shows only that part is not drawn again.
 */
export function kept<T>(before: T, after: T): T {
  if (before === after || typeof before !== 'object' || typeof after !== 'object' || !before || !after)
    return after;
  if (Array.isArray(before) !== Array.isArray(after)) return after;
  const [old, now] = [before as Record<string, unknown>, after as Record<string, unknown>];
  const keys = Object.keys(now);
  let isSame = keys.length === Object.keys(old).length;
  const result: Record<string, unknown> | unknown[] = Array.isArray(after) ? [] : {};
  for (const key of keys) {
    const part = kept(old[key], now[key]);
    if (part !== old[key]) isSame = false;
    (result as Record<string, unknown>)[key] = part;
  }
  return isSame ? before : (result as T);
}
