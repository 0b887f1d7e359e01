import { quantity, type Observation } from '../../findings/finding';
import { kindOf } from '../../parts';
import { EYE_SECONDS } from '../../rehearsal/seen';
import type { Trace } from '../../rehearsal/trace';
import { figure, milliamps, seconds } from '../../units';
import type { Built, BuiltRunRule, RunRule } from '../subject';

/** Pins written to that were never made outputs, with what reaches their LEDs instead. */
export const directionUnset: RunRule = ({ trace }, { wording }, { built }) => {
  // Who writes HIGH to a pin and reads it switches its pull-up on, as was usual before INPUT_PULLUP.
  const isPulledUp = (pin: string): boolean =>
    trace.reads.get(pin)?.how === 'digital' &&
    trace.undirected.every((write) => write.pin !== pin || write.level === 'high');
  const pins = [...new Set(trace.undirected.map((write) => write.pin))].filter((pin) => !isPulledUp(pin));
  return pins.map((name) => {
    const writes = trace.undirected.filter((write) => write.pin === name);
    const { pin, level, line } = writes.find((write) => write.level === 'high') ?? writes[0]!;
    const currentMa = built && pulledUpMa(built, pin);
    const isRefused = trace.failure?.line === line;
    const effect = isRefused
      ? 'The board refuses that, and the program stops there.'
      : level === 'low'
        ? 'Nothing happens.'
        : currentMa === undefined
          ? 'Only the weak pull-up inside the board is switched on.'
          : `Only the weak pull-up inside the board is switched on: ${milliamps(currentMa)} flows, ${isForTheEye(pin, built!) ? 'a faint glow at most' : 'too little to drive anything'}.`;
    return {
      code: 'direction-unset',
      // What nothing is wired to drives nothing in any case.
      severity: built === undefined || built.circuit.nodeOfPin(pin) ? 'fault' : 'advice',
      line,
      column: 1,
      message: `Line ${line} writes to pin ${pin}, but no line made it an output. ${effect}`,
      hints: [
        `What do you have to tell the board about pin ${pin} before it can drive something?`,
        `Line ${line} writes to pin ${pin}, and ${wording.outputLine}.`,
        wording.output(pin),
      ],
      evidence: { currentMa: quantity(level === 'low' || isRefused ? 0 : (currentMa ?? 0), 'mA') },
    };
  });
};

/** What a pin gives over the pull-up inside the board; `undefined` where nothing is wired. */
function pulledUpMa({ circuit, states }: Built, pin: string): number | undefined {
  if (!circuit.nodeOfPin(pin)) return undefined;
  const currents = states
    .filter(({ drives }) => drives.get(pin)?.mode === 'pullup')
    .map(({ point }) => Math.abs(point.pins.get(pin)?.currentMa ?? 0));
  return Math.max(0, ...currents);
}

/** Seconds from which something has been waited for, and not only worked out. */
const LEAST_PAUSE = 0.001;

/** A level that the program sets for so short a time that nobody sees it: its pause is missing. */
export const missingPause: BuiltRunRule = ({ trace }, { wording }, built) => {
  for (const [pin, changes] of trace.pins) {
    if (!isForTheEye(pin, built)) continue;
    const steps = changes
      .slice(1)
      .map((change, index) => ({
        ...changes[index]!,
        lasts: change.at - changes[index]!.at,
        // The ends of a fade are as short as the levels between them.
        isOfFade: change.drive.mode === 'pwm' || changes[index - 1]?.drive.mode === 'pwm',
      }))
      .slice(1);
    for (const mode of ['high', 'low'] as const) {
      const same = steps.filter((step) => step.drive.mode === mode && !step.isOfFade);
      if (same.length < 2 || !same.every((step) => step.lasts < EYE_SECONDS)) continue;
      // The first one may be no more than how the pin begins.
      const { line, lasts } = same[Math.floor(same.length / 2)]!;
      const both = steps.every((step) => step.lasts < EYE_SECONDS);
      const hertz = 1 / (steps[0]!.lasts + (steps[1]?.lasts ?? steps[0]!.lasts));
      const state = mode === 'high' ? 'on' : 'off';
      const isPaused = lasts >= LEAST_PAUSE;
      const between = isPaused
        ? `line ${line} and the next change are only ${seconds(lasts)} apart`
        : `there is no delay between line ${line} and the next change`;
      return [
        {
          code: 'missing-pause',
          severity: 'fault',
          line,
          column: 1,
          message: both
            ? `Pin ${pin} changes about ${Number(hertz.toPrecision(2)).toLocaleString('en')} times a second, faster than the eye can follow: ${between}.`
            : `After line ${line} pin ${pin} is ${state} for only ${seconds(lasts)}, too short to see: a delay is missing there.`,
          hints: [
            `After line ${line}, how long does the LED stay ${state}?`,
            `Between line ${line} and the next change of pin ${pin} there is only ${seconds(lasts)}.`,
            isPaused && both
              ? `Make the delay after line ${line} longer.`
              : `Add a delay, ${wording.pause}, right after line ${line}.`,
          ],
          evidence: { lastsS: quantity(lasts, 's'), perSecond: quantity(hertz, 'Hz') },
        },
      ];
    }
  }
  return trace.ended.reason === 'changes' && trace.pauses.length === 0
    ? busyWithModules(trace, wording.pause)
    : [];
};

/** A run that was given up since what a module is sent changes without end, and no line ever waits. */
function busyWithModules({ pins, ended }: Trace, pause: string): readonly Observation[] {
  // What is done once for each picture, as a latch is, is changed least often.
  const [rarest] = [...pins.values()]
    .filter((changes) => changes.length > MANY)
    .sort((one, other) => one.length - other.length);
  if (!rarest) return [];
  const { line } = rarest.at(-1)!;
  const hertz = rarest.length / 2 / ended.at;
  return [
    {
      code: 'missing-pause',
      severity: 'fault',
      line,
      column: 1,
      message: `Line ${line} runs about ${Number(hertz.toPrecision(2)).toLocaleString('en')} times a second, faster than the eye can follow: no line of the program waits.`,
      hints: [
        `How long is what line ${line} shows there to be seen?`,
        `From one time that line ${line} runs to the next, nothing waits.`,
        `Add a delay, ${pause}, after line ${line}.`,
      ],
      evidence: { perSecond: quantity(hertz, 'Hz') },
    },
  ];
}
/** Changes of a pin from which on a program is busy with it. */
const MANY = 50;

/**
 * Whether what a pin does is there to be seen: it leads to a light, or nothing is plugged in there yet. The short pulses
 * that a module is clocked or triggered by are as they should be.
 */
function isForTheEye(pin: string, { circuit }: Built): boolean {
  const node = circuit.nodeOfPin(pin);
  if (!node || circuit.partsAt(node.id).length === 0) return true;
  const reached = circuit.reach(node.id, {
    through: ({ kind }) => kindOf(kind).observed !== 'light' && kindOf(kind).legs.length <= MOST_LEGS_PASSED,
    notBeyond: (next) => next !== node.id && circuit.feed(next) !== undefined,
  });
  return [...reached].some((at) => circuit.partsAt(at).some(({ kind }) => kindOf(kind).observed === 'light'));
}

/** Legs of parts that a level goes through on its way to a light: a resistor has two, a transistor three. */
const MOST_LEGS_PASSED = 3;

/** Milliseconds that a number below zero becomes when it is taken for one without a sign: weeks. */
const WRAPPED_SECONDS = 2 ** 31 / 1000;

/** Pauses that fall to zero or below while the program runs. */
export const negativePause: RunRule = ({ trace: { pauses } }) => {
  const lines = [...new Set(pauses.map(({ line }) => line))];
  return lines.flatMap((line): readonly Observation[] => {
    const own = pauses.filter((pause) => pause.line === line);
    const wrapped = own.find((pause) => pause.seconds >= WRAPPED_SECONDS);
    // What is zero once, as what follows a potentiometer may be, has not come to its end.
    const last = own.findLastIndex((pause) => pause.seconds > 0);
    const gone = last >= 0 && own.length - last > 2 ? last + 1 : -1;
    if (!wrapped && gone < 0) return [];
    const at = wrapped?.at ?? own[gone]!.at;
    const days = (wrapped?.seconds ?? 0) / 86_400;
    return [
      {
        code: 'negative-pause',
        severity: 'fault',
        line,
        column: 1,
        message: wrapped
          ? `At ${seconds(at)} the time in line ${line} is below zero. A delay can’t be negative: it turns into ${figure(days)} days.`
          : `From ${seconds(at)} on the delay in line ${line} is zero: what you should see is gone at once.`,
        hints: [
          `How long does line ${line} wait each time?`,
          wrapped
            ? `At ${seconds(at)} line ${line} waits for a number below zero.`
            : `At ${seconds(at)} the delay in line ${line} has reached zero.`,
          `Stop shortening the delay before it reaches zero.`,
        ],
        evidence: { atS: quantity(at, 's') },
      },
    ];
  });
};
