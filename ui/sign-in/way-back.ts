/** Longest address that a visitor is brought back to. */
const LONGEST = 500;

/**
 * Where somebody goes after signing in: the page of this product that was asked for, else Today. An address of another
 * site, or one that a browser would take for such, is none of ours.
 */
export function wayBack(asked: unknown): string {
  if (typeof asked !== 'string' || asked.length > LONGEST) return '/';
  const isOwn = /^\/(?![/\\])[\w\-./?=&%~+]*$/.test(asked) && !asked.startsWith('/api/');
  return isOwn && !asked.startsWith('/sign-in') ? asked : '/';
}

/** The address of the door, with the page that was asked for. */
export const doorTo = (asked: unknown): string => {
  const back = wayBack(asked);
  return back === '/' ? '/sign-in' : `/sign-in?to=${encodeURIComponent(back)}`;
};
