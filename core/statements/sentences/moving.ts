import { observedOf } from './on-off';
import { NAMES, type Named } from './plain';
import { SECONDS } from './way';

const ANGLE = String.raw`(\d+(?:\.\d+)?)(?: ?°)?(?! ?s\b)`;
const HOW =
  '(?: (?:slowly|smoothly|steadily|gently|back and forth|to and fro|up and down|left and right|over and over|again and again))*';
const TO_AND_FRO = /\b(?:back and forth|to and fro|up and down|left and right|and back)\b/i;
/** Degrees of a servo that is said to sweep without how far. */
const WHOLE = [0, 180] as const;

/** How fast a motor turns that is said to turn so, in percent, and how much it may be off. */
const SPEEDS: Readonly<Record<string, readonly [percent: number, slack: number]>> = {
  slowly: [30, 25],
  fast: [85, 25],
  quickly: [85, 25],
  'at full speed': [100, 15],
  'at top speed': [100, 15],
};

/**
 * What is said of a servo that sweeps, or of a motor that turns so fast, as the sentence for it: `M1 swings between 45
 * and 135`, `M2 turns slowly`. `undefined` for anything else.
 */
export function asMoving(plain: string, parts: readonly Named[]): string | undefined {
  const subject = new RegExp(`^(${NAMES}) `).exec(plain)?.[1];
  const seen = subject === undefined ? undefined : observedOf(subject, parts);
  if (subject === undefined) return undefined;
  if (seen === 'turning') return atSpeed(plain, subject);
  return seen === 'angle' || (seen === undefined && /^\S+ sweeps?\b/i.test(plain))
    ? sweeping(plain, subject)
    : undefined;
}

function sweeping(plain: string, subject: string): string | undefined {
  const found = new RegExp(
    `^\\S+ (?:sweep|swing|move|turn|go|travel|rotate|pan|scan)(?:e?s)?(${HOW}) (from|between) ${ANGLE} (?:to|and) ${ANGLE}(.*)$`,
    'i',
  ).exec(plain);
  if (!found) {
    const [, how = '', range, tail = ''] =
      new RegExp(
        `^\\S+ sweeps?(${HOW})( (?:over )?(?:its|the) (?:full|whole) range)?((?: (?:from|until|after|in) .*)?)$`,
        'i',
      ).exec(plain) ?? [];
    return how === '' && range === undefined && !/^\S+ sweeps?$/i.test(plain.replace(tail, ''))
      ? undefined
      : `${subject} sweeps from ${WHOLE[0]}° to ${WHOLE[1]}° and back${tail}`;
  }
  const [, how = '', between = '', from, to, rest = ''] = found;
  const takes = new RegExp(
    `^(.*?)(?: in| within| over)(?: about)? ${SECONDS}(?: each(?: way)?)?(.*)$`,
    'i',
  ).exec(rest);
  const [before, seconds, after] = takes ? [takes[1]!, takes[2], takes[3]!] : [rest, undefined, ''];
  const isBack = /between/i.test(between) || TO_AND_FRO.test(`${how}${before}${after}`);
  const tail = `${before}${after}`
    .replace(/,? (?:and )?(?:then )?(?:and )?back(?: again)?(?: and forth)?(?: to \d+ ?°?)?\b/i, '')
    .replace(new RegExp(`^,?${HOW}`, 'i'), '');
  return `${subject} sweeps from ${from}° to ${to}°${isBack ? ' and back' : ''}${seconds === undefined ? '' : ` in ${seconds} s`}${tail}`;
}

function atSpeed(plain: string, subject: string): string | undefined {
  const way = '(?: (?:for|back)wards?)?';
  const found = new RegExp(
    `^\\S+ (?:turn|run|spin|go|move)e?s(${way}) (slowly|fast|quickly|at (?:full|top) speed)(${way})((?: (?:from|until|after) .*)?)$`,
    'i',
  ).exec(plain);
  const speed = found && SPEEDS[found[2]!.toLowerCase()];
  if (!found || !speed) return undefined;
  const isBackwards = /back/i.test(`${found[1]}${found[3]}`);
  return `${subject} turns ${isBackwards ? 'backwards' : 'forwards'} at ${speed[0]} % of its speed${found[4]}, give or take ${speed[1]} %`;
}
