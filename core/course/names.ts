/** The title as an id: lower-case letters, figures and hyphens. Never empty. */
export const slugOf = (title: string): string =>
  title
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '') || 'exercise';

/** The title as an id that is not taken yet. */
export function freeSlug(title: string, taken: ReadonlySet<string>): string {
  const slug = slugOf(title);
  for (let number = 1; ; number += 1) {
    const candidate = number === 1 ? slug : `${slug}-${number}`;
    if (!taken.has(candidate)) return candidate;
  }
}

export interface Titled {
  readonly title: string;
  /** Number of its lesson; `undefined` outside lessons. */
  readonly lesson: number | undefined;
}

/**
 * Titles by a pattern: `{title}` is the present one without a number that an earlier pattern gave it,
 * `{n}` and `{nn}` its place in the course, `{lesson}` its lesson's number, `{k}` its place in the lesson.
 * A pattern without `{title}` is put before it.
 */
export function renamed(exercises: readonly Titled[], pattern: string): readonly string[] {
  const whole = pattern.includes('{title}') ? pattern : `${pattern} {title}`;
  const places = new Map<number | undefined, number>();
  return exercises.map(({ title, lesson }, index) => {
    const place = (places.get(lesson) ?? 0) + 1;
    places.set(lesson, place);
    const values: Readonly<Record<string, string>> = {
      n: String(index + 1),
      nn: String(index + 1).padStart(2, '0'),
      lesson: lesson === undefined ? '' : String(lesson),
      k: String(place),
      title: title.replace(/^\d+([.-]\d+)*[.:)]?\s+/, ''),
    };
    return whole
      .replace(/\{(\w+)\}/g, (match, name: string) => values[name] ?? match)
      .replace(/\s+/g, ' ')
      .trim();
  });
}
