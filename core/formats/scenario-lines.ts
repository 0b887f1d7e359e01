import { fail, ok, type Result } from '../result';
import {
  expectationSchema,
  lampColourNames,
  stimulusSchema,
  type Expectation,
  type Stimulus,
} from './scenario';

const number = String.raw`(\d+(?:\.\d+)?)`;
const name = String.raw`([a-z]{1,4}\d{0,4})`;
const tidy = (text: string): string =>
  text
    .trim()
    .replace(/(?<![.#/])\.$/, '')
    .replace(/[\u00a0]/g, ' ');
const pattern = (text: string): RegExp => new RegExp(`^${text}$`, 'i');

/**
 * Reads an expectation as `expectationSentence` writes it, and as people say it: `D1 lit 0.5 s, dark 2.5 s`,
 * `D1 is on`, `D1 flashes 3 times`, `D1 and D2 never together`, `D1, then D2 in turn`, `prints "tide"`, each
 * with `from 2 s to 6 s` and `give or take 10 %` behind it where wanted.
 */
export function readExpectation(text: string): Result<Expectation> {
  const data = expectationData(tidy(text));
  if (!data)
    return fail({
      message: `“${text.trim()}” is not understood. Write it like “D1 lit 0.5 s, dark 2.5 s”, “D1 is on”, “D1 flashes 3 times”, “D1 goes on within 0.1 s of S1”, “M1 stands at 90°”, “Z1 sounds” or “prints "tide"”.`,
      typed: text,
    });
  const read = expectationSchema.safeParse(data);
  return read.success ? ok(read.data) : fail({ message: read.error.issues[0]!.message, typed: text });
}

function expectationData(typed: string): Record<string, unknown> | undefined {
  const chance = new RegExp(
    `^one of \\((.*)\\), ${number} different ones? in ${number} runs(?:, from ${number} s)?$`,
    'i',
  ).exec(typed);
  if (chance) {
    const outcomes = chance[1]!.split(/; */).map((outcome) => expectationData(outcome));
    if (outcomes.includes(undefined)) return undefined;
    return {
      'one-of': outcomes,
      variety: Number(chance[2]),
      over: Number(chance[3]),
      ...(chance[4] === undefined ? {} : { from: Number(chance[4]) }),
    };
  }
  const tolerance = new RegExp(`,? *give or take ${number} *%$`, 'i').exec(typed);
  const untold = tolerance ? typed.slice(0, tolerance.index) : typed;
  const range = new RegExp(`,? *from ${number} *s?(?: to ${number} *s?)?$`, 'i').exec(untold);
  const base = kernel((range ? untold.slice(0, range.index) : untold).trim());
  return (
    base && {
      ...base,
      ...(range
        ? { from: Number(range[1]), ...(range[2] === undefined ? {} : { to: Number(range[2]) }) }
        : {}),
      ...(tolerance ? { tolerance: Number(tolerance[1]) / 100 } : {}),
    }
  );
}

function kernel(text: string): Record<string, unknown> | undefined {
  const prints = /^(?:prints|the serial text (contains|equals|matches)) *[“"']([\s\S]*)[”"']$/i.exec(text);
  if (prints) return { serial: prints[1]?.toLowerCase() ?? 'contains', text: prints[2] };
  if (/\bnever\b.*\btogether$/i.test(text)) return { 'never-together': namesIn(text) };
  if (/\bthen\b/i.test(text) && namesIn(text).length > 1) return { order: namesIn(text) };
  const subject = /^([a-z]{1,4}\d{1,4})(\.[a-z][a-z0-9]*)?\b/i.exec(text);
  if (!subject) return undefined;
  const part = subject[1]!.toUpperCase();
  const light = part + (subject[2]?.toLowerCase() ?? '');
  const rest = text.slice(subject[0].length).trim();
  return ofModule(part, rest) ?? ofResponse(light, rest) ?? ofLamp(light, rest.toLowerCase());
}

function ofModule(part: string, rest: string): Record<string, unknown> | undefined {
  const angle = pattern(`stands at ${number} *°?`).exec(rest);
  if (angle) return { servo: part, angle: Number(angle[1]) };
  const tone = pattern(`sounds (?:at|with) ${number} *hz`).exec(rest);
  if (tone) return { buzzer: part, tone: Number(tone[1]) };
  const sound = /^(sounds|is silent|keeps silent)(?: all the time)?$/i.exec(rest);
  if (sound) return { buzzer: part, is: sound[1]!.toLowerCase() === 'sounds' ? 'on' : 'off' };
  const picture = /^shows ([.#/]+)$/i.exec(rest);
  if (picture) return { panel: part, picture: picture[1]!.split('/') };
  const reads = /^reads ((?:[“"'][^”"']*[”"'](?: *\/ *)?)+)$/i.exec(rest);
  if (reads)
    return { display: part, text: [...reads[1]!.matchAll(/[“"']([^”"']*)[”"']/g)].map((line) => line[1]) };
  return undefined;
}

function ofResponse(light: string, rest: string): Record<string, unknown> | undefined {
  const read = pattern(`(goes on|goes off|changes) within ${number} *s of ${name}`).exec(rest);
  if (!read) return undefined;
  const how = read[1]!.toLowerCase();
  return {
    responds: light,
    to: read[3]!.toUpperCase(),
    within: Number(read[2]),
    then: how === 'changes' ? 'changed' : how.slice('goes '.length),
  };
}

function ofLamp(lamp: string, rest: string): Record<string, unknown> | undefined {
  const times = [...rest.matchAll(new RegExp(`(lit|on|flash(?:es)?|dark|off) *(?:for *)?${number} *s`, 'g'))];
  if (times.length >= 2) return { lamp, rhythm: times.map((match) => Number(match[2])) };
  const flashes =
    /^flash(?:es)? (\d+)(?: times?)?$/.exec(rest) ?? (/^flashes once$/.test(rest) ? ['', '1'] : null);
  if (flashes) return { lamp, flashes: Number(flashes[1]) };
  const bright = pattern(`(?:is )?between ${number} and ${number} *% bright`).exec(rest);
  if (bright) return { lamp, brightness: [Number(bright[1]) / 100, Number(bright[2]) / 100] };
  const slope = /^gets (brighter|darker)$/.exec(rest);
  if (slope) return { lamp, [slope[1] === 'brighter' ? 'rises' : 'falls']: true };
  const colour = /^(?:is|shows) ([a-z]+)$/.exec(rest)?.[1];
  if (lampColourNames.some((known) => known === colour)) return { lamp, colour };
  const state = /^(?:is|stays) (on|lit|off|dark)(?: all the time)?$/.exec(rest);
  return state ? { lamp, is: state[1] === 'on' || state[1] === 'lit' ? 'on' : 'off' } : undefined;
}

const namesIn = (text: string): readonly string[] =>
  [...text.matchAll(/\b([a-z]{1,4}\d{1,4})(\.[a-z][a-z0-9]*)?\b/gi)].map(
    (match) => match[1]!.toUpperCase() + (match[2]?.toLowerCase() ?? ''),
  );

const over = `(?: over ${number} *s)?`;
const lasting = `(?: for ${number} *s)?`;
const at = ` at ${number} *s`;
const optional = (key: string, value: string | undefined): Record<string, unknown> =>
  value === undefined ? {} : { [key]: Number(value) };
const upper = (text: string | undefined): string => text!.toUpperCase();

/** How each stimulus is said, and what the groups of its sentence are. */
const stimulusForms: readonly (readonly [RegExp, (groups: readonly string[]) => Record<string, unknown>])[] =
  [
    [
      pattern(`press ${name}${at}${lasting}`),
      ([, part, moment, time]) => ({ at: Number(moment), press: upper(part), ...optional('for', time) }),
    ],
    [
      pattern(`hold ${name} from ${number} *s(?: to ${number} *s)?`),
      ([, part, from, to]) => ({
        at: Number(from),
        press: upper(part),
        ...(to === undefined ? {} : { for: Number(to) - Number(from) }),
      }),
    ],
    [
      pattern(`turn ${name} to ${number}${at}${over}`),
      ([, part, to, moment, time]) => ({
        at: Number(moment),
        turn: upper(part),
        to: Number(to),
        ...optional('over', time),
      }),
    ],
    [
      pattern(`light on ${name} to ${number}${at}${over}`),
      ([, part, to, moment, time]) => ({
        at: Number(moment),
        light: upper(part),
        to: Number(to),
        ...optional('over', time),
      }),
    ],
    [
      pattern(`warm ${name} to (-?\\d+(?:\\.\\d+)?) *(?:°c)?${at}${over}`),
      ([, part, to, moment, time]) => ({
        at: Number(moment),
        warm: upper(part),
        to: Number(to),
        ...optional('over', time),
      }),
    ],
    [
      pattern(`something ${number} *m before ${name}${at}${over}`),
      ([, to, part, moment, time]) => ({
        at: Number(moment),
        distance: upper(part),
        to: Number(to),
        ...optional('over', time),
      }),
    ],
    [
      pattern(`something moves before ${name}${at}${lasting}`),
      ([, part, moment, time]) => ({ at: Number(moment), motion: upper(part), ...optional('for', time) }),
    ],
    [
      pattern(`type [“"']([^”"']*)[”"']( and return)?${at}`),
      ([, text, line, moment]) => ({
        at: Number(moment),
        serial: `${text}${line === undefined ? '' : '\n'}`,
      }),
    ],
    [pattern(`press the board['’]s reset${at}`), ([, moment]) => ({ at: Number(moment), reset: true })],
    [
      pattern(`supply (on|off)${at}`),
      ([, state, moment]) => ({ at: Number(moment), supply: state!.toLowerCase() }),
    ],
  ];

/** Reads a stimulus as `stimulusSentence` writes it: `press S1 at 2 s for 0.3 s`. */
export function readStimulus(text: string): Result<Stimulus> {
  const typed = tidy(text);
  for (const [form, make] of stimulusForms) {
    const match = form.exec(typed);
    if (!match) continue;
    const read = stimulusSchema.safeParse(make(match));
    return read.success ? ok(read.data) : fail({ message: read.error.issues[0]!.message, typed: text });
  }
  return fail({
    message: `“${text.trim()}” is not understood. Write it like “press S1 at 2 s for 0.3 s”, “turn P1 to 0.5 at 1 s”, “light on L1 to 0.2 at 1 s”, “type "on" and return at 3 s” or “press the board's reset at 5 s”.`,
    typed: text,
  });
}
