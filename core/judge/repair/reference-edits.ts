import { diffArrays } from 'diff';
import { effort } from '../../effort';
import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { piecesOf, type Piece } from '../../program/pieces';
import type { Candidate } from './candidate';
import { cost } from './wishes';

/** What stands in a program and what stands in its place in the other one, by their pieces. */
interface Hunk {
  readonly own: readonly [from: number, to: number];
  readonly asked: readonly [from: number, to: number];
}

/** Pieces that one change has at most: what is longer was not one slip. */
const LONGEST = 14;
/** Places up to which a program is the exercise's own with some slips in it. */
const FEW = 4;
/** Places beyond which it is another program. */
const MANY = 12;
/** Pieces that two programs may have together to be compared. */
const MOST_PIECES = 4000;

type Make = (edit: TextEdit, amount: number, text: string) => Candidate;

/**
 * Changes that make one place of a program what it is in the exercise's own: a line put back, a word, a sign. None
 * for a program that is written otherwise.
 */
export function referenceCandidates(
  source: string,
  wanted: string,
  language: Language,
  make: Make,
): readonly Candidate[] {
  const [own, asked] = [source, wanted].map((text) => piecesOf(text, language)) as [Piece[], Piece[]];
  if (own.length + asked.length > MOST_PIECES) return [];
  effort((own.length + asked.length) * 2000);
  const hunks = hunksOf(own, asked);
  if (hunks.length > MANY) return [];
  const amount =
    hunks.length === 1 ? cost.asAskedButThis : hunks.length <= FEW ? cost.asAsked : cost.insert + 0.2;
  // Two slips in one line, such as two names in each other's places, are one line that is written otherwise.
  const joined = hunks.length <= FEW ? inOneLine(hunks, own, source) : [];
  return [...hunks, ...joined]
    .filter((hunk) => lengthOf(hunk.own) <= LONGEST && lengthOf(hunk.asked) <= LONGEST)
    .map((hunk) => changeOf(settled(hunk, own, asked), { own, asked, source, wanted, amount, make }));
}

/** What neighbouring places in one line are together, two or more of them, with what stands between them. */
function inOneLine(hunks: readonly Hunk[], own: readonly Piece[], source: string): readonly Hunk[] {
  return hunks.flatMap((first, index) =>
    hunks.slice(index + 1).flatMap((last): readonly Hunk[] => {
      const [from, to] = [own[first.own[0]]?.from, own[last.own[1] - 1]?.to];
      if (from === undefined || to === undefined || source.slice(from, to).includes('\n')) return [];
      return [{ own: [first.own[0], last.own[1]], asked: [first.asked[0], last.asked[1]] }];
    }),
  );
}

const lengthOf = ([from, to]: readonly [number, number]): number => to - from;

function hunksOf(own: readonly Piece[], asked: readonly Piece[]): readonly Hunk[] {
  const hunks: Hunk[] = [];
  let [mine, theirs] = [0, 0];
  const changes = diffArrays(
    own.map(({ text }) => text),
    asked.map(({ text }) => text),
  );
  for (const { added, removed, count } of changes) {
    if (!added && !removed) {
      mine += count;
      theirs += count;
      continue;
    }
    const before = hunks.at(-1);
    const follows = before?.own[1] === mine && before.asked[1] === theirs;
    const [from, other] = follows ? [before.own[0], before.asked[0]] : [mine, theirs];
    if (follows) hunks.pop();
    if (removed) mine += count;
    else theirs += count;
    hunks.push({ own: [from, mine], asked: [other, theirs] });
  }
  return hunks;
}

/** Where only something was put in or left out: moved back so that it is whole statements, where that is the same. */
function settled(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk {
  const [pieces, side] = lengthOf(hunk.own) === 0 ? [asked, 'asked' as const] : [own, 'own' as const];
  const other = side === 'asked' ? 'own' : 'asked';
  if (lengthOf(hunk[other]) > 0) return hunk;
  let [from, to] = hunk[side];
  let moved = 0;
  const isWhole = (): boolean => isEnd(pieces[to - 1]!.text) && (from === 0 || isEnd(pieces[from - 1]!.text));
  while (!isWhole() && from > 0 && pieces[from - 1]!.text === pieces[to - 1]!.text) {
    from -= 1;
    to -= 1;
    moved += 1;
  }
  if (!isWhole()) return hunk;
  const [start, end] = hunk[other];
  return { ...hunk, [side]: [from, to], [other]: [start - moved, end - moved] };
}

/** Whether something new begins behind a piece; lines of Python are set off by pieces of their own. */
const isEnd = (text: string): boolean => /^(?:[;{}]$|\n)/.test(text);

interface Given {
  readonly own: readonly Piece[];
  readonly asked: readonly Piece[];
  readonly source: string;
  readonly wanted: string;
  readonly amount: number;
  readonly make: Make;
}

function changeOf(hunk: Hunk, { own, asked, source, wanted, amount, make }: Given): Candidate {
  const [from, to] = hunk.own;
  const [first, last] = hunk.asked;
  const written = first === last ? '' : wanted.slice(asked[first]!.from, asked[last - 1]!.to);
  const shown = oneLine(written);
  if (from === to) {
    const before = own[from - 1];
    const at = before?.to ?? 0;
    // The space in front of it comes along: it begins a line of its own where it does in the other program.
    const space = wanted.slice(asked[first - 1]?.to ?? 0, asked[first]!.from).replace(/.*\n/s, '\n');
    const place = placeOf(source, at);
    const next = own[to];
    const gap = wanted.slice(asked[last - 1]!.to, asked[last]?.from ?? wanted.length);
    // What begins the line of what is there already: a type that is missing before a name.
    const isBefore =
      next !== undefined && !isEnd(next.text) && !isEnd(written.slice(-1)) && !gap.includes('\n');
    if (isBefore && space.includes('\n')) {
      const there = placeOf(source, next.from);
      return make(
        { ...there, length: 0, by: written + gap },
        amount,
        `Write ${shown} before ${oneLine(next.text)} in line ${there.line}.`,
      );
    }
    const rest = /^.*/.exec(source.slice(at))![0].trim();
    const left = before ? source.slice(before.from, before.to).trim() : '';
    if (left === '' || space.includes('\n') || rest === '')
      return make(
        { ...place, length: 0, by: space + written },
        amount,
        place.column === 1 && place.line === 1
          ? `Begin the program with ${shown}.`
          : `Add ${shown} after line ${place.column === 1 ? place.line - 1 : place.line}.`,
      );
    // What goes on with a word or a number makes another one of it.
    if (space === '' && /\w$/.test(left) && /^[\w.]/.test(written))
      return make(
        { ...placeOf(source, before!.from), length: left.length, by: left + written },
        amount,
        `Write ${oneLine(left + written)} instead of ${left} in line ${place.line}.`,
      );
    // A sign is told with what it belongs to: `!isOpen`, `i + 1`.
    const whole = next && (/^[\w.]+/.exec(source.slice(next.from))?.[0] ?? next.text);
    const told =
      isBefore && PREFIX.test(written)
        ? exchange(whole!, written + gap + whole!, placeOf(source, next.from).line, source)
        : OPERATION.test(written) && /\w$/.test(left)
          ? exchange(left, left + space + written, place.line, source)
          : undefined;
    return make(
      { ...place, length: 0, by: space + written },
      amount,
      told ?? `Add ${shown} in line ${place.line}, right after ${oneLine(left)}.`,
    );
  }
  const start = own[from]!.from;
  const length = own[to - 1]!.to - start;
  const place = placeOf(source, start);
  const there = oneLine(source.slice(start, start + length));
  if (there === '' && shown === '')
    return make({ ...place, length, by: written }, amount, setInText(place.line + 1, written));
  return make(
    { ...place, length, by: written },
    amount,
    written === ''
      ? `Remove ${there} in line ${place.line}.`
      : `Write ${shown} instead of ${there} in line ${place.line}.`,
  );
}

/** Signs that stand before what they are about, and those that go on with what stands before them. */
const PREFIX = /^(?:!|-|~|not)$/;
const OPERATION = /^[-+*/%][^;{}]*$/;

/** What is written in place of one piece; `undefined` where its line has it more than once. */
function exchange(there: string, by: string, line: number, source: string): string | undefined {
  const text = source.split('\n')[line - 1]!;
  const escaped = there.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
  const times = text.match(new RegExp(`(?<![\\w.])${escaped}(?![\\w.])`, 'g'))?.length;
  return times === 1 ? `Write ${oneLine(by)} instead of ${oneLine(there)} in line ${line}.` : undefined;
}

const setInText = (line: number, space: string): string => {
  const columns = space.length - space.lastIndexOf('\n') - 1;
  return columns === 0
    ? `Begin line ${line} without any space before it.`
    : `Begin line ${line} with ${columns} spaces.`;
};

const oneLine = (text: string): string => {
  const line = text.replace(/\s+/g, ' ').trim();
  return line.length <= 60 ? line : `${line.slice(0, 58)} …`;
};

function placeOf(source: string, at: number): { readonly line: number; readonly column: number } {
  const before = source.slice(0, at);
  const line = before.split('\n').length;
  return { line, column: at - before.lastIndexOf('\n') };
}
