import type { Token } from '../../../program/token';
import type { Block, Form, Statement } from './form';
import { putIn, type Guess } from './guess';
import { areAlike, isNumber } from '../what-names-hold';
import { isNoDeclaration, isRepeated } from './lines';

/** What ends a statement. */
export const end = ({ language }: Form): string => (language === 'python' ? '' : ';');

/** Names of variables that hold one number or level and may change. */
export function variablesIn({ tokens, language, holdings }: Form): readonly string[] {
  const found = tokens.flatMap(({ kind, text, line }, index) => {
    const after = tokens[index + 1]?.text ?? '';
    const isSet = kind === 'word' && /^(?:=|[-+]=|\+\+|--)$/.test(after) && tokens[index - 1]?.text !== '.';
    if (!isSet) return [];
    const value = tokens[index + 2];
    const before = tokens.slice(0, index).filter((token) => token.line === line);
    const isFixed =
      before.some((token) => token.text === 'const') || /^(?:for|#define)$/.test(before[0]?.text ?? '');
    const isScalar =
      after !== '=' ||
      value?.kind === 'number' ||
      value?.text === '-' ||
      /^(?:true|false|HIGH|LOW|True|False)$/.test(value?.text ?? '');
    const isName = language === 'cpp' || before.length === 0;
    return isScalar && !isFixed && isName && holdings.get(text) !== 'pin' ? [text] : [];
  });
  return [...new Set(found)];
}

/** The name that a statement gives a value to. */
export const setBy = ({ text }: Statement): readonly string[] =>
  /^(?:\w+\s+)*(\w+)\s*=[^=]/.exec(text)?.slice(1) ?? [];
/** The names that the statements of a program give a value to. */
export const keptIn = ({ blocks }: Form): readonly string[] =>
  blocks.flatMap(({ statements }) => statements.flatMap(setBy));

/** The one word or number that the name at a place is given, and nothing more: `open = True`, `n = 3;`. */
export function givenOutright(tokens: readonly Token[], index: number): Token | undefined {
  const [name, sign, value, next] = tokens.slice(index, index + 4);
  const isAlone = value?.line === name?.line && (!next || next.line > value!.line || next.text === ';');
  return name?.kind === 'word' && sign?.text === '=' && isAlone ? value : undefined;
}

/** Ways in which a variable changes by a statement of its own. */
export function waysToChange(name: string, others: readonly string[], form: Form): readonly string[] {
  const { language, holdings } = form;
  const isPython = language === 'python';
  const stop = end(form);
  const held = holdings.get(name);
  const turned = isPython ? `${name} = not ${name}` : `${name} = !${name};`;
  const counted = [
    isPython ? `${name} += 1` : `${name}++;`,
    `${name} = 1 - ${name}${stop}`,
    `${name} = -${name}${stop}`,
    `${name} = 0${stop}`,
    isPython ? `${name} -= 1` : `${name}--;`,
  ];
  const alike = others.filter((other) => other !== name && areAlike(held, holdings.get(other)));
  return [
    ...(held === 'truth' ? [turned] : isNumber(held) ? counted : [counted[0]!, turned, ...counted.slice(1)]),
    ...alike.flatMap((other) => [
      `${name} = ${other}${stop}`,
      ...(held === 'truth' ? [] : [`${name} = ${name} + ${other}${stop}`]),
    ]),
  ];
}

/** Those variables that are given their first value and never another. */
export const stillIn = ({ tokens }: Form, variables: readonly string[]): readonly string[] =>
  variables.filter(
    (name) =>
      tokens.filter(
        ({ text }, index) => text === name && /^(?:[-+]?=|\+\+|--)$/.test(tokens[index + 1]?.text ?? ''),
      ).length === 1,
  );

/** The name that a loop counts with. */
export const counterOf = (head: readonly Token[]): string | undefined =>
  head.find(({ kind }, index) => kind === 'word' && /^(?:=|in)$/.test(head[index + 1]?.text ?? ''))?.text;

/** Statements that declare nothing. */
export const plainOf = ({ blocks }: Form): readonly Statement[] =>
  blocks.flatMap(({ statements }) => statements).filter(isNoDeclaration);

const TURNED: Readonly<Record<string, string>> = {
  HIGH: 'LOW',
  LOW: 'HIGH',
  true: 'false',
  false: 'true',
  True: 'False',
  False: 'True',
};
const LEVEL = /\b(?:HIGH|LOW|true|false|True|False)\b/;

/** The type before a variable that gets its first value. */
const TYPE =
  /^(?:(?:static|volatile|unsigned) +)*(?:bool|boolean|byte|int|long|short|char|u?int\d+_t) +(?=\w+ *=)/;

/** A statement that does the opposite: the other level, no tone, no brightness. A variable is not made again for that. */
export function turnedOf(text: string): readonly string[] {
  const level = LEVEL.exec(text)?.[0];
  if (level !== undefined) return [text.replace(TYPE, '').replace(LEVEL, TURNED[level]!)];
  // `show(1)`: a function that is told yes or no by a number.
  const [, told, given] = /^(\w+)\(([01])\);?$/.exec(text) ?? [];
  if (told !== undefined) return [text.replace(`(${given})`, `(${1 - Number(given)})`)];
  const [, pin] = /^tone\((\w+),.*\);$/.exec(text) ?? [];
  if (pin !== undefined) return [`noTone(${pin});`];
  const [, dimmed] = /^analogWrite\((\w+),.*\);$/.exec(text) ?? [];
  return dimmed === undefined ? [] : [`analogWrite(${dimmed}, 0);`];
}

/**
 * A statement at the beginning of each block but that of setup, and behind each statement and block in them. `more`: what it
 * costs more where no question is asked.
 */
export function inEachPlace(form: Form, text: string, cost: number, more = 0): readonly Guess[] {
  return form.blocks.filter(isRepeated).flatMap((block) => {
    const amount = block.head === 'if' || block.head === 'else' ? cost : cost + more;
    return [
      putIn(form, block, text, amount),
      ...block.statements.filter((one) => one.text !== text).map((one) => putIn(form, one, text, amount)),
      ...(block.head === 'function' ? [] : afterBlock(form, block, text, amount)),
    ];
  });
}

/** A statement behind a block, in C++. */
export function afterBlock(form: Form, { closes }: Block, text: string, cost: number): readonly Guess[] {
  if (form.language === 'python' || !closes) return [];
  return [
    {
      edits: [{ line: closes.line, column: closes.endColumn, length: 0, by: ` ${text}` }],
      text: `Add ${text} after line ${closes.line}.`,
      cost,
    },
  ];
}
