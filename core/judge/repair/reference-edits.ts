import { effort } from '../../effort';
import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { piecesOf, type Piece } from '../../program/pieces';
import type { Candidate } from './candidate';
import { exchangeText } from './exchange-text';
import {
  aroundIn,
  exchangedIn,
  hunksOf,
  inOneLine,
  isEnd,
  lengthOf,
  LONGEST,
  onlyAround,
  toldWhole,
  withNext,
  type Hunk,
} from './program-hunks';
import { cost } from './wishes';

/** Pieces of what was left out, or put in, of a program that is the exercise's own otherwise: a loop of one line. */
const LONGEST_LINE = 40;
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
  const joined =
    hunks.length <= FEW
      ? inOneLine(hunks, own, source).map((hunk) =>
          withNext(onlyAround(hunk, own, asked), own, asked, source),
        )
      : [];
  const isOneSlip = (hunk: Hunk): boolean => {
    const [least, most] = [lengthOf(hunk.own), lengthOf(hunk.asked)].sort((one, other) => one - other);
    return (
      most! <= LONGEST ||
      (least === 0 && most! <= LONGEST_LINE && hunks.length <= FEW) ||
      aroundIn(hunk, own, asked) !== undefined
    );
  };
  // The same words in another order are one slip, of which no part is enough.
  const words = (pieces: readonly Piece[], [from, to]: Hunk['own']): string =>
    pieces
      .slice(from, to)
      .map(({ text }) => text)
      .sort()
      .join('\n');
  const isReordered = (hunk: Hunk): boolean => words(own, hunk.own) === words(asked, hunk.asked);
  return [...joined.filter(isReordered), ...hunks, ...joined.filter((hunk) => !isReordered(hunk))]
    .filter(isOneSlip)
    .map((hunk) =>
      changeOf(toldWhole(hunk, own, asked), {
        own,
        asked,
        source,
        wanted,
        amount: isReordered(hunk) ? cost.asAskedButThis : amount,
        make,
      }),
    );
}

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
  if (from === to) return insertionOf(hunk, { own, asked, source, wanted, amount, make });
  const start = own[from]!.from;
  const length = own[to - 1]!.to - start;
  const place = placeOf(source, start);
  const there = oneLine(source.slice(start, start + length));
  if (there === '' && shown === '')
    return make({ ...place, length, by: written }, amount, setInText(place.line + 1, written));
  const exchanged = exchangedIn(own.slice(from, to), asked.slice(first, last));
  const [line = ''] = source.slice(start - place.column + 1).split('\n', 1);
  const isPlain = exchanged?.every((word) => line.match(new RegExp(`\\b${word}\\b`, 'g'))?.length === 1);
  if (exchanged && isPlain)
    return make(
      { ...place, length, by: written },
      amount,
      exchangeText(exchanged[0], place.line, exchanged[1], place.line),
    );
  const before = lengthOf(hunk.asked) > lengthOf(hunk.own) ? aroundIn(hunk, own, asked) : undefined;
  if (before !== undefined) {
    const begin = wanted.slice(asked[first]!.from, asked[first + before]!.from);
    const end = wanted.slice(asked[first + before + lengthOf(hunk.own) - 1]!.to, asked[last - 1]!.to);
    return make(
      { ...place, length, by: written },
      amount,
      `Put ${oneLine(begin)}…${oneLine(end)} around ${there} in line ${place.line}.`,
    );
  }
  return make(
    { ...place, length, by: written },
    amount,
    written === ''
      ? (joinedLines(source, start, length, place.line) ?? leftOut(source, start, there, place.line))
      : `Write ${shown} instead of ${there} in line ${place.line}.`,
  );
}

/** What is to be written for some lines of which the end of the first and the beginning of the last are too much. */
function joinedLines(source: string, at: number, length: number, line: number): string | undefined {
  const removed = source.slice(at, at + length);
  const more = removed.trim().split('\n').length - 1;
  const [before = ''] = /[^\n]*$/.exec(source.slice(0, at)) ?? [];
  const [after = ''] = /^[^\n]*/.exec(source.slice(at + length)) ?? [];
  if (more === 0 || before.trim() === '' || after.trim() === '') return undefined;
  const last = line + more;
  const lines = more === 1 ? `line ${last}` : `lines ${line + 1} to ${last}`;
  return `Write ${oneLine(before + after)} in line ${line}, and remove ${lines}.`;
}

/** What is left of a sign of which a piece is too much, `/` of `//`; else that something is to be removed. */
function leftOut(source: string, at: number, there: string, line: number): string {
  const [before = ''] = /[^\w\s]*$/.exec(source.slice(0, at)) ?? [];
  const [after = ''] = /^[^\w\s]*/.exec(source.slice(at + there.length)) ?? [];
  const isPiece = /^[-+*/%=<>!&|]$/.test(there) && (before.endsWith(there) || after.startsWith(there));
  return isPiece
    ? `Write ${there} instead of ${there}${there} in line ${line}.`
    : `Remove ${there} in line ${line}.`;
}

/** What stands in the other program and in this one not. */
function insertionOf(hunk: Hunk, { own, asked, source, wanted, amount: usual, make }: Given): Candidate {
  const [at] = hunk.own;
  const [first, last] = hunk.asked;
  const [before, next] = [own[at - 1], own[at]];
  const written = wanted.slice(asked[first]!.from, asked[last - 1]!.to);
  // A second variable of a name that the program has is likelier to be a line of the program that stands elsewhere.
  const amount = makesAgain(written, source) ? Math.max(usual, cost.insert) : usual;
  const shown = oneLine(written);
  const place = placeOf(source, before?.to ?? 0);
  // The space in front of it comes along: it begins a line of its own where it does in the other program.
  const space = wanted.slice(asked[first - 1]?.to ?? 0, asked[first]!.from).replace(/.*\n/s, '\n');
  const gap = wanted.slice(asked[last - 1]!.to, asked[last]?.from ?? wanted.length);
  const isBefore =
    next !== undefined && !isEnd(next.text) && !isEnd(asked[last - 1]!.text) && !gap.includes('\n');
  const beginsLine = space.includes('\n') || before?.text.startsWith('\n') === true;
  // What begins the line of what is there already: a type or a word that is missing before something.
  if (isBefore && beginsLine) {
    const there = placeOf(source, next.from);
    return make(
      { ...there, length: 0, by: written + gap },
      amount,
      `Write ${shown} before ${/^\w/.test(next.text) ? '' : 'the '}${oneLine(next.text)} in line ${there.line}.`,
    );
  }
  const rest = /^.*/.exec(source.slice(before?.to ?? 0))![0].trim();
  const left = before ? source.slice(before.from, before.to).trim() : '';
  // What begins no line of its own, and is no statement, goes on with the one that is there.
  const isGoingOn = left !== '' && !beginsLine && !written.includes('\n') && !/[;{}]$/.test(written.trim());
  if (left === '' || beginsLine || rest === '')
    return make(
      { ...place, length: 0, by: space + written },
      amount,
      place.column === 1 && place.line === 1
        ? `Begin the program with ${shown}.`
        : isGoingOn
          ? `Add ${shown} at the end of line ${place.line}.`
          : `Add ${shown} after line ${place.column === 1 ? place.line - 1 : place.line}.`,
    );
  // What goes on with a word or a number makes another one of it.
  if (space === '' && /\w$/.test(left) && /^[\w.]/.test(written))
    return make(
      { ...placeOf(source, before!.from), length: left.length, by: left + written },
      amount,
      `Write ${oneLine(left + written)} instead of ${left} in line ${place.line}.`,
    );
  const sign = own[at - 2] ? oneLine(source.slice(own[at - 2]!.from, before!.to)) : left;
  const behind = /\w/.test(left)
    ? oneLine(left)
    : `“${source.slice(0, before!.from).endsWith('\n') ? left : sign}”`;
  // Words do not run into the one behind them.
  const isTight = next !== undefined && next.from === before!.to;
  return make(
    { ...place, length: 0, by: space + written + (isBefore && isTight ? gap : '') },
    amount,
    tellingOf({ written, space, gap, left, line: place.line, next: isBefore ? next : undefined, source }) ??
      `Add ${shown} in line ${place.line}, right after ${behind}.`,
  );
}

/** Whether what is put in makes a variable whose name is that of one outside of functions. */
function makesAgain(written: string, source: string): boolean {
  const name = /^\s*(?:[A-Za-z_]\w*\s+)+([A-Za-z_]\w*)\s*[=;]/.exec(written)?.[1];
  return name !== undefined && new RegExp(`^(?:[A-Za-z_]\\w* +)+${name}\\b *[=;]`, 'm').test(source);
}

/** Signs that stand before what they are about, and those that go on with what stands before them. */
const PREFIX = /^(?:!|-|~|not)$/;
const OPERATION = /^(?:[-+*/%][^;{}]*|\([^;{}]*\))$/;

interface Telling {
  readonly written: string;
  readonly space: string;
  readonly gap: string;
  /** What stands before it, and what behind it where that is in the same line. */
  readonly left: string;
  readonly next: Piece | undefined;
  readonly line: number;
  readonly source: string;
}

/** A sign as it is told with what it belongs to: `!isOpen`, `i + 1`, `millis()`; `undefined` for what else is put in. */
function tellingOf({ written, space, gap, left, next, line, source }: Telling): string | undefined {
  if (next && PREFIX.test(written)) {
    const whole = /^[\w.]+/.exec(source.slice(next.from))?.[0] ?? next.text;
    return exchange(whole, written + gap + whole, placeOf(source, next.from).line, source);
  }
  return OPERATION.test(written) && /\w$/.test(left)
    ? exchange(left, left + space + written, line, source)
    : undefined;
}

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
