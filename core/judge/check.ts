import { effortLeft, OutOfEffort, within } from '../effort';
import { toFinding, type Finding, type Observation, type Repair } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import { hasPassed, type Report, type Verdict } from '../formats/report';
import type { Sighting } from '../formats/sighting';
import type { Grammars } from '../program';
import { benchDisagrees } from './bench-disagrees';
import { Examiner, referenceOf, type Build, type Examination } from './examine';
import { ENGINE } from './engine';
import { byCause, isProgram, isWiring } from '../findings/order';
import type { Candidate } from './repair/candidate';
import { notJudged } from './not-judged';
import { findingOfMove, findingOfWord } from './repair/classify';
import { searchRepair, STEPS_OF_A_TRY, type RepairSet } from './repair/search';

export interface CheckOptions {
  /** What the student says they saw on the real bench. */
  readonly sighting?: Sighting;
  /** Told of an error of the checker itself, which the report only mentions. */
  readonly onFailure?: (error: unknown) => void;
}

/** A whole check: some seconds. */
const WHOLE_CHECK = 4e9;
/** The look at a build and the search for its repair together, and what a search gets in any case. */
const OF_LOOK_AND_SEARCH = 1.2e9;
const LEAST_OF_A_SEARCH = 2e8;
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
    const judged = within(WHOLE_CHECK, () => judge(exercise, build, grammars, options));
    return judged.ended ? judged.value : notJudged(exercise, 'effort');
  } catch (error) {
    if (error instanceof OutOfEffort) throw error;
    options.onFailure?.(error);
    return notJudged(exercise, 'failure');
  }
}

function judge(exercise: Exercise, build: Build, grammars: Grammars, options: CheckOptions): Report {
  const before = effortLeft();
  const examiner = new Examiner(referenceOf(exercise, grammars));
  const examination = examiner.examine(build);
  const judged =
    hasPassed(examination.verdict) || examination.verdict === 'cannot-tell'
      ? withoutRepair(build, examination)
      : withCauses(examiner, build, examination, grammars, before - effortLeft());
  const said = benchDisagrees(options.sighting, examination, build);
  const verdict: Verdict =
    said?.cause && hasPassed(examination.verdict) ? 'does-not-work' : examination.verdict;
  const passed = examination.scenarios.filter((scenario) => scenario.passed).length;
  return {
    format: 'didaktor/report@1',
    verdict,
    findings: said ? [...(said.cause ? [said] : []), ...judged, ...(said.cause ? [] : [said])] : judged,
    scenarios: [...examination.scenarios],
    marks: {
      earned: hasPassed(verdict) ? examination.scenarios.length : passed,
      of: examination.scenarios.length,
    },
    engine: ENGINE,
  };
}

/** A passed build has no cause; one that cannot be told has what is missing as its cause. */
function withoutRepair(build: Build, { verdict, observations }: Examination): Finding[] {
  const findings = byCause(observations).map(toFinding);
  if (verdict !== 'cannot-tell') return findings;
  return [missingInput(build, findings), ...findings.filter((finding) => finding.severity !== 'fault')];
}

function missingInput({ wiring, program }: Build, findings: readonly Finding[]): Finding {
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
        message: 'There is no program yet, so there is nothing to run.',
        hints: [
          'Where is your program?',
          'The program box is empty.',
          'Paste or type your program, then check again.',
        ],
      }),
      cause: true,
    };
  const what = wiring.board ? 'no part' : 'no board';
  return {
    ...toFinding({
      code: 'part-missing',
      severity: 'fault',
      message: `The record has ${what}, so there is nothing to check yet.`,
      hints: [
        'Have you recorded everything you plugged in?',
        `The record has ${what}.`,
        `Record ${wiring.board ? 'the parts' : 'the board'}, then check again.`,
      ],
    }),
    cause: true,
  };
}

/**
 * Marks the causes: for each change of the smallest repair, the first finding that is there with all
 * the other changes made, and gone with this one too. Everything else is a consequence.
 */
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
  const all = [...examination.observations];
  const told = within(Math.min(OF_CAUSES, left), () => causesOf(examiner, build, all, repair));
  const causes = told.ended ? told.value : causesUnseen(build, all, repair);
  const ordered = byCause(causes.map(({ observation }) => observation));
  const marked: Finding[] = ordered.map((observation) => {
    const known = causes.find((cause) => cause.observation === observation)?.repair ?? observation.repair;
    return { ...toFinding(observation), cause: true, ...(known ? { repair: known } : {}) };
  });
  const unique = marked.filter(
    (finding, index) => marked.findIndex((other) => isSame(other, finding)) === index,
  );
  const rest = byCause(all).filter(
    (observation) => !unique.some((finding) => isSame(finding, toFinding(observation))),
  );
  return [...unique, ...rest.map(toFinding)];
}

interface Cause {
  readonly observation: Observation;
  readonly repair?: Repair;
}

const repairOf = ({ text, edits }: Candidate): Repair => ({ text, edits });

function causesOf(
  examiner: Examiner,
  build: Build,
  all: readonly Observation[],
  { candidates, rest }: RepairSet,
): readonly Cause[] {
  const look: Look = (tried) => examiner.examine(tried, STEPS_OF_A_TRY);
  const causes: Cause[] = [];
  for (const candidate of candidates) {
    const observation = causeOf(candidate, candidates, build, look);
    if (observation) causes.push({ observation, repair: repairOf(candidate) });
  }
  if (!rest) return causes;
  const observation =
    causeWithoutRepair(rest, build, all, look) ?? (causes.length === 0 ? mostLikely(all) : undefined);
  if (observation)
    causes.push({ observation, ...(observation.repair ? { repair: observation.repair } : {}) });
  return causes;
}

/** The causes as far as the build itself shows them, when its repairs cannot be looked at any more. */
function causesUnseen(
  build: Build,
  all: readonly Observation[],
  { candidates }: RepairSet,
): readonly Cause[] {
  const causes = candidates.flatMap((candidate): readonly Cause[] => {
    const [observation] = byCause(saidBy(candidate, build));
    return observation ? [{ observation, repair: repairOf(candidate) }] : [];
  });
  const first = mostLikely(all);
  return causes.length > 0 || !first ? causes : [{ observation: first }];
}

/** The first in the order of causes, of those that keep a build from passing. */
const mostLikely = (all: readonly Observation[]): Observation | undefined =>
  byCause(all.filter(({ severity }) => severity !== 'advice'))[0] ?? byCause(all)[0];

/** Checks a build that is tried in full. */
type Look = (build: Build) => Examination;

const isSame = (one: Finding, other: Finding): boolean =>
  one.code === other.code && one.message === other.message;

/** What is wrong with a program that no change mends: its first error, or what it does on a right wiring. */
function causeWithoutRepair(
  rest: Build,
  build: Build,
  seen: readonly Observation[],
  look: Look,
): Observation | undefined {
  const refused = build.program.problems.find((problem) => problem.stopsCompiler);
  const { verdict, observations } = look(rest);
  if (refused) return observations.find((observation) => observation.message === refused.message);
  if (hasPassed(verdict)) return undefined;
  const about = observations.filter(({ code, severity }) => severity !== 'advice' && !isWiring(code));
  const [first] = byCause(about);
  // What was seen on the build itself has its own numbers.
  return first && (seen.find(({ code, line }) => code === first.code && line === first.line) ?? first);
}

function causeOf(
  candidate: Candidate,
  set: readonly Candidate[],
  build: Build,
  look: Look,
): Observation | undefined {
  let others: Build | undefined = build;
  for (const other of set) if (other !== candidate && others) others = other.apply(others);
  if (!others) return undefined;
  const { observations } = look(others);
  const repaired = candidate.apply(others);
  const left = new Set(
    repaired
      ? look(repaired).observations.map((observation) => `${observation.code} ${observation.message}`)
      : [],
  );
  const explained = observations.filter(
    (observation) => !left.has(`${observation.code} ${observation.message}`),
  );
  const pool = [...saidBy(candidate, others), ...explained];
  const inDomain = pool.filter(({ code }) =>
    candidate.domain === 'wiring' ? isWiring(code) : isProgram(code),
  );
  return byCause(inDomain.length > 0 ? inDomain : pool)[0];
}

/** What a single change says by itself of the build that it is made to. */
function saidBy({ edits }: Candidate, build: Build): readonly Observation[] {
  const [edit] = edits;
  if (!edit || edits.length > 1) return [];
  return [findingOfMove(edit, build.wiring), findingOfWord(edit, build.program.source)].flatMap(
    (observation) => observation ?? [],
  );
}
