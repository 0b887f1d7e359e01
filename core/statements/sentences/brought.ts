import { findKind, type StimulusKind } from '../../parts';
import { readStimulus } from '../../stimuli';
import { NAMES, onlyTouched, timed, type Named } from './plain';
import { broughtTo } from './quantities';
import { fromEndToEnd, rampOf } from './ramps';
import { SECONDS } from './way';

/** Seconds between two things that are done one after the other. */
export const BETWEEN = 1;

/** What is moved from one place to another: brought to the first, and from there to the other. */
export function ramped(text: string, parts: readonly Named[], usual: number): readonly string[] | undefined {
  const [whole, back] = fromEndToEnd(text);
  const ramp = rampOf(whole!, usual);
  if (!ramp) return undefined;
  const { what, from, to, at, over, standsFrom } = ramp;
  const returns = back === undefined ? [] : measured(back, parts, timed(at + over + BETWEEN));
  const [first, second] = [
    `${what} ${from} at ${standsFrom} s`,
    `${what} ${to} at ${at} s over ${over} s`,
  ].map((sentence) => measured(sentence, parts, usual));
  return first && second && returns ? [...first, ...second, ...returns] : undefined;
}

/** Light, warmth and knobs by what they are brought to. */
export function measured(
  text: string,
  parts: readonly Named[],
  usual: number,
): readonly string[] | undefined {
  const over = new RegExp(`(?: (?:over|within|in) ${SECONDS}| slowly)$`, 'i').exec(text);
  const length = over && (over[1] ?? '2');
  const body = over ? text.slice(0, over.index) : text;
  const when = new RegExp(`(?: at| after|, at) ${SECONDS}$`, 'i').exec(body);
  const what = when ? body.slice(0, when.index) : body;
  // What is so is so from the start; what becomes so does when there was time to see how it was.
  const isPassive = new RegExp(`^${NAMES} (?:is )?(?:turned|set|brought|moved)\\b`, 'i').test(what);
  const isState = (isPassive || (/\b(?:is|at)\b/i.test(what) && !BECOMES.test(what))) && !over;
  const tail = ` at ${when?.[1] ?? (isState ? 0 : usual)} s${length === null ? '' : ` over ${length} s`}`;
  const sensor = onlyTouched('light', parts);
  const dark = '(?:dark|night)';
  const bright = '(?:bright|light|day)';
  const room = new RegExp(
    `^(?:(?:it|the room) (?:is|gets|is getting|becomes|turns|grows)|make (?:it|the room)) (?:(${dark})|${bright})$`,
    'i',
  ).exec(what);
  if (room && sensor) return [`light on ${sensor} to ${room[1] ? DARK : BRIGHT}${tail}`];
  const covered = new RegExp(
    `^(?:(cover|shade|darken)|uncover|shine (?:(?:a|the|your) (?:light|torch|lamp|flashlight) )?(?:on|onto|at)|light up) (${NAMES})(?: with (?:your|a|my|the) (?:hand|finger|palm|paper|book))?$`,
    'i',
  ).exec(what);
  if (covered && isTouched(covered[2]!, 'light', parts))
    return [`light on ${covered[2]} to ${covered[1] ? DARK : BRIGHT}${tail}`];
  const its = new RegExp(
    `^(?:(${NAMES}) (?:is|gets) (?:in the )?|it (?:is|gets) (?=\\w+ (?:at|on|for|near) (${NAMES})$))(?:(dark|covered)|bright|light|uncovered)(?: (?:at|on|for|near) ${NAMES})?$`,
    'i',
  ).exec(what);
  const shaded = its && (its[1] ?? its[2]!);
  if (its && shaded && isTouched(shaded, 'light', parts))
    return [`light on ${shaded} to ${its[3] ? DARK : BRIGHT}${tail}`];
  const warmth = new RegExp(
    `^(?:it (?:is|gets)|(${NAMES}) (?:is|gets)(?: at)?|(?:warm|heat|cool|bring)(?: up| down)? (${NAMES}) (?:up |down )?to) (-?\\d+(?:\\.\\d+)?)(?: ?°(?: ?c)?| ?c)?$`,
    'i',
  ).exec(what);
  const thermometer = warmth?.[1] ?? warmth?.[2] ?? onlyTouched('warm', parts);
  if (warmth && thermometer && isTouched(thermometer, 'warm', parts))
    return [`warm ${thermometer} to ${warmth[3]} °C${tail}`];
  const turned = new RegExp(
    `^(?:(?:turn|set|bring|move) (${NAMES})|(${NAMES}) (?:is )?(?:turned|set|brought|moved)) (?:to |all the way(?: to)? ?|fully ?)?(.*)$`,
    'i',
  ).exec(what);
  const share = turned && shareOf(turned[3]!, /all the way|fully/i.test(what));
  if (turned && share !== undefined) return [`turn ${turned[1] ?? turned[2]} to ${share}${tail}`];
  const away = new RegExp(
    `^(?:(?:something(?: to)?|an? (?:hand|object|obstacle|wall|book)|the hand|hand|${NAMES} sees something|${NAMES} measures)(?: (?:is|stands|at))*) (\\d+(?:\\.\\d+)?) m(?: (?:before|in front of|away from|from) (${NAMES}))?$`,
    'i',
  ).exec(what);
  const ranger =
    away &&
    (away[2] ??
      new RegExp(`^(${NAMES}) (?:sees|measures)`, 'i').exec(what)?.[1] ??
      onlyTouched('distance', parts));
  if (away && ranger) return [`something ${away[1]} m before ${ranger}${tail}`];
  const lit = new RegExp(
    `^(?:(?:set |bring )?(?:the )?(?:light|brightness) (?:on|at) (${NAMES}) (?:(?:is|goes|falls|rises) )?(?:to |at )?|(${NAMES}) (?:sees|gets|is at) )(\\d+(?:\\.\\d+)?)( %)?(?: light)?$`,
    'i',
  ).exec(what);
  const lightSensor = lit && (lit[1] ?? lit[2]!);
  if (lightSensor && isTouched(lightSensor, 'light', parts))
    return [`light on ${lightSensor} to ${lit[4] ? Number(lit[3]) / 100 : lit[3]}${tail}`];
  const brought = broughtTo(what, parts);
  if (brought !== undefined) return [`${brought}${tail}`];
  // Only its time is missing.
  const timeless = `${what}${tail}`;
  return !when && readStimulus(timeless).ok ? [timeless] : undefined;
}

/** Whether that is done to a part of this name; to one that is not known yet anything may be. */
export const isTouched = (name: string, how: StimulusKind, parts: readonly Named[]): boolean => {
  const kind = parts.find(({ ref }) => ref === name.toUpperCase())?.kind;
  return kind === undefined || findKind(kind)?.stimulus === how;
};

/** Words for a change. */
const BECOMES =
  /\b(?:gets|becomes|turns|grows|goes|falls|drops|rises|changes|comes|set|turn|make|bring|move|warm|heat|cool|press|hold|put)\b/i;

/** How much light falls on a sensor in a dark and in a bright room. */
export const [DARK, BRIGHT] = [0.05, 0.9];

/** How far a knob is turned, from 0 to 1. */
function shareOf(text: string, isWhole: boolean): number | undefined {
  const word = text.trim().toLowerCase();
  const percent = /^(\d+(?:\.\d+)?) %$/.exec(word)?.[1];
  if (percent !== undefined) return Number(percent) / 100;
  if (/^\d*\.?\d+$/.test(word)) return Number(word);
  if (/^(?:the )?(?:middle|centre|half|halfway|half way)$/.test(word)) return 0.5;
  if (
    /^(?:the )?(?:left|start|beginning|min(?:imum)?|lowest|zero|down|other end|anticlockwise|counterclockwise)$/.test(
      word,
    )
  )
    return 0;
  if (/^(?:its |the )?(?:right|end|max(?:imum)?|highest|full|top|up|clockwise)$/.test(word)) return 1;
  return word === '' && isWhole ? 1 : undefined;
}
