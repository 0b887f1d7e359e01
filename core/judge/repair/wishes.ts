import { ref as makeRef } from '../../brand';
import { rowOf, type FindingCode } from '../../findings/table';
import { kindOf } from '../../parts';
import { pausesOf, printsOf } from '../../expectations';
import { referencePins, watchedOwnPin, type Exercise } from '../../formats/exercise';
import type { Build } from '../build';
import { isOnBus } from '../compare';
import type { PinDrive } from '../../electrics/bench';
import type { Examination } from '../examine';
import { pinsBehind } from './pins-behind';
import { timesTooSmall } from './scaled-numbers';
import { printsWhileHeld } from './waits-for-release';

/** How much a person has to do for each kind of change of a program. */
export const cost = {
  asAskedButThis: 0.9,
  asAsked: 1.05,
  repair: 1,
  units: 1.4,
  chain: 1.4,
  again: 1.4,
  press: 1.4,
  pinNumber: 1.5,
  openCase: 1.58,
  word: 1.6,
  negation: 1.61,
  unusualNegation: 1.67,
  entry: 1.69,
  askedNumber: 1.7,
  scaled: 1.71,
  pinOfAll: 1.75,
  number: 1.8,
  insert: 2,
  loop: 2.4,
} as const;

/** What a program may have been meant to say, from the build and from the exercise. */
export interface ProgramWishes {
  /** Numbers that may be meant: pins of the build and of the exercise, its times in milliseconds. */
  readonly pins: readonly number[];
  /** Numbers that the program uses as pins; no other number is one. */
  readonly used: readonly number[];
  readonly milliseconds: readonly number[];
  /** What has to be read of the board, line after line, one list for each time that it is asked for. */
  readonly printed: readonly (readonly string[])[];
  /** Whether it matters when lines are printed. */
  readonly isPrintedInTime: boolean;
  /** Pins that are read while nothing holds them. */
  readonly floating: readonly number[];
  /** Pins that are written to without a direction. */
  readonly undirected: readonly number[];
  /** The program of the exercise. */
  readonly asked: string;
  /** Whether the wiring is the one that the exercise asks for: what disagrees with it then is the program. */
  readonly isWiredAsAsked: boolean;
  /** Pins of parts that are seen or heard, and of those of them that do not do what is wanted. */
  readonly seen: readonly number[];
  readonly unlike: readonly number[];
  /** Those of them that no run has made high or let pulse. */
  readonly silent: readonly number[];
  /** Lines in which a number was too large for its type. */
  readonly overflowingLines: readonly number[];
  /** Line that takes the bounces of a contact for presses. */
  readonly bouncingLine: number | undefined;
  /** Line that asks for a button at every turn, and acts as often. */
  readonly heldLine: number | undefined;
  /** Line that asks for a change, and acts on both of its directions. */
  readonly changeLine: number | undefined;
  /** Lines that read once what is changed later. */
  readonly onceLines: readonly number[];
  /** Whether a program is over, or what it does, long before a run is. */
  readonly isOver: boolean;
  /** Line of a loop that was still running at the end. */
  readonly endlessLine: number | undefined;
  /** Whether it is what is printed that is not as it should be, what parts do, or both. */
  readonly fails: 'prints' | 'parts' | 'both';
  /** Whether the processor does something wrong in some line. */
  readonly stumbles: boolean;
  /** By how many times what was seen is too small, or less than 1 where it is too large. */
  readonly timesTooSmall: readonly number[];
}

/** What the runs of a build, its wiring and the exercise ask of changes of the program. */
export function wishesOf(
  exercise: Exercise,
  { wiring, program }: Build,
  { traces, match, observations, circuit, scenarios }: Examination,
): ProgramWishes {
  const number = (pin: string): number | undefined =>
    exercise.board.pins.find((known) => known.name === pin)?.number;
  const wired = wiring.parts.flatMap((part) =>
    part.legs.flatMap(({ at }) => (at?.type === 'pin' && !isOnBus(circuit, at.pin) ? [number(at.pin)] : [])),
  );
  const wanted = referencePins(exercise)
    .filter((pin) => !exercise.pinFreedom.has(pin))
    .map(number);
  const own = watchedOwnPin(exercise);
  const expected = exercise.data.scenarios.flatMap(({ expect }) => expect);
  const times = expected.flatMap((expectation) => pausesOf(expectation));
  const undirected = traces.flatMap((trace) => trace.undirected.map(({ pin }) => number(pin)));
  const floating = traces.flatMap((trace) =>
    trace.floatingReads.flatMap(({ pin, how }) => (how === 'digital' ? [number(pin)] : [])),
  );
  const known = (numbers: readonly (number | undefined)[]): number[] => [
    ...new Set(numbers.filter((value) => value !== undefined)),
  ];
  const isPrinted = observations.some(
    ({ code, refs = [] }) => (code === 'count-wrong' || code === 'text-off') && refs.length === 0,
  );
  const [printedTooOften] = isPrinted ? printsWhileHeld(program.source, program.language) : [];
  const seen = circuit.parts
    .filter(({ kind }) => kindOf(kind).observed !== undefined)
    .flatMap((part) => pinsBehind(circuit, part.ref));
  const lineOf = (wanted: FindingCode): number | undefined =>
    observations.find(({ code }) => code === wanted)?.line;
  return {
    pins: known([...wired, ...wanted, ...(own === undefined ? [] : [number(own)])]),
    milliseconds: [...new Set(times)],
    printed: expected.map(printsOf).filter((lines) => lines.length > 0),
    isPrintedInTime: expected.some((one) => printsOf(one).length > 0 && pausesOf(one).length > 0),
    used: known(
      traces.flatMap((trace) => [
        ...[...trace.pins.keys(), ...trace.reads.keys()].map(number),
        ...trace.undirected.map(({ pin }) => number(pin)),
        ...trace.unknownPins.map((pin) => pin.number),
      ]),
    ),
    undirected: known(undirected),
    timesTooSmall: timesTooSmall(observations),
    asked: exercise.data.program,
    isWiredAsAsked: match.same,
    floating: known(floating),
    seen: known(seen.map(number)),
    silent: known(
      seen
        .filter((pin) =>
          traces.every(({ pins }) => (pins.get(pin) ?? []).every(({ drive }) => isStill(drive))),
        )
        .map(number),
    ),
    unlike: known(
      observations
        .filter(({ code }) => rowOf(code).domain === 'behaviour')
        .flatMap(({ refs = [] }) => refs)
        .flatMap((ref) => pinsBehind(circuit, makeRef(ref)).map(number)),
    ),
    overflowingLines: [
      ...new Set(
        traces.flatMap(({ silentErrors }) =>
          silentErrors.flatMap(({ kind, line }) => (kind === 'overflow' ? [line] : [])),
        ),
      ),
    ],
    bouncingLine: lineOf('no-debounce'),
    heldLine: lineOf('repeats-while-held') ?? printedTooOften,
    changeLine: lineOf('double-count'),
    onceLines: observations.flatMap(({ code, line, evidence }) =>
      code === 'missed-input' && line !== undefined && evidence?.['readAtS'] ? [line] : [],
    ),
    isOver:
      traces.some(({ ended }) => ended.reason === 'finished') ||
      observations.some(({ code }) => code === 'stays-on' || code === 'stays-off'),
    endlessLine: traces[0]?.ended.loop?.line,
    fails: failingIn(exercise, scenarios),
    stumbles: observations.some(({ code }) => code === 'runtime-error'),
  };
}

/** Fields that only expectations of what is printed have. */
const OF_PRINTING = ['serial', 'lines', 'prints', 'line'];

/** What of a build's runs is not as it should be. */
function failingIn({ data }: Exercise, scenarios: Examination['scenarios']): ProgramWishes['fails'] {
  const failed = scenarios.flatMap(({ expectations }, at) =>
    (data.scenarios[at]?.expect ?? []).filter((_, index) => expectations[index]?.passed === false),
  );
  const ofPrinting = failed.filter((expectation) => OF_PRINTING.some((field) => field in expectation));
  if (failed.length === 0) return 'both';
  return ofPrinting.length === failed.length ? 'prints' : ofPrinting.length === 0 ? 'parts' : 'both';
}

const isStill = ({ mode }: PinDrive): boolean => mode === 'low' || mode === 'input' || mode === 'pullup';
