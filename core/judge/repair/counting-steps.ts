import type { Edit, Observation, TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { closing, isWritten } from './token-places';

/** A change about the step of a counter: `n--;`, `n += 1`. */
export interface StepEdit {
  readonly edit: TextEdit;
  readonly text: string;
}

/** A statement on lines of its own, and the lines of the block that it stands in. */
interface Standing {
  readonly line: number;
  readonly first: number;
  readonly last: number;
}

/** A loop that asks for a variable, which nothing in its body changes. */
interface Stuck {
  readonly name: string;
  readonly sign: string;
  /** Where its body ends: behind its last statement. */
  readonly line: number;
  readonly column: number;
  readonly space: string;
}

/** Steps that stand at the one end of their block and may belong at the other, and those that are missing. */
export function countingSteps(source: string, language: Language): readonly StepEdit[] {
  const { steps, stuck, constant } = language === 'python' ? inPython(source) : inCpp(source);
  return [
    ...steps.flatMap((step) => movedOf(step, source)),
    ...stuck.flatMap((one) => missingOf(one, language)),
    ...constant.map((one) => turnOf(one, language)),
  ];
}

/** What was seen of a build whose loop asks for a variable that stays as it is, where a repair gives it its step. */
export function ofMissingStep(
  seen: Observation | undefined,
  edits: readonly Edit[],
): Observation | undefined {
  const [edit, more] = edits;
  if (!seen || !edit || more || !('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const name = length > 0 ? undefined : STEP_PUT_IN.exec(by)?.[1];
  if (name === undefined) return undefined;
  return {
    ...seen,
    line,
    column,
    message: `${seen.message} Nothing in the loop that ends in line ${line} changes ${name}, so the loop never ends.`,
    hints: [
      `What has to become of ${name} for the loop to end?`,
      `${name} is the same each time round: no line of the loop changes it.`,
      `Change ${name} by one at the end of the loop.`,
    ],
  };
}

const STEP_PUT_IN = /^(?: (\w+)(?:\+\+|--);|\n\s*(\w+) [-+]= 1)$/;

/** A step at the other ends of its block, all other lines as they are. */
function movedOf({ line, first, last }: Standing, source: string): readonly StepEdit[] {
  const lines = source.split('\n');
  const turned = (from: number, to: number, isBefore: boolean): StepEdit => {
    const texts = lines.slice(from - 1, to);
    const by = isBefore ? [texts.at(-1)!, ...texts.slice(0, -1)] : [...texts.slice(1), texts[0]!];
    return {
      edit: { line: from, column: 1, length: texts.join('\n').length, by: by.join('\n') },
      text: `Move line ${line} ${isBefore ? `before line ${from}` : `behind line ${to}`}.`,
    };
  };
  return [
    ...(line < last ? [turned(line, last, false)] : []),
    ...(line > first ? [turned(first, line, true)] : []),
  ];
}

/** The step that a stuck loop lacks, in the direction in which it ends; in both where its sign does not tell. */
function missingOf({ name, sign, line, column, space }: Stuck, language: Language): readonly StepEdit[] {
  const ways = /^>/.test(sign) ? ['-'] : /^</.test(sign) ? ['+'] : ['+', '-'];
  return ways.map((way) => {
    const step = language === 'python' ? `${name} ${way}= 1` : `${name}${way}${way};`;
    return {
      edit: { line, column, length: 0, by: language === 'python' ? `\n${space}${step}` : ` ${step}` },
      text: `Add ${step} after line ${line}.`,
    };
  });
}

/** A level that is kept in a variable, written to a pin, and never changed. */
interface Constant {
  readonly name: string;
  /** Where the statement begins that writes it. */
  readonly line: number;
  readonly column: number;
  readonly space: string;
}

/** The other level, before it is written. */
function turnOf({ name, line, column, space }: Constant, language: Language): StepEdit {
  const turn = language === 'python' ? `${name} = not ${name}` : `${name} = !${name};`;
  const by = language === 'python' ? `${turn}\n${space}` : `${turn} `;
  return { edit: { line, column, length: 0, by }, text: `Add ${turn} before line ${line}.` };
}

interface Steps {
  readonly steps: readonly Standing[];
  readonly stuck: readonly Stuck[];
  readonly constant: readonly Constant[];
}

const STEP_IN_CPP = /^(?:(\w+) (?:\+\+|--)|(?:\+\+|--) \w+|(\w+) [-+]= \d+|(\w+) = \3 [-+] \d+) ;$/;
const STEP_IN_PYTHON = /^(?:\w+ [-+]= \d+|(\w+) = \1 [-+] \d+)$/;

function inCpp(source: string): Steps {
  const { tokens } = tokenize(source);
  const steps: Standing[] = [];
  const stuck: Stuck[] = [];
  const constant: Constant[] = [];
  const opened: number[] = [];
  tokens.forEach((token, index) => {
    if (token.text === '{') opened.push(index);
    if (token.text === '}') opened.pop();
    const open = opened.at(-1);
    const close = open === undefined ? undefined : closing(tokens, open, '{', '}');
    const end = tokens.findIndex(({ text }, at) => at >= index && text === ';');
    const statement = tokens.slice(index, end + 1);
    const isAlone =
      token.startsLine &&
      /^[{;}]$/.test(tokens[index - 1]?.text ?? '') &&
      tokens[end + 1]?.line !== token.line &&
      tokens[end]?.line === token.line;
    if (isAlone && open !== undefined && close !== undefined && STEP_IN_CPP.test(textOf(statement))) {
      const [first, last] = [tokens[open]!.line + 1, tokens[close]!.line - 1];
      if (first <= token.line && token.line <= last) steps.push({ line: token.line, first, last });
    }
    const [, , , , level, shut] = statement;
    if (
      token.text === 'digitalWrite' &&
      level?.kind === 'word' &&
      shut?.text === ')' &&
      isTold(level.text, tokens)
    )
      constant.push({ name: level.text, line: token.line, column: token.column, space: '' });
    if (token.text !== 'while' || tokens[index + 1]?.text !== '(') return;
    const head = closing(tokens, index + 1, '(', ')');
    const tail =
      head !== undefined && tokens[head + 1]?.text === '{' ? closing(tokens, head + 1, '{', '}') : undefined;
    if (head === undefined || tail === undefined || tail === head + 2) return;
    const [name, sign, , more] = tokens.slice(index + 2, head + 1);
    const last = tokens[tail - 1]!;
    if (
      name?.kind === 'word' &&
      ASKS.test(sign?.text ?? '') &&
      more === tokens[head] &&
      !isWritten(name.text, tokens.slice(head, tail))
    )
      stuck.push({ name: name.text, sign: sign!.text, line: last.line, column: last.endColumn, space: '' });
  });
  return { steps, stuck, constant };
}

/** How a level is given to a variable. */
const LEVEL = /^(?:true|false|HIGH|LOW|True|False)$/;

/** Whether a variable is given a level once, and nothing else ever. */
function isTold(name: string, tokens: readonly Token[]): boolean {
  const given = tokens.flatMap(({ text }, index) =>
    text === name && tokens[index + 1]?.text === '=' ? [tokens[index + 2]!] : [],
  );
  const isFixed = tokens.some(({ text }, index) => text === name && tokens[index - 2]?.text === 'const');
  return given.length === 1 && LEVEL.test(given[0]!.text) && !isFixed;
}

const ASKS = /^(?:[<>]=?|!=)$/;
const textOf = (tokens: readonly Token[]): string => tokens.map(({ text }) => text).join(' ');

function inPython(source: string): Steps {
  const { lines } = pythonLines(source);
  const steps: Standing[] = [];
  const stuck: Stuck[] = [];
  const constant: Constant[] = [];
  lines.forEach(({ tokens, indent, space }, index) => {
    const bodyFrom = (from: number, least: number) => {
      const end = lines.findIndex((line, at) => at >= from && line.indent < least);
      return lines.slice(from, end < 0 ? undefined : end);
    };
    const begins = lines.findLastIndex((line, at) => at < index && line.indent < indent) + 1;
    const block = bodyFrom(begins, indent);
    if (begins > 0 && STEP_IN_PYTHON.test(textOf(tokens)))
      steps.push({
        line: tokens[0]!.line,
        first: block[0]!.tokens[0]!.line,
        last: block.at(-1)!.tokens.at(-1)!.line,
      });
    const level = tokens.at(-1)!;
    const all = lines.flatMap((line) => line.tokens);
    if (
      indent > 0 &&
      tokens.at(-3)?.text === 'value' &&
      tokens.at(-2)?.text === '=' &&
      isTold(level.text, all)
    )
      constant.push({ name: level.text, line: tokens[0]!.line, column: tokens[0]!.column, space });
    const [word, name, sign, , colon, more] = tokens;
    const body = lines[index + 1] && lines[index + 1]!.indent > indent ? bodyFrom(index + 1, indent + 1) : [];
    const last = body.at(-1)?.tokens.at(-1);
    if (
      word?.text !== 'while' ||
      name?.kind !== 'word' ||
      !ASKS.test(sign?.text ?? '') ||
      colon?.text !== ':' ||
      more ||
      !last
    )
      return;
    if (!body.some((line) => isWritten(name.text, line.tokens)))
      stuck.push({
        name: name.text,
        sign: sign!.text,
        line: last.line,
        column: last.endColumn,
        space: body[0]!.space,
      });
  });
  return { steps, stuck, constant };
}
