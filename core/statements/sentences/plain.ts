import { listText, NUMBER_WORDS, numberSaid, ORDINAL_WORDS } from '../../words/words';
import { findKind, isSingleLight, ledColours, type PartKind, type StimulusKind } from '../../parts';

/** A part that a sentence may speak of. */
export interface Named {
  readonly ref: string;
  readonly kind: string;
  /** As a circuit writes it; the colour of an LED. */
  readonly value?: string;
}

/** What people call a part before or instead of its name. */
const CALLED =
  '(?:rgb led|led|lamp|light|buzzer|beeper|piezo|speaker|servo|motor|fan|pump|propeller|relay|button|switch|knob|potentiometer|pot|dial|slider|sensor|(?:(?:seven|7)[- ]segment )?display|digit|lcd|screen)';
const COLOUR = `(?:${ledColours.join('|')})`;
const ELSEWHERE = String.raw`\b(?! on (?:the board|[a-z]{1,4}\d))`;
/** `the red LED`, `red light`, `the green one`, where colours tell LEDs apart. */
const LED_OF_COLOUR = new RegExp(`\\b(?:the )?(${COLOUR}) (?:leds?|lamps?|lights?|one)${ELSEWHERE}`, 'gi');
/** `red, then green`: no colour is that of a light which can have any. */
const COLOUR_ALONE = new RegExp(`\\b(?:the )?(${COLOUR})${ELSEWHERE}`, 'gi');
const NUMBER = String.raw`\d+(?:\.\d+)?`;
/** A text in quotes, and what stands for it while the words around it are put in plain ones. */
const QUOTED = /["“][^"“”]*["”]|(?<![^ ,])'[^']*'(?![^ ,.])/g;
const PUT_BY = '\ue000';
/** A time that may stand before what it is about. */
const TIME = `(?:at|after|from|between|until|by|before) ${NUMBER} s(?: (?:to|and|until) ${NUMBER} s)?`;

/**
 * A sentence in plain words: numbers in figures, times in seconds, names in capitals without what they are called by,
 * and without “should” and “must”; a time stands behind what it is about. `parts`: where only one part is called so, its name stands for “the LED”.
 */
export function plainly(text: string, parts: readonly Named[]): string {
  const quoted: string[] = [];
  // What stands in quotes is what somebody reads, and speaks of no part and no time.
  const unquoted = text.trim().replace(QUOTED, (found) => {
    quoted.push(found.slice(1, -1));
    return `"${PUT_BY}"`;
  });
  let plain = ` ${unquoted.replace(/(?<![.\- ])[.!]$/, '').replace(/[\u00a0\s]+/g, ' ')} `;
  const put = (from: RegExp, to: string | ((...found: string[]) => string)): void => {
    plain = plain.replace(from, to as string);
  };
  put(
    new RegExp(
      `\\b(${NUMBER_WORDS.join('|')})\\b(?= (?:(?:to|or|and) (?:\\d+|${NUMBER_WORDS.join('|')}) )?(?:times?|press(?:es)?|pushes|clicks|s|secs?|seconds?|ms|milliseconds?)\\b)`,
      'gi',
    ),
    (word) => String(numberSaid(word)),
  );
  put(/\bhalf (?:a )?second\b/gi, '0.5 s');
  put(/\b(per|every|each|once a|twice a|times a) second\b/gi, '$1 sec');
  put(/\ba second\b(?! (?:time|press|push|led|lamp|light|button|one)\b)/gi, '1 s');
  put(new RegExp(`\\b(?:second|sec) (${NUMBER})\\b`, 'gi'), '$1 s');
  put(new RegExp(`(${NUMBER}) ?(?:milliseconds?|msecs?|ms)\\b`, 'gi'), (_, ms) => `${Number(ms) / 1000} s`);
  put(new RegExp(`(${NUMBER}) ?(?:seconds?|secs?|s)\\b`, 'gi'), '$1 s');
  put(new RegExp(`(${NUMBER}) ?(?:degrees?|deg)\\b`, 'gi'), '$1°');
  put(new RegExp(`(${NUMBER}) ?(?:per ?cent|percent|%)`, 'gi'), '$1 %');
  // “Between 20 and 40 cm” speaks of centimetres twice.
  put(
    new RegExp(`(?<![\\w.])(${NUMBER}) (and|to|or) (?=${NUMBER} ?(?:centimet(?:re|er)s?|cm)\\b)`, 'gi'),
    '$1 cm $2 ',
  );
  put(new RegExp(`(${NUMBER}) ?(?:centimet(?:re|er)s?|cm)\\b`, 'gi'), (_, cm) => `${Number(cm) / 100} m`);
  put(new RegExp(`(${NUMBER}) ?(?:met(?:re|er)s?|m)\\b`, 'gi'), '$1 m');
  put(
    /\b(?:(a quarter|half|three[- ]quarters)(?: of)?) (?:its |the )?(?:full |top )?(?=speed\b)/gi,
    (_, part) => `${{ a: 25, h: 50, t: 75 }[part![0]!.toLowerCase()]} % `,
  );
  put(/\b(is|are|does|do)n['’]t\b/gi, '$1 not');
  put(/\b(?:should|must|shall|will|has to|have to)(?: be)?\b/gi, (word) => (/be$/i.test(word) ? 'is' : ''));
  put(new RegExp(`\\b(?:the )?(?:${COLOUR} )?${CALLED} (?=[a-z]{1,4}\\d)`, 'gi'), '');
  put(
    /\b(?:the )?(?:built-? ?in|on-? ?board|internal|board['’]?s?(?: own)?) (?:led|lamp|light)\b/gi,
    'the board’s own LED',
  );
  put(/\bthe (?=[a-z]{1,4}\d)/gi, '');
  put(
    /(?<!from )\b([a-z]{1,4})(\d{1,4})(?: ?(?:to|[-–]|\.\.\.?|…) ?)\1(\d{1,4})\b/gi,
    (whole, letters, from, to) => listText(namesFrom(letters!, Number(from), Number(to), parts)) || whole,
  );
  put(
    new RegExp(
      `\\b(?:within )?(${NUMBER} s) (?:after|of|from) (?:the (?:start|beginning)|power-?up|reset)\\b`,
      'gi',
    ),
    'from $1',
  );
  put(new RegExp(`\\bfor at least (?=${NUMBER} s\\b)`, 'gi'), 'for ');
  put(
    new RegExp(
      `\\b(?:the )?(${CALLED})(?: (?:number|no\\.?)|) ?#?(\\d{1,2})\\b(?! ?(?:[.:]\\d|times?\\b|s\\b|%|°|m\\b|hz\\b|led|lamp))`,
      'gi',
    ),
    (whole, called, number) =>
      allCalled(called!, parts).find((name) => name.replace(/^\D+/, '') === number) ?? whole,
  );
  put(
    new RegExp(`\\b(?:the )?(${ORDINAL_WORDS.join('|')}|last) (${CALLED})\\b`, 'gi'),
    (whole, place, called) => {
      const names = allCalled(called!, parts);
      const index = /last/i.test(place!)
        ? names.length - 1
        : ORDINAL_WORDS.findIndex((word) => word === place!.toLowerCase());
      return (names.length > 1 ? names[index] : undefined) ?? whole;
    },
  );
  put(
    new RegExp(`\\bthe (${CALLED})\\b(?! on (?:the board|[a-z]{1,4}\\d))`, 'gi'),
    (whole, called) => onlyOne(called, parts) ?? whole,
  );
  put(/^ (?:it|the (?:board|program)) (?=(?:prints|writes|sends|outputs)\b)/i, ' ');
  // “Servo at 90°”: what a sentence begins with is what it is about.
  put(
    new RegExp(
      `^ (${CALLED})(?= (?:is|at|between|around|above|below|closed|closes|open|opens|pulls|clicks|turns|goes|stays|stands|reads|sounds|beeps|flashes|blinks|flickers|pressed|held|turned|released|follows|moves|swings|sweeps|points|runs|spins|stops|plays|chirps|buzzes|lights|fades|gets|shows|displays|comes|starts)\\b)`,
      'i',
    ),
    (whole, called) => (/^light$/i.test(called!) ? whole : ` ${onlyOne(called!, parts) ?? called!}`),
  );
  put(new RegExp(`^ (${NUMBER} s): (?=\\S)`), ' at $1 ');
  put(new RegExp(`^ (${TIME}),? (?!of )(.+) $`, 'i'), ' $2 $1 ');
  put(
    new RegExp(
      '^ (rgb led|led|lamp|buzzer|beeper|piezo|speaker|servo|motor|fan|pump|relay)(?= (?:on|off|lit|dark|silent)\\b)',
      'i',
    ),
    (_, called) => ` ${onlyOne(called!, parts) ?? called!}`,
  );
  put(/\bonly (?=(?:while|when|if|as long as)\b)/gi, '');
  const byColour = (whole: string, colour?: string): string => onlyOfColour(colour!, parts) ?? whole;
  put(LED_OF_COLOUR, byColour);
  if (!parts.some(({ kind }) => hasAnyColour(kind))) put(COLOUR_ALONE, byColour);
  put(/\bit (?=(?:shows|displays|reads|counts)\b)/gi, (whole) => {
    const display = onlyOne('display', parts);
    return display === undefined ? whole : `${display} `;
  });
  return plain
    .trim()
    .replace(/ +/g, ' ')
    .replace(/ ,/g, ',')
    .replaceAll(PUT_BY, () => quoted.shift()!);
}

/** `D1 to D4`: the names of a row, where each of them is a part. */
function namesFrom(letters: string, from: number, to: number, parts: readonly Named[]): readonly string[] {
  if (to <= from || to - from > MOST_IN_A_ROW) return [];
  const names = Array.from(
    { length: to - from + 1 },
    (_, index) => `${letters.toUpperCase()}${from + index}`,
  );
  return names.every((name) => parts.some(({ ref }) => ref === name)) ? names : [];
}
const MOST_IN_A_ROW = 100;

/** Whether a part of a kind shows figures in segments. */
export const showsFigures = ({ body }: Pick<PartKind, 'body'>): boolean => body === 'digit';

/** The name of the only part that may be called so. */
function onlyOne(called: string, parts: readonly Named[]): string | undefined {
  const [one, more] = allCalled(called, parts);
  return more === undefined ? one : undefined;
}

/** What a sentence calls a part without its name, and the parts that may be meant, where these are several. */
export function unclearIn(
  plain: string,
  parts: readonly Named[],
): { readonly called: string; readonly names: readonly string[] } | undefined {
  const [, named, first] =
    new RegExp(`\\bthe (${CALLED})\\b|^(${CALLED})(?= (?:is|blinks|flashes|on|off|lit|dark)\\b)`, 'i').exec(
      plain,
    ) ?? [];
  const called = named ?? first;
  const names = called === undefined ? [] : allCalled(called, parts);
  return called !== undefined && names.length > 1 ? { called, names } : undefined;
}

/** The names of all parts that may be called so. */
export function allCalled(called: string, parts: readonly Named[]): readonly string[] {
  const word = called.toLowerCase().replace(/^.*segment /, '');
  const fitting = parts.filter(({ kind }) => {
    // A board and its breadboard are among the parts too.
    const known = findKind(kind);
    if (!known) return false;
    const { observed, stimulus, title } = known;
    const isLight = observed === 'light' && !showsFigures(known);
    const byUse: Readonly<Record<string, boolean>> = {
      'rgb led': hasAnyColour(kind),
      led: isLight,
      lamp: isLight,
      light: isLight,
      buzzer: observed === 'sound',
      beeper: observed === 'sound',
      piezo: observed === 'sound',
      speaker: observed === 'sound',
      servo: observed === 'angle',
      motor: observed === 'turning',
      fan: observed === 'turning',
      pump: observed === 'turning',
      propeller: observed === 'turning',
      relay: observed === 'click',
      button: stimulus === 'press',
      switch: stimulus === 'turn' && title.includes('switch'),
      knob: stimulus === 'turn' && !title.includes('switch'),
      potentiometer: stimulus === 'turn' && !title.includes('switch'),
      pot: stimulus === 'turn' && !title.includes('switch'),
      dial: stimulus === 'turn' && !title.includes('switch'),
      slider: stimulus === 'turn' && !title.includes('switch'),
      sensor: stimulus !== undefined && stimulus !== 'press' && stimulus !== 'turn',
      display: observed === 'text' || showsFigures(known),
      lcd: observed === 'text',
      screen: observed === 'text',
      digit: showsFigures(known),
    };
    return byUse[word] ?? false;
  });
  // What has figures only is a digit, where another one shows texts.
  const texts = fitting.filter(({ kind }) => findKind(kind)?.observed === 'text');
  return (word === 'display' && texts.length > 0 ? texts : fitting).map(({ ref }) => ref);
}

const hasAnyColour = (kind: string): boolean =>
  findKind(kind)?.legs.some(({ name }) => name === 'red') ?? false;

/** What one calls yellow another calls amber. */
const ALIKE: readonly string[] = ['yellow', 'amber', 'orange'];

/** The only LED of a colour, where LEDs are of several. */
function onlyOfColour(colour: string, parts: readonly Named[]): string | undefined {
  const lit = parts.filter((part) => findKind(part.kind) && isSingleLight(part));
  const of = (words: readonly string[]): readonly Named[] =>
    lit.filter(({ value }) => value?.split(' ').some((word) => words.includes(word)));
  const exactly = of([colour.toLowerCase()]);
  const fitting = exactly.length > 0 || !ALIKE.includes(colour.toLowerCase()) ? exactly : of(ALIKE);
  return fitting.length === 1 ? fitting[0]!.ref : undefined;
}

/** The names of all LEDs of one colour. */
export const lightsIn = (parts: readonly Named[]): readonly string[] =>
  parts.filter((part) => findKind(part.kind) && isSingleLight(part)).map(({ ref }) => ref);

/** The lights of a row from one to another, either way round. */
export function lightsBetween(from: string, to: string, parts: readonly Named[]): readonly string[] {
  const lights = lightsIn(parts);
  const [first, last] = [lights.indexOf(from.toUpperCase()), lights.indexOf(to.toUpperCase())];
  if (first < 0 || last < 0) return [];
  return first <= last ? lights.slice(first, last + 1) : lights.slice(last, first + 1).toReversed();
}

/** The only part to which something is done in that way. */
export function onlyTouched(how: StimulusKind, parts: readonly Named[]): string | undefined {
  const fitting = parts.filter(({ kind }) => findKind(kind)?.stimulus === how);
  return fitting.length === 1 ? fitting[0]!.ref : undefined;
}

/** Whether a part of this name is a switch: it stays where it is moved to. */
export const isSwitch = (name: string, parts: readonly Named[]): boolean =>
  parts.some(({ ref, kind }) => ref === name.toUpperCase() && findKind(kind)?.contact === 'latching');

/** Whether there is a part of this name to which something is done in that way. */
export const isKnownTouched = (name: string, how: StimulusKind, parts: readonly Named[]): boolean =>
  parts.some(({ ref, kind }) => ref === name.toUpperCase() && findKind(kind)?.stimulus === how);

/** Names of parts in a row: `D1, D2 and D3`. */
export const NAMES = String.raw`[A-Za-z]{1,4}\d{1,4}(?:\.[a-z]\w*)?`;

/** A number of seconds without the rest of a difference of decimal numbers. */
export const timed = (seconds: number): number => Number(seconds.toFixed(6));
