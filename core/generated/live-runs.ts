import {
  asksForProgram,
  boardsOf,
  exerciseFrom,
  type Exercise,
  type ExerciseData,
} from '../formats/exercise';
import { buildFor, type Build } from '../judge/build';
import { comparedRun, standingIn, type FirstDifference, type Standing } from '../judge/compared-runs';
import { Examiner } from '../judge/examine';
import { referenceOf } from '../judge/reference';
import { stimuliOn } from '../judge/judging';
import type { Grammars } from '../program';
import { record, type Recording } from '../rehearsal/recording';
import { SolvedCircuit } from '../rehearsal/solved-circuit';
import { fail, ok, problemText, type Problem, type Result } from '../result';
import type { Stimulus } from '../stimuli';
import { Circuit } from '../wiring/circuit';
import { readWiring } from '../wiring/read';
import { explainProgram, type LineExplanation } from './explain';
import { ReferenceRuns } from './reference-runs';
import type { Shown } from './shown';

/** Steps that a run may take while somebody waits for it: over within a second or two. */
const STEPS = 6_000_000;

/** A circuit with its program, as texts, and the exercise that says for which board and in which language. */
export interface RunSubject {
  readonly wiring: string;
  readonly program: string;
  readonly exercise: ExerciseData;
}

/** A run of one of the subjects. */
export interface RunOfSubject {
  readonly recording: Recording;
  /** What is done to it, by its own names. */
  readonly stimuli: readonly Stimulus[];
  /** What each line of its program does. */
  readonly explained: readonly LineExplanation[];
}

/** Runs under the same hands; of two, the moment at which they part. */
export interface LiveRuns {
  readonly runs: readonly RunOfSubject[];
  readonly first?: FirstDifference | undefined;
}

/** A subject made ready to be run again and again. */
interface Ready {
  readonly exercise: Exercise;
  readonly build: Build;
  readonly circuit: SolvedCircuit;
  readonly explained: readonly LineExplanation[];
}

/**
 * Runs circuits as somebody handles them: from the start, again with every touch, since the same hands give the same
 * run. What was worked out of a circuit is kept for the next run.
 */
export class LiveRunner {
  private readonly ready = new Map<string, Result<Ready>>();
  private standing: { readonly of: readonly Ready[]; readonly is: Standing } | undefined;

  constructor(private readonly grammars: Grammars) {}

  /** Runs one subject, or two beside each other: the parts in `stimuli` are called as in the first. */
  run(subjects: readonly RunSubject[], stimuli: readonly Stimulus[], seconds: number): Result<LiveRuns> {
    const made = subjects.map((subject) => this.readyFor(subject));
    const ready: Ready[] = [];
    for (const one of made) {
      if (!one.ok) return one;
      ready.push(one.value);
    }
    this.keepOnly(subjects);
    const [first, beside] = ready;
    const standing = first && beside && this.standingOf(first, beside);
    const runs = ready.map((one, index): RunOfSubject => {
      const own = index === 0 || !standing ? stimuli : stimuliOn({ stimuli: [...stimuli] }, standing.pairs);
      const { exercise, build, circuit, explained } = one;
      const options = { seconds, stimuli: own, steps: STEPS };
      const recording = record(build.program.compiled!, build.wiring, exercise.board, options, circuit);
      return { recording, stimuli: own, explained };
    });
    if (!standing) return ok({ runs });
    const [asked, built] = runs;
    const traces = { asked: asked!.recording.trace, built: built!.recording.trace };
    const scenario = { name: '', for: seconds, stimuli: [...stimuli] };
    return ok({ runs, first: comparedRun(scenario, traces, standing).first });
  }

  /** What was done to a reference, as a scenario with all that came of it; `undefined` where nothing did. */
  keep(
    subject: RunSubject,
    { name, stimuli, seconds }: Readonly<{ name: string; stimuli: readonly Stimulus[]; seconds: number }>,
  ): Shown | undefined {
    const ready = this.readyFor(subject);
    if (!ready.ok) return undefined;
    const { exercise, build } = ready.value;
    const runs = new ReferenceRuns(referenceOf(exercise, this.grammars), build.program);
    return runs.shownIn(name, { for: seconds, stimuli: [...stimuli] });
  }

  private standingOf(first: Ready, beside: Ready): Standing {
    if (this.standing?.of[0] === first && this.standing.of[1] === beside) return this.standing.is;
    const { exercise } = first;
    // What stands for what is seen by the circuit of the first, whatever else its exercise would accept.
    const asked = { ...exercise, reference: first.build.wiring };
    const is = standingIn(new Examiner(referenceOf(asked, this.grammars)), beside.build.wiring);
    this.standing = { of: [first, beside], is };
    return is;
  }

  private readyFor(subject: RunSubject): Result<Ready> {
    const key = keyOf(subject);
    const known = this.ready.get(key) ?? madeReady(subject, this.grammars);
    this.ready.set(key, known);
    return known;
  }

  /** Forgets what is not run any more. */
  private keepOnly(subjects: readonly RunSubject[]): void {
    const wanted = new Set(subjects.map(keyOf));
    for (const key of this.ready.keys()) if (!wanted.has(key)) this.ready.delete(key);
  }
}

const keyOf = ({ wiring, program, exercise }: RunSubject): string =>
  [wiring, program, exercise.board, exercise.language, JSON.stringify(exercise.boardProfile ?? '')].join(
    '\0',
  );

function madeReady(
  { wiring: table, program: source, exercise: data }: RunSubject,
  grammars: Grammars,
): Result<Ready> {
  const exercise = exerciseFrom(data);
  if (!exercise.ok) return exercise;
  const wiring = readWiring(table, { boards: boardsOf(data) });
  if (!wiring.ok) return wiring;
  const build = buildFor(exercise.value, wiring.value, source, grammars);
  if (!build.program.compiled) return fail(hindrance(exercise.value, build));
  return ok({
    exercise: exercise.value,
    build,
    circuit: new SolvedCircuit(new Circuit(wiring.value)),
    explained: explainProgram(
      { ...exercise.value, data: { ...exercise.value.data, program: source }, reference: wiring.value },
      grammars,
    ),
  });
}

/** Why a build cannot be run. */
function hindrance(exercise: Exercise, { program }: Build): Problem {
  const problem = program.problems.find(({ stopsCompiler }) => stopsCompiler) ?? program.problems[0];
  if (problem) return { message: problem.message };
  return {
    message: asksForProgram({ data: exercise.data })
      ? 'There is no program yet. Write one, and it can be run.'
      : problemText({ message: 'There is nothing here that can be run.' }),
  };
}
