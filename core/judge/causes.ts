import type { Edit, Observation, Repair, TextEdit } from '../findings/finding';
import { byCause, isProgram, isWiring } from '../findings/order';
import { rowOf, type FindingCode } from '../findings/table';
import { hasPassed } from '../formats/report';
import type { Build } from './build';
import type { Examination } from './examine';
import type { Candidate, Evidence } from './repair/candidate';
import { findingOfArguments, findingOfPlaceAsPin } from './repair/argument-evidence';
import { findingOfExchange, findingOfPin } from './repair/pin-evidence';
import {
  atItsLastLine,
  atItsLine,
  findingOfPullUp,
  findingOfStatic,
  findingOfUnits,
  ofExchangedWords,
  ofMovedLine,
  ofNoBreak,
  withoutPause,
} from './repair/program-evidence';
import { findingOfWord } from './repair/evidence-of-words';
import type { Told } from './repair/guesses';
import { formOf, isInside } from './repair/guesses/form';
import { onTopOf, toldWithout, withAll } from './repair/rebased';
import type { Repairs } from './repair/search';
import { findingOfType } from './repair/type-evidence';
import { ofOtherName } from './repair/alike-names';
import { toldByShape } from './repair/told-by-shape';

/** A finding that explains what is wrong, with what mends it. */
export interface Cause {
  readonly observation: Observation;
  readonly repair?: Repair;
}

/**
 * The causes of what is wrong with a build: for each change of its repair, what the change is evidence of, said of the
 * build itself wherever it shows there.
 */
export function causesOf(
  build: Build,
  examination: Examination,
  { candidates, rest, look }: Repairs,
): readonly Cause[] {
  const mended = withAll(candidates, build);
  const gone = explainedBy(examination.observations, mended && look(mended).observations);
  const causes: Cause[] = [];
  for (const candidate of candidates) {
    // One finding is the cause of one thing: two wires left out are two.
    const open = gone.filter((seen) => causes.every(({ observation }) => observation !== seen));
    const observation = candidate.evidence
      ? named(candidate.evidence, open)
      : ofProgram(candidate, candidates, build, look);
    if (observation)
      causes.push({ observation: asCause(observation, examination), repair: repairOf(candidate) });
  }
  if (!rest) return causes;
  const most =
    causeWithoutRepair(rest, build, examination.observations, look) ??
    (causes.length === 0 ? mostLikely(examination.observations) : undefined);
  const { circuit, traces, scenarios } = examination;
  const left = most && atItsLastLine(most, circuit, traces[scenarios.findIndex(({ passed }) => !passed)]);
  return left ? [...causes, { observation: left, ...(left.repair ? { repair: left.repair } : {}) }] : causes;
}

/** What keeps a build from working is a fault, though it is no more than advice, or a risk of its program, to one that works. */
const asCause = (observation: Observation, { verdict }: Examination): Observation =>
  verdict === 'does-not-work' &&
  (observation.severity === 'advice' || (observation.severity === 'risk' && isProgram(observation.code)))
    ? { ...observation, severity: 'fault' }
    : observation;

/** The causes as far as the build itself shows them, when its repair cannot be looked at any more. */
export function causesUnseen(
  { program }: Build,
  examination: Examination,
  { candidates }: Repairs,
): readonly Cause[] {
  const { observations } = examination;
  const causes = candidates.flatMap((candidate): readonly Cause[] => {
    const observation = candidate.evidence
      ? named(candidate.evidence, observations)
      : bestOfProgram(candidate, program.source, observations, examination);
    return observation ? [{ observation, repair: repairOf(candidate) }] : [];
  });
  const first = mostLikely(observations);
  return causes.length > 0 || !first ? causes : [{ observation: first }];
}

const repairOf = ({ text, edits }: Candidate): Repair => ({ text, edits });

/** The first in the order of causes, of those that keep a build from passing. */
const mostLikely = (all: readonly Observation[]): Observation | undefined =>
  firstOf(all.filter(({ severity }) => severity !== 'advice')) ?? firstOf(all);

/** The first in the order of causes; what the processor does wrong in its line comes before what comes of that. */
function firstOf(all: readonly Observation[]): Observation | undefined {
  const [first] = byCause(all);
  return all.find(({ code, line }) => code === 'runtime-error' && line === first?.line) ?? first;
}

/** Checks a build that is tried in full; what is known of one is not worked out again. */
type Look = Repairs['look'];

/** What was seen before a change and is not seen after it. */
function explainedBy(
  before: readonly Observation[],
  after: readonly Observation[] | undefined,
): readonly Observation[] {
  const left = new Set((after ?? []).map(({ code, message }) => `${code} ${message}`));
  return before.filter(({ code, message }) => !left.has(`${code} ${message}`));
}

/**
 * What a change of the wiring is evidence of: what a rule saw at its place and that is gone with it, in the order of
 * what names it best; else what the change says itself.
 */
function named({ codes, refs, holds, at, says }: Evidence, explained: readonly Observation[]): Observation {
  const places: readonly string[] = at;
  const parts: readonly string[] = refs;
  const meets = (seen: Observation): boolean =>
    (seen.refs ?? []).some(
      (ref) => parts.includes(ref) || (seen.code === 'pull-wrong-way' && ref === holds),
    ) || (seen.at ?? []).some((place) => places.includes(place));
  const own = says();
  for (const code of codes) {
    const seen = explained.find((observation) => observation.code === code && meets(observation));
    if (seen) return seen;
    if (own.code === code) return own;
  }
  return own;
}

/** What a change of the program is evidence of, seen on the build with all the other changes made. */
function ofProgram(
  candidate: Candidate,
  set: readonly Candidate[],
  build: Build,
  look: Look,
): Observation | undefined {
  const rest = set.filter((other) => other !== candidate);
  const others = withAll(rest, build);
  if (!others) return undefined;
  // What the other changes do to a program that compiles is nothing that was seen of it.
  const isBroken = build.program.compiled !== undefined && others.program.compiled === undefined;
  if (isBroken) return bestOfProgram(candidate, build.program.source, look(build).observations, look(build));
  const examination = look(others);
  const repaired = withAll(set, build);
  const explained = explainedBy(examination.observations, repaired && look(repaired).observations);
  const { source } = build.program;
  const shown = bestOfProgram(
    onTopOf(candidate, rest, source),
    others.program.source,
    explained,
    examination,
  );
  const best = shown && toldWithout(shown, rest, { source, text: others.program.source });
  // What a change says itself is no rule's to say.
  const isSeen =
    shown && explained.some(({ code, message }) => code === shown.code && shown.message.startsWith(message));
  // What was seen on the build itself has its own numbers.
  const seen =
    isSeen &&
    look(build).observations.find(
      ({ code, line }) => isProgram(code) && code === best?.code && line === best.line,
    );
  // What the repair shows beside it stays said.
  return seen && best?.message.startsWith(seen.message) !== true ? seen : best;
}

/** Findings of what is not there: they are seen in another line than the one that mends them. */
const ofOmissions: ReadonlySet<FindingCode> = new Set([
  'direction-unset',
  'pullup-unset',
  'pin-disagrees',
  'pin-lacks-function',
  'missing-pause',
  'serial-not-started',
  'serial-rate',
  'never-ends',
  'shared-not-volatile',
  'repeats-while-held',
]);

/** Findings of a statement that is not there, or not about this pin. */
const ofMissingStatement: ReadonlySet<FindingCode> = new Set([
  'direction-unset',
  'pullup-unset',
  'pin-disagrees',
  'pin-lacks-function',
]);

/** What was seen, with what the form of the program says of how it comes. */
const ofForm = (
  seen: Observation,
  { why, ask }: Told,
  { line, column }: TextEdit,
  remedy: string,
): Observation => ({ ...seen, line, column, message: `${seen.message} ${why}`, hints: [ask, why, remedy] });

/** What names a change of the program best: the nearest refusal, the question turned round, what is said of its line. */
function bestOfProgram(
  { edits, told, text }: Candidate,
  source: string,
  explained: readonly Observation[],
  { traces, circuit }: Pick<Examination, 'traces' | 'circuit'>,
): Observation | undefined {
  const [edit] = edits;
  const line = lineOf(edit);
  const away = (seen: Observation): number => Math.abs((seen.line ?? 0) - (line ?? 0));
  const itself = explained.find(
    ({ repair }) => repair && JSON.stringify(repair.edits) === JSON.stringify(edits),
  );
  if (itself) return itself;
  const misplaced =
    edit && edits.length === 1
      ? (findingOfPlaceAsPin(edit, source) ?? findingOfArguments(edit, source) ?? findingOfType(edit, source))
      : undefined;
  if (misplaced) return misplaced;
  const refused = explained.filter(
    ({ code, line: at }) => rowOf(code).isRefused === true && at !== undefined,
  );
  if (refused.length > 0) return [...refused].sort((a, b) => away(a) - away(b))[0];
  const exchanged = findingOfExchange(edits, source, circuit);
  if (exchanged) return exchanged;
  // What is read again is what was read once, whatever else that was too early for.
  const once = explained.find(({ code, evidence }) => code === 'missed-input' && evidence?.['readAtS']);
  if (once && edits.some((one) => readsAnew(one, source))) return once;
  // What the processor does wrong comes before what comes of that, but for a direction that was all it wanted.
  const error = explained.find(({ code }) => code === 'runtime-error');
  if (error && !isOfDirection(edit)) return error;
  // The only advice of this code is that no line calls a function, and now one does.
  const uncalled = explained.find(({ code, severity }) => code === 'no-effect' && severity === 'advice');
  const forgotten = edit && (findingOfStatic(edit, source) ?? (uncalled && calledBy(edit, uncalled)));
  if (forgotten) return forgotten;
  const [plain] = byCause(explained.filter(({ code }) => !isProgram(code) && !isWiring(code)));
  const exchangedWords = plain && ofExchangedWords(plain, edits, source);
  if (exchangedWords) return exchangedWords;
  const endless = plain && edit && ofNoBreak(plain, edit, source);
  if (endless) return endless;
  const moved = plain && edit && ofMovedLine(plain, edit, source);
  if (moved) return moved;
  // Nothing else was seen where the run ended early.
  const [last] = byCause(explained);
  const left = last && !isLongerPause(edit, source) ? withoutPause(last) : last;
  const formed = told && (plain ?? left);
  const place = edits.at(-1);
  if (formed && place && 'replace' in place) return ofForm(formed, told, place.replace, text);
  const shaped = toldByShape(plain ?? left, edits, source);
  if (shaped) return shaped;
  const turned = edit && edits.length === 1 ? findingOfWord(edit, source) : undefined;
  if (turned) return turned;
  // What a rule on the wiring says of a line, the line has done.
  const program = explained.filter(
    ({ code, line: at, evidence, severity }) =>
      (isProgram(code) || (isWiring(code) && at !== undefined)) &&
      rowOf(code).isOfStyle !== true &&
      // What bounces in the exercise's own program too keeps no build from passing.
      (code !== 'no-debounce' || severity !== 'advice') &&
      // Nothing is said of a pause where none was missing, nor of being busy where what is asked was wrong.
      (code !== 'missing-pause' || isLongerPause(edit, source)) &&
      (evidence?.['stoppedS'] === undefined || at === line || isOfTime(edit, source)),
  );
  const [here] = byCause(program.filter((seen) => seen.line === line || ofOmissions.has(seen.code)));
  // Two parts on one pin look as if a pause were missing.
  const pin =
    edit && (!here || here.code === 'missing-pause') ? findingOfPin(edit, source, circuit) : undefined;
  // Which way a pin is pulled inside the board is the program's to say.
  const pull = explained.find(({ code }) => code === 'pull-wrong-way');
  if (pull && edit && isOfPull(edit))
    return { ...pull, line: edit.replace.line, column: edit.replace.column };
  const units = edit && findingOfUnits(edit, source);
  if (units ?? pin) return units ?? pin;
  // What was left out says more than the name that was written instead.
  const named =
    here && ofMissingStatement.has(here.code) ? undefined : ofOtherName(plain ?? left, edits, source);
  if (named) return named;
  const said = edit && findingOfPullUp(edit, source);
  const [elsewhere] = byCause(
    program.filter(
      ({ code }) => code !== 'missed-input' || isOfTime(edit, source) || readsAnew(edit, source),
    ),
  );
  const best = here ?? said ?? elsewhere ?? plain ?? left;
  return best && atItsLine(best, edit, traces, source);
}

/** That no line calls a function, with the line that would as what to do. */
const calledBy = (edit: Edit, uncalled: Observation): Observation => ({
  ...uncalled,
  hints: [
    uncalled.hints[0]!,
    uncalled.hints[1]!,
    'replace' in edit ? `Put ${edit.replace.by.trim()} where it belongs.` : uncalled.hints[2]!,
  ],
});

const WAITS = /delay|sleep/;
const TIMED = /delay|sleep|millis|micros|monotonic/;

/** Whether a change makes a program wait longer somewhere: a pause that is put in, or one for longer. */
function isLongerPause(edit: Edit | undefined, source: string): boolean {
  if (!edit || !('replace' in edit) || !isOfTime(edit, source, 'of a pause')) return false;
  const { by, line, column, length } = edit.replace;
  const there = (source.split('\n')[line - 1] ?? '').slice(column - 1, column - 1 + length);
  const [less, more] = [there, by].map((text) => Number.parseFloat(text));
  return !/^[\d.]+[UL]*$/i.test(there.trim()) || !(more! < less!);
}

/**
 * Whether a change is one of how long a program takes, without which a press may go unseen: any number may be, but for the
 * limit of a question. A pause is what the clock or a delay has to do with.
 */
function isOfTime(edit: Edit | undefined, source: string, how: 'of a pause' | 'any' = 'any'): boolean {
  if (!edit || !('replace' in edit)) return false;
  const { by, line, column, length } = edit.replace;
  // The same words in another order take no longer.
  const there = (source.split('\n')[line - 1] ?? '').slice(column - 1, column - 1 + length);
  const words = (text: string): string => (text.match(/\w+/g) ?? []).sort().join(' ');
  if (by !== '' && words(by) === words(there)) return false;
  // What looks at the clock makes nothing wait.
  if (by === '' || (how === 'any' ? TIMED : WAITS).test(by)) return true;
  if (!/\d/.test(by)) return false;
  const lines = source.split('\n');
  const text = lines[line - 1] ?? '';
  // The limit of a question takes no time, but for one about the clock.
  const isLimit = /\b(?:if|elif)\b/.test(text) && !TIMED.test(text);
  const timed = lines.filter((other) => TIMED.test(other)).join('\n');
  return (
    (how === 'any' && !isLimit) ||
    TIMED.test(text) ||
    (text.match(/[A-Za-z_]\w*/g) ?? []).some((word) => word !== 'if' && isWordIn(timed, word))
  );
}

const isWordIn = (text: string, word: string): boolean => new RegExp(`\\b${word}\\b`).test(text);

const isOfPull = (edit: Edit): edit is Extract<Edit, { replace: unknown }> =>
  'replace' in edit && /^(?:UP|DOWN)$|PULL|Pull\./.test(edit.replace.by.trim());

const READS = /[rR]ead\s*\(|\.value\b|pulseIn/;

/** Whether a change brings a reading, by itself or by a function that does, without which what happens later goes unseen. */
function readsAnew(edit: Edit | undefined, source: string): boolean {
  if (!edit || !('replace' in edit)) return false;
  const { by } = edit.replace;
  const called = [...by.matchAll(/\b(\w+)\s*\(/g)].map(([, name]) => name!);
  return READS.test(by) || called.some((name) => READS.test(bodyOf(name, source)));
}

/** What stands from the head of a function on to where the next one begins. */
const bodyOf = (name: string, source: string): string =>
  new RegExp(`^[\\w ]*\\b${name}\\s*\\([^()]*\\)\\s*[{:](?:\\n(?!\\w)|.)*`, 'm').exec(source)?.[0] ?? '';

const isOfDirection = (edit: Edit | undefined): boolean =>
  edit !== undefined &&
  'replace' in edit &&
  /direction|pinMode|OUTPUT|switch_to_output/.test(edit.replace.by);

const lineOf = (edit: Edit | undefined): number | undefined =>
  edit && 'replace' in edit ? edit.replace.line : undefined;

/** What is wrong with a program that no change mends: its first error, or what it does on a right wiring. */
function causeWithoutRepair(
  rest: Build,
  build: Build,
  seen: readonly Observation[],
  look: Look,
): Observation | undefined {
  const refused = build.program.problems.find((problem) => problem.stopsCompiler);
  const { verdict, observations, traces } = look(rest);
  if (refused) return observations.find((observation) => observation.message === refused.message);
  if (hasPassed(verdict)) return undefined;
  // An exercise that feeds its own board with nothing: no line of a program that does not run is to blame.
  const dead = observations.find(({ code, severity }) => code === 'rail-unpowered' && severity === 'fault');
  if (dead) return dead;
  const about = observations.filter(
    (observation) =>
      observation.severity !== 'advice' &&
      !isWiring(observation.code) &&
      !isClearedFirst(observation, rest, traces),
  );
  const first = firstOf(about);
  // What was seen on the build itself has its own numbers.
  return first && (seen.find(({ code, line }) => code === first.code && line === first.line) ?? first);
}

/**
 * Whether a level that no eye sees is one that a program sets first and then, where it asks something, otherwise: all LEDs
 * off, then one of them on. No pause is missing there.
 */
function isClearedFirst(
  { code, line }: Observation,
  { program }: Build,
  traces: Examination['traces'],
): boolean {
  if (code !== 'missing-pause' || line === undefined) return false;
  const ends = traces.flatMap(({ pins }) =>
    [...pins.values()].flatMap((changes) =>
      changes.flatMap((change, index) => (change.line === line ? (changes[index + 1]?.line ?? []) : [])),
    ),
  );
  const { blocks } = formOf(program.source, program.language);
  const around = (at: number): string =>
    blocks.flatMap((block, index) => (isInside(at, block) ? [index] : [])).join();
  return ends.length > 0 && ends.every((end) => around(end) !== around(line));
}
