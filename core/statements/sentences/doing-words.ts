import { findKind } from '../../parts';
import { restOf } from '../../stimuli';
import { listText } from '../../words/words';
import { SOMEBODY, THING, words, type DoingWords } from './doing-word';
import { allCalled, isKnownTouched, isSwitch, NAMES, onlyTouched, timed, type Named } from './plain';
import { MOST_PRESSES } from './presses';
import { sensedWords } from './sensed-words';
import { SECONDS } from './way';

/** Seconds that something takes which is done slowly. */
const SLOWLY = 4;
/** Temperature of what is held between fingers for a while, in °C. */
const FINGERS = 31;
/** Temperature of a thermometer that is breathed on, in °C. */
const BREATH = 28;
/** Share of a distance at which something is well inside of it. */
const WELL_INSIDE = 0.7;
/** Metres at which something is that has come near. */
const NEAR = 0.1;

/** Seconds of a press that is called long, and how often what goes on and on is done. */
const [LONG, OVER_AND_OVER] = [2, 5];
/** Seconds by which something lasts longer than is said. */
const LONGER = 1;
/** Shares of a turn as they are said, in percent. */
const SHARES: Readonly<Record<string, number>> = {
  quarter: 25,
  third: 33,
  half: 50,
  'two thirds': 67,
  'three quarters': 75,
};
/** The most that ten, twelve and sixteen bits hold: what a program reads of a potentiometer at its end. */
const FULL_READINGS: readonly number[] = [1023, 4095, 65535];

const buttonsIn = (parts: readonly Named[]): readonly string[] =>
  parts.filter(({ kind }) => findKind(kind)?.stimulus === 'press').map(({ ref }) => ref);

/** `switch S1 on`, as the way in which it is read; `undefined` of what is no switch. */
const turnedTo = (name: string, state: string, at: string, parts: readonly Named[]): string | undefined =>
  isSwitch(name, parts) ? `turn ${name} to ${/on|closed|right/i.test(state) ? 1 : 0}${at}` : undefined;

/** A potentiometer turned so far that a program reads a number: 512 is half of what ten bits hold. */
function readingOf(name: string, reading: number, at: string, parts: readonly Named[]): string | undefined {
  const full = FULL_READINGS.find((most) => reading <= most);
  if (
    full === undefined ||
    reading <= MOST_PERCENT ||
    !isKnownTouched(name, 'turn', parts) ||
    isSwitch(name, parts)
  )
    return undefined;
  return `turn ${name} to ${Math.round((1000 * reading) / full) / 10} %${at || ' at 0 s'}`;
}
const MOST_PERCENT = 100;

const GENTLY = '(?:slowly|gradually|gently|smoothly|steadily|evenly)';
const THERE_AND_BACK = '(?:up and down|back and forth|to and fro)';

/** What is moved little by little, whoever does it: `P1 is slowly turned up`, `P1 is swept from 0 to 100 %`. */
const littleByLittle = words(
  `^(?:(${NAMES}) (?:is )?(${GENTLY} )?(turned|moved|slid|swept)|(${GENTLY} )?(?:turn|move|slide) (${NAMES}))( .+)$`,
  ([passive, before, verb, first, active, rest = '']) => {
    const isThereAndBack = new RegExp(`^ (?:${GENTLY} )?${THERE_AND_BACK}\\b`, 'i').test(rest);
    const isGentle = before ?? first ?? (new RegExp(` ${GENTLY}\\b`, 'i').test(rest) ? rest : undefined);
    const isSwept = verb !== undefined && (isThereAndBack || /^swept$/i.test(verb));
    if (isGentle === undefined && !isSwept) return undefined;
    const plain = rest.replace(new RegExp(` ${GENTLY}\\b`, 'i'), '');
    const hasTime = / (?:over|within|in) \d[\d.]* s\b| from \d[\d.]* s (?:to|until) /i.test(plain);
    return `turn ${passive ?? active}${plain}${hasTime || isThereAndBack ? '' : ` over ${SLOWLY} s`}`;
  },
);

/** Ways to say what is done, as the way in which it is read. */
const ways: readonly DoingWords[] = [
  // The potentiometers, both at once
  words(
    `^(.*?)\\b(?:both|all)(?: of)?(?: the)? (potentiometers|pots|knobs|dials|sliders|switches|light sensors)\\b(.*)$`,
    ([verb, called, rest], parts) => {
      const names = allCalled(called!.replace(/e?s$/i, '').replace(/^light /i, ''), parts);
      return names.length > 1 ? `${verb}${listText(names)}${rest}` : undefined;
    },
  ),
  words(
    `^(${NAMES}|(?:the )?(?:distance|temperature|light|brightness)) ?[=:] ?(.+)$`,
    ([name, rest]) => `${name} is ${rest}`,
  ),
  words(
    `^(?!.* to )(.+) (?:from|as of|starting at) ${SECONDS} on(?:wards)?$`,
    ([said, at]) => `${said} at ${at} s`,
  ),
  ...sensedWords,
  words(`^first(?:,| of all,?)? (?!nothing$)(.+)$`, ([rest]) => rest),
  littleByLittle,
  words(`^slowly (.+)$|^(.+) slowly$`, ([one, other]) => `${one ?? other} over ${SLOWLY} s`),
  words(
    `^(press|push|hold)(?: down)? (?:both|all)(?: of)?(?: the)?(?: \\w+)? buttons\\b(.*)$`,
    ([verb, how], parts) => {
      const buttons = buttonsIn(parts);
      return buttons.length > 1 ? `${verb} ${listText(buttons)}${how}` : undefined;
    },
  ),
  words(`^(.+ (?:twice|\\d+ times)),? ${SECONDS} apart$`, ([said, apart]) => `${said} every ${apart} s`),
  words(
    `^press (${NAMES})(?: at ${SECONDS})?,? and ${SECONDS} later (?:press )?(${NAMES})$`,
    ([first, at, later, second], _, usual) => {
      const begin = at === undefined ? usual : Number(at);
      return `press ${first} at ${begin} s and press ${second} at ${timed(begin + Number(later))} s`;
    },
  ),
  words(
    `^(press (${NAMES}) at ${SECONDS}),? (?:and )?(?:then )?again at ((?:${SECONDS}(?:, ?(?:and )?| and )?)+)$`,
    ([press, , , moments]) => `${press} and ${moments}`,
  ),
  words(
    `^(press ${NAMES} at ${SECONDS})((?:,? (?:and )?at ${SECONDS})+)$`,
    ([press, , more]) =>
      `${press} and ${more!
        .match(/\d[\d.]*/g)!
        .map((at) => `${at} s`)
        .join(' and ')}`,
  ),
  words(
    `^press (${NAMES}) (?:an?other time|(?:a|the|for the) (?:second|third|next|last) time)((?: (?:at|after) .*)?)$`,
    ([name, at]) => `press ${name}${at!.replace('after', 'at')}`,
  ),
  words(
    `^(${NAMES}) (?:is |goes )?down at ${SECONDS},? (?:and )?(?:then )?(?:is |goes )?up(?: again)? at ${SECONDS}$`,
    ([name, from, to]) => `hold ${name} from ${from} s to ${to} s`,
  ),
  words(
    `^(?:the )?(?:user|player|learner|student|child|someone|somebody|you|we|I) (press|push|hold|type|send|enter|turn|cover|touch)(?:e?s)? (?!(?:at|after|from) \\d)(.+)$`,
    ([verb, rest]) => `${verb} ${rest}`,
  ),
  words(
    `^(press|hold|push) (${NAMES})(?: down)? (?:for )?(?:longer|more) than ${SECONDS}(.*)$`,
    ([, name, length, rest]) => `press ${name} for ${Number(length) + LONGER} s${rest}`,
  ),
  words(
    `^(press|push|tap) (${NAMES}) (?:very |only |just )?(?:briefly|shortly|for a moment)(.*)$`,
    ([verb, name, rest]) => `${verb} ${name}${rest}`,
  ),
  words(
    `^(?:press|hold) (${NAMES}) and (?:keep|hold) it (?:pressed|down|held)?(?: (?:to|till|until) the end)?((?: (?:at|from) .*)?)$`,
    ([name, at]) => `hold ${name}${at}`,
  ),
  words(
    `^(?:do nothing|wait) for ${SECONDS},? (?:and )?then (.+)$`,
    ([length, rest]) => `wait ${length} s, then ${rest}`,
  ),
  words(`^touch (${NAMES})(.*)$`, ([name, rest], parts) =>
    isKnownTouched(name!, 'press', parts) ? `press ${name}${rest}` : undefined,
  ),
  words(`^press and (?:release|let go of) (${NAMES})(.*)$`, ([name, rest]) => `press ${name}${rest}`),
  words(
    `^(?:do )?(?:a )?long[- ]?(?:press|push)(?: of| on)? (${NAMES})(.*)$`,
    ([name, rest]) => `press ${name} for ${LONG} s${rest}`,
  ),
  words(
    `^(press ${NAMES}) (twice|\\d+ times)((?: at .+?)?) (?:within|in) (?:one sec|${SECONDS})$`,
    ([press, count, at, length]) => {
      const times = /twice/i.test(count!) ? 2 : Number.parseInt(count!, 10);
      return `${press} ${count}${at} every ${timed(Number(length ?? 1) / times)} s for ${timed(Number(length ?? 1) / times / 2)} s`;
    },
  ),
  words(
    `^(press ${NAMES}) once (every|each|a|per) (sec|${SECONDS})$`,
    ([press, , every]) => `${press} ${OVER_AND_OVER} times every ${every === 'sec' ? '1 s' : every}`,
  ),
  // where something is turned to
  words(
    `^(?:put|turn|set|move|bring) (${NAMES}) (?:in|into|to|at) (?:its |the )?(middle|centre|start|end|left|right)(?: position)?((?: at .*)?)$`,
    ([name, place, at]) => `turn ${name} to the ${place}${at}`,
  ),
  words(
    `^turn (${NAMES}) (?:all the way |fully )?(?:(anti-?clockwise|counter-?clockwise|down|(?:to the )?left)|clockwise|up|(?:to the )?right) (?:to|as far as) (?:the|its) (?:end|stop)((?: at .*)?)$`,
    ([name, isLess, at]) => `turn ${name} to the ${isLess === undefined ? 'right' : 'left'}${at}`,
  ),
  words(
    `^(turn|set|move|bring|put) (${NAMES}) (?:to )?(?:a |one |an? )?(quarter|third|three quarters|two thirds|half)(?: of the way|way)?(?: up)?((?: at .*)?)$`,
    ([, name, share, at]) => `turn ${name} to ${SHARES[share!.toLowerCase()]} %${at}`,
  ),
  words(
    `^(?:(?:turn|set|move|bring|put) )?(${NAMES}) (?:(?:is |reads |gives )?(?:at |to )?)(\\d{3,5})((?: at .*)?)$`,
    ([name, reading, at], parts) => readingOf(name!, Number(reading), at!, parts),
  ),
  words(
    `^(?:with )?(${NAMES}) (?:is )?(?:turned )?(?:fully|all the way|completely) (up|down)$`,
    ([name, way], parts) =>
      isKnownTouched(name!, 'turn', parts) && !isSwitch(name!, parts)
        ? `turn ${name} to ${/up/i.test(way!) ? 1 : 0} at 0 s`
        : undefined,
  ),
  // distances
  words(
    `^(?:set |bring |put )?(?:the )?(?:distance (?:of|on|at|to|before) )?(${NAMES}) (?:to|at|is|on)(?: to)? (\\d*\\.?\\d+ m)((?: (?:at|over) .*)?)$`,
    ([name, far, rest], parts) =>
      isKnownTouched(name!, 'distance', parts) ? `something ${far} before ${name}${rest}` : undefined,
  ),
  words(`^${THING} approaches((?: from .*)?)$`, ([range], parts) => {
    const sensor = onlyTouched('distance', parts);
    return sensor && (range === '' ? `something ${NEAR} m before ${sensor}` : `something${range}`);
  }),
  // day and night
  words(
    `^(?:(\\d[\\d.]*) % |(no|full|half|bright) )(?:day)?light((?: (?:at|on|over) .*)?)$`,
    ([percent, word, rest], parts) => {
      const sensor = onlyTouched('light', parts);
      const share = percent ?? { no: '5', half: '50' }[word!.toLowerCase()] ?? '90';
      return sensor && `light on ${sensor} to ${share} %${rest || ' at 0 s'}`;
    },
  ),
  words(`^(?:(daylight|by day)|at night|by night)$`, ([day], parts) =>
    onlyTouched('light', parts) ? `it is ${day ? 'bright' : 'dark'}` : undefined,
  ),
  words(
    `^(?:put|place|hold) (${NAMES}) (?:in|into) (?:the )?(dark|light|sun|shade)(.*)$`,
    ([name, where, rest], parts) =>
      isKnownTouched(name!, 'light', parts)
        ? `${/dark|shade/i.test(where!) ? 'cover' : 'uncover'} ${name}${rest}`
        : undefined,
  ),
  words(
    `^(?:the )?(?:sun (goes down|sets)|night (falls)|sun (?:comes up|rises)|day (?:breaks|comes)|it (?:gets|grows|becomes) (darker)|(?:the )?room (?:gets|grows|becomes) (darker)|it (?:gets|grows|becomes) (?:brighter|lighter)|(?:the )?room (?:gets|grows|becomes) (?:brighter|lighter))((?: (?:at|over|in|after) .*)?)$`,
    ([...said], parts) => {
      const rest = said.pop() ?? '';
      const isDark = said.some((one) => one !== undefined && one !== '');
      return onlyTouched('light', parts) && `it gets ${isDark ? 'dark' : 'bright'}${rest}`;
    },
  ),
  words(
    `^(?:it is )?(dark|bright|light)(?: at first| until (\\d[\\d.]*) s| to begin with)?,? ?(?:and |then |and then )*(?:gets |becomes |it (?:is|gets) )?(dark|bright|light)(?: (?:after|from|at) (\\d[\\d.]*) s)?$`,
    ([first, until, second, from], parts) => {
      const [sensor, at] = [onlyTouched('light', parts), until ?? from];
      if (sensor === undefined || at === undefined || first?.toLowerCase() === second?.toLowerCase())
        return undefined;
      return `${sensor} is ${first} at 0 s and ${sensor} is ${second} at ${at} s`;
    },
  ),
  // warmth
  words(
    `^(?:it|the (?:room|air|water)) (?:warms|heats|cools)(?: up| down)?((?: from -?\\d[\\d.]*(?: ?°(?: ?c)?)?)? to -?\\d[\\d.]* ?(?:°(?: ?c)?|c)?)(.*)$`,
    ([range, rest], parts) => {
      const sensor = onlyTouched('warm', parts);
      return sensor && `warm ${sensor}${range}${rest}`;
    },
  ),
  words(
    `^(?:breathe|blow|hold your breath)(?: warm air)? (?:on|at|onto) (${NAMES})((?: at .*)?)$`,
    ([name, at], parts) =>
      isKnownTouched(name!, 'warm', parts) ? `warm ${name} to ${BREATH} °C${at}` : undefined,
  ),
  words(
    `^let (?:it|(${NAMES})|the sensor) (?:cool|warm)(?: down| up)? to (-?\\d[\\d.]*)(?: ?°(?: ?c)?)?((?: (?:at|over) .*)?)$`,
    ([name, degrees, rest], parts) => {
      const sensor = name ?? onlyTouched('warm', parts);
      return sensor && `warm ${sensor} to ${degrees} °C${rest}`;
    },
  ),
  // somebody moves
  words(
    `^(?:${SOMEBODY}) (?:walks|comes|goes|steps)(?: in(?:to the room)?)? at ${SECONDS},? and (?:leaves|goes(?: out| away)?|walks out|stops) at ${SECONDS}$`,
    ([from, to], parts) => {
      const sensor = onlyTouched('motion', parts);
      return sensor && `${sensor} sees motion from ${from} s to ${to} s`;
    },
  ),
  words(
    `^(${SOMEBODY} (?:moves|walks|waves|comes|passes).*?) after ${SECONDS}(.*)$`,
    ([said, at, rest]) => `${said} at ${at} s${rest}`,
  ),
  // power
  words(`^(?:press )?reset((?: at .*)?)$`, ([at]) => `press the board's reset${at}`),
  words(
    `^(?:unplug|disconnect)(?: (?:the )?(?:board|power|usb|cable|it))?,? (?:and|then|and then) (?:plug|connect)(?: it)?(?: back)? in(?: again)?((?: at .*)?)$`,
    ([at]) => `turn the power off and on again${at}`,
  ),
  words(`^turn (${NAMES}) back(?: again)?((?: at .*)?)$`, ([name, at]) => `turn ${name} to 0${at}`),
  words(`^(close|open) (${NAMES})((?: at .*)?)$`, ([verb, name, at], parts) =>
    isSwitch(name!, parts) ? `turn ${name} to ${/close/i.test(verb!) ? 1 : 0}${at}` : undefined,
  ),
  words(
    `^(?:take|move|pull) ${THING} away\\b(.*)$|^${THING} (?:goes|moves) away\\b(.*)$|^remove ${THING}\\b(.*)$`,
    ([one, two, three], parts) => {
      const sensor = onlyTouched('distance', parts);
      return sensor && `something ${restOf('distance')} m before ${sensor}${one ?? two ?? three ?? ''}`;
    },
  ),
  words(
    `^(?:wave|pass|swipe)(?: ${THING})? (?:in front of|before|over|at|past) (${NAMES})((?: at .*)?)$`,
    ([name, at], parts, usual) => {
      if (!isKnownTouched(name!, 'distance', parts)) return undefined;
      const begins = at === '' ? usual : Number.parseFloat(at!.slice(4));
      return `something ${NEAR} m before ${name} at ${begins} s and something ${restOf('distance')} m before ${name} at ${timed(begins + 1)} s`;
    },
  ),
  words(
    `^(?:bring|move) ${THING} (?:slowly )?(?:closer|nearer|away|off|back)(?: and (?:closer|nearer))? (from \\d[\\d.]* m to .+)$`,
    ([range]) => `something ${range}`,
  ),
  words(`^${THING} comes (?:closer|nearer|near|close)((?: at .*)?)$`, ([at], parts) => {
    const sensor = onlyTouched('distance', parts);
    return sensor && `something ${NEAR} m before ${sensor}${at}`;
  }),
  words(`^${THING}(?: is)? (\\d*\\.?\\d+ m) (?:away|off)((?: (?:at|after) .*)?)$`, ([far, when], parts) => {
    const sensor = onlyTouched('distance', parts);
    return sensor && `something ${far} before ${sensor}${(when || ' at 0 s').replace('after', 'at')}`;
  }),
  words(
    `^(?:nothing|nobody|no one) (?:is )?(?:near|close|there|in front(?: of (?:it|the sensor))?|before (?:it|the sensor))((?: at .*)?)$`,
    ([at], parts) => {
      const sensor = onlyTouched('distance', parts);
      return sensor && `something ${restOf('distance')} m before ${sensor}${at || ' at 0 s'}`;
    },
  ),
  words(
    `^${THING} (?:comes|gets|moves) (?:closer|nearer) than (\\d*\\.?\\d+) m(.*)$`,
    ([far, rest], parts) => {
      const sensor = onlyTouched('distance', parts);
      return sensor && `something ${timed(Number(far) * WELL_INSIDE)} m before ${sensor}${rest}`;
    },
  ),
  // switches
  words(
    `^(?:switch|turn|put|flip|slide|set|move) (on|off) (${NAMES})((?: at .*)?)$`,
    ([state, name, at], parts) => turnedTo(name!, state!, at!, parts),
  ),
  words(
    `^(?:put|flip|slide|set|move) (${NAMES}) (?:to )?(?:the )?(on|off|left|right)(?: side)?((?: at .*)?)$`,
    ([name, state, at], parts) => turnedTo(name!, state!, at!, parts),
  ),
  words(
    `^(${NAMES}) is (?:switched |turned |flipped )?on(?: and|,)(?: then)?(?: switched| turned| flipped)? off(?: again)?((?: at .*)?)$`,
    ([name, at]) => `switch ${name} on and off${at}`,
  ),
  words(
    `^(?:switch|turn|flip|slide) (${NAMES}) on and off(?: again)?(?: (twice|\\d+ times))?((?: at .*)?)$`,
    ([name, count, at], parts, usual) => {
      if (!isSwitch(name!, parts)) return undefined;
      const begins = at === '' ? usual : Number.parseFloat(at!.slice(4));
      const times = count === undefined ? 1 : /twice/i.test(count) ? 2 : Number.parseInt(count, 10);
      return times <= MOST_PRESSES / 2
        ? Array.from(
            { length: 2 * times },
            (_, index) => `turn ${name} to ${1 - (index % 2)} at ${timed(begins + index)} s`,
          ).join(' and ')
        : undefined;
    },
  ),
  words(
    `^(?:(?:switch|turn|close|flip|slide|put|keep|hold) )?(${NAMES}) (?:is |stays |to |kept )*(?:switched |turned |flipped )?(?:(on|off|closed|open) )?(?:for ${SECONDS}(?: (?:at|from) ${SECONDS})?|(?:at ${SECONDS} )?for ${SECONDS}|from ${SECONDS} (?:to|until|till) ${SECONDS}|at ${SECONDS}(?:,| and| then)+ (?:off|open|on|closed)(?: again)? at ${SECONDS})$`,
    ([name, state = 'on', length, begins, at, lasts, from, until, first, second], parts, usual) => {
      if (!isSwitch(name!, parts)) return undefined;
      const begin = Number(begins ?? at ?? from ?? first ?? usual);
      const end = until ?? second ?? timed(begin + Number(length ?? lasts));
      const to = /on|closed/i.test(state) ? 1 : 0;
      return `turn ${name} to ${to} at ${begin} s and turn ${name} to ${1 - to} at ${end} s`;
    },
  ),
  words(
    `^(${NAMES}) is (?:flipped|slid|put|moved|set) (?:to )?(?:the )?(on|off)(?: position)?((?: at .*)?)$`,
    ([name, state, at], parts) => turnedTo(name!, state!, at || ' at 0 s', parts),
  ),
  words(
    `^(${NAMES}) is (?:switched |turned )?(on|off|closed|open)((?: at .*)?)$`,
    ([name, state, at], parts) => turnedTo(name!, state!, at || ' at 0 s', parts),
  ),
  // warmth
  words(
    `^(?:warm (${NAMES})|hold (${NAMES})|touch (${NAMES})|put (?:a|your) finger on (${NAMES}))(?: (?:with|between|in) (?:a|your|the|two|three)? ?(?:fingers?|hands?))?((?: at .*)?)$`,
    ([...said], parts) => {
      const at = said.pop() ?? '';
      const name = said.find((one) => one !== undefined);
      const isThermometer = parts.some(
        ({ ref, kind }) => ref === name?.toUpperCase() && findKind(kind)?.stimulus === 'warm',
      );
      return isThermometer ? `warm ${name} to ${FINGERS} °C${at}` : undefined;
    },
  ),
  words(
    `^it (?:is|gets|becomes) (\\d+(?:\\.\\d+)?) ?(?:°|degrees?)?(?: ?c)? (warmer|hotter|colder|cooler)((?: at .*)?)$`,
    ([by, way, at], parts) => {
      const sensor = onlyTouched('warm', parts);
      const sign = /colder|cooler/i.test(way!) ? -1 : 1;
      return sensor && `warm ${sensor} to ${restOf('warm') + sign * Number(by)} °C${at}`;
    },
  ),
  words(
    `^(waves?|walks? past|moves?)(?: a hand)? (?:at|before|in front of) the sensor(.*)$`,
    ([verb, rest], parts) => (onlyTouched('motion', parts) === undefined ? undefined : `${verb}${rest}`),
  ),
];

/** What is done, in the words in which it is read; any other sentence stays as it is. `usual`: when it may be done. */
export const inDoingWords = (plain: string, parts: readonly Named[], usual: number): string =>
  ways.reduce((said, [pattern, says]) => {
    const found = pattern.exec(said);
    return (found && says(found.slice(1), parts, usual)) ?? said;
  }, plain);
