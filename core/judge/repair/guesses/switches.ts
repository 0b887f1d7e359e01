import { linesPut } from '../lines-put';
import type { Token } from '../../../program/token';
import { closing } from '../token-places';
import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';

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

/** A piece of one line, as it is written. */
const textOf = ({ first, last }: Piece, { source }: Form): string =>
  (source.split('\n')[first.line - 1] ?? '').slice(first.column - 1, last.endColumn - 1);

/** What nothing leads to in a `switch`, under a label that is missing there. */
function labelsMissing(form: Form, asked: Form): readonly Guess[] {
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
function casesInOrder(form: Form): readonly Guess[] {
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
  return {
    edits: [linesPut(line, lines, lines.toReversed())],
    text: `Move line ${line + 1} before line ${line}.`,
    cost,
  };
}

/** What stands in the other cases, with each other value, in a case in which nothing stands. */
function emptyCasesFilled(form: Form): readonly Guess[] {
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
function variantsOf(piece: Piece, form: Form, enums: readonly (readonly string[])[]): readonly string[] {
  const { first, words } = piece;
  if (first.text === 'else') return [];
  const text = textOf(piece, form);
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

/** A label, and the pieces up to the next one. */
interface Case {
  readonly label: Piece;
  readonly body: readonly Piece[];
}

/** The cases of a `switch`, each with its label and the pieces up to the next one. */
function casesOf(pieces: readonly Piece[]): readonly Case[] {
  return pieces.flatMap((label, index) => {
    if (label.what !== 'label') return [];
    const behind = pieces.slice(index + 1);
    const end = behind.findIndex(({ what }) => what === 'label');
    return [{ label, body: end < 0 ? behind : behind.slice(0, end) }];
  });
}

/** What a statement is, so that the same may be missing elsewhere: a question, or a call of a function. */
const sortOf = ({ what, words }: Piece): string | undefined =>
  what !== 'statement'
    ? undefined
    : words[0]?.text === 'if'
      ? 'if'
      : words[1]?.text === '('
        ? words[0]?.text
        : undefined;

/**
 * What each other case does or asks in a line, with other levels and numbers, in the one case in which it is missing.
 * `asked`: the exercise's own program, whose times may be meant.
 */
function casesCompleted(form: Form, asked: Form): readonly Guess[] {
  const times = [form, asked].flatMap(({ tokens }) =>
    tokens
      .filter(({ kind, text }) => kind === 'number' && Number(text) >= SHORTEST_TIME)
      .map(({ text }) => text),
  );
  return switchesIn(form).flatMap((pieces) => {
    const cases = casesOf(pieces);
    const lines = pieces.filter(({ first, last, what }) => what === 'statement' && first.line === last.line);
    const sorts = [...new Set(lines.flatMap((piece) => sortOf(piece) ?? []))];
    return sorts.flatMap((sort) => {
      const lacking = cases.filter(({ body }) => !body.some((piece) => sortOf(piece) === sort));
      const [only, more] = lacking;
      if (!only || more || cases.length < 3) return [];
      const texts = lines
        .filter((piece) => sortOf(piece) === sort)
        .flatMap((piece) => [
          ...variedIn(piece, form, [...new Set(times)]),
          ...askedOfIdleInputs(piece, form),
        ]);
      return [...new Set(texts)].slice(0, MOST_VARIED).map((statement) =>
        // What a question asks is asked when all is done.
        putInCase(only, statement, sort === 'if' ? 'last' : 'first'),
      );
    });
  });
}
/** Milliseconds from which on a number may be a time, and statements that are tried in a case. */
const [SHORTEST_TIME, MOST_VARIED] = [10, 60];

/** A statement put in at the beginning of a case, or at its end, before what leaves it. */
function putInCase({ label, body }: Case, statement: string, where: 'first' | 'last'): Guess {
  const end = where === 'last' ? body.findLast(({ what }) => what === 'statement') : undefined;
  const { last } = end ?? label;
  return {
    edits: [{ line: last.line, column: last.endColumn, length: 0, by: ` ${statement}` }],
    text: `Add ${statement} after line ${last.line}.`,
    cost: COPIED + 0.02,
  };
}

/**
 * A statement with other levels, times and small numbers in the places of its own. The last ones are exchanged first; where
 * that makes more than are tried, those before stay as they are.
 */
function variedIn(piece: Piece, form: Form, times: readonly string[]): readonly string[] {
  return piece.words.reduceRight<readonly string[]>(
    (texts, { text, kind, column }) => {
      const others = /^(?:HIGH|LOW)$/.test(text)
        ? ['HIGH', 'LOW']
        : /^(?:true|false)$/.test(text)
          ? ['true', 'false']
          : kind === 'number' && Number(text) >= SHORTEST_TIME
            ? times
            : kind === 'number'
              ? SMALL
              : [text];
      const at = column - piece.first.column;
      if (texts.length * others.length > MOST_VARIED) return texts;
      return texts.flatMap((one) =>
        others.map((other) => one.slice(0, at) + other + one.slice(at + text.length)),
      );
    },
    [textOf(piece, form)],
  );
}

/** A question of one line, asked of each input that is set up and read nowhere instead. */
function askedOfIdleInputs(piece: Piece, form: Form): readonly string[] {
  const { tokens } = form;
  const close = closing(piece.words, 1, '(', ')');
  if (piece.words[0]?.text !== 'if' || close === undefined) return [];
  const idle = tokens.flatMap(({ text }, index) => {
    const isInput = text === 'pinMode' && /^INPUT/.test(tokens[index + 4]?.text ?? '');
    const pin = tokens[index + 2]?.text ?? '';
    const isRead = tokens.some((token, at) => token.text === 'digitalRead' && tokens[at + 2]?.text === pin);
    return isInput && !isRead ? [pin] : [];
  });
  const answer = piece.words[close + 1];
  if (!answer) return [];
  const behind = textOf(piece, form).slice(answer.column - piece.first.column);
  const last = /\d(?=[^\d]*$)/.exec(behind);
  const answers = last
    ? SMALL.map((number) => behind.slice(0, last.index) + number + behind.slice(last.index + 1))
    : [behind];
  return idle.flatMap((pin) => answers.map((one) => `if (digitalRead(${pin}) == LOW) ${one}`));
}

/** One of two labels for the same value, for each value that has none. */
export function labelsRenamed(form: Form, asked: Form): readonly Guess[] {
  return switchesIn(form).flatMap((pieces) => {
    const labels = pieces.filter(({ what, words }) => what === 'label' && words.length === 3);
    const isTwice = ({ words }: Piece): boolean =>
      labels.filter((other) => other.words[1]!.text === words[1]!.text).length > 1;
    const values = valuesLeft(pieces, form, asked);
    return labels
      .filter(isTwice)
      .flatMap(({ words }) => values.map((value) => written(words[1]!, value, LABEL)));
  });
}

/** An `else` that has lost its `if`, with its line and the one beside it in each other's places. */
export function elsesInOrder({ tokens, source, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens
    .filter(({ text, startsLine }) => text === 'else' && startsLine)
    .flatMap((word) => [
      ...bracesPut(word, tokens),
      exchangedAt(word.line, source, EXCHANGED),
      exchangedAt(word.line - 1, source, EXCHANGED),
    ]);
}

/** Braces round the statements between an `else` and the `if` before them, which has none. */
function bracesPut(word: Token, tokens: readonly Token[]): readonly Guess[] {
  const at = tokens.indexOf(word);
  const from = tokens.slice(0, at).findLastIndex(({ text }) => text === 'if');
  const head = closing(tokens, from + 1, '(', ')');
  const [last, end] = [head === undefined ? undefined : tokens[head], tokens[at - 1]];
  const between = tokens.slice((head ?? at) + 1, at);
  const count = between.filter(({ text }) => text === ';').length;
  if (!last || end?.text !== ';' || count < 2 || between.some(({ text }) => /^[{}]$/.test(text))) return [];
  return [
    {
      edits: [
        { line: word.line, column: word.column, length: 0, by: '} ' },
        { line: last.line, column: last.endColumn, length: 0, by: ' {' },
      ],
      text: `Put braces { } round lines ${between[0]!.line} ${end.line - between[0]!.line > 1 ? 'to' : 'and'} ${end.line}.`,
      cost: EXCHANGED,
    },
  ];
}

/** The rules of this subject that something in a program speaks for. */
export const ofSwitches: readonly Rule[] = [casesInOrder, labelsMissing, emptyCasesFilled, casesCompleted];
