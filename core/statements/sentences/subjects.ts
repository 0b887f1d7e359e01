import { definitionOf, partsOfExpectation, type Expectation } from '../../expectations';
import { findKind } from '../../parts';
import { listText, withArticle } from '../../words/words';
import { doingOf, examplesOf, quotedList } from './examples';
import { NAMES, onlyTouched, showsFigures, type Named } from './plain';

/** `after the press`, where only one part is pressed. */
export function aboutThePress(plain: string, parts: readonly Named[]): string {
  const pressed = onlyTouched('press', parts);
  return pressed === undefined
    ? plain
    : plain.replace(/\b(?:the|a|each|every) (?:button )?press\b(?! of)/i, pressed);
}

/** What is said of a part that nothing is seen of, as of a diode that has the name that an LED might have. */
export function unseenIn(sentence: string, parts: readonly Named[]): string | undefined {
  const subject = new RegExp(`^(${NAMES}) (?!is (?:not )?(?:connected|watched))`, 'i')
    .exec(sentence)?.[1]
    ?.toUpperCase();
  const part = parts.find(({ ref }) => ref === subject);
  const kind = part && findKind(part.kind);
  if (!kind || kind.observed || kind.stimulus) return undefined;
  const alike = parts
    .filter(({ ref }) => ref.charAt(0) === part.ref.charAt(0))
    .filter((other) => findKind(other.kind)?.observed !== undefined)
    .map(({ ref }) => ref);
  const instead =
    alike.length === 0 ? '' : ` ${listText(alike)} ${alike.length === 1 ? 'is' : 'are'} seen here.`;
  return `${part.ref} is ${withArticle(kind.title)}: nothing is seen of it.${instead}`;
}

/** Why an LED that is spoken of is none: it is a part that is handled, and what is done to it is said elsewhere. */
export function handledIn(read: readonly Expectation[], parts: readonly Named[]): string | undefined {
  for (const expectation of read) {
    const used = 'after' in expectation ? parts.find(({ ref }) => ref === expectation.after) : undefined;
    if (used && findKind(used.kind)?.stimulus === undefined)
      return `Nothing is done to ${used.ref}, so say when it begins: “from 1 s”, or after what is pressed.`;
    const name = 'lamp' in expectation ? expectation.lamp.replace(/\..*/, '') : undefined;
    const part = parts.find(({ ref }) => ref === name);
    const kind = part && findKind(part.kind);
    if (!part || !kind?.stimulus || kind.observed !== undefined) continue;
    const done = doingOf(part);
    return `${name} is ${withArticle(kind.title)}: nothing is seen of it. What is done to it is said in the lines above, as “${done ?? ''}”.`;
  }
  return undefined;
}

/** Why something cannot be seen of the part that is spoken of: a servo is neither on nor off. */
export function unlikeIts(read: readonly Expectation[], parts: readonly Named[]): string | undefined {
  for (const expectation of read) {
    const fits: readonly (string | undefined)[] | undefined =
      definitionOf(expectation).exampleOf ?? ('lamp' in expectation ? ['light'] : undefined);
    const name = partsOfExpectation(expectation)[0]?.replace(/\..*/, '');
    const part = parts.find(({ ref }) => ref === name);
    const kind = part && findKind(part.kind);
    if (!part || kind?.observed === undefined || !fits || fits.includes(kind.observed)) continue;
    const own = examplesOf(part, parts);
    return `${part.ref} is ${withArticle(kind.title)}.${own.length === 0 ? '' : ` Of it you can say ${quotedList(own)}.`}`;
  }
  return undefined;
}

const OF_LEDS =
  /^(?:(all|both)(?: of)?(?: the)?(?: (?:two|three|four|five|six|seven|eight|nine|ten|\d+))?|the) (?:leds|lights|lamps)\b|^(all|both)(?: of them)?(?= (?:are |stay |go )?(?:on|off|lit|dark|out)\b)/i;
/** `neither D1 nor D2 is lit`. */
const NEITHER_OF_TWO = new RegExp(
  `^neither (${NAMES}) n?or (${NAMES}) (?:(?:is|are|goes|comes) (?:ever )?(?:on|lit)|(?:ever )?(?:lights? up|shines?|glows?))\\b(.*)$`,
  'i',
);

const OF_ALL =
  /^(?:everything|all of it|it all|all) (?=(?:is|goes|stays|turns) (?:off|dark|out)\b)|^nothing (?=(?:is (?:on|lit|off)|happens|lights(?: up)?|shines|is seen)\b)/i;

/** `neither is lit`, `no LED comes on`: what none of them does is what all of them leave. */
const OF_NO_LED =
  /^(neither(?: of (?:them|the (?:two )?(?:leds|lights|lamps))| led| light| lamp)?|none(?: of (?:them|the (?:leds|lights|lamps)))?|no (?:leds?|lights?|lamps?)) (?:(?:is|are|goes|comes) (?:ever )?(?:on|lit)\b|(?:ever )?(?:lights? up|shines?|glows?)\b)/i;

/** `all LEDs are off`, `everything is off`, `nothing happens`, `no sound`: the parts that are meant, by their names. */
export function aboutAll(plain: string, parts: readonly Named[]): string {
  const observed = (what: readonly string[]): readonly string[] =>
    parts.flatMap(({ ref, kind }) => (what.includes(findKind(kind)?.observed ?? '') ? [ref] : []));
  const leds = observed(['light']).filter((name) => {
    const kind = findKind(parts.find(({ ref }) => ref === name)?.kind ?? '');
    return kind !== undefined && !showsFigures(kind);
  });
  const all = observed(['light', 'sound', 'turning']);
  const said = (names: readonly string[], rest: string): string =>
    `${listText(names)} ${names.length === 1 ? rest.trim().replace(/^are\b/i, 'is') : rest.trim()}`;
  const [, one, other, behind = ''] = NEITHER_OF_TWO.exec(plain) ?? [];
  if (one !== undefined) return `${one} and ${other} are off${behind}`;
  const [ofNone, none] = OF_NO_LED.exec(plain) ?? [];
  if (ofNone && leds.length > 0 && (!/^neither/i.test(none!) || leds.length === 2))
    return said(leds, `are off${plain.slice(ofNone.length)}`);
  const [ofLeds, ofKind, alone] = OF_LEDS.exec(plain) ?? [];
  const how = ofKind ?? alone;
  if (ofLeds && leds.length > 0 && (how?.toLowerCase() !== 'both' || leds.length === 2))
    return said(leds, plain.slice(ofLeds.length));
  const [ofAll] = OF_ALL.exec(plain) ?? [];
  const meant = /^nothing (?:is lit|lights|shines)/i.test(plain) && leds.length > 0 ? leds : all;
  if (ofAll && meant.length > 0)
    return said(
      meant,
      plain
        .slice(ofAll.length)
        .replace(
          /^(?:is|are|goes|stays|turns) (?:off|dark|out|on|lit)\b|^(?:happens|lights(?: up)?|shines|is seen)\b/i,
          'are off',
        )
        // Not everything is on from then on.
        .replace(/\b(?:until|till) (?!\d)/i, 'before '),
    );
  const silent = /^(?:no sound|silence)\b/i.exec(plain)?.[0];
  const sounding = observed(['sound']);
  return silent && sounding.length > 0 ? said(sounding, `are silent${plain.slice(silent.length)}`) : plain;
}
