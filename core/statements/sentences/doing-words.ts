import { findKind } from '../../parts';
import { restOf } from '../../stimuli';
import { listText } from '../../words/words';
import { NAMES, onlyTouched, timed, type Named } from './plain';
import { SECONDS } from './way';

/** Seconds that something takes which is done slowly. */
const SLOWLY = 4;
/** Temperature of what is held between fingers for a while, in °C. */
const FINGERS = 31;
/** Share of a distance at which something is well inside of it. */
const WELL_INSIDE = 0.7;
/** Metres at which something is that has come near. */
const NEAR = 0.1;
const THING = '(?:something|somebody|someone|(?:the |a |an |your )?(?:hand|book|box|finger|object|obstacle))';

type Says = (found: readonly string[], parts: readonly Named[], usual: number) => string | undefined;

const buttonsIn = (parts: readonly Named[]): readonly string[] =>
  parts.filter(({ kind }) => findKind(kind)?.stimulus === 'press').map(({ ref }) => ref);

const isSwitch = (name: string, parts: readonly Named[]): boolean =>
  parts.some(({ ref, kind }) => ref === name.toUpperCase() && findKind(kind)?.contact === 'latching');

/** `switch S1 on`, as the way in which it is read; `undefined` of what is no switch. */
const turnedTo = (name: string, state: string, at: string, parts: readonly Named[]): string | undefined =>
  isSwitch(name, parts) ? `turn ${name} to ${/on|closed|right/i.test(state) ? 1 : 0}${at}` : undefined;

const words = (pattern: string, says: Says): readonly [RegExp, Says] => [new RegExp(pattern, 'i'), says];

/** Ways to say what is done, as the way in which it is read. */
const ways: readonly (readonly [RegExp, Says])[] = [
  words(`^first(?:,| of all,?)? (.+)$`, ([rest]) => rest),
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
  words(`^${THING} comes (?:closer|nearer|near|close)((?: at .*)?)$`, ([at], parts) => {
    const sensor = onlyTouched('distance', parts);
    return sensor && `something ${NEAR} m before ${sensor}${at}`;
  }),
  words(`^${THING} is (\\d*\\.?\\d+ m) (?:away|off)((?: (?:at|after) .*)?)$`, ([far, when], parts) => {
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
