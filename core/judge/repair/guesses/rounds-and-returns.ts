import type { Token } from '../../../program/token';
import { isInside, type Block, type Form } from './form';
import { written, type Guess, type Rule } from './guess';
import { counterOf } from './places';
import { linesPut } from '../lines-put';

const [ROUNDS, RETURNED] = [1.4, 1.5];

/** What the functions of a program take, by the name of each. */
const takenIn = ({ blocks, language }: Form): ReadonlySet<string> =>
  new Set(
    blocks.flatMap(({ head, headTokens }) =>
      head === 'function'
        ? headTokens
            .slice(language === 'python' ? 3 : 2)
            .flatMap(({ kind, text }) => (kind === 'word' && text !== 'self' ? [text] : []))
        : [],
    ),
  );

/** `while count <= times`, or the same from 1 on: as many rounds as a function is told. */
function asManyRounds(form: Form): readonly Guess[] {
  const { tokens, blocks } = form;
  const taken = takenIn(form);
  return blocks.flatMap(({ head, headTokens }): readonly Guess[] => {
    const sign = headTokens.findIndex(({ text }) => /^<=?$/.test(text));
    const [counter, most] = [headTokens[sign - 1], headTokens[sign + 1]];
    if (head !== 'loop' || !counter || !most || !taken.has(most.text)) return [];
    const first = tokens.findLast(
      ({ kind, line }, index) =>
        kind === 'number' &&
        line <= counter.line &&
        tokens[index - 1]?.text === '=' &&
        tokens[index - 2]?.text === counter.text,
    );
    const isFromOne = first?.text === '1';
    const isUpTo = headTokens[sign]!.text === '<=';
    if (isFromOne === isUpTo || !(isFromOne || first?.text === '0')) return [];
    const told = {
      why: `Counting from ${first.text}, the loop in line ${counter.line} goes round once ${isUpTo ? 'more' : 'less'} than ${most.text} says.`,
      ask: `How often does the loop in line ${counter.line} go round when ${most.text} is 3?`,
    };
    return isUpTo
      ? [{ ...written(headTokens[sign]!, '<', ROUNDS), told }]
      : [{ ...written(first, '0', ROUNDS), told }];
  });
}

/** Numbers that a function gives back, one of them twice: each case has its own. */
function returnsToldApart({ tokens, blocks }: Form): readonly Guess[] {
  return blocks
    .filter(({ head }) => head === 'function')
    .flatMap((block): readonly Guess[] => {
      const values = returnedIn(block, tokens);
      const numbers = values.map(({ text }) => text);
      const missing = values.map((_, at) => String(at)).filter((one) => !numbers.includes(one));
      if (values.length < 3 || values.some(({ kind }) => kind !== 'number') || missing.length === 0)
        return [];
      return values
        .filter(({ text }) => numbers.filter((one) => one === text).length > 1)
        .flatMap((value) =>
          missing.map((by) => ({
            ...written(value, by, RETURNED),
            told: {
              why: `Line ${value.line} gives back ${value.text}, and so does another case of the function.`,
              ask: `Which case does each number stand for that the function gives back?`,
            },
          })),
        );
    });
}

/** What stands behind each `return` of a function. */
const returnedIn = (block: Block, tokens: readonly Token[]): readonly Token[] =>
  tokens.flatMap(({ text, line }, index) =>
    text === 'return' && isInside(line, block) ? (tokens[index + 1] ?? []) : [],
  );

/** The last `return` of a function in C++ that gives something back in all other cases. */
function lastReturnsInCpp({ tokens, blocks, language }: Form): readonly Guess[] {
  if (language !== 'cpp') return [];
  return blocks.flatMap((block): readonly Guess[] => {
    const { head, closes, headTokens } = block;
    const type = tokens[tokens.indexOf(headTokens[0]!) - 1]?.text;
    const values = returnedIn(block, tokens);
    if (head !== 'function' || !closes || type === 'void' || values.length === 0) return [];
    const last = tokens[tokens.indexOf(closes) - 1];
    const outer = block.statements[0]?.first.column ?? block.space.length + 1;
    const isEnded = tokens.some(
      ({ text, line, column }) => text === 'return' && isInside(line, block) && column <= outer,
    );
    if (isEnded || !last) return [];
    const numbers = values.flatMap(({ kind, text }) => (kind === 'number' ? [Number(text)] : []));
    const by = values.every(({ text }) => /^(?:true|false)$/.test(text))
      ? [values[0]!.text === 'true' ? 'false' : 'true']
      : numbers.length === values.length
        ? [Math.max(...numbers) + 1, Math.min(...numbers) - 1, 0].map(String)
        : [];
    return [...new Set(by)].map((value) => ({
      edits: [
        {
          line: last.line,
          column: last.endColumn,
          length: 0,
          by: `\n${' '.repeat(outer - 1)}return ${value};`,
        },
      ],
      text: `Add return ${value}; after line ${last.line}.`,
      cost: RETURNED,
      told: {
        why: `Where no question of the function is met, it ends in line ${closes.line} and gives nothing back.`,
        ask: `What does the function give back when none of its questions is met?`,
      },
    }));
  });
}

/** A function that looks through a list and gives back a place in it: -1 behind the loop, where nothing was found. */
function nothingFound({ tokens, blocks, language }: Form): readonly Guess[] {
  const stop = language === 'python' ? '' : ';';
  return blocks.flatMap((loop): readonly Guess[] => {
    const around = blocks.find(
      ({ head, opens, closes }) =>
        head === 'function' &&
        opens &&
        closes &&
        loop.opens &&
        loop.opens.line > opens.line &&
        loop.opens.line <= closes.line,
    );
    const counter =
      loop.head === 'loop' && loop.headTokens[0]?.text === 'for' ? counterOf(loop.headTokens) : undefined;
    const isSearch =
      counter !== undefined &&
      tokens.some(
        ({ text, line }, index) =>
          text === 'return' && tokens[index + 1]?.text === counter && isInside(line, loop),
      );
    if (!around?.closes || !isSearch || !loop.closes) return [];
    const told = {
      why: `Where the loop in line ${loop.opens!.line} finds nothing, the function has to say so with a number that is no place in the list.`,
      ask: `What does the function give back when it has found nothing?`,
    };
    const behind = tokens.flatMap((token, index) =>
      token.text === 'return' && token.line > loop.closes!.line && isInside(token.line, around)
        ? (tokens[index + 1] ?? [])
        : [],
    );
    const [value] = behind;
    if (value) return value.kind === 'number' ? [{ ...written(value, '-1', RETURNED), told }] : [];
    const inside = tokens.filter(({ text, line }) => text === 'return' && isInside(line, loop));
    if (inside.length > 1) return [];
    const space = around.space;
    return [
      {
        edits: [
          {
            line: loop.closes.line,
            column: loop.closes.endColumn,
            length: 0,
            by: `\n${space}return -1${stop}`,
          },
        ],
        text: `Add return -1${stop} after line ${loop.closes.line}.`,
        cost: RETURNED,
        told,
      },
    ];
  });
}

/** A `return` at the end of a loop that no question stands before: behind the loop, which goes round only once with it. */
function returnsBehindLoops({ tokens, blocks, source, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  const lines = source.split('\n');
  return blocks.flatMap((loop): readonly Guess[] => {
    const { closes, opens } = loop;
    const last =
      closes &&
      tokens.findLast(
        ({ startsLine, line, text }) =>
          startsLine && text === 'return' && line < closes.line && line > opens!.line,
      );
    if (loop.head !== 'loop' || !last || !closes) return [];
    const isInner = blocks.some(
      (block) =>
        block !== loop && block.opens && block.opens.line > opens!.line && isInside(last.line, block),
    );
    const next = tokens.find(({ line }) => line > last.line);
    if (isInner || next !== closes || lines[closes.line - 1]?.trim() !== '}') return [];
    const [text, brace] = [lines[last.line - 1]!, lines[closes.line - 1]!];
    return [
      {
        edits: [
          linesPut(last.line, lines.slice(last.line - 1, closes.line), [
            brace,
            `${' '.repeat(closes.column - 1)}${text.trim()}`,
          ]),
        ],
        text: `Move line ${last.line} behind line ${closes.line}.`,
        cost: ROUNDS,
        told: {
          why: `Line ${last.line} ends the function in the first round of the loop, whatever was asked.`,
          ask: `How often does the loop in line ${opens!.line} go round?`,
        },
      },
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofRoundsAndReturns: readonly Rule[] = [
  asManyRounds,
  returnsToldApart,
  lastReturnsInCpp,
  nothingFound,
  returnsBehindLoops,
];
