import type { Ref } from '../../brand';
import { quantity, type FindingCode, type Observation } from '../../findings/finding';
import type { SingleExpectation } from '../../formats/scenario';
import type { SeenInterval } from '../../rehearsal/seen';
import { milliamps, seconds, times } from '../../units';
import { partTextOf } from '../words';
import { glances } from './brightness';
import { absent, windowOf, within, type Check, type Observed, type Outcome } from './outcome';
import { capital } from '../../words/words';

type LampExpectation = Extract<
  SingleExpectation,
  { lamp: string } & ({ is: string } | { rhythm: number[] } | { flashes: number } | { brightness: unknown })
>;

/** Lit or not: a faint glow does not count as lit. */
interface Phase {
  readonly from: number;
  readonly to: number;
  readonly lit: boolean;
}

const DEFAULT_TOLERANCE = 0.1;

/** What is wrong with how an LED looks over time, named by the first thing a watcher would say. */
export const checkLamp: Check<LampExpectation> = (expectation, observed) => {
  const intervals = observed.seen(expectation.lamp);
  const ref = observed.builtRef(expectation.lamp);
  if (!intervals || ref === undefined) return absent(expectation.lamp);
  const [from, to] = windowOf(expectation, observed.trace);
  const view: LampView = {
    name: lightText(expectation.lamp, ref, observed),
    ref,
    brightness: glances(observed.currents(expectation.lamp) ?? [], from, to),
    intervals: within(intervals, from, to),
    phases: phasesOf(within(intervals, from, to)),
    seconds: to - from,
    tolerance: expectation.tolerance ?? DEFAULT_TOLERANCE,
    observed,
  };
  if ('rhythm' in expectation) return checkRhythm(expectation.rhythm, view);
  if ('flashes' in expectation) return checkFlashes(expectation.flashes, view);
  if ('brightness' in expectation) return checkBrightness(expectation.brightness, view);
  return checkSteady(expectation.is, view);
};

/** `the amber lamp D1`, or `the red of the three-colour lamp D1` for one light of several. */
function lightText(lamp: string, ref: Ref, observed: Observed): string {
  const [, light] = lamp.split('.');
  const part = partTextOf(observed.wiring, ref);
  return light === undefined ? part : `${light} of ${part}`;
}

interface LampView {
  /** `the amber lamp D1`. */
  readonly name: string;
  readonly ref: string;
  /** From 0 to 1, glance by glance. */
  readonly brightness: readonly number[];
  readonly intervals: readonly SeenInterval[];
  readonly phases: readonly Phase[];
  readonly seconds: number;
  readonly tolerance: number;
  readonly observed: Observed;
}

function phasesOf(intervals: readonly SeenInterval[]): readonly Phase[] {
  const phases: Phase[] = [];
  for (const { from, to, glow } of intervals) {
    const lit = glow === 'lit';
    const before = phases.at(-1);
    if (before?.lit === lit) phases[phases.length - 1] = { ...before, to };
    else phases.push({ from, to, lit });
  }
  return phases;
}

const length = (phase: Phase): number => phase.to - phase.from;
const brightest = (view: LampView): number =>
  Math.max(0, ...view.intervals.map((interval) => interval.currentMa));

/** `lit 0.50 s, dark 2.50 s, 4 times`: the run in a few words. */
function summary({ phases, intervals }: LampView): string {
  if (phases.length === 1) {
    const faint = intervals.some((interval) => interval.glow === 'faint');
    return phases[0]!.lit ? 'lit all the time' : faint ? 'a faint glow, never lit' : 'dark all the time';
  }
  const on = phases
    .slice(1, -1)
    .filter((phase) => phase.lit)
    .map(length);
  const off = phases
    .slice(1, -1)
    .filter((phase) => !phase.lit)
    .map(length);
  const shown = (list: readonly number[]): string => {
    const [low, high] = [Math.min(...list), Math.max(...list)];
    return seconds(low) === seconds(high) ? seconds(low) : `${seconds(low)} to ${seconds(high)}`;
  };
  const count = phases.filter((phase) => phase.lit).length;
  const parts = [on.length > 0 ? `lit ${shown(on)}` : '', off.length > 0 ? `dark ${shown(off)}` : ''].filter(
    Boolean,
  );
  if (parts.length === 0)
    return phases
      .map((phase) => `${phase.lit ? 'lit' : 'dark'} from ${seconds(phase.from)} to ${seconds(phase.to)}`)
      .join(', ');
  return `${parts.join(', ')}, lit ${times(count)}`;
}

function failed(view: LampView, failures: readonly Observation[]): Outcome {
  return { passed: false, observed: summary(view), failures };
}

/** A behaviour observation about one LED. */
function saw(
  view: LampView,
  code: FindingCode,
  message: string,
  hints: readonly [string, string, string],
  evidence: Observation['evidence'] = {},
): Observation {
  return {
    code,
    severity: 'fault',
    refs: [view.ref],
    message: `${capital(view.name)} ${message}`,
    hints: [...hints],
    evidence: { watchedS: quantity(view.seconds, 's'), ...evidence },
  };
}

function neverLit(view: LampView): Observation {
  const currentMa = brightest(view);
  const glow = currentMa >= 0.01 ? `only glows faintly, at ${milliamps(currentMa)},` : 'stays dark';
  return saw(
    view,
    'not-lit',
    `${glow} for the whole ${seconds(view.seconds)}.`,
    [
      `Is there a whole path for the current, from a pin through ${view.ref} and back to ground?`,
      `${view.ref} gets ${milliamps(currentMa)} at most in ${seconds(view.seconds)}; you need about 0.5 mA to see it light up.`,
      `Step through the current path of ${view.ref} hole by hole, and see where it stops.`,
    ],
    { currentMa: quantity(currentMa, 'mA') },
  );
}

function neverDark(view: LampView): Observation {
  return saw(
    view,
    'not-dark',
    `is lit for the whole ${seconds(view.seconds)} and never goes dark.`,
    [
      `What in the program makes ${view.ref} go dark, and for how long?`,
      `${view.ref} carries ${milliamps(brightest(view))} all the time.`,
      `Make the pin go LOW and stay LOW for a while before it goes HIGH again.`,
    ],
    { currentMa: quantity(brightest(view), 'mA') },
  );
}

/** The last phase lasts much longer than the rhythm allows: the LED has stopped. */
function stopped(view: LampView, rhythm: readonly number[]): Observation | undefined {
  const last = view.phases.at(-1)!;
  const usual = Math.max(...rhythm.filter((_, index) => (index % 2 === 0) === last.lit));
  if (length(last) <= Math.max(2 * usual, usual + 1)) return undefined;
  const state = last.lit ? 'lit' : 'dark';
  return saw(
    view,
    last.lit ? 'stays-on' : 'stays-off',
    `stops changing at ${seconds(last.from)} and stays ${state}.`,
    [
      `After ${seconds(last.from)} nothing changes any more. What does the program do from then on?`,
      `${view.ref} is ${state} from ${seconds(last.from)} to the end; ${seconds(usual)} would be right.`,
      `Look for a line that the program reaches at ${seconds(last.from)} and never leaves, or for lines in setup that belong in loop.`,
    ],
    { sinceS: quantity(last.from, 's'), lastedS: quantity(length(last), 's') },
  );
}

function checkRhythm(rhythm: readonly number[], view: LampView): Outcome {
  const { phases } = view;
  if (!phases.some((phase) => phase.lit)) return failed(view, [neverLit(view)]);
  if (!phases.some((phase) => !phase.lit)) return failed(view, [neverDark(view)]);
  const inner = phases.slice(1, -1);
  const fits = (phase: Phase, wanted: number): boolean =>
    Math.abs(length(phase) - wanted) <= wanted * view.tolerance + 1e-9;
  const rotations = rhythm
    .map((_, index) => index)
    .filter((index) => (index % 2 === 0) === (inner[0]?.lit ?? true));
  const covers = inner.length >= rhythm.length;
  const passes =
    covers &&
    rotations.some((start) =>
      inner.every((phase, index) => fits(phase, rhythm[(start + index) % rhythm.length]!)),
    );
  if (passes) return { passed: true, observed: summary(view), failures: [] };
  const halted = stopped(view, rhythm);
  if (halted) return failed(view, [halted]);
  return failed(view, [timingOff(rhythm, inner.length > 0 ? inner : phases, view)]);
}

/** A phase beside the time that it should last. */
interface Timed {
  readonly phase: Phase;
  readonly wanted: number;
  /** How far it is off, as a share of what it should last. */
  readonly share: number;
}

/** The phases beside a rhythm, from the time of it at which they fit it best. */
function beside(rhythm: readonly number[], phases: readonly Phase[]): readonly Timed[] {
  const ways = rhythm
    .map((_, start) => start)
    .filter((start) => (start % 2 === 0) === (phases[0]?.lit ?? true))
    .map((start) =>
      phases.map((phase, index): Timed => {
        const wanted = rhythm[(start + index) % rhythm.length]!;
        return { phase, wanted, share: Math.abs(length(phase) - wanted) / wanted };
      }),
    );
  const offBy = (way: readonly Timed[]): number => way.reduce((sum, { share }) => sum + share, 0);
  return ways.reduce((best, way) => (offBy(way) < offBy(best) ? way : best));
}

const rhythmText = (rhythm: readonly number[]): string =>
  rhythm.map((time, index) => `${index % 2 === 0 ? 'lit' : 'dark'} ${seconds(time)}`).join(', ');

function timingOff(rhythm: readonly number[], phases: readonly Phase[], view: LampView): Observation {
  const off = [...beside(rhythm, phases)].sort((a, b) => b.share - a.share)[0]!;
  const among =
    rhythm.length > 2 ? ` at ${seconds(off.phase.from)}, in the rhythm ${rhythmText(rhythm)}` : '';
  const state = off.phase.lit ? 'lit' : 'dark';
  const found = length(off.phase);
  const direction = found > off.wanted ? 'longer' : 'shorter';
  return saw(
    view,
    'timing-off',
    `is ${state} for ${seconds(found)}; it should be ${seconds(off.wanted)}${among}.`,
    [
      `How long is ${view.ref} ${state}, and how long should it be?`,
      `${capital(state)} for ${seconds(found)} instead of ${seconds(off.wanted)}: look at the delay after the pin goes ${off.phase.lit ? 'on' : 'off'}.`,
      `Make that delay ${direction === 'longer' ? 'shorter' : 'longer'}, so that ${view.ref} is ${state} for ${seconds(off.wanted)}: ${Math.round(off.wanted * 1000)} milliseconds.`,
    ],
    { foundS: quantity(found, 's'), wantedS: quantity(off.wanted, 's') },
  );
}

function checkFlashes(wanted: number, view: LampView): Outcome {
  const count = view.phases.filter((phase) => phase.lit).length;
  if (count === wanted) return { passed: true, observed: summary(view), failures: [] };
  if (count === 0) return failed(view, [neverLit(view)]);
  return failed(view, [
    saw(
      view,
      'count-wrong',
      `flashes ${times(count)} in ${seconds(view.seconds)}; it should flash ${times(wanted)}.`,
      [
        `Count the flashes of ${view.ref}. How many should there be?`,
        `It flashes ${times(count)} in ${seconds(view.seconds)} instead of ${times(wanted)}.`,
        `Change the program so that ${view.ref} flashes ${times(wanted)}.`,
      ],
      { found: quantity(count, ''), wanted: quantity(wanted, '') },
    ),
  ]);
}

function checkSteady(wanted: 'on' | 'off', view: LampView): Outcome {
  const right = view.phases.every((phase) => phase.lit === (wanted === 'on'));
  const dark = wanted === 'off' ? view.intervals.every((interval) => interval.glow === 'dark') : true;
  if (right && dark) return { passed: true, observed: summary(view), failures: [] };
  if (wanted === 'on')
    return failed(view, [view.phases.some((phase) => phase.lit) ? leaves(view, 'lit') : neverLit(view)]);
  return failed(view, [
    view.phases.some((phase) => !phase.lit) && !right ? leaves(view, 'dark') : neverDark(view),
  ]);
}

function leaves(view: LampView, state: 'lit' | 'dark'): Observation {
  const other = view.phases.find((phase) => phase.lit !== (state === 'lit'))!;
  return saw(
    view,
    'timing-off',
    `should be ${state} all the time, but is ${state === 'lit' ? 'dark' : 'lit'} from ${seconds(other.from)} to ${seconds(other.to)}.`,
    [
      `What happens to ${view.ref} at ${seconds(other.from)}?`,
      `${view.ref} changes at ${seconds(other.from)}, and it shouldn’t.`,
      `Find the line that switches ${view.ref} at ${seconds(other.from)} and remove it.`,
    ],
    { fromS: quantity(other.from, 's'), foundS: quantity(length(other), 's') },
  );
}

function checkBrightness([low, high]: readonly [number, number], view: LampView): Outcome {
  const [least, most] = [Math.min(...view.brightness), Math.max(...view.brightness)];
  const observed = `${Math.round(least * 100)} to ${Math.round(most * 100)} % bright`;
  if (least >= low && most <= high) return { passed: true, observed, failures: [] };
  const dim = least < low;
  const found = dim ? least : most;
  const currentMa = brightest(view);
  return {
    passed: false,
    observed,
    failures: [
      saw(
        view,
        dim ? 'too-dim' : 'too-bright',
        `is ${dim ? 'too dim' : 'too bright'}: ${Math.round(found * 100)} % at ${milliamps(currentMa)}; it should be ${Math.round(low * 100)} to ${Math.round(high * 100)} %.`,
        [
          `Is ${view.ref} as bright as the example?`,
          `${milliamps(currentMa)} flows through ${view.ref}: ${dim ? 'too little' : 'too much'}.`,
          `Use a ${dim ? 'smaller' : 'larger'} resistor, or change the number in the program.`,
        ],
        { currentMa: quantity(currentMa, 'mA'), brightness: quantity(found, '') },
      ),
    ],
  };
}
