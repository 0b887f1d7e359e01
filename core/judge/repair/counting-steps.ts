import { linesPut } from './lines-put';
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
  /** Whether the loop could not end without it: then it is what is missing, whatever else would do. */
  readonly endsLoop: boolean;
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
  /** Whether its step belongs into its head. */
  readonly isInHead?: true;
}

/** Steps that stand at the one end of their block and may belong at the other, and those that are missing. */
export function countingSteps(source: string, language: Language): readonly StepEdit[] {
  const { steps, stuck } = language === 'python' ? inPython(source) : inCpp(source);
  return [
    ...steps.flatMap((step) => movedOf(step, source)),
    ...stuck.flatMap((one) => missingOf(one, language)),
    ...stuck.flatMap((one) => earlierOf(one, language, source)),
  ];
}

/** What was seen of a build whose loop asks for a variable that stays as it is, where a repair gives it its step. */
export function ofMissingStep(
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  const [edit, more] = edits;
  if (!seen || !edit || more || !('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const [, one, other] = (length === 0 && STEP_PUT_IN.exec(by)) || [];
  const name = one ?? other;
  const stuck = [...inCpp(source).stuck, ...inPython(source).stuck].find(
    (loop) => loop.name === name && loop.line === line,
  );
  if (!stuck) return undefined;
  const where = stuck.isInHead ? 'begins' : 'ends';
  return {
    ...seen,
    line,
    column,
    message: `${seen.message} Nothing in the loop that ${where} in line ${line} changes ${name}, so the loop never ends.`,
    hints: [
      `What has to become of ${name} for the loop to end?`,
      `${name} is the same each time round: no line of the loop changes it.`,
      stuck.isInHead
        ? `Write how ${name} changes behind the second semicolon in line ${line}.`
        : `Change ${name} by one at the end of the loop.`,
    ],
  };
}

const STEP_PUT_IN = /^(?: (\w+)(?:\+\+|--);?|\n\s*(\w+) [-+]= 1)$/;

/** A step at the other ends of its block, all other lines as they are. */
function movedOf({ line, first, last }: Standing, source: string): readonly StepEdit[] {
  const lines = source.split('\n');
  const turned = (from: number, to: number, isBefore: boolean): StepEdit => {
    const texts = lines.slice(from - 1, to);
    const by = isBefore ? [texts.at(-1)!, ...texts.slice(0, -1)] : [...texts.slice(1), texts[0]!];
    return {
      edit: linesPut(from, texts, by),
      text: `Move line ${line} ${isBefore ? `before line ${from}` : `behind line ${to}`}.`,
      endsLoop: false,
    };
  };
  return [
    ...(line < last ? [turned(line, last, false)] : []),
    ...(line > first ? [turned(first, line, true)] : []),
  ];
}

/** The step that a stuck loop lacks, in the direction in which it ends; in both where its sign does not tell. */
function missingOf(
  { name, sign, line, column, space, isInHead }: Stuck,
  language: Language,
): readonly StepEdit[] {
  const ways = /^>/.test(sign) ? ['-'] : /^</.test(sign) ? ['+'] : ['+', '-'];
  return ways.map((way) => {
    if (isInHead) {
      const step = `${name}${way}${way}`;
      return {
        edit: { line, column, length: 0, by: ` ${step}` },
        text: `Add ${step} at the end of the head of the loop in line ${line}.`,
        endsLoop: true,
      };
    }
    const step = language === 'python' ? `${name} ${way}= 1` : `${name}${way}${way};`;
    return {
      edit: { line, column, length: 0, by: language === 'python' ? `\n${space}${step}` : ` ${step}` },
      text: `Add ${step} after line ${line}.`,
      endsLoop: true,
    };
  });
}

/** The same step before each line of a plain body, since what stands behind may need it. */
function earlierOf(stuck: Stuck, language: Language, source: string): readonly StepEdit[] {
  if (stuck.isInHead) return [];
  const lines = source.split('\n');
  const inset = /^\s*/.exec(lines[stuck.line - 1] ?? '')![0];
  const places: number[] = [];
  for (let line = stuck.line; line > 1; line -= 1) {
    const text = lines[line - 1]!;
    if (!text.startsWith(inset) || /^\s/.test(text.slice(inset.length)) || /[{}]|:\s*$/.test(text)) break;
    places.push(line);
  }
  return missingOf(stuck, language).flatMap(({ edit, endsLoop }) =>
    places.map((line) => ({
      edit: { line, column: 1, length: 0, by: `${inset}${edit.by.trim()}\n` },
      text: `Add ${edit.by.trim()} before line ${line}.`,
      endsLoop,
    })),
  );
}

interface Steps {
  readonly steps: readonly Standing[];
  readonly stuck: readonly Stuck[];
}

const STEP_IN_CPP = /^(?:\w+ (?:\+\+|--)|(?:\+\+|--) \w+|\w+ [-+]= \d+|(\w+) = \1 [-+] \d+) ;$/;
const STEP_IN_PYTHON = /^(?:\w+ [-+]= \d+|(\w+) = \1 [-+] \d+)$/;

/** The step that begins at an index, alone on its line, in the block that is opened there. */
function stepAt(tokens: readonly Token[], index: number, open: number | undefined): Standing | undefined {
  const token = tokens[index]!;
  if (open === undefined || !token.startsLine || !/^[{;}]$/.test(tokens[index - 1]?.text ?? ''))
    return undefined;
  const end = tokens.findIndex(({ text }, at) => at >= index && text === ';');
  const isAlone = tokens[end]?.line === token.line && tokens[end + 1]?.line !== token.line;
  if (!isAlone || !STEP_IN_CPP.test(textOf(tokens.slice(index, end + 1)))) return undefined;
  const close = closing(tokens, open, '{', '}');
  const [first, last] = [tokens[open]!.line + 1, close === undefined ? 0 : tokens[close]!.line - 1];
  return first <= token.line && token.line <= last ? { line: token.line, first, last } : undefined;
}

function inCpp(source: string): Steps {
  const { tokens } = tokenize(source);
  const steps: Standing[] = [];
  const stuck: Stuck[] = [];
  const opened: number[] = [];
  tokens.forEach((token, index) => {
    if (token.text === '{') opened.push(index);
    if (token.text === '}') opened.pop();
    const standing = stepAt(tokens, index, opened.at(-1));
    if (standing) steps.push(standing);
    if (tokens[index + 1]?.text !== '(') return;
    const head = closing(tokens, index + 1, '(', ')');
    if (token.text === 'for' && head !== undefined) {
      const endless = stuckFor(tokens, index, head);
      if (endless) stuck.push(endless);
    }
    if (token.text !== 'while') return;
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
  return { steps, stuck };
}

/** `for (int i = 0; i < 3;)`: a loop with no step in its head and none in its body, which has braces. */
function stuckFor(tokens: readonly Token[], index: number, head: number): Stuck | undefined {
  if (tokens[head - 1]?.text !== ';' || tokens[head + 1]?.text !== '{') return undefined;
  const tail = closing(tokens, head + 1, '{', '}');
  const second = tokens.findIndex(({ text }, at) => at > index && text === ';') + 1;
  const [name, sign] = tokens.slice(second, head - 1);
  if (tail === undefined || name?.kind !== 'word' || !ASKS.test(sign?.text ?? '')) return undefined;
  if (isWritten(name.text, tokens.slice(head, tail))) return undefined;
  const last = tokens[head - 1]!;
  return {
    name: name.text,
    sign: sign!.text,
    line: last.line,
    column: last.endColumn,
    space: '',
    isInHead: true,
  };
}

const ASKS = /^(?:[<>]=?|!=)$/;
const textOf = (tokens: readonly Token[]): string => tokens.map(({ text }) => text).join(' ');

function inPython(source: string): Steps {
  const { lines } = pythonLines(source);
  const steps: Standing[] = [];
  const stuck: Stuck[] = [];
  lines.forEach(({ tokens, indent }, index) => {
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
  return { steps, stuck };
}
