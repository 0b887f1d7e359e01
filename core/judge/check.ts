import { effortLeft, OutOfEffort, within } from '../effort';
import { toFinding, type Finding, type Observation, type Repair } from '../findings/finding';
import { rowOf } from '../findings/table';
import type { Exercise } from '../formats/exercise';
import { hintWordsOf, inAuthorsWords } from '../formats/hint-words';
import { hasPassed, type Report, type ScenarioResult, type Verdict } from '../formats/report';
import { NO_RUBRIC, ruleWords } from '../formats/rubric';
import { pointsOf } from '../formats/scenario';
import type { Sighting } from '../formats/sighting';
import type { Grammars } from '../program';
import { benchDisagrees } from './bench-disagrees';
import { causesOf, causesUnseen, type Cause } from './causes';
import type { Build } from './build';
import { Examiner, type Examination } from './examine';
import { referenceOf, type Reference } from './reference';
import { lackOf } from './verdict';
import { ENGINE } from './engine';
import { byCause, isProgram, isWiring } from '../findings/order';
import type { Wiring } from '../wiring/wiring';
import { seconds } from '../units';
import { capital } from '../words/words';
import { onceEach } from './rules';
import { notJudged } from './not-judged';
import { rightAlready } from './right';
import { withAll } from './repair/rebased';
import { searchRepair, searchWiring } from './repair/search';

export interface CheckOptions {
  /** What the student says they saw on the real bench. */
  readonly sighting?: Sighting;
  /** Told of an error of the checker itself, which the report only mentions. */
  readonly onFailure?: (error: unknown) => void;
}

/** A whole check: some seconds. */
const WHOLE_CHECK = 4e9;
/** What an exercise itself takes before any build of it is looked at. */
const OF_REFERENCE = 2e9;
/** The look at a build and the search for its repair together, and what a search gets in any case. */
const OF_LOOK_AND_SEARCH = 1e9;
const LEAST_OF_A_SEARCH = 4e8;
/** A look at a build; one that is busy without end gets a shorter one, in which what is written wrongly shows all the same. */
const OF_A_LOOK = 1.6e9;
const STEPS_OF_A_BUSY_RUN = 200_000;
/** Telling what is wired unlike the exercise in a build that works. */
const OF_DIFFERENCES = 4e8;
/** Seeing what comes of each thing that a floating line may read. */
const OF_READINGS = 4e8;
/** Telling causes from consequences when a repair is known. */
const OF_CAUSES = 4.5e8;

/**
 * Checks a build against an exercise. The same input gives the same report, byte for byte. What cannot be
 * judged within the bounds of a check, or fails inside it, is a report too: `cannot-tell`, with the reason.
 */
export function check(
  exercise: Exercise,
  build: Build,
  grammars: Grammars,
  options: CheckOptions = {},
): Report {
  if (build.program.failure !== undefined) options.onFailure?.(build.program.failure);
  try {
    const prepared = within(OF_REFERENCE, () => preparedFor(exercise, grammars));
    if (!prepared.ended) return notJudged(exercise, 'effort');
    const judged = within(WHOLE_CHECK, () => judge(prepared.value, build, grammars, options));
    return judged.ended ? judged.value : notJudged(exercise, 'effort');
  } catch (error) {
    if (error instanceof OutOfEffort) throw error;
    options.onFailure?.(error);
    return notJudged(exercise, 'failure');
  }
}

/** What is known of exercises: a class hands in many builds of one. It is made outside of a check's own bound. */
const references = new WeakMap<Exercise, Reference>();

function preparedFor(exercise: Exercise, grammars: Grammars): Reference {
  const known = references.get(exercise) ?? referenceOf(exercise, grammars);
  references.set(exercise, known);
  return known;
}

function judge(reference: Reference, build: Build, grammars: Grammars, options: CheckOptions): Report {
  const before = effortLeft();
  const examiner = new Examiner(reference, build.wiring);
  const whole = within(OF_A_LOOK, () => examiner.examine(build));
  const examination = whole.ended ? whole.value : examiner.examine(build, STEPS_OF_A_BUSY_RUN);
  const unlike = unlikeTheExercise(examiner, build, examination, grammars);
  const judged = hasPassed(examination.verdict)
    ? withoutRepair(examination, examiner.roomAdvice(build, examination), unlike)
    : examination.verdict === 'cannot-tell'
      ? withWhatIsMissing(examiner, build, examination, grammars)
      : withCauses(examiner, build, examination, grammars, before - effortLeft());
  const words = hintWordsOf(reference.exercise.data);
  const findings = withReadings(judged, examiner, build, examination).map((finding) =>
    inAuthorsWords(finding, words),
  );
  const said = benchDisagrees(options.sighting, examination, build);
  const own = unlike.some(({ severity }) => severity === 'risk') ? 'works-at-risk' : examination.verdict;
  const verdict: Verdict = said?.cause && hasPassed(examination.verdict) ? 'does-not-work' : own;
  const told = said ? (said.cause ? [said, ...findings] : [...findings, said]) : findings;
  return {
    format: 'didaktor/report@1',
    verdict,
    right: [...rightAlready(reference.exercise, build, examination, judged)],
    findings: told,
    scenarios: [...examination.scenarios],
    marks: marksOf(reference, examination.scenarios, told, hasPassed(verdict)),
    engine: ENGINE,
  };
}

/**
 * What the scenarios that hold and the rules that are kept are worth, of all. A build that passes has earned what all
 * scenarios are worth; one in which a program that does nothing passes as well earns nothing by itself, and rules are
 * kept by who has earned something: an empty build breaks none.
 */
function marksOf(
  { exercise, metByNothing }: Reference,
  results: readonly ScenarioResult[],
  findings: readonly Finding[],
  isPassed: boolean,
): Report['marks'] {
  const seen = results.map(({ name, passed }, index) => {
    const of = pointsOf(exercise.data.scenarios[index]);
    const isEarned = isPassed || (passed && metByNothing[index] !== true);
    return { for: name, earned: isEarned ? of : 0, of };
  });
  const hasBegun = isPassed || seen.some(({ earned }) => earned > 0);
  const kept = (exercise.data.rubric ?? NO_RUBRIC).rules.map(({ without, points }) => ({
    for: capital(ruleWords(without)),
    earned: hasBegun && !findings.some(({ code }) => code === without) ? points : 0,
    of: points,
  }));
  const items = [...seen, ...kept];
  return {
    earned: items.reduce((sum, { earned }) => sum + earned, 0),
    of: items.reduce((sum, { of }) => sum + of, 0),
    items,
  };
}

/** Findings of which the first that speaks of a floating line says what comes of each thing that it may read. */
function withReadings(
  findings: readonly Finding[],
  examiner: Examiner,
  build: Build,
  examination: Examination,
): readonly Finding[] {
  if (findings.some(({ code }) => code === 'unsteady')) return findings;
  const floating = findings.find(({ code }) => code === 'input-floating' || code === 'pullup-unset');
  const said = floating && within(OF_READINGS, () => examiner.saidOfFloating(build, examination));
  if (!said?.ended || said.value === undefined) return findings;
  const { value } = said;
  return findings.map((finding) =>
    finding === floating ? { ...finding, message: `${finding.message} ${value}` } : finding,
  );
}

/**
 * Where a build that does its job is wired unlike the exercise, when no rule has seen anything of it: what a change of it
 * to the exercise's own circuit would be evidence of. What is dead and was not watched is a risk.
 */
function unlikeTheExercise(
  examiner: Examiner,
  build: Build,
  examination: Examination,
  grammars: Grammars,
): readonly Observation[] {
  const { verdict, observations } = examination;
  const isTold = observations.some(({ code }) => isWiring(code) && rowOf(code).isOfStyle !== true);
  if (verdict !== 'works-differently' || isTold) return [];
  const { candidates, look } = searchWiring(examiner, build, examination, grammars, OF_DIFFERENCES);
  // Another way to build it, with a program of its own, is no slip.
  const asAsked = withAll(candidates, build);
  if (!asAsked || !hasPassed(look(asAsked).verdict)) return [];
  return candidates.flatMap(({ evidence, text, edits }): readonly Observation[] => {
    const seen = evidence?.says();
    if (!seen) return [];
    const severity = rowOf(seen.code).isRiskInAnyCase === true ? 'risk' : 'advice';
    return [{ ...seen, severity, repair: { text, edits } }];
  });
}

/** A passed build has no cause, but for what of it is at risk. */
const withoutRepair = (
  { observations }: Examination,
  advice: readonly Observation[],
  unlike: readonly Observation[],
): Finding[] => [
  ...unlike.map((seen) => ({ ...toFinding(seen), cause: seen.severity === 'risk' })),
  ...byCause([
    ...observations,
    // A line that is said to decide too closely already is not said to do so in another room.
    ...onceEach(advice).filter(
      ({ code, line }) => !observations.some((seen) => seen.code === code && seen.line === line),
    ),
  ]).map(toFinding),
];

/** One that cannot be told has what is missing as its cause, and beside it what is wrong with its wiring already. */
function withWhatIsMissing(
  examiner: Examiner,
  build: Build,
  examination: Examination,
  grammars: Grammars,
): Finding[] {
  const { wiring } = build;
  const { observations } = examination;
  const isWired = lackOf(examiner.reference.exercise, wiring) === undefined;
  const repair = isWired
    ? searchWiring(examiner, build, examination, grammars, OF_LOOK_AND_SEARCH)
    : undefined;
  const told = repair && within(OF_CAUSES, () => causesOf(build, examination, repair));
  const causes = told?.ended ? marked(told.value, wiring) : [];
  const isRight = isWired && causes.length === 0 && examination.match.same;
  const { program } = build;
  const isRun = isWired && !program.isEmpty && program.compiled !== undefined;
  const certain = isRun ? byCause(observations).find(isCertain) : undefined;
  const missing = certain
    ? { ...toFinding(certain), cause: true }
    : isRun
      ? stoppedRun(examination)
      : missingInput(examiner.reference.exercise, build, byCause(observations).map(toFinding), isRight);
  const others = byCause(observations)
    .map(toFinding)
    .filter((finding) => ![...causes, missing].some((other) => isSame(other, finding)))
    .filter((finding) => isWired || finding.severity !== 'fault');
  return [...causes, missing, ...others];
}

/** Whether something is written wrongly whatever a run of it shows. */
const isCertain = ({ code, severity, repair }: Observation): boolean =>
  severity === 'fault' && isProgram(code) && repair !== undefined;

/** A run that was stopped before all of it was seen, where nothing that was seen is wrong. */
function stoppedRun({ traces }: Examination): Finding {
  const { at, line } = traces.find(({ ended }) => ended.reason === 'steps')!.ended;
  return {
    ...toFinding({
      code: 'not-judged',
      severity: 'fault',
      line: Math.max(1, line),
      column: 1,
      message: `Line ${line} is still busy at ${seconds(at)}, where the run had to be stopped. All is right until then, and what comes later can’t be seen.`,
      hints: [
        `What changes every time round, and does it have to change so often?`,
        `The program goes round thousands of times a second and changes something each time.`,
        `Add a short delay after line ${line}, such as 10 milliseconds, and check again.`,
      ],
    }),
    cause: true,
  };
}

function missingInput(
  exercise: Exercise,
  { wiring, program }: Build,
  findings: readonly Finding[],
  isRightWiring: boolean,
): Finding {
  const unsupported = program.problems.find((problem) => problem.unsupported);
  const first =
    unsupported &&
    findings.find((finding) => finding.line === unsupported.line && finding.message === unsupported.message);
  if (first) return { ...first, cause: true };
  if (program.isEmpty)
    return {
      ...toFinding({
        code: 'missing-entry',
        severity: 'fault',
        line: 1,
        column: 1,
        message: `${isRightWiring ? 'The wiring is as it should be. ' : ''}There is no program yet, so there is nothing to run.`,
        hints: [
          'Where is your program?',
          'The program box is empty.',
          'Paste or type your program, then check again.',
        ],
      }),
      cause: true,
    };
  const lack = lackOf(exercise, wiring) ?? 'part';
  return {
    ...toFinding({
      code: 'part-missing',
      severity: 'fault',
      message:
        lack === 'part'
          ? 'Nothing is plugged in yet, so there is nothing to check.'
          : `The record has no ${lack}, so there is nothing to check yet.`,
      hints: [
        'Have you recorded everything you plugged in?',
        `The record has no ${lack}.`,
        `Record the ${lack === 'part' ? 'parts' : lack}, then check again.`,
      ],
    }),
    cause: true,
  };
}

/** Marks the causes: what each change of the smallest repair is evidence of. Everything else is a consequence. */
function withCauses(
  examiner: Examiner,
  build: Build,
  examination: Examination,
  grammars: Grammars,
  taken: number,
): Finding[] {
  // Whose look has taken long gets a shorter search: a busy program would be as busy at every try.
  const left = Math.max(LEAST_OF_A_SEARCH, OF_LOOK_AND_SEARCH - taken);
  const repair = searchRepair(examiner, build, examination, grammars, left);
  const all = examination.observations;
  const told = within(Math.min(OF_CAUSES, left), () => causesOf(build, examination, repair));
  const causes = told.ended ? told.value : causesUnseen(build, examination, repair);
  const unique = marked(causes, build.wiring);
  const rest = byCause(all).filter(
    (observation) => !unique.some((finding) => saysMoreThan(finding, observation)),
  );
  return [...unique, ...rest.map(toFinding)];
}

const isSame = (one: Finding, other: Finding): boolean =>
  one.code === other.code && one.message === other.message;

/** Whether a cause says what was seen, and more. */
const saysMoreThan = (cause: Finding, { code, message, refs = [] }: Observation): boolean =>
  cause.code === code && cause.message.startsWith(message) && cause.refs.join() === refs.join();

/**
 * Causes as findings with their repairs, each once, in the order of causes: what damages something, what keeps the
 * program from running at all, then the rest.
 */
function marked(causes: readonly Cause[], wiring: Wiring): Finding[] {
  const rank = ({ code }: Observation): number => (rowOf(code).isHazard ? 0 : rowOf(code).isRefused ? 1 : 2);
  const ordered = byCause(causes.map(({ observation }) => observation)).toSorted((a, b) => rank(a) - rank(b));
  const all = ordered.map((observation): Finding => {
    const known = causes.find((cause) => cause.observation === observation)?.repair ?? observation.repair;
    const finding = { ...toFinding(observation), cause: true };
    return known ? { ...finding, repair: known, hints: hintsTo(finding, known, wiring) } : finding;
  });
  return all.filter((finding, index) => all.findIndex((other) => isSame(other, finding)) === index);
}

/** The hints of a cause, of which the last says what its repair does: what is said and what is done are one thing. */
function hintsTo({ code, hints }: Finding, { text, edits }: Repair, { board }: Wiring): Finding['hints'] {
  const [edit] = edits;
  // Of a turn and of another value the rule says more than the change does.
  if (edits.length === 1 && edit && ('flip' in edit || 'value' in edit)) return hints;
  const [question, pointer] = hints;
  const unplug = board ? 'Unplug the board first.' : 'Disconnect the battery first.';
  return [question, pointer, rowOf(code).isHazard ? `${unplug} ${text}` : text];
}
