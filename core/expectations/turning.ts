import { z } from 'zod';
import { quantity } from '../findings/finding';
import { lastBy, type TurnChange } from '../rehearsal/trace';
import { seconds } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence, type Slot } from '../words/sentence';
import { nameSlot, percentSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, rounded, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { absent, failedWith, passed, windowOf, type Observed } from './outcome';

/** Share of its full speed by which a motor may be off unnoticed. */
const SPEED_TOLERANCE = 0.15;

const schema = z.strictObject({
  motor: refSchema,
  turns: z.enum(['forwards', 'backwards', 'no']),
  /** Share of the speed at its rated volts; any where it is left out. */
  speed: z.number().min(0).max(2, 'a motor turns at most twice as fast as it is made for').optional(),
  ...windowed,
});
type Turning = z.infer<typeof schema>;

const speedSlot: Slot<number> = {
  write: (share) => percentSlot.write(share),
  pattern: `${percentSlot.pattern}`,
  read: (text) => percentSlot.read(text),
  closed: true,
};

/** A motor turns all the time, which way, and how fast of its full speed. */
export const turning: ExpectationDefinition<Turning> = {
  keys: ['motor'],
  schema,
  sentence: sentence<Turning>(`{motor} {turns}( at {speed} % of its speed|)${WINDOW}`, {
    motor: nameSlot,
    turns: wordSlot({
      forwards: ['turns forwards', 'turns', 'runs'],
      backwards: ['turns backwards', 'runs backwards'],
      no: ['stands still', 'does not turn'],
    }),
    speed: speedSlot,
    ...windowSlots,
  }),
  example: 'M1 turns',
  parts: ({ motor }) => [motor],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.motor);
    const changes = ref === undefined ? undefined : observed.trace.turns.get(ref);
    if (ref === undefined || !changes) return absent(expectation.motor);
    const [from, to] = windowOf(expectation, observed.trace);
    const stretches = stretchesIn(changes, from, to);
    const found = [...new Set(stretches.map(speedText))].slice(0, 4).join(', then ');
    const tolerance = expectation.tolerance ?? SPEED_TOLERANCE;
    const isRight = ({ speed }: TurnChange): boolean => {
      if (expectation.turns === 'no') return speed === 0;
      const along = expectation.turns === 'forwards' ? speed : -speed;
      return (
        along > 0 && (expectation.speed === undefined || Math.abs(along - expectation.speed) <= tolerance)
      );
    };
    const wrong = stretches.find((stretch) => !isRight(stretch));
    return wrong ? failedWith(found, failure(expectation, ref, wrong, observed)) : passed(found);
  },
  describe: ({ trace, windows }) =>
    windows.flatMap(({ from, to }) =>
      [...trace.turns].flatMap(([motor, changes]): Turning[] => {
        const [first, ...more] = stretchesIn(changes, from, to);
        if (!first || more.length > 0) return [];
        if (first.speed === 0) return [{ motor, turns: 'no', from, to }];
        const turns = first.speed > 0 ? 'forwards' : 'backwards';
        return [{ motor, turns, speed: rounded(Math.abs(first.speed)), from, to }];
      }),
    ),
};

/** What a motor does in a window, from its beginning on. */
function stretchesIn(changes: readonly TurnChange[], from: number, to: number): readonly TurnChange[] {
  const first = lastBy(changes, from);
  return [
    ...(first ? [{ ...first, at: from }] : []),
    ...changes.filter(({ at }) => at > from + 1e-9 && at < to - 1e-9),
  ];
}

const speedText = ({ speed }: TurnChange): string =>
  speed === 0
    ? 'stands still'
    : `turns ${speed > 0 ? 'forwards' : 'backwards'} at ${Math.round(Math.abs(speed) * 100)} %`;

function failure(expectation: Turning, ref: string, { at, speed }: TurnChange, observed: Observed) {
  const { turns } = expectation;
  const motor = capital(partTextOf(observed.wiring, ref as never));
  const wanted =
    turns === 'no'
      ? 'stand still'
      : `turn ${turns}${expectation.speed === undefined ? '' : ` at ${Math.round(expectation.speed * 100)} %`}`;
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
      `What does the program do with the pin of ${ref} at ${seconds(at)}?`,
      `${ref} ${is} at ${seconds(at)}.`,
      isOtherWay
        ? `Exchange the two leads of ${ref}, or what the program says.`
        : speed === 0
          ? `Check what feeds ${ref}, and that the program switches it on before ${seconds(at)}.`
          : turns === 'no'
            ? `Find the line that switches ${ref} on before ${seconds(at)}.`
            : `Change the number that sets the speed of ${ref}.`,
    ] as [string, string, string],
    evidence: { speed: quantity(rounded(speed), ''), atS: quantity(at, 's') },
  };
}
