import { expectationDefinitions } from '../../expectations';
import { findKind, type Observed, type StimulusKind } from '../../parts';
import { fail, type Result } from '../../result';
import { isMeasured, stimulusDefinitions } from '../../stimuli';
import { listText } from '../../words/words';
import { NAMES, onlyTouched, showsFigures, unclearIn, type Named } from './plain';

/** Examples that are shown at once. */
const MOST = 4;

/** An example that speaks of a part. */
const NAMED = new RegExp(`^${NAMES} `);

const OF_PRINTING = /\bprint(?:s|ed)?\b|\bserial\b/i;
/** Examples of what a board prints. */
const PRINTING = expectationDefinitions
  .flatMap(({ example }) => (example?.startsWith('prints ') ? [example] : []))
  .slice(0, MOST);

/** `“a”, “b” or “c”`. */
export const quotedList = (sentences: readonly string[]): string => {
  const quoted = sentences.map((sentence) => `“${sentence}”`);
  return quoted.length < 2 ? quoted.join('') : `${quoted.slice(0, -1).join(', ')} or ${quoted.at(-1)}`;
};

/** What is measured in words that name no sensor, and what such sensors are called. */
const MEASURED: readonly (readonly [words: RegExp, how: StimulusKind, called: string])[] = [
  [
    /\b(?:some|any|no)(?:thing|one|body) (?:is |comes |gets )?(?:\w+ )?(?:close|closer|near|nearer|far|farther|further|away|within|at|in front)\b|\bdistance\b(?! sensor)|\bhand\b/i,
    'distance',
    'distance sensor',
  ],
  [
    /\b(?:dark|bright|darker|brighter|lighter|brightness|light(?! is (?:on|off)))\b/i,
    'light',
    'light sensor',
  ],
  [
    /\b(?:warm|warmer|cold|colder|hot|hotter|cool|cooler|temperature|degrees)\b|°/i,
    'warm',
    'temperature sensor',
  ],
  [/\b(?:some|any|no)(?:one|body|thing)\b|\bmo(?:ves?|tion|vement)\b/i, 'motion', 'motion sensor'],
];

/** The question which part a sentence means, where it names none and several may be meant. */
function whichIsMeant(plain: string, parts: readonly Named[]): string | undefined {
  const asked = (called: string, names: readonly string[]): string =>
    `Which ${called} is meant? There are ${listText(names)}.`;
  const unclear = unclearIn(plain, parts);
  if (unclear) return asked(unclear.called, unclear.names);
  const condition = CONDITION.exec(plain)?.[1] ?? '';
  for (const [words, how, called] of MEASURED) {
    const names = parts.flatMap(({ ref, kind }) => (findKind(kind)?.stimulus === how ? [ref] : []));
    const isNamed = names.some((name) => plain.split(/\W+/).includes(name));
    if (names.length > 1 && !isNamed && words.test(condition)) return asked(called, names);
  }
  return undefined;
}
/** What comes behind the word that begins a condition. */
const CONDITION = /\b(?:when|whenever|if|while|until|unless|as long as|once) (.+)$/i;

/**
 * The answer to a sentence that nothing understands: what can be said of the part that it is about, or of the parts
 * that are there.
 */
export function notUnderstoodOf(typed: string, plain: string, parts: readonly Named[]): Result<never> {
  const question = whichIsMeant(plain, parts);
  if (question !== undefined) return fail({ message: question, typed });
  if (OF_PRINTING.test(plain))
    return fail({
      message: `“${typed.trim()}” is not understood. Of what is printed you can say ${quotedList(PRINTING)}.`,
      typed,
    });
  const named = (plain.match(new RegExp(NAMES, 'g')) ?? []).map((name) => name.toUpperCase());
  const subject = parts.find(
    ({ ref, kind }) => named.includes(ref) && findKind(kind)?.observed !== undefined,
  );
  const own = subject ? examplesOf(subject, parts) : [];
  if (subject && own.length > 0)
    return fail({
      message: `“${typed.trim()}” is not understood. Of ${subject.ref} you can say ${quotedList(own)}.`,
      typed,
    });
  return fail({
    message: `“${typed.trim()}” is not understood. Write it like ${quotedList(examplesSeen(parts))}.`,
    typed,
  });
}

/** What can be seen of the parts that are there, an example or two of each sort. */
export function examplesSeen(parts: readonly Named[]): readonly string[] {
  const seen = parts.filter(({ kind }) => findKind(kind)?.observed !== undefined);
  const first = seen.filter(
    ({ kind }, index) =>
      seen.findIndex((other) => findKind(other.kind)?.observed === findKind(kind)?.observed) === index,
  );
  const general = expectationDefinitions.flatMap(({ example, exampleOf }) =>
    example !== undefined && exampleOf === undefined && !NAMED.test(example) ? [example] : [],
  );
  return [...first.flatMap((part) => examplesOf(part, parts).slice(0, 2)), ...general].slice(0, MOST);
}

/** What can be said of a part, with the names of the parts that are there. */
export function examplesOf(part: Named, parts: readonly Named[]): readonly string[] {
  const kind = findKind(part.kind);
  const observed = kind?.observed;
  if (!kind || observed === undefined) return [];
  return expectationDefinitions
    .flatMap(({ example, exampleOf }) =>
      example !== undefined && (exampleOf as readonly Observed[] | undefined)?.includes(observed)
        ? (withNames(example, part, parts) ?? [])
        : [],
    )
    .filter((example) => showsFigures(kind) === / shows /.test(example))
    .slice(0, MOST);
}

/** An example with other names; `undefined` where a part that it speaks of is not there. */
function withNames(example: string, part: Named, parts: readonly Named[]): string | undefined {
  const [, subject = '', rest = ''] = new RegExp(`^(${NAMES})(.*)$`).exec(example) ?? [];
  const pressed =
    onlyTouched('press', parts) ?? parts.find(({ kind }) => findKind(kind)?.stimulus === 'press')?.ref;
  const moved = parts.find(({ kind }) => {
    const how = findKind(kind)?.stimulus;
    return how !== undefined && isMeasured(how);
  })?.ref;
  if (subject === '' || (/\bS1\b/.test(rest) && !pressed) || (/\bP1\b/.test(rest) && !moved))
    return undefined;
  return `${part.ref}${rest.replace(/\bS1\b/, pressed ?? '').replace(/\bP1\b/, moved ?? '')}`;
}

/** What a thermometer is, without a figure. */
const OF_WARMTH = /\b(?:cold|cool|warm|hot)$/i;

/** The answer to something done that nothing understands: what can be done to the parts that are there. */
export function notDone(typed: string, plain: string, parts: readonly Named[]): Result<never> {
  const question = whichIsMeant(
    plain.replace(/\b(?:an?|any|one) (?=button|switch|sensor|knob)/i, 'the '),
    parts,
  );
  if (question !== undefined) return fail({ message: question, typed });
  const named = (plain.match(new RegExp(NAMES, 'g')) ?? []).map((name) => name.toUpperCase());
  const handled = parts.filter(({ kind }) => findKind(kind)?.stimulus !== undefined);
  const subject = handled.find(({ ref }) => named.includes(ref));
  const own = subject && doingOf(subject);
  if (subject && own !== undefined) {
    const isWarmth = findKind(subject.kind)?.stimulus === 'warm' && OF_WARMTH.test(plain);
    return fail({
      message: `“${typed.trim()}” is not understood. ${isWarmth ? `Say how warm ${subject.ref} is, as` : `Of ${subject.ref} you can say`} “${own}”.`,
      typed,
    });
  }
  const first = handled.filter(
    ({ kind }, index) =>
      handled.findIndex((other) => findKind(other.kind)?.stimulus === findKind(kind)?.stimulus) === index,
  );
  const general = stimulusDefinitions.flatMap(({ touches, example }) =>
    touches === undefined ? [example] : [],
  );
  const examples = [...first.flatMap((part) => doingOf(part) ?? []), ...general].slice(0, MOST);
  return fail({
    message: `“${typed.trim()}” is not understood. Write it like ${quotedList(examples)}.`,
    typed,
  });
}

/** What is done to a part, as an example with its name. */
export const doingOf = ({ ref, kind }: Named): string | undefined =>
  findKind(kind)?.contact === 'latching'
    ? `switch ${ref} on at 1 s`
    : stimulusDefinitions
        .find(({ touches }) => touches !== undefined && touches === findKind(kind)?.stimulus)
        ?.example.replace(/\b[A-Z]\d\b/, ref);
