import { diffArrays } from 'diff';
import { effort } from '../../effort';
import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { piecesOf, type Piece } from '../../program/pieces';
import type { Candidate } from './candidate';
import { exchangeText } from './exchanged-words';
import { cost } from './wishes';

/** What stands in a program and what stands in its place in the other one, by their pieces. */
interface Hunk {
  readonly own: readonly [from: number, to: number];
  readonly asked: readonly [from: number, to: number];
}

/** Pieces that one change has at most: what is longer was not one slip. */
const LONGEST = 14;
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
      ? inOneLine(hunks, own, source).map((hunk) => withNext(hunk, own, asked, source))
      : [];
  const isOneSlip = (hunk: Hunk): boolean => {
    const [least, most] = [lengthOf(hunk.own), lengthOf(hunk.asked)].sort((one, other) => one - other);
    return most! <= LONGEST || (least === 0 && most! <= LONGEST_LINE && hunks.length <= FEW);
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
      changeOf(
        withOwner(balanced(withClosing(settled(hunk, own, asked), own, asked), own, asked), own, asked),
        {
          own,
          asked,
          source,
          wanted,
          amount: isReordered(hunk) ? cost.asAskedButThis : amount,
          make,
        },
      ),
    );
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

/** A change that leaves a parenthesis open on both sides, with what stands up to the one that both programs close it with. */
function withClosing(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk {
  if (lengthOf(hunk.own) === 0 || lengthOf(hunk.asked) === 0) return hunk;
  let [end, last] = [hunk.own[1], hunk.asked[1]];
  while (openIn(own, [hunk.own[0], end]) > 0 && openIn(asked, [hunk.asked[0], last]) > 0) {
    const [mine, theirs] = [own[end], asked[last]];
    if (end - hunk.own[0] > LONGEST || !mine || mine.text !== theirs?.text) return hunk;
    end += 1;
    last += 1;
  }
  return { own: [hunk.own[0], end], asked: [hunk.asked[0], last] };
}

/** A change without the closing parentheses at its end that both programs have and that belong to what stands before it. */
function balanced({ own: mine, asked: theirs }: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk {
  let [end, last] = [mine[1], theirs[1]];
  while (
    end - mine[0] > 1 &&
    last - theirs[0] > 1 &&
    own[end - 1]!.text === ')' &&
    asked[last - 1]!.text === ')' &&
    openIn(own, [mine[0], end]) < 0 &&
    openIn(asked, [theirs[0], last]) < 0
  ) {
    end -= 1;
    last -= 1;
  }
  return { own: [mine[0], end], asked: [theirs[0], last] };
}

/** A list of what belongs to something, with what its first belongs to: `board.D4, board.D5`, and not `D4, board.D5`. */
function withOwner(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk {
  const [from, first] = [hunk.own[0], hunk.asked[0]];
  const isList = lengthOf(hunk.own) > 1 && lengthOf(hunk.asked) > 1;
  const isOwned =
    own[from - 1]?.text === '.' &&
    asked[first - 1]?.text === '.' &&
    own[from - 2]?.text === asked[first - 2]?.text;
  const [mine, theirs] = [own.slice(...hunk.own), asked.slice(...hunk.asked)];
  return isList && isOwned && !exchangedIn(mine, theirs)
    ? { own: [from - 2, hunk.own[1]], asked: [first - 2, hunk.asked[1]] }
    : hunk;
}

/** How many parentheses are left open in a stretch; below 0 where more are closed. */
const openIn = (pieces: readonly Piece[], [from, to]: readonly [number, number]): number =>
  pieces.slice(from, to).reduce((open, { text }) => open + (text === '(' ? 1 : text === ')' ? -1 : 0), 0);

/** A change that ends with a word or a comma, with the word behind it that both programs have: it is told whole. */
function withNext(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[], source: string): Hunk {
  const [mine, theirs] = [own[hunk.own[1]], asked[hunk.asked[1]]];
  const [before, after] = [own[hunk.own[1] - 1], asked[hunk.asked[1] - 1]];
  const isCut = /^\w+$/.test(after?.text ?? '') || before?.text === ',';
  if (!isCut || !mine || mine.text !== theirs?.text || !/^\w+$/.test(mine.text)) return hunk;
  if (source.slice(before?.to, mine.from).includes('\n')) return hunk;
  return { own: [hunk.own[0], hunk.own[1] + 1], asked: [hunk.asked[0], hunk.asked[1] + 1] };
}

const lengthOf = ([from, to]: readonly [number, number]): number => to - from;

/** All of it that is put in or left out at one place, where that is the only difference. */
function onlyOne(own: readonly Piece[], asked: readonly Piece[]): Hunk | undefined {
  const shorter = Math.min(own.length, asked.length);
  let [begin, end] = [0, 0];
  while (begin < shorter && own[begin]!.text === asked[begin]!.text) begin += 1;
  while (end < shorter - begin && own.at(-1 - end)!.text === asked.at(-1 - end)!.text) end += 1;
  return begin + end === shorter && own.length !== asked.length
    ? { own: [begin, own.length - end], asked: [begin, asked.length - end] }
    : undefined;
}

function hunksOf(own: readonly Piece[], asked: readonly Piece[]): readonly Hunk[] {
  const only = onlyOne(own, asked);
  if (only) return [only];
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
  return hunks.reduce<readonly Hunk[]>((whole, hunk) => {
    const before = whole.at(-1);
    const both = before && (unsplit('asked', before, hunk, asked) ?? unsplit('own', before, hunk, own));
    return both ? [...whole.slice(0, -1), both] : [...whole, hunk];
  }, []);
}

/**
 * Two places that are one: what was put in between was cut where it has a beginning or an end like what follows it, as
 * a call before another call of the same function. `side` has more than the other.
 */
function unsplit(
  side: 'own' | 'asked',
  before: Hunk,
  after: Hunk,
  pieces: readonly Piece[],
): Hunk | undefined {
  const other = side === 'own' ? 'asked' : 'own';
  if (lengthOf(before[other]) > 0 || lengthOf(after[other]) > 0) return undefined;
  const [[from, end], [begin, to]] = [before[side], after[side]];
  const between = begin - end;
  const isSame = (one: number): boolean =>
    pieces.slice(one, one + between).every(({ text }, index) => text === pieces[end + index]!.text);
  const whole = (range: readonly [number, number], at: number): Hunk =>
    ({ [side]: range, [other]: [at, at] }) as unknown as Hunk;
  if (between <= to - begin && isSame(to - between)) return whole([from, to - between], before[other][0]);
  if (between <= end - from && isSame(from)) return whole([from + between, to], after[other][0]);
  return undefined;
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
const isEnd = (text: string): boolean => /^(?:[;{}:]$|\n)/.test(text);

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
  return make(
    { ...place, length, by: written },
    amount,
    written === ''
      ? leftOut(source, start, there, place.line)
      : `Write ${shown} instead of ${there} in line ${place.line}.`,
  );
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

/** Two words in each other’s places, where pieces are the same otherwise. */
function exchangedIn(
  own: readonly Piece[],
  asked: readonly Piece[],
): readonly [one: string, other: string] | undefined {
  const others = own.flatMap((piece, index) => (piece.text === asked[index]?.text ? [] : [index]));
  const [first, second, more] = others;
  if (own.length !== asked.length || first === undefined || second === undefined || more !== undefined)
    return undefined;
  const [one, other] = [own[first]!.text, own[second]!.text];
  const isExchange = one === asked[second]!.text && other === asked[first]!.text;
  return isExchange && /^\w+$/.test(one) && /^\w+$/.test(other) ? [one, other] : undefined;
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
      `Write ${shown} before ${oneLine(next.text)} in line ${there.line}.`,
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
