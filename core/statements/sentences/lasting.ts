import { findKind } from '../../parts';
import { brought, isBrought, isMeasured, restOf, touchedBy, type Stimulus } from '../../stimuli';
import { NAMES, timed, type Named } from './plain';
import { standingSo } from './standing';
import { SECONDS } from './way';

/** Reads what is done once more, in other words; behind what else is done before. */
type Read = (sentence: string, done?: readonly Stimulus[]) => readonly Stimulus[] | undefined;

/** Seconds of a press that is called long. */
const LONG = 2;

const AT_THE_START =
  '(?:(?:at|from|in) the (?:very )?(?:start|beginning)(?: on(?:wards)?)?|to (?:start|begin) with|initially|at first|from the outset)';

/** What is held and let go, in the words in which presses are read. */
const pressesSaid = (plain: string): string =>
  plain
    .replace(new RegExp(`^(${NAMES}) (?:is )?(?:held(?: down)?|down|kept pressed)\\b`, 'i'), 'hold $1')
    .replace(new RegExp(`^(?:keep|hold) (${NAMES}) (?:pressed|held|down)\\b`, 'i'), 'hold $1')
    .replace(new RegExp(`^(${NAMES}) (?:is )?pressed (?=between )`, 'i'), 'hold $1 ')
    .replace(
      new RegExp(`^((?:hold|press|push) ${NAMES}) (?:until|till) ${SECONDS}$`, 'i'),
      '$1 from 0 s to $2 s',
    )
    .replace(
      new RegExp(
        `^(${NAMES}) (?:is )?on at ${SECONDS},? (?:and |then )*(?:is )?off(?: again)? at ${SECONDS}$`,
        'i',
      ),
      'hold $1 from $2 s to $3 s',
    )
    .replace(
      new RegExp(`^((?:press|push|tap) ${NAMES} at ${SECONDS}),? and (?:then )?again at ${SECONDS}$`, 'i'),
      '$1 and $3 s',
    )
    .replace(
      new RegExp(`^((?:press|hold|push) ${NAMES}) between ${SECONDS} and ${SECONDS}$`, 'i'),
      '$1 from $2 s to $3 s',
    )
    .replace(/^((?:press|push|tap|click) \S+) (?:briefly|shortly|quickly)\b/i, '$1')
    .replace(/^((?:press|push) \S+) (?:long|for long|for a long time|for a while)\b/i, `$1 for ${LONG} s`);

/**
 * What is so from the start, and what is so for a while and then as before: `P1 at 30 % at the start`, `cover L1 at 2 s for
 * 1 s`, `S1 and S2 pressed together`. `undefined` for anything else. `before`: what is done already.
 */
export function lasting(
  plain: string,
  parts: readonly Named[],
  before: readonly Stimulus[],
  read: Read,
): readonly Stimulus[] | undefined {
  const readSo: Read = (sentence, also) => read(sentence, also) ?? standing(sentence, parts, read, also);
  const said = pressesSaid(plain);
  if (said !== plain) return lasting(said, parts, before, read) ?? read(said);
  const together = new RegExp(
    `^(press|hold) (${NAMES}),? and (${NAMES})(?: together| at the same time| at once| both)?((?: .*)?)$`,
    'i',
  ).exec(plain);
  if (together)
    return eachRead(
      [together[2]!, together[3]!].map((name) => `${together[1]} ${name}${together[4]}`),
      read,
    );
  const beginning =
    new RegExp(`^(.+?),? ${AT_THE_START}$`, 'i').exec(plain) ??
    new RegExp(`^${AT_THE_START},? (.+)$`, 'i').exec(plain) ??
    /^(?:(?:start|begin) )?with (.+)$/i.exec(plain);
  if (beginning) return fromTheStart(beginning[1]!, readSo);
  return (
    standing(plain, parts, read) ??
    forAWhile(plain, before, readSo) ??
    ofEach(plain, parts, readSo) ??
    oneUntilAnother(plain, readSo) ??
    oneAndAnother(plain, readSo)
  );
}

/** How something is, as what is done to bring it there: from the start, or behind what is done before. */
function standing(
  plain: string,
  parts: readonly Named[],
  read: Read,
  also: readonly Stimulus[] = [],
): readonly Stimulus[] | undefined {
  const said = standingSo(plain, parts, also.length === 0 ? 0 : timed(lastOf(also) + STAYS));
  const done = said === undefined ? undefined : read(said, also);
  return done && areTouchedSo(done, parts) ? done : undefined;
}

/** `P1 and P2 at 100 %`: the same of each. */
function ofEach(plain: string, parts: readonly Named[], read: Read): readonly Stimulus[] | undefined {
  const [, verb = '', names = '', rest = ''] =
    new RegExp(
      `^((?:turn|set|move|bring|put|cover|uncover) )?(${NAMES}(?:(?:, ?(?:and )?| and )${NAMES})+)( .+)$`,
      'i',
    ).exec(plain) ?? [];
  const done = (names.match(new RegExp(NAMES, 'g')) ?? []).map((name) => read(`${verb}${name}${rest}`));
  const all = done.flatMap((one) => one ?? []);
  return all.length > 0 && done.every((one) => one) && areTouchedSo(all, parts) ? all : undefined;
}

/** `nothing near until 2 s, then 0.15 m`: how it is from the start, and from that time on. */
function oneUntilAnother(plain: string, read: Read): readonly Stimulus[] | undefined {
  const [, first = '', until, second = ''] =
    new RegExp(
      `^(.+?) (?:until|till|before|up to) ${SECONDS},? (?:and |but )?(?:then |after that )?(.+)$`,
      'i',
    ).exec(plain) ?? [];
  if (until === undefined) return undefined;
  const done = IDLE.test(first) ? [] : read(`${first} at 0 s`);
  if (!done) return undefined;
  const head = toAnother(first, second) ?? second;
  const other = read(`${head} at ${until} s`, done) ?? atThat(head, until, done, read);
  return other && [...done, ...other];
}

/** `motion for 1 s`, and when: the time may stand before how long it lasts. */
const atThat = (
  head: string,
  at: string,
  done: readonly Stimulus[],
  read: Read,
): readonly Stimulus[] | undefined => {
  const [, what, length] = new RegExp(`^(.+?) for ${SECONDS}$`, 'i').exec(head) ?? [];
  return what === undefined ? undefined : read(`${what} at ${at} s for ${length} s`, done);
};

/** What says that nobody does anything yet. */
const IDLE =
  /^(?:no (?:motion|movement|press)|(?:nobody|no ?one)(?: (?:moves|is there))?|nothing(?: (?:moves|happens))?)$/i;

/** `hold S1 and press S2`, `turn P1 to 0 and P2 to 1`: at one time, or one after the other with “then”. */
function oneAndAnother(plain: string, read: Read): readonly Stimulus[] | undefined {
  const [, first = '', joint = '', second = ''] =
    /^(.+?)(?:,? (and then|then|and)|,) (.+)$/i.exec(plain) ?? [];
  const done = read(first);
  if (!done) return undefined;
  const before = /then/i.test(joint) ? done : [];
  const readNext: Read = (sentence, also = []) => read(sentence, [...before, ...also]);
  const verb = /^\S+/.exec(first)?.[0] ?? '';
  const isNamed = new RegExp(`^${NAMES}\\b`).test(second);
  const other =
    readNext(second) ??
    (isNamed ? readNext(`${verb} ${second}`) : undefined) ??
    eachAfter(first, second, done, readNext) ??
    oneAndAnother(isNamed ? `${verb} ${second}` : second, readNext);
  return other && [...done, ...other];
}

const AMOUNT = String.raw`-?\d*\.?\d+(?: ?(?:%|°(?: ?c)?|m\b))?|dark|bright|light|hot|cold`;
const WHEN = `(?: (?:at|after|from) ${SECONDS})`;
const TO_ANOTHER = new RegExp(
  `^(?:it )?(?:(?:is|gets|becomes|goes|turns|at|to|back) )*(${AMOUNT})(?: away)?(${WHEN}?)$`,
  'i',
);
const TO_ONE = new RegExp(`^(.+ |)(${AMOUNT})(| light| away)${WHEN}?$`, 'i');

/** Seconds for which something stays as it is before it is brought to another amount, where nobody says when. */
const STAYS = 2;

const lastOf = (done: readonly Stimulus[]): number => Math.max(...done.map(({ at }) => at));

/** `20 %, then 40 %, then 80 % at 6 s` behind what was brought to an amount: the same, to each of them. */
function eachAfter(
  first: string,
  second: string,
  done: readonly Stimulus[],
  read: Read,
): readonly Stimulus[] | undefined {
  const [head = ''] = second.split(/,? (?:and then|then|and) /i);
  const said = toAnother(first, head);
  if (said === undefined) return undefined;
  const whole = /\bat [\d.]+ s$/.test(said) ? said : `${said} at ${timed(lastOf(done) + STAYS)} s`;
  const rest = second.slice(head.length);
  return rest === '' ? read(whole) : oneAndAnother(`${whole}${rest}`, read);
}

/** `a hand at 0.1 m` and `at 0.5 m` as `a hand at 0.5 m`: the same brought to another amount. */
function toAnother(first: string, second: string): string | undefined {
  const [, what, amount = '', behind = ''] = TO_ONE.exec(first) ?? [];
  const [, other = '', when = ''] = TO_ANOTHER.exec(second) ?? [];
  if (what === undefined || other === '') return undefined;
  const unit = /\d$/.test(other) ? (/\d( ?\D+)$/.exec(amount)?.[1] ?? '') : '';
  return `${what}${other}${unit}${behind}${when.replace(/after|from/i, 'at')}`;
}

/** All that is read of several sentences; `undefined` where one of them is not. */
function eachRead(sentences: readonly string[], read: Read): readonly Stimulus[] | undefined {
  const all = sentences.map((sentence) => read(sentence));
  return all.every((one) => one !== undefined) ? all.flat() : undefined;
}

/** What is so when the program begins. */
function fromTheStart(said: string, read: Read): readonly Stimulus[] | undefined {
  const [done, ...more] = read(`${said} at 0 s`) ?? read(said) ?? [];
  return done && more.length === 0 ? [{ ...done, at: 0 }] : undefined;
}

/** What is measured for a while and is then what it was before. */
function forAWhile(plain: string, before: readonly Stimulus[], read: Read): readonly Stimulus[] | undefined {
  const length = new RegExp(`^(.+?) for ${SECONDS}$`, 'i').exec(plain);
  const range = new RegExp(`^(.+?),? (?:from|between) ${SECONDS} (?:to|until|and) ${SECONDS}$`, 'i').exec(
    plain,
  );
  const [, what = '', first = '', last = ''] = range ?? length ?? [];
  const [done, ...more] =
    (range && read(`${what} at ${first} s`)) ?? (length && !range ? read(what) : undefined) ?? [];
  const touched = done && touchedBy(done);
  if (!done || more.length > 0 || !isBrought(done) || !touched || !isMeasured(touched.how)) return undefined;
  // What is so for a while became so when there was time to see how it was.
  const { at } = done;
  const until = range ? Number(last) : timed(at + Number(first));
  const was = before
    .filter((one) => touchedBy(one)?.name === touched.name && one.at <= at && isBrought(one))
    .toSorted((one, other) => one.at - other.at)
    .at(-1);
  const to = was && isBrought(was) ? was.to : restOf(touched.how);
  return until > at ? [done, brought(touched.how, { part: touched.name, at: until, to })] : undefined;
}

/** Whether each is done to a part to which it can be done. */
const areTouchedSo = (done: readonly Stimulus[], parts: readonly Named[]): boolean =>
  done.every((stimulus) => {
    const touched = touchedBy(stimulus);
    const kind = parts.find(({ ref }) => ref === touched?.name)?.kind;
    return kind === undefined || findKind(kind)?.stimulus === touched?.how;
  });
