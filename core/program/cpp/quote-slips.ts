import { refusal, textRepair, type ProgramProblem } from '../problem';
import { spanOf, type Span, type SyntaxNode } from '../syntax';

/** What a program may mean by something in quotes: a name without them, a number, one letter, a text. */
interface Quoted {
  /** What stands between the quotes, and with them. */
  readonly inner: string;
  readonly written: string;
  readonly span: Span;
}

const NAME = /^[A-Z][A-Z\d_]*$/;
const NUMBER = /^-?\d+(?:\.\d+)?$/;

/** How something in quotes is written where a number is wanted; `undefined` where it cannot be one. */
function asNumber(
  inner: string,
  isKnown: (name: string) => boolean,
): { readonly by: string; readonly why: string } | undefined {
  if (NUMBER.test(inner)) return { by: inner, why: `A number has no quotes round it.` };
  if (isKnown(inner) || (NAME.test(inner) && inner.length > 1))
    return { by: inner, why: `${inner} is a name; names have no quotes round them.` };
  if (/^(?:\\.|[^\\])$/u.test(inner)) return { by: `'${inner}'`, why: 'One letter goes in single quotes.' };
  return undefined;
}

/** `'on'`: single quotes that hold more than one letter, or none. `isKnown`: names that stand for a number. */
export function severalInSingle(
  { inner, written, span }: Quoted,
  isKnown: (name: string) => boolean,
): ProgramProblem {
  const number = isKnown(inner) || NUMBER.test(inner) ? asNumber(inner, isKnown) : undefined;
  const by = number?.by ?? `"${inner}"`;
  const text = `Write ${by} instead of ${written} in line ${span.line}.`;
  return refusal(
    'syntax-quote',
    span,
    `Line ${span.line}: single quotes hold one character; ${written} has ${inner.length}.`,
    [
      `Is ${written} in line ${span.line} one character or a text?`,
      number?.why ?? `A text goes in double quotes, a single character in single quotes.`,
      text,
    ],
    textRepair(text, { line: span.line, column: span.column, length: written.length, by }),
  );
}

/** `command == "r"`, `digitalWrite(13, "HIGH")`, `case "r":`: a text where a number or a letter is wanted. */
export function textForNumber(
  { inner, written, span }: Quoted,
  isKnown: (name: string) => boolean,
): ProgramProblem {
  const number = asNumber(inner, isKnown);
  const text = number && `Write ${number.by} instead of ${written} in line ${span.line}.`;
  return refusal(
    'arguments',
    span,
    `Line ${span.line}: this should be a number, but ${written} is a text.${number ? ` ${number.why}` : ''}`,
    [
      `What does line ${span.line} want here: a number, a letter or a text?`,
      `What stands in double quotes in line ${span.line} is a text, and a text is compared with texts only.`,
      text ?? `Put a number at column ${span.column} of line ${span.line}.`,
    ],
    text && number
      ? textRepair(text, { line: span.line, column: span.column, length: written.length, by: number.by })
      : undefined,
  );
}

/** `char name = "Hello";`: a text for one letter. */
export function textInLetter(name: SyntaxNode, value: SyntaxNode): ProgramProblem {
  const { line, column } = spanOf(value);
  const inner = value.text.slice(1, -1);
  const isLetter = inner.length === 1;
  const after = spanOf(name).endColumn;
  const text = isLetter
    ? `Write '${inner}' instead of ${value.text} in line ${line}.`
    : `Write ${name.text}[] instead of ${name.text} in line ${line}.`;
  return refusal(
    'arguments',
    { line, column },
    isLetter
      ? `Line ${line}: one letter goes in single quotes; ${value.text} is a text.`
      : `Line ${line}: a char holds one letter, and ${value.text} is a text. A text of several letters is a list of them.`,
    [
      `How many letters does ${name.text} hold?`,
      isLetter
        ? `Double quotes make a text, of one letter too.`
        : `Behind the name of a list stand square brackets.`,
      text,
    ],
    isLetter
      ? textRepair(text, { line, column, length: value.text.length, by: `'${inner}'` })
      : textRepair(text, { line: spanOf(name).line, column: after, length: 0, by: '[]' }),
  );
}
