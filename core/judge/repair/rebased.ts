import type { Observation, TextEdit } from '../../findings/finding';
import type { Program } from '../../program';
import { applyTextEdit } from '../../program/problem';
import type { Build } from '../build';
import type { Candidate } from './candidate';

/** An edit by its place in a text. */
interface Stretch {
  readonly at: number;
  readonly length: number;
  readonly by: string;
}

/**
 * Changes of a program that were found one on top of the other, each as a change of the program itself: with its places, and with the
 * lines that are told, as they are in there. As they are where one changes what another has put in.
 */
export function rebased(
  candidates: readonly Candidate[],
  source: string,
  compile: (source: string) => Program,
): readonly Candidate[] {
  let text = source;
  const before: Stretch[] = [];
  const found: Candidate[] = [];
  for (const candidate of candidates) {
    if (candidate.domain !== 'program') {
      found.push(candidate);
      continue;
    }
    const [told, earlier] = [text, [...before]];
    const edits: TextEdit[] = [];
    for (const edit of textEditsOf(candidate)) {
      const at = offsetOf(text, edit.line, edit.column);
      const [start, end] = [at, at + edit.length].map((place) => placeBefore(place, before));
      if (start === undefined || end === undefined) return candidates;
      edits.push({ ...placeOf(source, start), length: end - start, by: edit.by });
      before.push({ at, length: edit.length, by: edit.by });
      text = applyTextEdit(text, edit);
    }
    const ordered = edits.toSorted((one, other) => other.line - one.line || other.column - one.column);
    const said = (words: string): string =>
      withLines(words, (line) => lineBefore(line, told, source, earlier));
    found.push({
      ...candidate,
      edits: ordered.map((replace) => ({ replace })),
      text: said(candidate.text),
      ...(candidate.told && { told: { why: said(candidate.told.why), ask: said(candidate.told.ask) } }),
      compile,
      apply: (build) => ({
        ...build,
        program: compile(ordered.reduce(applyTextEdit, build.program.source)),
      }),
    });
  }
  const all = stretchesOf(
    found.filter(({ domain }) => domain === 'program'),
    source,
  );
  return areApart(all) && changed(source, all) === text ? found : candidates;
}

const textEditsOf = ({ edits }: Candidate): readonly TextEdit[] =>
  edits.flatMap((edit) => ('replace' in edit ? [edit.replace] : []));

/** A build with several changes made. Those that are told of the program itself are made at once. */
export function withAll(candidates: readonly Candidate[], build: Build): Build | undefined {
  const together = candidates.every(isRebased) ? candidates.filter(({ domain }) => domain === 'program') : [];
  const [first] = together;
  const made = candidates
    .filter((one) => !together.includes(one))
    .reduce<Build | undefined>((now, { apply }) => now && apply(now), build);
  if (!made || !first?.compile) return made;
  const { source } = build.program;
  return { ...made, program: first.compile(changed(source, stretchesOf(together, source))) };
}

/** A text with changes made, from its end. */
const changed = (source: string, stretches: readonly Stretch[]): string =>
  stretches.reduce((made, { at, length, by }) => made.slice(0, at) + by + made.slice(at + length), source);

/** Whether no change touches another one, so that they come to the same in any order. */
const areApart = (stretches: readonly Stretch[]): boolean =>
  stretches.every(({ at }, index) => {
    const before = stretches[index + 1];
    return !before || (before.at + before.length <= at && before.at < at);
  });

const isRebased = ({ domain, compile }: Candidate): boolean => domain !== 'program' || compile !== undefined;

/** The changes of a program, from its end. */
const stretchesOf = (candidates: readonly Candidate[], source: string): readonly Stretch[] =>
  candidates
    .flatMap(textEditsOf)
    .map(({ line, column, length, by }) => ({ at: offsetOf(source, line, column), length, by }))
    .sort((one, other) => other.at - one.at);

/** A change as it is made where others have been made already. */
export function onTopOf(candidate: Candidate, others: readonly Candidate[], source: string): Candidate {
  if (!candidate.compile || !others.every(isRebased)) return candidate;
  const stretches = stretchesOf(others, source);
  const text = changed(source, stretches);
  return {
    ...candidate,
    edits: textEditsOf(candidate).map((edit) => {
      const at = offsetOf(source, edit.line, edit.column);
      const moved = stretches
        .filter((other) => other.at < at)
        .reduce((sum, { length, by }) => sum + by.length - length, at);
      return { replace: { ...edit, ...placeOf(text, moved) } };
    }),
  };
}

/** What was seen where others had been made, told of the program without them. */
export function toldWithout(
  seen: Observation,
  others: readonly Candidate[],
  { source, text }: { readonly source: string; readonly text: string },
): Observation {
  if (source === text || !others.every(isRebased)) return seen;
  const stretches = stretchesOf(others, source);
  const line = (number: number): number => lineBefore(number, text, source, stretches);
  return {
    ...seen,
    ...(seen.line === undefined ? {} : { line: line(seen.line) }),
    message: withLines(seen.message, line),
    hints: seen.hints.map((hint) => withLines(hint, line)) as Observation['hints'],
  };
}

/** Where a place of a text was before some edits; `undefined` inside of what they have put in. */
function placeBefore(place: number, edits: readonly Stretch[]): number | undefined {
  let now: number | undefined = place;
  for (const { at, length, by } of edits.toReversed()) {
    if (now === undefined) return undefined;
    if (now <= at) continue;
    now = now >= at + by.length ? now - by.length + length : undefined;
  }
  return now;
}

/** The line of the source that a line of a later text is, or the one that it was put in behind. */
function lineBefore(line: number, text: string, source: string, edits: readonly Stretch[]): number {
  for (let at = offsetOf(text, line, 1) + (text.split('\n')[line - 1]?.length ?? 0); at >= 0; at -= 1) {
    const place = placeBefore(at, edits);
    if (place !== undefined) return placeOf(source, place).line;
  }
  return line;
}

/** A text with each line of the program that it names as another one; “line 2 of” a display is none. */
const withLines = (text: string, line: (line: number) => number): string =>
  text.replace(/\b[Ll]ines? \d+(?:(?:, | and | to )\d+)*(?! of\b|\d)/g, (named) =>
    named.replace(/\d+/g, (number) => String(line(Number(number)))),
  );

function offsetOf(text: string, line: number, column: number): number {
  const before = text.split('\n').slice(0, line - 1);
  return before.reduce((sum, one) => sum + one.length + 1, 0) + column - 1;
}

function placeOf(text: string, at: number): { readonly line: number; readonly column: number } {
  const before = text.slice(0, at);
  return { line: before.split('\n').length, column: at - before.lastIndexOf('\n') };
}
