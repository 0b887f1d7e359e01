import { exchangeText } from '../exchange-text';
import { closing } from '../token-places';
import type { Token } from '../../../program/token';
import type { Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { counterOf } from './places';

const [ENTRY, PLACE, EXCHANGED] = [1.3, 1.6, 1.68];
/** Rows of a list of which two may have something in each other's places. */
const MOST_ROWS = 6;
/** Names that are tried as the place of an entry. */
const MOST_PLACES = 4;

/** A list of structs: its name, and the fields of each entry. */
interface Rows {
  readonly list: string;
  readonly fields: readonly string[];
}

/** `struct Step { int pin; int time; }; Step steps[] = …`, in C++. */
function rowsIn({ tokens, language }: Form): readonly Rows[] {
  if (language === 'python') return [];
  const fields = new Map(
    tokens.flatMap(({ text }, index): readonly (readonly [string, readonly string[]])[] => {
      const open = text === 'struct' && tokens[index + 2]?.text === '{' ? index + 2 : undefined;
      const close = open === undefined ? undefined : closing(tokens, open, '{', '}');
      if (open === undefined || close === undefined) return [];
      const inside = tokens.slice(open + 1, close);
      return [
        [
          tokens[index + 1]!.text,
          inside.flatMap(({ kind, text: name }, at) =>
            kind === 'word' && /^[;,]$/.test(inside[at + 1]?.text ?? '') ? [name] : [],
          ),
        ],
      ];
    }),
  );
  return tokens.flatMap(({ text }, index) => {
    const own = fields.get(tokens[index - 1]?.text ?? '');
    return own && tokens[index + 1]?.text === '[' ? [{ list: text, fields: own }] : [];
  });
}

/** Names that stand for a place in a list: what loops count with, and what is kept in a whole number that changes. */
function placesIn(form: Form): readonly string[] {
  const { tokens, blocks, holdings } = form;
  const counters = blocks.flatMap(({ head, headTokens }) =>
    head === 'loop' ? (counterOf(headTokens) ?? []) : [],
  );
  const fields = new Set(rowsIn(form).flatMap((one) => one.fields));
  const isConstant = (name: string): boolean =>
    tokens.some(({ text }, index) => text === name && tokens[index - 2]?.text === 'const');
  const numbers = [...holdings].flatMap(([name, held]) =>
    held === 'whole' && !fields.has(name) && !isConstant(name) ? [name] : [],
  );
  return [...new Set([...counters, ...numbers])];
}

/** `players.button`, `show(winner)`, `digitalRead(i)`: the entry of a list of structs that is meant, or one of its fields. */
export function entriesMeant(form: Form): readonly Guess[] {
  const { tokens } = form;
  const [rows] = rowsIn(form);
  if (!rows) return [];
  const places = placesIn(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, after] = [tokens[index - 1]?.text ?? '', tokens[index + 1]?.text ?? ''];
    const told = {
      why: `${rows.list} is a list. Line ${token.line} has to say which of its entries is meant, and which part of that.`,
      ask: `What is in one entry of ${rows.list}?`,
    };
    if (token.text === rows.list && after === '.')
      return places.slice(0, MOST_PLACES).map((place) => ({
        edits: [{ line: token.line, column: token.endColumn, length: 0, by: `[${place}]` }],
        text: `Write ${rows.list}[${place}] instead of ${rows.list} in line ${token.line}.`,
        cost: ENTRY,
        told,
      }));
    const isGiven = places.includes(token.text) && /^[(,]$/.test(before) && /^[),]$/.test(after);
    return isGiven
      ? [
          { ...written(token, `${rows.list}[${token.text}]`, ENTRY), told },
          ...rows.fields.map((field) => ({
            ...written(token, `${rows.list}[${token.text}].${field}`, ENTRY + 0.02),
            told,
          })),
        ]
      : [];
  });
}

/** `show(players[1])` where the program has worked out which one it is. */
function placesByName(form: Form): readonly Guess[] {
  const { tokens } = form;
  const places = placesIn(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const isPlace =
      token.kind === 'number' && tokens[index - 1]?.text === '[' && tokens[index + 1]?.text === ']';
    // Where a list is made its length stands, and where it is filled each entry has its place.
    const isMade = tokens[index - 3]?.kind === 'word' || /^[=;{]$/.test(tokens[index + 2]?.text ?? '');
    if (!isPlace || isMade) return [];
    return places.slice(0, MOST_PLACES).map((place) => ({
      ...written(token, place, PLACE),
      told: {
        why: `Line ${token.line} always takes entry ${token.text} of ${tokens[index - 2]?.text ?? 'the list'}, whatever ${place} is.`,
        ask: `Which entry is meant in line ${token.line}, and where does the program keep that?`,
      },
    }));
  });
}

/** Entries of two rows in the same column, or of one row, in each other’s places; and two columns, in all rows. */
function columnsExchanged({ tokens, language }: Form): readonly Guess[] {
  const inner = language === 'python' ? /^[[(]$/ : /^[{]$/;
  const outer = language === 'python' ? '[' : '{';
  const ends: Readonly<Record<string, string>> = { '[': ']', '(': ')', '{': '}' };
  return tokens.flatMap(({ text }, index): readonly Guess[] => {
    if (text !== outer || tokens[index - 1]?.text !== '=' || !inner.test(tokens[index + 1]?.text ?? ''))
      return [];
    const end = closing(tokens, index, outer, ends[outer]!) ?? index;
    const rows: (readonly Token[])[] = [];
    for (let at = index + 1; at < end; at += 1) {
      if (!inner.test(tokens[at]!.text)) continue;
      const close = closing(tokens, at, tokens[at]!.text, ends[tokens[at]!.text]!) ?? at;
      rows.push(tokens.slice(at + 1, close).filter((one) => one.text !== ','));
      at = close;
    }
    const [first, second] = rows;
    const width = first?.length ?? 0;
    if (!first || !second || width < 2 || width > 4 || rows.some((row) => row.length !== width)) return [];
    const exchange = (pairs: readonly (readonly [Token, Token])[]): Guess['edits'] =>
      pairs
        .flatMap(([one, other]) => [
          { line: one.line, column: one.column, length: one.text.length, by: other.text },
          { line: other.line, column: other.column, length: other.text.length, by: one.text },
        ])
        .toSorted((one, other) => other.line - one.line || other.column - one.column);
    const columns = Array.from({ length: width }, (_, at) => at);
    const two = (one: Token, other: Token, cost: number): readonly Guess[] =>
      one.text === other.text
        ? []
        : [
            {
              edits: exchange([[one, other]]),
              text: exchangeText(one.text, one.line, other.text, other.line),
              cost,
            },
          ];
    const pairs = <Item>(all: readonly Item[]): readonly (readonly [Item, Item])[] =>
      all.flatMap((one, at) => all.slice(at + 1).map((other) => [one, other] as const));
    const isFew = rows.length <= MOST_ROWS;
    const betweenRows = (isFew ? pairs(rows) : []).flatMap(([one, other]) =>
      columns.flatMap((at) => two(one[at]!, other[at]!, at === 0 ? EXCHANGED + 0.005 : EXCHANGED)),
    );
    const withinRows = (isFew ? rows : []).flatMap((row) =>
      pairs(row).flatMap(([one, other]) => two(one, other, EXCHANGED + 0.02)),
    );
    const betweenColumns = columns.flatMap((one) =>
      columns
        .filter((other) => other > one)
        .map((other) => ({
          edits: exchange(rows.map((row) => [row[one]!, row[other]!] as const)),
          text: `Exchange the ${ORDINALS[one]} and the ${ORDINALS[other]} value in each row of the list in line ${tokens[index]!.line}.`,
          cost: EXCHANGED + 0.01,
        })),
    );
    return [...betweenRows, ...betweenColumns, ...withinRows];
  });
}
const ORDINALS = ['first', 'second', 'third', 'fourth'];

/** The rules of this subject that something in a program speaks for. */
export const ofEntriesOfRows: readonly Rule[] = [entriesMeant, placesByName, columnsExchanged];
