import { diffArrays } from 'diff';
import type { Piece } from '../../program/pieces';

/** What stands in a program and what stands in its place in the other one, by their pieces. */
export interface Hunk {
  readonly own: readonly [from: number, to: number];
  readonly asked: readonly [from: number, to: number];
}

/** Pieces that one change has at most: what is longer was not one slip. */
export const LONGEST = 14;

/** A place as it is told: whole statements, arguments with what they belong to, brackets with what they close. */
export const toldWhole = (hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk =>
  withBrackets(
    withOwner(balanced(withClosing(settled(hunk, own, asked), own, asked), own, asked), own, asked),
    own,
    asked,
  );

/** What neighbouring places in one line are together, two or more of them, with what stands between them. */
export function inOneLine(hunks: readonly Hunk[], own: readonly Piece[], source: string): readonly Hunk[] {
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

/**
 * How many pieces stand in front of what is there in both programs, where one of them has something around it: a call,
 * a pair of parentheses. `undefined` where none does.
 */
export function aroundIn(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): number | undefined {
  const [less, more] = [own.slice(...hunk.own), asked.slice(...hunk.asked)]
    .map((pieces) => pieces.map(({ text }) => text))
    .sort((one, other) => one.length - other.length);
  const around = more!.length - less!.length;
  const before = more!.findIndex((_, at) => less!.every((text, index) => text === more![at + index]));
  const isCall = before > 0 && before < around && more![before - 1] === '(' && more!.at(-1) === ')';
  return isCall && less!.length > 0 && around <= LONGEST ? before : undefined;
}

/** Something around what both programs have, without the pieces behind it that are the same in both. */
export function onlyAround(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk {
  let [end, last] = [hunk.own[1], hunk.asked[1]];
  while (end - hunk.own[0] > 1 && last > hunk.asked[0] && own[end - 1]!.text === asked[last - 1]!.text) {
    end -= 1;
    last -= 1;
  }
  const trimmed: Hunk = { own: [hunk.own[0], end], asked: [hunk.asked[0], last] };
  return aroundIn(trimmed, own, asked) === undefined ? hunk : trimmed;
}

/** How many parentheses are left open in a stretch; below 0 where more are closed. */
const openIn = (pieces: readonly Piece[], [from, to]: readonly [number, number]): number =>
  pieces.slice(from, to).reduce((open, { text }) => open + (text === '(' ? 1 : text === ')' ? -1 : 0), 0);

/** A change that ends with a word or a comma, with the word behind it that both programs have: it is told whole. */
export function withNext(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[], source: string): Hunk {
  const [mine, theirs] = [own[hunk.own[1]], asked[hunk.asked[1]]];
  const [before, after] = [own[hunk.own[1] - 1], asked[hunk.asked[1] - 1]];
  const isCut = /^\w+$/.test(after?.text ?? '') || before?.text === ',';
  if (!isCut || !mine || mine.text !== theirs?.text || !/^\w+$/.test(mine.text)) return hunk;
  if (source.slice(before?.to, mine.from).includes('\n')) return hunk;
  return { own: [hunk.own[0], hunk.own[1] + 1], asked: [hunk.asked[0], hunk.asked[1] + 1] };
}

export const lengthOf = ([from, to]: readonly [number, number]): number => to - from;

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

/** The places at which two programs differ, from above to below. */
export function hunksOf(own: readonly Piece[], asked: readonly Piece[]): readonly Hunk[] {
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

/**
 * Where only something was put in or left out: moved back so that it is whole statements, or else a row of a list with its
 * brackets, where that is the same.
 */
function settled(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk {
  const [pieces, side] = lengthOf(hunk.own) === 0 ? [asked, 'asked' as const] : [own, 'own' as const];
  const other = side === 'asked' ? 'own' : 'asked';
  if (lengthOf(hunk[other]) > 0) return hunk;
  const movedUntil = (isWhole: (from: number, to: number) => boolean): Hunk | undefined => {
    let [from, to] = hunk[side];
    while (!isWhole(from, to)) {
      if (from === 0 || pieces[from - 1]!.text !== pieces[to - 1]!.text) return undefined;
      from -= 1;
      to -= 1;
    }
    const by = hunk[side][0] - from;
    const [start, end] = hunk[other];
    return { ...hunk, [side]: [from, to], [other]: [start - by, end - by] };
  };
  const isClosed = (from: number, to: number): boolean =>
    bracketsOf(pieces, [from, to]).every((count) => count === 0);
  const isEnded = (from: number, to: number): boolean =>
    isEnd(pieces[to - 1]!.text) && (from === 0 || isEnd(pieces[from - 1]!.text));
  const isRow = (from: number, to: number): boolean =>
    OPENING.test(pieces[from]!.text) && pieces[to - 1]!.text === ',' && isClosed(from, to);
  return (
    movedUntil(isRow) ??
    movedUntil((from, to) => isEnded(from, to) && isClosed(from, to)) ??
    movedUntil(isEnded) ??
    hunk
  );
}

/** Whether something new begins behind a piece; lines of Python are set off by pieces of their own. */
export const isEnd = (text: string): boolean => /^(?:[;{}:]$|\n)/.test(text);

/** Two words in each other’s places, where pieces are the same otherwise. */
export function exchangedIn(
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

const OPENING = /^[([{]$/;
const CLOSING = /^[)\]}]$/;

/** How many brackets a stretch closes that were opened before it, and how many it leaves open. */
function bracketsOf(
  pieces: readonly Piece[],
  [from, to]: readonly [number, number],
): readonly [number, number] {
  let [before, open] = [0, 0];
  for (const { text } of pieces.slice(from, to))
    if (OPENING.test(text)) open += 1;
    else if (CLOSING.test(text)) {
      if (open > 0) open -= 1;
      else before += 1;
    }
  return [before, open];
}

/** A change that cuts brackets in two, as `520, 0.5), (660` does, with the rest of them, which both programs have. */
function withBrackets(hunk: Hunk, own: readonly Piece[], asked: readonly Piece[]): Hunk {
  if (lengthOf(hunk.own) === 0 || lengthOf(hunk.asked) === 0) return hunk;
  let [[from, to], [first, last]] = [hunk.own, hunk.asked];
  while (to - from <= LONGEST) {
    const [mine, theirs] = [bracketsOf(own, [from, to]), bracketsOf(asked, [first, last])];
    // One that only one of them closes or opens is what the change is about.
    if (mine[0] !== theirs[0] || mine[1] !== theirs[1]) return hunk;
    if (mine[0] === 0 && mine[1] === 0) return { own: [from, to], asked: [first, last] };
    const isLeft = mine[0] > 0;
    const [one, other] = isLeft ? [own[from - 1], asked[first - 1]] : [own[to], asked[last]];
    if (!one || one.text !== other?.text || /\n|[;]/.test(one.text)) return hunk;
    if (isLeft) [from, first] = [from - 1, first - 1];
    else [to, last] = [to + 1, last + 1];
  }
  return hunk;
}
