import { findKind } from '../../parts';
import { brought, isBrought, isMeasured, restOf, touchedBy, type Stimulus } from '../../stimuli';
import { NAMES, timed, type Named } from './plain';
import { SECONDS } from './way';

/** Reads what is done once more, in other words; behind what else is done before. */
type Read = (sentence: string, done?: readonly Stimulus[]) => readonly Stimulus[] | undefined;

/** Seconds of a press that is called long. */
const LONG = 2;

const AT_THE_START =
  '(?:(?:at|from|in) the (?:very )?(?:start|beginning)(?: on(?:wards)?)?|to (?:start|begin) with|initially|at first|from the outset)';
const TURNED =
  '(?:(?:the )?(?:middle|centre|left|right|start|end|top|bottom|minimum|maximum)|up|down|left|right|halfway|half way|clockwise|anticlockwise|counterclockwise)';

/** Words for the state that a part is in, as what is done to bring it there. */
const STATES: readonly (readonly [pattern: RegExp, says: (...found: string[]) => string])[] = [
  [
    new RegExp(
      `^(${NAMES})(?: is| stands| starts)?(?: (?:turned|set))?(?: (?:fully|all the way|completely))?(?: (?:in|at|to))? (${TURNED})$`,
      'i',
    ),
    (name, place) => `turn ${name} to ${place} at 0 s`,
  ],
  [
    new RegExp(`^(${NAMES}) (?:in the )?(dark|light|bright|covered|uncovered)$`, 'i'),
    (name, light) => `${name} is ${light}`,
  ],
  [new RegExp(`^(${NAMES}) at (0?\\.\\d+)$`, 'i'), (name, share) => `turn ${name} to ${share} at 0 s`],
  [
    new RegExp(`^(?:there is )?nothing (?:is )?(?:in front of|before|near|in sight of) (${NAMES})$`, 'i'),
    (name) => `something ${restOf('distance')} m before ${name} at 0 s`,
  ],
  [
    new RegExp(`^(${NAMES}) (?:sees|reads|measures) (\\d+(?:\\.\\d+)?) m$`, 'i'),
    (name, metres) => `something ${metres} m before ${name} at 0 s`,
  ],
];

/** What is held and let go, in the words in which presses are read. */
const pressesSaid = (plain: string): string =>
  plain
    .replace(new RegExp(`^(${NAMES}) (?:is )?(?:held(?: down)?|down|kept pressed)\\b`, 'i'), 'hold $1')
    .replace(new RegExp(`^(?:keep|hold) (${NAMES}) (?:pressed|held|down)\\b`, 'i'), 'hold $1')
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
  if (beginning) return fromTheStart(beginning[1]!, read);
  for (const [pattern, says] of STATES) {
    const found = pattern.exec(plain);
    const done = found && read(says(...found.slice(1)));
    if (done && areTouchedSo(done, parts)) return done;
  }
  return forAWhile(plain, before, read) ?? oneAndAnother(plain, read);
}

/** `hold S1 and press S2`, `turn P1 to 0 and P2 to 1`: at one time, or one after the other with “then”. */
function oneAndAnother(plain: string, read: Read): readonly Stimulus[] | undefined {
  const [, first = '', joint = '', second = ''] = /^(.+?),? (and then|then|and) (.+)$/i.exec(plain) ?? [];
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
  const last = Math.max(...done.map(({ at }) => at));
  const whole = /\bat [\d.]+ s$/.test(said) ? said : `${said} at ${timed(last + STAYS)} s`;
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
