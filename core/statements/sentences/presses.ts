import { NAMES, timed } from './plain';
import { SECONDS } from './way';

/** Seconds between two presses, and of a press that is not said to be held. */
const [BETWEEN, PRESS] = [1, 0.3];
/** Presses where it goes on and on. */
const OVER_AND_OVER = 5;

/**
 * Presses as people say them, as sentences that are read: `press S1 twice`, `press S1 every 2 s`, `hold S1 from 1 s to
 * 3 s`. `usual` is when something is done whose time nobody says, in seconds. `undefined` for anything else.
 */
export function pressed(text: string, usual: number): readonly string[] | undefined {
  const found = new RegExp(`^(press|hold) (${NAMES})\\b(.*)$`, 'i').exec(text);
  if (!found) return undefined;
  const [, verb, name, rest = ''] = found as unknown as [string, string, string, string];
  const how = rest
    .trim()
    .replace(/^,/, '')
    .replace(/\b(?:(?:every|each|per) sec(?: s)?|once a sec)\b/i, `every ${BETWEEN} s`)
    .trim();
  const range = new RegExp(`^from ${SECONDS} (?:to|until) ${SECONDS}$`).exec(how);
  if (range) return [`hold ${name} from ${range[1]} s to ${range[2]} s`];
  const length = new RegExp(`(?:^| )for ${SECONDS}`).exec(how)?.[1];
  const every = new RegExp(`(?:every|each) ${SECONDS}`).exec(how)?.[1];
  const isRepeated = every !== undefined || /\b(?:repeatedly|again and again|over and over)\b/i.test(how);
  const said = /\btwice\b/i.test(how) ? 2 : /\bonce\b/i.test(how) ? 1 : /\b(\d+) times?\b/i.exec(how)?.[1];
  const count = Number(said ?? (isRepeated ? OVER_AND_OVER : 1));
  const apart = Number(every ?? BETWEEN);
  const listed = new RegExp(`(?:at|after|from) ((?:${SECONDS}(?:, ?(?:and )?| and )?)+)`, 'i').exec(how)?.[1];
  const moments = listed ? (listed.match(/\d+(?:\.\d+)?/g) ?? []).map(Number) : [usual];
  const known = how
    .replace(new RegExp(`\\bfor ${SECONDS}|\\b(?:every|each) ${SECONDS}|\\b\\d+ times?\\b`, 'gi'), '')
    .replace(new RegExp(`(?:at|after|from) (?:${SECONDS}(?:, ?(?:and )?| and )?)+`, 'i'), '')
    .replace(/\b(?:repeatedly|over and over|once|twice|again|apart|and)\b|[ ,]/gi, '');
  if (known !== '') return undefined;
  if (verb.toLowerCase() === 'hold')
    return moments.map((at) => `press ${name} at ${at} s${length === undefined ? '' : ` for ${length} s`}`);
  return moments.flatMap((at) =>
    Array.from(
      { length: count },
      (_, index) => `press ${name} at ${timed(at + index * apart)} s for ${length ?? PRESS} s`,
    ),
  );
}
