const TIMES = '(once|twice|\\d+ times?)';
/** The share of a count by which one may be off that is said to be about so many. */
const ABOUT = 0.1;

const countIn = (said: string): number =>
  ({ once: 1, twice: 2 })[said.toLowerCase()] ?? Number.parseInt(said, 10);
const upTo = (most: number): string | undefined => (most < 0 ? undefined : `at most ${most} times`);

/** Ways to say how often something happens, each with how it is read. */
const ways: readonly (readonly [string, (one: string, other: string) => string | undefined])[] = [
  ['(once) or (twice)', () => '1 to 2 times'],
  [
    '(?:between )?(\\d+)(?: times)?(?: to | and | or | ?[-–] ?)(\\d+) times',
    (one, other) => {
      const [least, most] = [Number(one), Number(other)].sort((a, b) => a - b);
      return `${least} to ${most} times`;
    },
  ],
  [`(?:at least|no fewer than|no less than) ${TIMES}`, (count) => `${count} or more`],
  [`(?:more than|oftener than|over) ${TIMES}`, (count) => `${countIn(count) + 1} times or more`],
  [`(?:at most|no more than|not more than|never more than|up to) ${TIMES}`, (count) => upTo(countIn(count))],
  [`(?:fewer than|less than|under) ${TIMES}`, (count) => upTo(countIn(count) - 1)],
  [
    `(?:about|around|roughly|approximately|some) ${TIMES}`,
    (count) => {
      const off = Math.max(1, Math.round(countIn(count) * ABOUT));
      return `${Math.max(0, countIn(count) - off)} to ${countIn(count) + off} times`;
    },
  ],
];

/** How often something happens where that is left open: a pattern without groups. */
export const OFTEN = `(?:${ways.map(([pattern]) => pattern.replace(/\((?!\?)/g, '(?:')).join('|')})`;

/** How often something happens, as it is read: `more than twice` is `3 times or more`. `undefined` for what is not `OFTEN`. */
export function oftenAs(said: string): string | undefined {
  for (const [pattern, means] of ways) {
    const [, one, other = ''] = new RegExp(`^${pattern}$`, 'i').exec(said) ?? [];
    if (one !== undefined) return means(one, other);
  }
  return undefined;
}
