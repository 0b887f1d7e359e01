import type { BoardProfile } from '../boards';
import type { Program } from '../program';
import type { Machine, ProgramRun } from '../program/machine';
import type { Span } from '../program/syntax';
import type { Comparison, WatchedName, Watcher } from '../program/watching';
import type { Wiring } from '../wiring/wiring';
import type { RehearsalOptions } from './options';
import { rehearse } from './rehearse';
import type { SolvedCircuit } from './solved-circuit';
import type { Trace } from './trace';

/** Steps from one line to another, changes of variables, and outcomes of conditions that are kept of a run. */
const MOST_STEPS = 1_500_000;
const MOST_VALUES = 150_000;
const MOST_OUTCOMES = 150_000;

/** A variable that has had a value, with all that it had. */
export interface RecordedName {
  readonly name: string;
  /** First and last line of the function that it belongs to. */
  readonly within?: readonly [first: number, last: number] | undefined;
  /** Seconds from the start; `text` is `undefined` where it holds nothing that can be shown. */
  readonly values: readonly { readonly at: number; readonly text: string | undefined }[];
}

/** A comparison that a condition came down to, and what its sides were. */
export interface RecordedComparison {
  readonly span: Span;
  readonly left: string;
  readonly right: string;
}

/** How a condition of the program came out from a moment on. */
export interface RecordedOutcome {
  readonly at: number;
  readonly isSo: boolean;
  readonly comparisons: readonly RecordedComparison[];
}

export interface RecordedCondition {
  readonly span: Span;
  readonly outcomes: readonly RecordedOutcome[];
}

/** A run that can be looked at from moment to moment. */
export interface Recording {
  readonly trace: Trace;
  /** Moments at which the program came to another line, in seconds, and those lines. */
  readonly stepTimes: Float64Array;
  readonly stepLines: Uint16Array;
  readonly names: readonly RecordedName[];
  readonly conditions: readonly RecordedCondition[];
  /** Until when lines and values were kept, in seconds: a program that does very much is not kept to its end. */
  readonly keptUntil: number;
}

/**
 * Runs a program as `rehearse` does, and keeps which line ran when, what its variables held, and how its conditions
 * came out. The run is the same whether it is recorded or not.
 */
export function record(
  program: NonNullable<Program['compiled']>,
  wiring: Wiring,
  board: BoardProfile,
  options: RehearsalOptions,
  circuit?: SolvedCircuit,
): Recording {
  let recorder: Recorder | undefined;
  const trace = rehearse(program, wiring, board, options, circuit, (run) => {
    recorder = new Recorder(run);
  });
  return { trace, ...recorder!.recorded(trace.seconds) };
}

/** Values of one name so far. */
interface Followed {
  readonly watched: WatchedName;
  readonly values: { readonly at: number; readonly text: string | undefined }[];
  last: string | undefined;
}

/** Outcomes of one condition so far, and what the last one rested on. */
interface Outcomes {
  readonly span: Span;
  readonly outcomes: RecordedOutcome[];
  last: string;
}

class Recorder implements Watcher {
  private times = new Float64Array(1024);
  private lines = new Uint16Array(1024);
  private count = 0;
  private lastLine = -1;
  private seenChanges = -1;
  private seenLocalChanges = -1;
  private valueCount = 0;
  private outcomeCount = 0;
  private keptUntil = Number.POSITIVE_INFINITY;
  private readonly machine: Machine;
  private readonly followed: readonly Followed[];
  private readonly conditions = new Map<Span, Outcomes>();
  /** Comparisons since the last condition came out. */
  private compareds: { readonly comparison: Comparison; readonly left: unknown; readonly right: unknown }[] =
    [];

  constructor({ machine, names }: ProgramRun) {
    this.machine = machine;
    this.followed = names.map((watched) => ({ watched, values: [], last: undefined }));
    machine.watcher = this;
  }

  step(): void {
    const { line, cycles, clockHz, changes, localChanges } = this.machine;
    if (this.keptUntil !== Number.POSITIVE_INFINITY) return;
    const isChanged = changes !== this.seenChanges || localChanges !== this.seenLocalChanges;
    const isElsewhere = line !== this.lastLine;
    if (!isChanged && !isElsewhere) return;
    const at = cycles / clockHz;
    this.readNames(at, line);
    this.seenChanges = changes;
    this.seenLocalChanges = localChanges;
    if (!isElsewhere || line <= 0) return;
    this.lastLine = line;
    // What was compared for another statement says nothing of this one.
    this.compareds = [];
    if (this.count === this.times.length) this.grow();
    this.times[this.count] = at;
    this.lines[this.count] = line;
    this.count += 1;
    if (this.count >= MOST_STEPS) this.keptUntil = at;
  }

  moved(): void {
    if (this.keptUntil === Number.POSITIVE_INFINITY)
      this.readNames(this.machine.cycles / this.machine.clockHz, this.machine.line);
  }

  compared(comparison: Comparison, left: unknown, right: unknown): void {
    if (this.compareds.length < 8) this.compareds.push({ comparison, left, right });
  }

  decided(span: Span, outcome: 'so' | 'not so'): void {
    const { compareds } = this;
    this.compareds = [];
    if (this.outcomeCount >= MOST_OUTCOMES) return;
    const key = `${outcome} ${compareds.map(({ left, right }) => `${String(left)} ${String(right)}`).join(' ')}`;
    let condition = this.conditions.get(span);
    if (!condition) {
      condition = { span, outcomes: [], last: '' };
      this.conditions.set(span, condition);
    }
    if (condition.last === key) return;
    condition.last = key;
    this.outcomeCount += 1;
    condition.outcomes.push({
      at: this.machine.cycles / this.machine.clockHz,
      isSo: outcome === 'so',
      comparisons: compareds.map(({ comparison, left, right }) => ({
        span: comparison.span,
        left: comparison.shown(left),
        right: comparison.shown(right),
      })),
    });
  }

  recorded(seconds: number): Omit<Recording, 'trace'> {
    // What the last line has done is seen when it is over.
    if (this.keptUntil === Number.POSITIVE_INFINITY)
      this.readNames(this.machine.cycles / this.machine.clockHz, this.machine.line);
    return {
      stepTimes: this.times.slice(0, this.count),
      stepLines: this.lines.slice(0, this.count),
      names: this.followed
        .filter(({ values }) => values.some(({ text }) => text !== undefined))
        .map(({ watched: { name, within }, values }) => ({ name, within, values })),
      conditions: [...this.conditions.values()].map(({ span, outcomes }) => ({ span, outcomes })),
      keptUntil: Math.min(this.keptUntil, seconds),
    };
  }

  private readNames(at: number, line: number): void {
    for (const followed of this.followed) {
      const { watched, values } = followed;
      // A local has its value only while its function runs.
      if (watched.within && (line < watched.within[0] || line > watched.within[1])) continue;
      const text = watched.read();
      if (text === followed.last && (values.length > 0 || text === undefined)) continue;
      if (this.valueCount >= MOST_VALUES) return;
      this.valueCount += 1;
      followed.last = text;
      values.push({ at, text });
    }
  }

  private grow(): void {
    const [times, lines] = [new Float64Array(this.count * 2), new Uint16Array(this.count * 2)];
    times.set(this.times);
    lines.set(this.lines);
    this.times = times;
    this.lines = lines;
  }
}
