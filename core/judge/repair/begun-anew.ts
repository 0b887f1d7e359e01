import type { Edit, Observation, TextEdit } from '../../findings/finding';
import type { Language } from '../../program';
import { tokenize } from '../../program/cpp/tokens';
import { pythonLines } from '../../program/python/lines';
import type { Token } from '../../program/token';
import { bodyStart, closing } from './token-places';

/** A sum or a list that begins anew in each pass of the loop. */
export interface BegunAnew {
  readonly edit: TextEdit;
  readonly text: string;
}

/** What a sum, a text and a list begin with. */
const EMPTY = /^(?:0|0\.0|""|''|\[ ?\])$/;

/** Sums and lists that are made once, before the loop, and grow in it, each begun anew at its beginning. */
export function begunAnew(source: string, language: Language): readonly BegunAnew[] {
  const { grown, place } = language === 'python' ? inPython(source) : inCpp(source);
  if (!place) return [];
  const { opens, space } = place;
  return grown.map(({ name, empty }) => {
    const statement = language === 'python' ? `${name} = ${empty}` : `${name} = ${empty};`;
    return {
      edit: {
        line: opens.line,
        column: opens.endColumn,
        length: 0,
        by: language === 'python' ? `\n${space}${statement}` : ` ${statement}`,
      },
      text: `Add ${statement} after line ${opens.line}.`,
    };
  });
}

const BEGINS = /^(?: |\n\s*)(\w+) = (?:0|0\.0|""|''|\[ ?\]);?$/;

/** What was seen of a build whose sum or list grows from pass to pass, where a repair begins it anew. */
export function ofGrown(
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  const [edit, more] = edits;
  if (!seen || !edit || more || !('replace' in edit) || edit.replace.length > 0) return undefined;
  const name = BEGINS.exec(edit.replace.by)?.[1];
  const opens = source.split('\n')[edit.replace.line - 1] ?? '';
  if (name === undefined || !/\bloop\s*\(|^\s*while\b/.test(opens)) return undefined;
  const { line } = edit.replace;
  return {
    ...seen,
    line,
    column: 1,
    message: `${seen.message} ${name} starts empty only once, so it still holds everything from the rounds before.`,
    hints: [
      `What is in ${name} when the loop begins its second round?`,
      `${name} is set once, before the loop. Every round adds to what is there already.`,
      `Set ${name} again at the start of each round.`,
    ],
  };
}

interface Grown {
  readonly grown: readonly { readonly name: string; readonly empty: string }[];
  readonly place: { readonly opens: Token; readonly space: string } | undefined;
}

const textOf = (tokens: readonly Token[]): string => tokens.map(({ text }) => text).join(' ');

function inCpp(source: string): Grown {
  const { tokens } = tokenize(source);
  const opens = bodyStart(tokens, 'loop');
  const from = opens ? tokens.indexOf(opens) : -1;
  const to = from < 0 ? undefined : closing(tokens, from, '{', '}');
  if (!opens || to === undefined) return { grown: [], place: undefined };
  const body = textOf(tokens.slice(from, to));
  let depth = 0;
  const grown = tokens.flatMap((token, index) => {
    if (token.text === '{') depth += 1;
    if (token.text === '}') depth -= 1;
    const [sign, value, end] = tokens.slice(index + 1, index + 4);
    const isMade =
      depth === 0 &&
      token.kind === 'word' &&
      tokens[index - 1]?.kind === 'word' &&
      sign?.text === '=' &&
      end?.text === ';' &&
      EMPTY.test(value!.text);
    return isMade && grows(token.text, body) ? [{ name: token.text, empty: value!.text }] : [];
  });
  return { grown, place: { opens, space: '' } };
}

function inPython(source: string): Grown {
  const { lines } = pythonLines(source);
  const head = lines.findIndex(({ tokens, indent }) => indent === 0 && tokens[0]?.text === 'while');
  const loop = lines[head];
  const first = lines[head + 1];
  if (!loop || !first || first.indent === 0) return { grown: [], place: undefined };
  const end = lines.findIndex(({ indent }, at) => at > head && indent === 0);
  const body = lines
    .slice(head + 1, end < 0 ? undefined : end)
    .map(({ tokens }) => textOf(tokens))
    .join(' ; ');
  const grown = lines.slice(0, head).flatMap(({ tokens: [name, sign, ...value], indent }) => {
    const empty = textOf(value).replace('[ ]', '[]');
    const isMade = indent === 0 && name?.kind === 'word' && sign?.text === '=' && EMPTY.test(empty);
    return isMade && grows(name.text, body) ? [{ name: name.text, empty }] : [];
  });
  return { grown, place: { opens: loop.tokens.at(-1)!, space: first.space } };
}

/** Whether a body adds to a variable, and never sets it to anything else. */
function grows(name: string, body: string): boolean {
  const adds = new RegExp(`\\b${name} (?:\\+= |= ${name} \\+ |\\. (?:append|concat) \\()`);
  const sets = new RegExp(`\\b${name} = (?!${name} \\+ )`);
  return adds.test(body) && !sets.test(body);
}
