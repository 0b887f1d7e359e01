import * as z from 'zod';
import { quantity, type Observation } from '../findings/finding';
import { lastBy } from '../rehearsal/trace';
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
import { isSmooth, span, strokesIn, wayText, type Stroke } from './strokes';

/** Degrees by which an end of a sweep may be off unnoticed, and which a sweep has at least. */
const [END_TOLERANCE, LEAST_SWEEP] = [5, 10];
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

const withoutSignal = (ref: string): Wrong => ({
  code: 'angle-off',
  what: 'gets no signal it can follow, or no power',
  asks: `What does the program send to ${ref}?`,
  remedy: `Check that ${ref} has power, that its ground is connected to the board, and that the program uses the pin its signal lead is on.`,
});

const still = (degrees: number, { sweeps: [from, to] }: Sweep): Wrong => ({
  code: 'no-response',
  what: `stays at ${Math.round(degrees)}°`,
  asks: 'What changes the angle that the program writes?',
  remedy: `Write another angle each time round the loop, from ${from} to ${to}.`,
  evidence: { angle: quantity(degrees, '°') },
});

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
    const stands = lastBy(changes, window[1])?.degrees;
    const wrong =
      stands === undefined
        ? withoutSignal(ref)
        : strokes.length === 0
          ? still(stands, expectation)
          : wrongIn(expectation, strokes);
    if (!wrong)
      return passed(
        strokes
          .slice(0, 4)
          .map(({ from, to }) => wayText(from, to))
          .join(', '),
      );
    const name = capital(partTextOf(observed.wiring, ref));
    return failedWith(wrong.what, {
      code: wrong.code,
      severity: 'fault',
      refs: [ref],
      message: `${name} ${wrong.what}; it should sweep ${wantedText(expectation)}.`,
      hints: [wrong.asks, `${ref} ${wrong.what}.`, wrong.remedy],
      evidence: wrong.evidence,
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
