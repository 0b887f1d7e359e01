import { USUAL_PRESS_S } from '../../stimuli';
import { NAMES, timed } from './plain';
import { SECONDS } from './way';

/** Presses that a scenario may have: more of them are no lesson. */
export const MOST_PRESSES = 100;
/** Seconds between two presses, and between two that are quick. */
const BETWEEN = 1;
const QUICK = 0.5;
/** What says that a button is not let go of at all. */
const NEVER_LET_GO =
  /,? (?:and (?:keep|hold)(?: it)?(?: pressed| down)?|without letting go|(?:until|till|to) the end|on(?:wards)?)$/i;
const LET_GO = ',? (?:and|then|and then) (?:release|let go(?: of)?)(?: it| the button)?';
const LET_GO_AFTER = new RegExp(`${LET_GO} after ${SECONDS}$`, 'i');
const LET_GO_AT = new RegExp(`${LET_GO} at ${SECONDS}$`, 'i');
/** Presses where it goes on and on. */
const OVER_AND_OVER = 5;

/**
 * Presses as people say them, as sentences that are read: `press S1 twice`, `press S1 every 2 s`, `hold S1 from 1 s to
 * 3 s`. `usual` is when something is done whose time nobody says, in seconds. `undefined` for anything else.
 */
export function pressed(text: string, usual: number): readonly string[] | undefined {
  const found = new RegExp(`^(press|hold) (${NAMES})\\b(.*)$`, 'i').exec(text);
  if (!found) return undefined;
  const [, said, name, rest = ''] = found as unknown as [string, string, string, string];
  const verb = NEVER_LET_GO.test(rest) ? 'hold' : said;
  const how = rest
    .replace(NEVER_LET_GO, '')
    .replace(LET_GO_AFTER, ' for $1 s')
    .replace(LET_GO_AT, ' to $1 s')
    .trim()
    .replace(/^,/, '')
    .replace(/\b(?:(?:every|each|per) sec(?: s)?|once a sec)\b/i, `every ${BETWEEN} s`)
    .trim();
  const range = new RegExp(`^(?:from|at) ${SECONDS},? (?:to|until|till) ${SECONDS}$`).exec(how);
  if (range) return [`hold ${name} from ${range[1]} s to ${range[2]} s`];
  const length = new RegExp(`(?:^| )for ${SECONDS}`).exec(how)?.[1];
  const every = new RegExp(`(?:every|each) ${SECONDS}`).exec(how)?.[1];
  const isRepeated = every !== undefined || /\b(?:repeatedly|again and again|over and over)\b/i.test(how);
  const times = /\btwice\b/i.test(how) ? 2 : /\bonce\b/i.test(how) ? 1 : /\b(\d+) times?\b/i.exec(how)?.[1];
  const count = Number(times ?? (isRepeated ? OVER_AND_OVER : 1));
  const apart = Number(every ?? (/\b(?:quickly|fast|rapidly)\b/i.test(how) ? QUICK : BETWEEN));
  const listed = new RegExp(`(?:at|after|from) ((?:${SECONDS}(?:, ?(?:and )?| and )?)+)`, 'i').exec(how)?.[1];
  const moments = listed ? (listed.match(/\d+(?:\.\d+)?/g) ?? []).map(Number) : [usual];
  const known = how
    .replace(new RegExp(`\\bfor ${SECONDS}|\\b(?:every|each) ${SECONDS}|\\b\\d+ times?\\b`, 'gi'), '')
    .replace(new RegExp(`(?:at|after|from) (?:${SECONDS}(?:, ?(?:and )?| and )?)+`, 'i'), '')
    .replace(/\b(?:repeatedly|over and over|once|twice|again|apart|quickly|fast|rapidly|and)\b|[ ,]/gi, '');
  if (known !== '' || !(count <= MOST_PRESSES)) return undefined;
  if (verb.toLowerCase() === 'hold')
    return moments.map((at) =>
      length === undefined ? `hold ${name} from ${at} s` : `press ${name} at ${at} s for ${length} s`,
    );
  return moments.flatMap((at) =>
    Array.from(
      { length: count },
      (_, index) => `press ${name} at ${timed(at + index * apart)} s for ${length ?? USUAL_PRESS_S} s`,
    ),
  );
}
