import type { Token } from '../../../program/token';
import { TAKES_PIN } from '../pin-functions';
import { closing } from '../token-places';
import { isNumber } from '../what-names-hold';
import { isInside, type Block, type Form } from './form';
import { written, type Guess, type Rule } from './guess';

const [RETURNED, WIDER, ANOTHER_NAME] = [1.5, 1.66, 1.8];

/** The functions of a program, each with the word before its name and the brackets behind it. */
function headsIn({ blocks, tokens, language }: Form): readonly {
  readonly block: Block;
  readonly type: Token;
  readonly name: Token;
  readonly open: number;
  readonly close: number;
}[] {
  return blocks.flatMap((block) => {
    const name =
      block.head === 'function' && block.opens ? block.headTokens[language === 'python' ? 1 : 0] : undefined;
    const at = name ? tokens.indexOf(name) : -1;
    const [type, close] = [tokens[at - 1], closing(tokens, at + 1, '(', ')')];
    return name && type && close !== undefined ? [{ block, type, name, open: at + 1, close }] : [];
  });
}

/** `void half(int raw) { return …; }`: what gives something back says what sort of thing that is. */
export function typesReturned(form: Form): readonly Guess[] {
  const { tokens } = form;
  return headsIn(form).flatMap(({ block, type }): readonly Guess[] => {
    const returned = tokens.find(
      ({ text, line }, index) =>
        text === 'return' && isInside(line, block) && tokens[index + 1]?.text !== ';',
    );
    if (type.text !== 'void' || !returned) return [];
    const values = tokens.flatMap(({ text, line }, index) =>
      text === 'return' && isInside(line, block)
        ? tokens.slice(
            index + 1,
            tokens.findIndex((one, at) => at > index && one.text === ';'),
          )
        : [],
    );
    const named = enumsIn(tokens).find(({ names }) => values.some(({ text }) => names.includes(text)));
    const isTruth = /^(?:true|false|==|!=|&&|\|\||[<>]=?)$/;
    const isOpen = values.some(({ kind, text }) => kind === 'number' && text.includes('.'));
    const types = named
      ? [named.type]
      : values.some(({ text }) => isTruth.test(text))
        ? ['bool']
        : isOpen
          ? ['float']
          : ['int', 'float'];
    return types.map((by, at) => written(type, by, RETURNED + 0.01 * at));
  });
}

/** `x = measure();` of a function that gives nothing back and sets what is meant itself. */
export function callsAlone(form: Form): readonly Guess[] {
  const { tokens } = form;
  const silent = headsIn(form).flatMap(({ type, name }) => (type.text === 'void' ? [name.text] : []));
  return tokens.flatMap((token, index): readonly Guess[] => {
    const [sign, call] = [tokens[index + 1], tokens[index + 2]];
    if (!token.startsLine || sign?.text !== '=' || !call || !silent.includes(call.text)) return [];
    return [
      {
        edits: [{ line: token.line, column: token.column, length: call.column - token.column, by: '' }],
        text: `Remove ${token.text} = from line ${token.line}.`,
        cost: RETURNED + 0.05,
      },
    ];
  });
}

/** A function that is given a value and takes none: what its lines use and nothing declares is what it takes. */
export function parametersDeclared(form: Form, unknown: readonly string[]): readonly Guess[] {
  const { tokens, language } = form;
  return headsIn(form).flatMap(({ block, name, open, close }): readonly Guess[] => {
    const used = unknown.filter((one) =>
      tokens.some(({ text, line }) => text === one && isInside(line, block)),
    );
    const isGiven = tokens.some(
      ({ text }, index) =>
        text === name.text &&
        index !== open - 1 &&
        tokens[index + 1]?.text === '(' &&
        tokens[index + 2]?.text !== ')',
    );
    const last = tokens[close]!;
    if (close !== open + 1 || !isGiven || used.length !== 1) return [];
    if (language === 'python')
      return [
        {
          edits: [{ line: last.line, column: last.column, length: 0, by: used[0]! }],
          text: `Write ${used[0]!} between the parentheses of ${name.text} in line ${last.line}.`,
          cost: RETURNED,
        },
      ];
    return [...namedTypesIn(tokens, name.text), 'int', 'float', 'bool'].map((type, at) => ({
      edits: [{ line: last.line, column: last.column, length: 0, by: `${type} ${used[0]!}` }],
      text: `Write ${type} ${used[0]!} between the parentheses of ${name.text} in line ${last.line}.`,
      cost: RETURNED + 0.01 * at,
    }));
  });
}

/** The enumerations of a program, each with the names in it. */
const enumsIn = (
  tokens: readonly Token[],
): readonly { readonly type: string; readonly names: readonly string[] }[] =>
  tokens.flatMap(({ text }, index) => {
    const [name, open] = [tokens[index + 1], tokens[index + 2]];
    const close = text === 'enum' && open?.text === '{' ? closing(tokens, index + 2, '{', '}') : undefined;
    if (close === undefined || !name) return [];
    return [{ type: name.text, names: tokens.slice(index + 3, close).map((one) => one.text) }];
  });

/** The enumerations of which a call of a function is given a value. */
const namedTypesIn = (tokens: readonly Token[], called: string): readonly string[] =>
  enumsIn(tokens)
    .filter(({ names }) =>
      tokens.some(
        ({ text }, at) =>
          text === called && tokens[at + 1]?.text === '(' && names.includes(tokens[at + 2]?.text ?? ''),
      ),
    )
    .map(({ type }) => type);

/** Pins that a program sets, reads or writes by a name that nothing declares. */
export function pinsDeclared(
  { tokens, source }: Form,
  unknown: readonly string[],
  pins: readonly string[],
): readonly Guess[] {
  const lines = source.split('\n');
  const line = lines.findLastIndex((text) => /^\s*#include\b/.test(text)) + 2;
  return unknown
    .filter((name) =>
      tokens.some(({ text }, index) => TAKES_PIN.test(text) && tokens[index + 2]?.text === name),
    )
    .flatMap((name) =>
      pins.map((pin) => ({
        edits: [{ line, column: 1, length: 0, by: `const int ${name} = ${pin};\n` }],
        text: `Write const int ${name} = ${pin}; at the top of the program.`,
        cost: RETURNED,
      })),
    );
}

/** Another name of the program for one that nothing declares: what is kept in one variable, and known only in one function. */
export function namesKnown({ tokens, holdings }: Form, unknown: readonly string[]): readonly Guess[] {
  const known = [...holdings].flatMap(([name, held]) => (isNumber(held) || held === 'truth' ? [name] : []));
  return tokens.flatMap((token, index): readonly Guess[] => {
    const isUsed =
      unknown.includes(token.text) && /^[(,<>=+*/-]|[<>=!]=$/.test(tokens[index - 1]?.text ?? '');
    if (!isUsed || tokens[index + 1]?.text === '(') return [];
    return known
      .filter((name) => !unknown.includes(name))
      .slice(0, MOST_NAMES)
      .map((name) => ({ ...written(token, name, ANOTHER_NAME), isOneOfMany: true }));
  });
}
const MOST_NAMES = 8;

/** `byte raw`, `char angle`: a variable, or what a function takes, that is too small for most numbers. */
function smallTypesWidened({ tokens, holdings, language }: Form): readonly Guess[] {
  if (language === 'python') return [];
  return tokens.flatMap((type, index): readonly Guess[] => {
    const [name, after] = [tokens[index + 1], tokens[index + 2]?.text ?? ''];
    const isSmall = /^(?:byte|char|u?int8_t)$/.test(type.text) && tokens[index - 1]?.text !== 'const';
    if (!isSmall || name?.kind !== 'word' || !/^[=;,)]$/.test(after)) return [];
    // What holds a letter, or the number of a pin, is large enough.
    const isLetter = tokens.some(
      ({ text }, at) => text === name.text && /^'/.test(tokens[at + 2]?.text ?? ''),
    );
    if (isLetter || holdings.get(name.text) === 'pin') return [];
    const range = /^(?:char|int8_t)$/.test(type.text) ? '−128 to 127' : '0 to 255';
    return [
      {
        ...written(type, 'int', WIDER),
        told: {
          why: `Line ${type.line} makes ${name.text} a ${type.text}, which only holds ${range}.`,
          ask: `Which numbers does a ${type.text} hold, and how large does ${name.text} become?`,
        },
      },
    ];
  });
}

/** A value too many between the parentheses of a call. */
export function valuesLeftOut({ tokens, source }: Form, lines: readonly number[]): readonly Guess[] {
  return tokens.flatMap((token, index): readonly Guess[] => {
    if (token.text !== '(' || tokens[index - 1]?.kind !== 'word' || !lines.includes(token.line)) return [];
    const close = closing(tokens, index, '(', ')');
    const commas: number[] = [];
    let depth = 0;
    for (let at = index; at < (close ?? index); at += 1) {
      if (/^[([{]$/.test(tokens[at]!.text)) depth += 1;
      if (/^[)\]}]$/.test(tokens[at]!.text)) depth -= 1;
      if (depth === 1 && tokens[at]!.text === ',') commas.push(at);
    }
    const [first, last] = [commas[0], commas.at(-1)];
    if (
      close === undefined ||
      first === undefined ||
      last === undefined ||
      tokens[close]!.line !== token.line
    )
      return [];
    const line = source.split('\n')[token.line - 1] ?? '';
    const without = (from: Token, to: number, shown: string): Guess => ({
      edits: [{ line: token.line, column: from.column, length: to - from.column, by: '' }],
      text: `Take ${shown} away from ${tokens[index - 1]!.text} in line ${token.line}.`,
      cost: RETURNED,
    });
    const shown = (from: number, to: number): string => line.slice(from - 1, to - 1).trim();
    const end = tokens[close]!.column;
    const begin = tokens[index + 1]!;
    return [
      without(tokens[last]!, end, shown(tokens[last + 1]!.column, end)),
      without(begin, tokens[first + 1]!.column, shown(begin.column, tokens[first]!.column)),
    ];
  });
}

/** The rules of this subject that something in a program speaks for. */
export const ofDeclaredOtherwise: readonly Rule[] = [smallTypesWidened];
