import { closing } from '../token-places';
import { isInside, type Form } from './form';
import { functionsIn } from './functions';
import { putIn, written, type Guess, type Rule } from './guess';
import { keptIn } from './places';

const [NAMED, LIKELY] = [1.3, 1.5];
/** What the clock is asked by. */
const OF_CLOCK = /^(?:monotonic|monotonic_ns)$/;

/** `light = measure`, `if key.was_pressed:`, `time.monotonic - start`: a function where what it gives is meant. */
function functionsCalled(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language !== 'python') return [];
  const functions = new Map(functionsIn(form).map(({ name, takes }) => [name, takes]));
  const isKnown = (name: string): boolean =>
    tokens.some(({ text }, index) => text === name && tokens[index + 1]?.text === '=');
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, after] = [tokens[index - 1], tokens[index + 1]];
    const isFunction = functions.has(token.text) || OF_CLOCK.test(token.text);
    if (!isFunction || /^[(=.]$/.test(after?.text ?? '')) return [];
    const isMember = before?.text === '.';
    const first = isMember ? tokens[index - 2]! : token;
    // What is handed on, or made, is meant itself; a line of its own is told where it is read.
    const ahead = tokens[tokens.indexOf(first) - 1]?.text ?? '';
    if (first.startsLine || /^(?:def|[(,]|import)$/.test(ahead)) return [];
    const name = isMember ? `${first.text}.${token.text}` : token.text;
    // What it takes may go by the same name where it is called.
    const taken = functions.get(token.text) ?? [];
    if (!taken.every(isKnown)) return [];
    const call = `(${taken.join(', ')})`;
    return [
      {
        edits: [{ line: token.line, column: token.endColumn, length: 0, by: call }],
        text: `Write ${name}${call} instead of ${name} in line ${token.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${token.line} takes the function ${name} itself: without parentheses it is not called.`,
          ask: `What is ${name}, and what is ${name}${call}?`,
        },
      },
    ];
  });
}

/** The names that are given a list or a dictionary. */
const tablesIn = ({ tokens }: Form): ReadonlySet<string> =>
  new Set(
    tokens.flatMap(({ kind, text }, index) =>
      kind === 'word' && tokens[index + 1]?.text === '=' && /^[[{]$/.test(tokens[index + 2]?.text ?? '')
        ? [text]
        : [],
    ),
  );

/** `lamps(i)`: a list is asked for an entry with brackets. */
function entriesInBrackets(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language !== 'python') return [];
  const tables = tablesIn(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const close =
      tables.has(token.text) && tokens[index + 1]?.text === '('
        ? closing(tokens, index + 1, '(', ')')
        : undefined;
    const [open, last] = [tokens[index + 1], tokens[close ?? -1]];
    if (!open || last?.line !== token.line || close === index + 2) return [];
    const inside = tokens.slice(index + 2, close).map(({ text }) => text);
    const place = inside.join(inside.length > 1 ? ' ' : '');
    return [
      {
        edits: [
          { line: last.line, column: last.column, length: 1, by: ']' },
          { line: open.line, column: open.column, length: 1, by: '[' },
        ],
        text: `Write ${token.text}[${place}] instead of ${token.text}(${place}) in line ${token.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${token.line} calls ${token.text} as if it were a function. It is a list, and its entries are taken with square brackets.`,
          ask: `Which brackets stand behind a function, and which behind a list?`,
        },
      },
    ];
  });
}

/** `values.add(x)`, `values = x`: what is put behind the others in a list. */
function entriesAppended(form: Form): readonly Guess[] {
  const { tokens, source, language } = form;
  if (language !== 'python') return [];
  const tables = tablesIn(form);
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [before, after, value] = [tokens[index - 1], tokens[index + 1], tokens[index + 2]];
    if (/^(?:add|push|push_back|insert)$/.test(token.text) && before?.text === '.' && after?.text === '(')
      return tables.has(tokens[index - 2]?.text ?? '')
        ? [
            {
              ...written(token, 'append', NAMED),
              told: {
                why: `Line ${token.line}: a list has no ${token.text} for one value. append puts it behind the others.`,
                ask: `How does a value get into the list ${tokens[index - 2]!.text}?`,
              },
            },
          ]
        : [];
    if (
      /^(?:len|length|size|count)$/.test(token.text) &&
      before?.text === '.' &&
      tables.has(tokens[index - 2]?.text ?? '')
    ) {
      const [list, dot] = [tokens[index - 2]!, before];
      const isCall = after?.text === '(' && value?.text === ')';
      const last = isCall ? value : token;
      return [
        {
          edits: [
            {
              line: list.line,
              column: list.column,
              length: last.endColumn - list.column,
              by: `len(${list.text})`,
            },
          ],
          text: `Write len(${list.text}) instead of ${list.text}${dot.text}${token.text}${isCall ? '()' : ''} in line ${token.line}.`,
          cost: NAMED,
          told: {
            why: `Line ${token.line}: a list has no ${token.text}. How long it is, len says.`,
            ask: `How does Python say how many entries a list has?`,
          },
        },
      ];
    }
    const isEmptyBefore = tokens.some(
      ({ text }, at) =>
        at < index && text === token.text && tokens[at + 1]?.text === '=' && tokens[at + 3]?.text === ']',
    );
    if (!token.startsLine || after?.text !== '=' || !value || /^[[{]$/.test(value.text) || !isEmptyBefore)
      return [];
    const said = (source.split('\n')[token.line - 1] ?? '').slice(value.column - 1).trimEnd();
    const whole = `${token.text}.append(${said})`;
    return [
      {
        edits: [
          {
            line: token.line,
            column: token.column,
            length: value.column - token.column + said.length,
            by: whole,
          },
        ],
        text: `Write ${whole} instead of ${token.text} = ${said} in line ${token.line}.`,
        cost: NAMED,
        told: {
          why: `Line ${token.line} puts one value in the place of the whole list ${token.text}.`,
          ask: `How many values are in ${token.text} after line ${token.line}?`,
        },
      },
    ];
  });
}

/** A list that a function fills and that is emptied only once, above it: emptied whenever the function begins. */
function listsEmptied(form: Form): readonly Guess[] {
  const { tokens, blocks, language } = form;
  if (language !== 'python') return [];
  const isEmptied = (index: number): boolean =>
    tokens[index + 1]?.text === '=' && tokens[index + 2]?.text === '[' && tokens[index + 3]?.text === ']';
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (!token.startsLine || token.column !== 1 || !isEmptied(index)) return [];
    const filling = blocks.filter(
      (block) =>
        block.head === 'function' &&
        tokens.some(
          ({ text, line }, at) =>
            text === token.text && tokens[at + 2]?.text === 'append' && isInside(line, block),
        ) &&
        !tokens.some(({ text, line }, at) => text === token.text && isEmptied(at) && isInside(line, block)),
    );
    return filling.map((block) => ({
      ...putIn(form, block, `${token.text} = []`, NAMED),
      told: {
        why: `Line ${token.line} empties ${token.text} once, so it gets longer every time and still holds what was measured long ago.`,
        ask: `How many values are in ${token.text} after the first time, and after the second?`,
      },
    }));
  });
}

/** `values / 4`: nothing is worked out of a list but by what it comes to, or by what was made of it. */
function listsReckonedWith(form: Form): readonly Guess[] {
  const { tokens, language } = form;
  if (language !== 'python') return [];
  const tables = tablesIn(form);
  const kept = [...new Set(keptIn(form))].filter((name) => !tables.has(name));
  return tokens.flatMap((token, index): readonly Guess[] => {
    const beside = [tokens[index - 1], tokens[index + 1]].filter((one) => one?.line === token.line);
    const isReckoned = beside.some((one) => /^(?:[-*/%<>]|\/\/|[<>]=)$/.test(one?.text ?? ''));
    if (!tables.has(token.text) || !isReckoned) return [];
    // What is made of the list in a line above.
    const made = kept.filter((name) =>
      tokens.some(
        ({ text, startsLine, line }, at) =>
          startsLine &&
          text === name &&
          line < token.line &&
          tokens[at + 1]?.text === '=' &&
          tokens.some((one) => one.line === line && one.text === token.text),
      ),
    );
    return [...made, `sum(${token.text})`].map((by, at) => ({
      ...written(token, by, LIKELY + 0.01 * at),
      told: {
        why: `Line ${token.line} counts with the list ${token.text} as a whole, and a list is no number.`,
        ask: `Which number that has to do with ${token.text} is meant in line ${token.line}?`,
      },
    }));
  });
}

/** `for i, led in leds:`: two names, where a list gives one thing at a time. */
const placesCounted = ({ tokens, holdings, language }: Form): readonly Guess[] =>
  language !== 'python'
    ? []
    : tokens.flatMap((token, index): readonly Guess[] => {
        const [comma, sign] = [tokens[index - 3], tokens[index - 1]];
        const isPair = sign?.text === 'in' && comma?.text === ',' && tokens[index - 5]?.text === 'for';
        if (!isPair || holdings.get(token.text) !== 'list' || tokens[index + 1]?.text !== ':') return [];
        return [
          {
            ...written(token, `enumerate(${token.text})`, NAMED),
            told: {
              why: `Line ${token.line} wants two things for each round, a number and an entry. A list by itself gives the entry only.`,
              ask: `What does ${token.text} give in each round, and how many names wait for it?`,
            },
          },
        ];
      });

/** `send(SO)`: a word that is meant itself stands in quotes. */
const wordsQuoted = ({ tokens, language }: Form): readonly Guess[] =>
  language !== 'python'
    ? []
    : tokens.flatMap((token, index): readonly Guess[] => {
        const isGiven =
          /^[(,]$/.test(tokens[index - 1]?.text ?? '') && /^[),]$/.test(tokens[index + 1]?.text ?? '');
        const isOnce = tokens.filter(({ text }) => text === token.text).length === 1;
        return token.kind === 'word' && isGiven && isOnce && !/^(?:True|False|None|self)$/.test(token.text)
          ? [
              {
                ...written(token, `"${token.text}"`, LIKELY),
                told: {
                  why: `Line ${token.line}: without quotes ${token.text} is a name, and nothing is called that.`,
                  ask: `Is ${token.text} a name, or is the text itself meant?`,
                },
              },
            ]
          : [];
      });

/** `send("so")` of a table with the keys "S" and "O": the letters as the table has them. */
function keysAsInTable({ tokens, language }: Form): readonly Guess[] {
  if (language !== 'python') return [];
  const keys = new Set(
    tokens.flatMap(({ kind, text }, index) =>
      kind === 'text' && tokens[index + 1]?.text === ':' ? [text.slice(1, -1)] : [],
    ),
  );
  const areKeys = (text: string): boolean => text !== '' && [...text].every((letter) => keys.has(letter));
  return tokens.flatMap((token, index): readonly Guess[] => {
    const inner = token.text.slice(1, -1);
    if (token.kind !== 'text' || tokens[index + 1]?.text === ':' || areKeys(inner)) return [];
    return [inner.toUpperCase(), inner.toLowerCase()].filter(areKeys).map((by) => ({
      ...written(token, `"${by}"`, NAMED),
      told: {
        why: `Line ${token.line}: the table has no ${inner[0]!}. Capital and small letters are different keys.`,
        ask: `Which letters does the table know?`,
      },
    }));
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofPythonCalls: readonly Rule[] = [
  functionsCalled,
  entriesInBrackets,
  entriesAppended,
  listsEmptied,
  listsReckonedWith,
  placesCounted,
  wordsQuoted,
  keysAsInTable,
];
