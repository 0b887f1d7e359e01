import type { TextEdit } from '../../../findings/finding';
import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import type { Form } from './form';
import type { Guess } from './guess';

const [LABEL, EXCHANGED, COPIED] = [1.62, 1.6, 1.72];
/** Statements that are tried in an empty case. */
const MOST_COPIES = 24;

/** What stands in a `switch`, one after the other. */
interface Piece {
  readonly what: 'label' | 'leave' | 'statement';
  readonly first: Token;
  readonly last: Token;
  /** Without the space between its words. */
  readonly words: readonly Token[];
  /** Whether nothing leads there: it stands before every label, or behind what leaves the switch. */
  readonly isUnreachable: boolean;
}

/** The pieces of each `switch` of a program. */
function switchesIn({ tokens, language }: Form): readonly (readonly Piece[])[] {
  if (language === 'python') return [];
  return tokens.flatMap(({ text }, index) => {
    const head = text === 'switch' ? closing(tokens, index, '(', ')') : undefined;
    const end = head === undefined ? undefined : closing(tokens, head + 1, '{', '}');
    return head === undefined || end === undefined || tokens[head + 1]?.text !== '{'
      ? []
      : [piecesOf(tokens.slice(head + 2, end))];
  });
}

function piecesOf(inside: readonly Token[]): readonly Piece[] {
  const pieces: Piece[] = [];
  let begin = 0;
  let depth = 0;
  let isReached = false;
  inside.forEach(({ text }, index) => {
    if (/^[({[]$/.test(text)) depth += 1;
    if (/^[)}\]]$/.test(text)) depth -= 1;
    const first = inside[begin]!;
    const isLabel = /^(?:case|default)$/.test(first.text);
    const isEnd = depth === 0 && (isLabel ? text === ':' : text === ';' || text === '}');
    if (!isEnd) return;
    const what = isLabel ? 'label' : /^(?:break|return|continue)$/.test(first.text) ? 'leave' : 'statement';
    if (isLabel) isReached = true;
    pieces.push({
      what,
      first,
      last: inside[index]!,
      words: inside.slice(begin, index + 1),
      isUnreachable: what === 'statement' && !isReached,
    });
    if (what === 'leave') isReached = false;
    begin = index + 1;
  });
  return pieces;
}

/** What nothing leads to in a `switch`, under a label that is missing there. */
export function labelsMissing(form: Form, asked: Form): readonly Guess[] {
  return switchesIn(form).flatMap((pieces) => {
    const values = valuesLeft(pieces, form, asked);
    return pieces.flatMap((piece, index): readonly Guess[] =>
      !piece.isUnreachable || pieces[index - 1]?.isUnreachable
        ? []
        : values.map((value) => ({
            edits: [{ line: piece.first.line, column: piece.first.column, length: 0, by: `case ${value}: ` }],
            text: `Add case ${value}: before line ${piece.first.line}.`,
            cost: LABEL,
          })),
    );
  });
}

/** Values for which a `switch` has no label: of the same `enum`, of those that the exercise asks about, of the same row. */
function valuesLeft(pieces: readonly Piece[], form: Form, asked: Form): readonly string[] {
  const labels = pieces.filter(({ what }) => what === 'label').flatMap(({ words }) => words[1]?.text ?? []);
  const isLeft = (value: string): boolean => !labels.includes(value);
  const named = enumsIn(form).find((names) => labels.some((label) => names.includes(label)));
  if (named) return named.filter(isLeft);
  const letters = asked.tokens.filter(({ text }) => /^'.+'$/.test(text)).map(({ text }) => text);
  if (labels.some((label) => label.startsWith("'"))) return [...new Set(letters)].filter(isLeft);
  const numbers = labels.filter((label) => /^\d+$/.test(label)).map(Number);
  return Array.from({ length: Math.max(-1, ...numbers) + 2 }, (_, value) => String(value)).filter(isLeft);
}

/** The names of each `enum`. */
const enumsIn = ({ tokens }: Form): readonly (readonly string[])[] =>
  tokens.flatMap(({ text }, index) => {
    const open = text === 'enum' ? tokens.findIndex((token, at) => at > index && token.text === '{') : -1;
    const end = open < 0 ? undefined : closing(tokens, open, '{', '}');
    return end === undefined
      ? []
      : [
          tokens
            .slice(open + 1, end)
            .filter(({ kind }, at) => kind === 'word' && /^[{,]$/.test(tokens[open + at]!.text))
            .map((token) => token.text),
        ];
  });

/** What nothing leads to in a `switch`, with its line and the one beside it in each other's places. */
export function casesInOrder(form: Form): readonly Guess[] {
  return switchesIn(form).flatMap((pieces) =>
    pieces.flatMap((piece, index): readonly Guess[] => {
      if (!piece.isUnreachable) return [];
      const [before, behind] = [pieces[index - 1], pieces[index + 1]];
      return [
        ...(before?.what === 'leave' ? linesExchanged(before, piece, form) : []),
        ...(behind?.what === 'label' ? linesExchanged(piece, behind, form) : []),
      ];
    }),
  );
}

function linesExchanged(first: Piece, second: Piece, { source }: Form): readonly Guess[] {
  const isAlone = ({ first: one, last }: Piece): boolean => one.startsLine && one.line === last.line;
  if (!isAlone(first) || !isAlone(second) || second.first.line !== first.first.line + 1) return [];
  return [exchangedAt(first.first.line, source, EXCHANGED)];
}

function exchangedAt(line: number, source: string, cost: number): Guess {
  const lines = source.split('\n').slice(line - 1, line + 1);
  const edit: TextEdit = {
    line,
    column: 1,
    length: lines.join('\n').length,
    by: [...lines].reverse().join('\n'),
  };
  return { edits: [edit], text: `Move line ${line + 1} before line ${line}.`, cost };
}

/** What stands in the other cases, with each other value, in a case in which nothing stands. */
export function emptyCasesFilled(form: Form): readonly Guess[] {
  const enums = enumsIn(form);
  return switchesIn(form).flatMap((pieces) => {
    const copies = [
      ...new Set(
        pieces
          .filter(({ what, first, last }) => what === 'statement' && first.line === last.line)
          .flatMap((piece) => variantsOf(piece, form, enums)),
      ),
    ].slice(0, MOST_COPIES);
    return pieces.flatMap((piece, index): readonly Guess[] =>
      piece.what !== 'label' || pieces[index + 1]?.what !== 'leave'
        ? []
        : copies.map((statement) => ({
            edits: [{ line: piece.last.line, column: piece.last.endColumn, length: 0, by: ` ${statement}` }],
            text: `Add ${statement} after line ${piece.last.line}.`,
            cost: COPIED,
          })),
    );
  });
}

/** A statement with each other name of the same `enum`, or with each small number, in the place of its last one. */
function variantsOf(
  { first, last, words }: Piece,
  { source }: Form,
  enums: readonly (readonly string[])[],
): readonly string[] {
  const text = (source.split('\n')[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1);
  if (first.text === 'else') return [];
  const value = words.findLast(
    ({ kind, text: word }) => kind === 'number' || enums.some((names) => names.includes(word)),
  );
  if (!value) return [text];
  const others = enums.find((names) => names.includes(value.text)) ?? (/^\d$/.test(value.text) ? SMALL : []);
  const at = value.column - first.column;
  return [
    text,
    ...others
      .filter((other) => other !== value.text)
      .map((other) => text.slice(0, at) + other + text.slice(at + value.text.length)),
  ];
}
const SMALL = ['0', '1', '2', '3'] as const;

/** An `else` that has lost its `if`, with its line and the one beside it in each other's places. */
export function elsesInOrder({ tokens, source, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens
    .filter(({ text, startsLine }) => text === 'else' && startsLine)
    .flatMap(({ line }) => [exchangedAt(line, source, EXCHANGED), exchangedAt(line - 1, source, EXCHANGED)]);
}
