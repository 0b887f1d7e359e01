import * as z from 'zod';
import type { Ref } from '../brand';
import { quantity } from '../findings/finding';
import type { TurnChange } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { nameSlot, percentSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, rounded, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { boundsOf, figureSchema, figureSlot, figureText, type Figure } from './figures';
import { absent, failedWith, movesIn, passed, windowOf, type Observed } from './outcome';

/** Shares of its speed at its rated volts that a motor turns at. */
const ENDS = [0, 2] as const;
/** Share of its full speed by which a motor may be off unnoticed. */
const SPEED_TOLERANCE = 0.15;

const schema = z.strictObject({
  motor: refSchema,
  turns: z.enum(['forwards', 'backwards', 'no']),
  /** Share of the speed at its rated volts; any where it is left out. */
  speed: figureSchema(
    z.number().min(0).max(ENDS[1], 'a motor turns at most twice as fast as it is made for'),
  ).optional(),
  ...windowed,
});
type Turning = z.infer<typeof schema>;

/** A motor turns all the time, which way, and how fast of its full speed. */
export const turning: ExpectationDefinition<Turning> = {
  keys: ['motor'],
  schema,
  sentence: sentence<Turning>(`{motor} {turns}( {speed} of its speed|)${WINDOW}`, {
    motor: nameSlot,
    turns: wordSlot({
      forwards: ['turns forwards', 'turns', 'runs'],
      backwards: ['turns backwards', 'runs backwards'],
      no: ['stands still', 'does not turn'],
    }),
    speed: figureSlot(percentSlot, ENDS, ' %', ' ?%'),
    ...windowSlots,
  }),
  example: 'M1 turns',
  exampleOf: ['turning'],
  parts: ({ motor }) => [motor],
  isThroughout: true,
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.motor);
    const changes = ref === undefined ? undefined : observed.trace.turns.get(ref);
    if (ref === undefined || !changes) return absent(expectation.motor);
    const stretches = movesIn(changes, windowOf(expectation, observed.trace));
    const found = [...new Set(stretches.map(speedText))].slice(0, 4).join(', then ');
    const { speed: wanted = [0, Number.POSITIVE_INFINITY], tolerance } = expectation;
    const [least, most] = boundsOf(wanted, { usual: SPEED_TOLERANCE, said: tolerance, of: () => 1 });
    const isRight = ({ speed }: TurnChange): boolean => {
      if (expectation.turns === 'no') return speed === 0;
      const along = expectation.turns === 'forwards' ? speed : -speed;
      return along > 0 && along >= least && along <= most;
    };
    const wrong = stretches.find((stretch) => !isRight(stretch));
    return wrong ? failedWith(found, failure(expectation, ref, wrong, observed)) : passed(found);
  },
  describe: ({ trace, windows }) =>
    windows.flatMap(({ from, to }) =>
      [...trace.turns].flatMap(([motor, changes]): Turning[] => {
        const [first, ...more] = movesIn(changes, [from, to]);
        if (!first || more.length > 0) return [];
        if (first.speed === 0) return [{ motor, turns: 'no', from, to }];
        const turns = first.speed > 0 ? 'forwards' : 'backwards';
        return [{ motor, turns, speed: rounded(Math.abs(first.speed)), from, to }];
      }),
    ),
};

const said = (wanted: Figure): string => figureText(wanted, ENDS, (speed) => `${Math.round(speed * 100)} %`);

const speedText = ({ speed }: TurnChange): string =>
  speed === 0
    ? 'stands still'
    : `turns ${speed > 0 ? 'forwards' : 'backwards'} at ${Math.round(Math.abs(speed) * 100)} %`;

function failure(expectation: Turning, ref: Ref, { at, speed }: TurnChange, observed: Observed) {
  const { turns } = expectation;
  const motor = capital(partTextOf(observed.wiring, ref));
  const wanted =
    turns === 'no'
      ? 'stand still'
      : `turn ${turns}${expectation.speed === undefined ? '' : ` ${said(expectation.speed)}`}`;
  const isOtherWay = turns !== 'no' && speed !== 0 && speed > 0 !== (turns === 'forwards');
  const is = speedText({ at, speed });
  return {
    code: isOtherWay
      ? ('wrong-direction' as const)
      : speed === 0
        ? ('no-response' as const)
        : ('timing-off' as const),
    severity: 'fault' as const,
    refs: [ref],
    message: `${motor} ${is} at ${seconds(at)}; it should ${wanted}.`,
    hints: [
      `What decides whether ${ref} turns at ${seconds(at)}?`,
      `${ref} ${is} at ${seconds(at)}.`,
      isOtherWay
        ? `Exchange the two leads of ${ref}, or the two directions in the program if there is one.`
        : speed === 0
          ? `Check what feeds ${ref}, and what should switch it on before ${seconds(at)}.`
          : turns === 'no'
            ? `Find what switches ${ref} on before ${seconds(at)}.`
            : `Change the voltage that ${ref} gets, or the number that sets its speed.`,
    ] as [string, string, string],
    evidence: { speed: quantity(rounded(speed), ''), atS: quantity(at, 's') },
  };
}
