import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { lastBy, type AngleChange } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence, type Slot } from '../words/sentence';
import { degreeSlot, flagSlot, nameSlot, numberSlot } from '../words/slots';
import { capital } from '../words/words';
import {
  degreesSchema,
  refSchema,
  rounded,
  WINDOW,
  windowed,
  windowSlots,
  type ExpectationDefinition,
} from './definition';
import { absent, failedWith, passed, windowOf } from './outcome';

/** Degrees by which an end of a sweep may be off unnoticed, and which a sweep has at least. */
const [END_TOLERANCE, LEAST_SWEEP] = [5, 10];
/**
 * What a servo goes at once at most, so that it still looks like a sweep: a share of its way, and so many of its steps,
 * where that is more than these degrees.
 */
const [WIDEST_STEP, MOST_STEPS, STEP_UNSEEN] = [1 / 5, 4, 10];
/** Seconds within which a servo takes its first place. */
const AT_FIRST = 0.1;
/** Share by which the time of a sweep may be off. */
const TIME_TOLERANCE = 0.15;

const schema = z.strictObject({
  servo: refSchema,
  sweeps: z
    .tuple([degreesSchema, degreesSchema])
    .refine(([from, to]) => Math.abs(from - to) >= LEAST_SWEEP, `a sweep is ${LEAST_SWEEP}° wide at least`),
  /** Whether it comes back in the same way. */
  back: z.literal(true).optional(),
  /** Seconds for the way there, and for the way back; any where it is left out. */
  takes: z.number().positive('a sweep takes more than 0 s').optional(),
  ...windowed,
});
type Sweep = z.infer<typeof schema>;

const waySlot: Slot<[number, number]> = {
  write: (ends) => ends.map((end) => degreeSlot.write(end)).join(' to '),
  pattern: `(?:${degreeSlot.pattern}) +(?:to|and) +(?:${degreeSlot.pattern})`,
  read: (text) => {
    const [from, to] = text.split(/ +(?:to|and) +/i).map((end) => degreeSlot.read(end));
    return from === undefined || to === undefined ? undefined : [from, to];
  },
  closed: true,
};

/** A servo on its way without turning back. */
interface Stroke {
  readonly from: number;
  readonly to: number;
  /** When it leaves and when it has arrived, in seconds. */
  readonly begun: number;
  readonly ended: number;
  /** How often it is sent on. */
  readonly steps: number;
  /** The furthest that it is sent at once, and when. */
  readonly widest: { readonly at: number; readonly from: number; readonly to: number };
}

/** The strokes of a servo within a window, which may cut the first and the last. */
function strokesIn(
  changes: readonly AngleChange[],
  [from, to]: readonly [number, number],
): readonly Stroke[] {
  const before = lastBy(changes, from);
  const stands = [
    ...(before ? [{ ...before, at: from }] : []),
    ...changes.filter(({ at }) => at > from && at <= to),
  ];
  const strokes: Stroke[] = [];
  for (const [index, { at, degrees }] of stands.entries()) {
    const last = stands[index - 1];
    if (!last || last.degrees === degrees) continue;
    const step = { at, from: last.degrees, to: degrees };
    const stroke = strokes.at(-1);
    if (!stroke || Math.sign(degrees - last.degrees) !== Math.sign(stroke.to - stroke.from)) {
      strokes.push({ from: last.degrees, to: degrees, begun: at, ended: at, steps: 1, widest: step });
      continue;
    }
    const isWider = Math.abs(step.to - step.from) > Math.abs(stroke.widest.to - stroke.widest.from);
    // Each step has a pause before it; that of the first is taken to be as long as that of the second.
    const pause = stroke.steps === 1 ? at - stroke.begun : 0;
    strokes[strokes.length - 1] = {
      ...stroke,
      to: degrees,
      begun: stroke.begun - pause,
      ended: at,
      steps: stroke.steps + 1,
      widest: isWider ? step : stroke.widest,
    };
  }
  // What takes its place at the beginning has not moved yet.
  const [first, ...others] = strokes;
  const isPlaced = first?.ended === first?.begun && (first?.ended ?? 0) - from < AT_FIRST;
  return first && isPlaced ? others : strokes;
}

function isSmooth(stroke: Stroke): boolean {
  const [way, jump] = [span(stroke), span(stroke.widest)];
  const seen = Math.max(STEP_UNSEEN, (MOST_STEPS * way) / stroke.steps);
  return jump <= Math.min(way * WIDEST_STEP, seen) + 1e-6;
}

const wayText = (from: number, to: number): string => `from ${Math.round(from)}° to ${Math.round(to)}°`;

/** What is wrong with how a servo moves. */
interface Wrong {
  readonly code: 'angle-off' | 'no-response' | 'wrong-direction' | 'timing-off';
  /** What it does, behind its name. */
  readonly what: string;
  readonly asks: string;
  readonly remedy: string;
  readonly evidence?: Observation['evidence'];
}

/** What is wrong with the strokes of a servo; nothing where one of them is the sweep that is wanted. */
function wrongIn(
  { sweeps: [from, to], back, takes, tolerance }: Sweep,
  strokes: readonly Stroke[],
): Wrong | undefined {
  const near = tolerance === undefined ? END_TOLERANCE : tolerance * 180;
  const isOf = (stroke: Stroke, [one, other]: readonly [number, number]): boolean =>
    Math.abs(stroke.from - one) <= near && Math.abs(stroke.to - other) <= near;
  const there = strokes.filter((stroke) => isOf(stroke, [from, to]));
  const ways = back ? strokes.filter((stroke) => isOf(stroke, [to, from])) : [];
  const between = `Write the angles in between one after the other, in a loop with a short pause after each.`;
  const counting = `Let the angle count from ${from} to ${to}, with a short pause after each step.`;
  const jump = [...there, ...ways].find((stroke) => !isSmooth(stroke));
  // What a window has cut is no stroke of its own.
  const other = strokes.slice(1, -1).find((stroke) => !isOf(stroke, [from, to]) && !isOf(stroke, [to, from]));
  const widest = other ?? [...strokes].sort((one, two) => span(two) - span(one))[0];
  if (there.length === 0 || other) {
    const isBackOnly = !other && strokes.some((stroke) => isSmooth(stroke) && isOf(stroke, [to, from]));
    return {
      code: isBackOnly ? 'wrong-direction' : 'angle-off',
      what: `${isBackOnly ? 'only turns' : 'turns'} ${wayText(widest!.from, widest!.to)} at ${seconds(widest!.ended)}`,
      asks: isBackOnly
        ? 'Which way does the program count the angle?'
        : 'Between which two angles does the program count?',
      remedy: counting,
      evidence: { reached: quantity(widest!.to, '°'), wanted: quantity(to, '°') },
    };
  }
  if (jump) {
    const step = wayText(jump.widest.from, jump.widest.to);
    return {
      code: 'timing-off',
      what: `jumps ${step} at ${seconds(jump.widest.at)}`,
      asks: 'Which angles does the program write on the way?',
      remedy: between,
      evidence: { jump: quantity(span(jump.widest), '°') },
    };
  }
  if (back && ways.length === 0)
    return {
      code: 'no-response',
      what: `does not come back ${wayText(to, from)}`,
      asks: `What does the program do once the angle is ${to}?`,
      remedy: `Count the angle back from ${to} to ${from} as well, with the same pause.`,
    };
  const slack = takes === undefined ? 0 : takes * (tolerance ?? TIME_TOLERANCE);
  const late =
    takes === undefined
      ? undefined
      : [...there, ...ways].find(({ begun, ended }) => Math.abs(ended - begun - takes) > slack + 1e-6);
  if (!late || takes === undefined) return undefined;
  const took = late.ended - late.begun;
  return {
    code: 'timing-off',
    what: `takes ${seconds(took)} to turn ${wayText(late.from, late.to)}`,
    asks: 'How many angles are written on the way, and how long is the pause after each?',
    remedy: `Make the pause after each angle ${took > takes ? 'shorter' : 'longer'}, so that the way takes ${seconds(takes)}.`,
    evidence: { tookS: quantity(took, 's'), wantedS: quantity(takes, 's') },
  };
}

const span = ({ from, to }: Pick<Stroke, 'from' | 'to'>): number => Math.abs(to - from);

/** `from 0° to 180° and back, in 2 s each way`. */
const wantedText = ({ sweeps: [from, to], back, takes }: Sweep): string =>
  `${wayText(from, to)}${back ? ' and back' : ''}${takes === undefined ? '' : `, in ${seconds(takes)}${back ? ' each way' : ''}`}`;

/** Degrees of a stroke that is put into words, at least. */
const LEAST_SAID = 20;

/** A servo turns from one angle to another through what lies between, and back where that is asked for. */
export const sweep: ExpectationDefinition<Sweep> = {
  keys: ['servo', 'sweeps'],
  schema,
  sentence: sentence<Sweep>(`{servo} sweeps< from> {sweeps}( {back}|)( in {takes} s|)${WINDOW}`, {
    servo: nameSlot,
    sweeps: waySlot,
    back: flagSlot('and back', 'and back(?: again)?'),
    takes: numberSlot,
    ...windowSlots,
  }),
  example: 'M1 sweeps from 0° to 180° and back',
  exampleOf: ['angle'],
  parts: ({ servo }) => [servo],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.servo);
    if (ref === undefined) return absent(expectation.servo);
    const window = windowOf(expectation, observed.trace);
    const changes = observed.trace.angles.get(ref) ?? [];
    const strokes = strokesIn(changes, window);
    const name = capital(partTextOf(observed.wiring, ref));
    const wanted = wantedText(expectation);
    const stands = lastBy(changes, window[1])?.degrees;
    const found =
      strokes.length > 0
        ? strokes
            .slice(0, 4)
            .map(({ from, to }) => wayText(from, to))
            .join(', ')
        : stands === undefined
          ? 'it gets no signal'
          : `at ${Math.round(stands)}° all the time`;
    const wrong: Wrong | undefined =
      stands === undefined
        ? {
            code: 'angle-off',
            what: 'gets no signal it can follow, or no power',
            asks: `What does the program send to ${ref}?`,
            remedy: `Check that ${ref} has power, that its ground is connected to the board, and that the program uses the pin its signal lead is on.`,
          }
        : strokes.length === 0
          ? {
              code: 'no-response',
              what: `stays at ${Math.round(stands)}°`,
              asks: 'What changes the angle that the program writes?',
              remedy: `Write another angle each time round the loop, from ${expectation.sweeps[0]} to ${expectation.sweeps[1]}.`,
              evidence: { angle: quantity(stands, '°') },
            }
          : wrongIn(expectation, strokes);
    if (!wrong) return passed(found);
    return failedWith(wrong.what, {
      code: wrong.code,
      severity: 'fault',
      refs: [ref],
      message: `${name} ${wrong.what}; it should sweep ${wanted}.`,
      hints: [wrong.asks, `${ref} ${wrong.what}.`, wrong.remedy],
      evidence: { untilS: quantity(window[1], 's'), ...wrong.evidence },
    });
  },
  describe: ({ trace, seconds: end }) =>
    [...trace.angles].flatMap(([servo, changes]): Sweep[] => {
      const whole = strokesIn(changes, [0, end]).slice(0, -1);
      const widest = Math.max(0, ...whole.map(span));
      const stroke = whole.find((one) => span(one) === widest);
      if (!stroke || !isSmooth(stroke) || widest < LEAST_SAID) return [];
      const comesBack = whole.some(
        (one) => isSmooth(one) && one.from === stroke.to && one.to === stroke.from,
      );
      const takes = rounded(stroke.ended - stroke.begun);
      return [
        {
          servo,
          sweeps: [Math.round(stroke.from), Math.round(stroke.to)],
          ...(comesBack ? { back: true as const } : {}),
          ...(takes > 0 ? { takes } : {}),
        },
      ];
    }),
};
