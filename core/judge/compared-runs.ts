import type { Scenario } from '../formats/scenario';
import { runRows, type TimelineMark, type TimelineRow } from '../rehearsal/run-rows';
import { driveKey } from '../rehearsal/solved-circuit';
import { observedSeconds, type PinChange, type Trace } from '../rehearsal/trace';
import { seconds } from '../units';
import type { PlacedPart, Wiring } from '../wiring/wiring';
import type { Build } from './build';
import { Examiner } from './examine';
import type { Reference } from './reference';

/** What a part of the exercise does in the run of the reference and in that of a build. */
export interface ComparedRow {
  /** As the exercise calls the part. */
  readonly name: string;
  /** As the build calls what stands for it; `undefined` when nothing does. */
  readonly builtName?: string | undefined;
  readonly sort: TimelineRow['sort'];
  readonly asked: readonly TimelineMark[];
  readonly built: readonly TimelineMark[];
}

/** Where two runs part. */
export interface FirstDifference {
  readonly at: number;
  /** The part of the exercise by which it is seen. */
  readonly part: string;
  /** What it does then in the reference, and in the build: `is lit`. */
  readonly asked: string;
  readonly built: string;
  /** Whether the pins do the same all the same, so that the wiring makes the difference. */
  readonly by: 'program' | 'wiring';
  /** Line of the program that has done something then: the reference's, and the build's. */
  readonly askedLine?: number | undefined;
  readonly builtLine?: number | undefined;
}

/** A scenario run on the reference and on a build. */
export interface ComparedRun {
  readonly scenario: string;
  readonly seconds: number;
  /** What is done to the parts. */
  readonly done: readonly TimelineRow[];
  readonly rows: readonly ComparedRow[];
  readonly first?: FirstDifference | undefined;
  /** What each of them printed, where that is not the same. */
  readonly printed?: { readonly asked: string; readonly built: string } | undefined;
}

/** Steps that each run may take: a reviewer waits for it. */
const STEPS = 2_000_000;
/** Seconds for which something must be otherwise to be a difference: less is not seen as one. */
const SEEN_FROM = 0.1;
/** Seconds within which a line counts as what has made a change. */
const AT_ONCE = 0.02;
/** What is run of an exercise that asks for nothing. */
const UNASKED: Scenario = { name: 'left alone', for: 10, stimuli: [], expect: [] };
/** Most characters of what was printed. */
const MOST_PRINTED = 4000;

/**
 * The runs of a reference and of a build over each other, scenario by scenario, with the first moment at which they
 * part. None of a build whose program cannot be run.
 */
export function compareRuns(reference: Reference, asked: Build, built: Build): readonly ComparedRun[] {
  const examiner = new Examiner(reference);
  const { data } = reference.exercise;
  const scenarios = data.scenarios.length > 0 ? data.scenarios : [UNASKED];
  const limits = scenarios.map(() => ({ steps: STEPS }));
  const [wanted, own] = [asked, built].map(
    (build) => examiner.screen(build, limits, 'end', scenarios).traces,
  );
  if (wanted!.length !== own!.length) return [];
  const standing = standingIn(examiner, built.wiring);
  return scenarios.map((scenario, index) =>
    comparedRun(scenario, { asked: wanted![index]!, built: own![index]! }, standing),
  );
}

/** What of a build stands for what of the reference. */
export interface Standing {
  readonly pairs: ReadonlyMap<string, PlacedPart>;
  readonly pins: ReadonlyMap<string, string>;
  /** The boards, as both call them. */
  readonly board: string | undefined;
  readonly builtBoard: string | undefined;
}

export const standingIn = (examiner: Examiner, wiring: Wiring): Standing => ({
  pairs: examiner.pairsOf(wiring),
  pins: examiner.matchOf(wiring).pins,
  board: examiner.reference.exercise.reference.board?.ref,
  builtBoard: wiring.board?.ref,
});

/** A run of the reference and one of a build under the same stimuli, put over each other. */
export function comparedRun(
  scenario: Omit<Scenario, 'expect'>,
  traces: Traces,
  { pairs, pins, board, builtBoard }: Standing,
): ComparedRun {
  const [one, other] = [runRows(scenario, traces.asked), runRows(scenario, traces.built)];
  const rows = one.rows.flatMap((row): readonly ComparedRow[] => {
    // What is printed is compared as a text.
    if (row.sort === 'done' || row.sort === 'printed') return [];
    const [, name = row.name, light = ''] = /^([^.]+)(\..*)?$/.exec(row.name) ?? [];
    const part = name === board ? builtBoard : pairs.get(name)?.ref;
    const builtName = part === undefined ? undefined : `${part}${light}`;
    const theirs = other.rows.find(
      (candidate) => candidate.sort === row.sort && candidate.name === builtName,
    );
    // The LED of the board itself is of interest where the exercise has no other, or asks for it.
    if (
      name === board &&
      one.rows.some(({ name: shown }) => !shown.startsWith(`${board}.`) && shown !== board)
    )
      return [];
    return [{ name: row.name, builtName, sort: row.sort, asked: row.marks, built: theirs?.marks ?? [] }];
  });
  return {
    scenario: scenario.name,
    seconds: scenario.for,
    done: one.rows.filter(({ sort }) => sort === 'done'),
    rows,
    first: firstDifference(rows, traces, pins),
    printed: printedOtherwise(traces),
  };
}

/** The runs of both. */
interface Traces {
  readonly asked: Trace;
  readonly built: Trace;
}

function printedOtherwise({ asked, built }: Traces): ComparedRun['printed'] {
  const [one, other] = [asked, built].map(({ serial }) => serial.map(({ text }) => text).join('')) as [
    string,
    string,
  ];
  return one === other
    ? undefined
    : { asked: one.slice(0, MOST_PRINTED), built: other.slice(0, MOST_PRINTED) };
}

function firstDifference(
  rows: readonly ComparedRow[],
  traces: Traces,
  pins: ReadonlyMap<string, string>,
): FirstDifference | undefined {
  const until = Math.min(observedSeconds(traces.asked), observedSeconds(traces.built));
  const found = rows
    .flatMap((row) => {
      const at = partsAt(row, until);
      return at === undefined ? [] : [{ row, at }];
    })
    .sort((one, other) => one.at - other.at)[0];
  if (!found) return undefined;
  const { row, at } = found;
  const moment = at + SEEN_FROM / 2;
  const [askedLine, builtLine] = [lineAt(traces.asked, at), lineAt(traces.built, at)];
  return {
    at,
    part: row.name,
    asked: stateWords(row, row.asked, moment),
    built: row.builtName === undefined ? 'is not there' : stateWords(row, row.built, moment),
    by: pinsAgree(traces, pins, moment) ? 'wiring' : 'program',
    ...(askedLine === undefined ? {} : { askedLine }),
    ...(builtLine === undefined ? {} : { builtLine }),
  };
}

/** Beginnings that are laid over each other. */
const BEGINNINGS = 4;

/**
 * Whether two runs are the same but for when they begin, as those of two programs that let an LED flash and of which one
 * begins with the dark: for some time by which one is later, all rows are the same for as long as both are seen, at least
 * half of the run. What happens once only has its time.
 */
export function areSameButLater({ rows, seconds: length }: ComparedRun): boolean {
  const other = rows.find((row) => partsAt(row, length) !== undefined);
  if (!other) return true;
  if (other.asked.length < 2 || other.built.length < 2) return false;
  const beginnings = (marks: readonly TimelineMark[]): readonly number[] =>
    marks.slice(0, BEGINNINGS).map(({ from }) => from);
  const delays = beginnings(other.asked).flatMap((asked) =>
    beginnings(other.built).map((built) => asked - built),
  );
  return delays.some(
    (delay) =>
      Math.abs(delay) <= length / 2 &&
      rows.every((row) => {
        const asked = earlier(row.asked, Math.max(0, delay));
        const built = earlier(row.built, Math.max(0, -delay));
        return partsAt({ ...row, asked, built }, length - Math.abs(delay)) === undefined;
      }),
  );
}

/** Marks as they would be so many seconds earlier; what would be before the beginning is cut off. */
const earlier = (marks: readonly TimelineMark[], by: number): readonly TimelineMark[] =>
  marks.flatMap((mark) =>
    mark.to <= by ? [] : [{ ...mark, from: Math.max(0, mark.from - by), to: mark.to - by }],
  );

/** When two rows part for long enough to be seen; `undefined` when they never do. */
function partsAt({ asked, built }: ComparedRow, until: number): number | undefined {
  const moments = [...new Set([0, until, ...[...asked, ...built].flatMap(({ from, to }) => [from, to])])]
    .filter((moment) => moment <= until)
    .sort((one, other) => one - other);
  let since: number | undefined;
  for (const [index, from] of moments.entries()) {
    const to = moments[index + 1] ?? until;
    if (to <= from) continue;
    const middle = (from + to) / 2;
    if (looksAt(asked, middle) === looksAt(built, middle)) since = undefined;
    else {
      since ??= from;
      if (to - since > SEEN_FROM) return since;
    }
  }
  return undefined;
}

const markAt = (marks: readonly TimelineMark[], at: number): TimelineMark | undefined =>
  marks.find(({ from, to }) => from <= at && at < to);

function looksAt(marks: readonly TimelineMark[], at: number): string {
  const mark = markAt(marks, at);
  return mark ? [mark.strength, mark.label ?? '', mark.picture ?? ''].join(' ') : '';
}

/** What a part does at a moment, as a sentence goes on behind its name. */
function stateWords({ sort }: ComparedRow, marks: readonly TimelineMark[], at: number): string {
  const mark = markAt(marks, at);
  switch (sort) {
    case 'seen':
      return mark ? (mark.strength === 'full' ? 'is lit' : 'glows faintly') : 'is dark';
    case 'heard':
      return mark ? `sounds with ${mark.label ?? ''}` : 'is silent';
    case 'shown':
      return mark
        ? `shows ${mark.picture === undefined ? `“${mark.label ?? ''}”` : `a picture with ${mark.label ?? ''}`}`
        : 'shows nothing';
    default:
      return mark ? (mark.label === 'pulled in' ? 'has pulled in' : `is at ${mark.label ?? ''}`) : 'rests';
  }
}

/** The line whose change of a pin a moment is next to. */
function lineAt({ pins }: Trace, at: number): number | undefined {
  const near = [...pins.values()]
    .flat()
    .filter((change) => Math.abs(change.at - at) < AT_ONCE && change.line > 0)
    .sort((one, other) => Math.abs(one.at - at) - Math.abs(other.at - at));
  return near[0]?.line;
}

/** Whether all pins of the reference do at a moment what those that stand for them do in the build. */
function pinsAgree({ asked, built }: Traces, pins: ReadonlyMap<string, string>, at: number): boolean {
  const driveAt = (changes: readonly PinChange[] | undefined) =>
    changes?.findLast((change) => change.at <= at)?.drive ?? ({ mode: 'input' } as const);
  return [...asked.pins].every(
    ([pin, changes]) =>
      driveKey(driveAt(changes)) === driveKey(driveAt(built.pins.get(pins.get(pin) ?? pin))),
  );
}

/** A first difference in a sentence, with what has made it. */
export function differenceSentence({
  at,
  part,
  asked,
  built,
  by,
  askedLine,
  builtLine,
}: FirstDifference): string {
  const lines =
    by === 'wiring'
      ? 'The pins do the same in both, so it is the wiring that makes the difference.'
      : builtLine !== undefined
        ? `Line ${builtLine} of this program has just done that.`
        : askedLine !== undefined
          ? `Line ${askedLine} of the reference has just done something; here nothing happens.`
          : '';
  const when = at < AT_ONCE ? 'From the start' : `At ${seconds(at)}`;
  return `${when} ${part} ${asked} in the reference and ${built} here. ${lines}`.trim();
}
