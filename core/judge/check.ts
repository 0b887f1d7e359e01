import { toFinding, type Finding, type Observation, type Repair } from '../finding';
import type { Exercise } from '../formats/exercise';
import { hasPassed, type Report, type Verdict } from '../formats/report';
import type { Grammars } from '../program';
import { benchDisagrees, type Sighting } from './bench-disagrees';
import { Examiner, referenceOf, type Build, type Examination } from './examine';
import { byCause, isProgram, isWiring } from './order';
import type { Candidate } from './repair/candidate';
import { findingOfMove, findingOfWord } from './repair/classify';
import { searchRepair, STEPS_OF_A_TRY } from './repair/search';

export type { Sighting } from './bench-disagrees';

/** Name and version of the judging engine; it changes whenever a report could. */
export const ENGINE = 'didaktor-core/0.2.0';

export interface CheckOptions {
  /** What the student says they saw on the real bench. */
  readonly sighting?: Sighting;
}

/** Checks a build against an exercise. The same input gives the same report, byte for byte. */
export function check(
  exercise: Exercise,
  build: Build,
  grammars: Grammars,
  options: CheckOptions = {},
): Report {
  const examiner = new Examiner(referenceOf(exercise, grammars));
  const examination = examiner.examine(build);
  const judged =
    hasPassed(examination.verdict) || examination.verdict === 'cannot-tell'
      ? withoutRepair(build, examination)
      : withCauses(examiner, build, examination, grammars);
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
        message: 'There is no program, so nothing can be run.',
        hints: [
          'Where is your program?',
          'The place for the program is empty.',
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
      message: `The record has ${what}, so nothing can be built from it.`,
      hints: [
        'Is everything that you plugged in recorded?',
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
): Finding[] {
  const repair = searchRepair(examiner, build, examination, grammars);
  const look: Look = (tried) => examiner.examine(tried, STEPS_OF_A_TRY);
  const all = [...examination.observations];
  const serious = all.filter((observation) => observation.severity !== 'advice');
  const causes: { readonly observation: Observation; readonly repair?: Repair }[] = [];
  for (const candidate of repair.candidates) {
    const observation = causeOf(candidate, repair.candidates, build, look);
    if (observation) causes.push({ observation, repair: { text: candidate.text, edits: candidate.edits } });
  }
  if (repair.rest) {
    const observation =
      causeWithoutRepair(repair.rest, build, all, look) ??
      (causes.length === 0 ? (byCause(serious)[0] ?? byCause(all)[0]) : undefined);
    if (observation)
      causes.push({ observation, ...(observation.repair ? { repair: observation.repair } : {}) });
  }
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
  const moves = candidate.edits.flatMap((edit) => findingOfMove(edit, others.wiring) ?? []);
  const words = candidate.edits.flatMap((edit) => findingOfWord(edit, others.program.source) ?? []);
  const single = candidate.edits.length === 1 ? [...moves, ...words] : [];
  const pool = [...single, ...explained];
  const inDomain = pool.filter(({ code }) =>
    candidate.domain === 'wiring' ? isWiring(code) : isProgram(code),
  );
  return byCause(inDomain.length > 0 ? inDomain : pool)[0];
}
