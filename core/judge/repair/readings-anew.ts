import type { TextEdit } from '../../findings/finding';
import { tokenize } from '../../program/cpp/tokens';
import type { Language } from '../../program';
import type { Token } from '../../program/token';
import { closing } from './token-places';

/** A reading that is made once, made every time round the loop. */
export interface ReadingAnew {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
}

/** `level = analogRead(A0)`, with a type or `const` before it where it is made there. */
const GIVEN = /^\s*((?:[A-Za-z_][\w:]*\s+)*)([A-Za-z_]\w*)\s*=(?!=)\s*(.+?)\s*;?\s*(?:(?:\/\/|#).*)?$/;
/** `readKnob();` */
const CALLED = /^\s*([A-Za-z_]\w*\s*\([^;{}]*\))\s*;?\s*(?:(?:\/\/|#).*)?$/;

/** A function by the lines from its head to its last. */
interface Stretch {
  readonly name: string;
  readonly first: number;
  readonly last: number;
}

const holds = ({ first, last }: Stretch, line: number): boolean => first <= line && line <= last;

/** Ways to make what a line reads once a part of the loop: it is moved there from where it runs once, or said there again. */
export const readingsAnew = (source: string, language: Language, line: number): readonly ReadingAnew[] =>
  language === 'python' ? inPython(source, line) : inCpp(source, line);

/** What reads a pin. */
const READS = /\b(?:analogRead|digitalRead|pulseIn)\s*\(/;

/** A reading that is kept in setup under a name that loop asks for: moved to where it is asked for. */
export function readingMovedTo(source: string, line: number, name: string): ReadingAnew | undefined {
  const lines = source.split('\n');
  const { tokens } = tokenize(source);
  const functions = functionsIn(tokens);
  const at = lines.findIndex((text) => GIVEN.exec(text)?.[2] === name && READS.test(text)) + 1;
  const from = functions.find((one) => holds(one, at));
  const brace = beginOfLoop(functions, tokens);
  const isAskedInLoop = functions.some((one) => one.name === 'loop' && holds(one, line));
  if (!brace || !isAskedInLoop || from?.name !== 'setup') return undefined;
  return reading(behind(brace, lines[at - 1]!), at, '', lines, []);
}

function inCpp(source: string, line: number): readonly ReadingAnew[] {
  const lines = source.split('\n');
  const { tokens } = tokenize(source);
  const functions = functionsIn(tokens);
  const brace = beginOfLoop(functions, tokens);
  if (!brace) return [];
  return runningOnce(lines, functions, line).flatMap((at): readonly ReadingAnew[] => {
    const inside = functions.find((one) => holds(one, at));
    if (inside && inside.name !== 'setup') return [];
    const text = lines[at - 1]!;
    const [, made = '', name, value] = GIVEN.exec(text) ?? [];
    const call = CALLED.exec(text)?.[1];
    // What is made inside of setup is not known in loop.
    if (inside && made.trim() !== '') return [];
    const said = name === undefined ? call : `${name} = ${value}`;
    if (said === undefined) return [];
    const inset = /^\s*/.exec(lines[brace.line] ?? '')![0] || '  ';
    const put = behind(brace, `${inset}${said};`);
    return [reading(put, inside ? at : undefined, `${said};`, lines, freed(text, at))];
  });
}

/** The brace with which the body of loop begins. */
function beginOfLoop(functions: readonly Stretch[], tokens: readonly Token[]): Token | undefined {
  const loop = functions.find(({ name }) => name === 'loop');
  return loop && tokens.find(({ line, text }) => line >= loop.first && text === '{');
}

const behind = ({ line, endColumn }: Token, text: string): TextEdit => ({
  line,
  column: endColumn,
  length: 0,
  by: `\n${text}`,
});

/** What lets a variable be written to again: its `const` taken out. */
function freed(text: string, line: number): readonly TextEdit[] {
  const found = /\bconst(?:expr)?\s+/.exec(text);
  return found ? [{ line, column: found.index + 1, length: found[0].length, by: '' }] : [];
}

function inPython(source: string, line: number): readonly ReadingAnew[] {
  const lines = source.split('\n');
  const head = lines.findIndex((text) => /^while\b.*:\s*(?:#.*)?$/.test(text));
  const next = lines.slice(head + 1).find((text) => text.trim() !== '');
  if (head < 0 || next === undefined) return [];
  const inset = /^\s*/.exec(next)![0];
  return runningOnce(lines, functionsOfPython(lines), line).flatMap((at): readonly ReadingAnew[] => {
    const text = lines[at - 1]!;
    const said = GIVEN.test(text) || CALLED.test(text) ? text.trim() : undefined;
    if (said === undefined || at > head || /^\s/.test(text)) return [];
    const put: TextEdit = {
      line: head + 1,
      column: lines[head]!.length + 1,
      length: 0,
      by: `\n${inset}${said}`,
    };
    return [reading(put, at, said, lines, [])];
  });
}

/** What is put in, and taken away from where it ran once. */
function reading(
  put: TextEdit,
  from: number | undefined,
  said: string,
  lines: readonly string[],
  others: readonly TextEdit[],
): ReadingAnew {
  const taken: readonly TextEdit[] =
    from === undefined ? others : [{ line: from, column: 1, length: lines[from - 1]!.length + 1, by: '' }];
  const freely = others.length > 0 ? `, and remove const from line ${others[0]!.line}` : '';
  return {
    edits: [put, ...taken].sort((one, other) => other.line - one.line || other.column - one.column),
    text:
      from === undefined
        ? `Add ${said} after line ${put.line}${freely}.`
        : `Move line ${from} into the loop, behind line ${put.line}.`,
  };
}

/** Where what a line reads is asked for: there, or wherever its function is called. */
function runningOnce(
  lines: readonly string[],
  functions: readonly Stretch[],
  line: number,
): readonly number[] {
  const own = functions.find((one) => holds(one, line));
  if (!own || own.name === 'setup' || own.name === 'loop') return [line];
  const called = new RegExp(`\\b${own.name}\\s*\\(`);
  return lines.flatMap((text, index) => (called.test(text) && !holds(own, index + 1) ? [index + 1] : []));
}

function functionsIn(tokens: readonly Token[]): readonly Stretch[] {
  const found: Stretch[] = [];
  for (let index = 0; index < tokens.length; index += 1) {
    const [name, open] = [tokens[index]!, tokens[index + 1]];
    const shut =
      name.kind === 'word' && open?.text === '(' ? closing(tokens, index + 1, '(', ')') : undefined;
    if (shut === undefined || tokens[shut + 1]?.text !== '{') continue;
    const end = closing(tokens, shut + 1, '{', '}');
    if (end === undefined) break;
    found.push({ name: name.text, first: name.line, last: tokens[end]!.line });
    index = end;
  }
  return found;
}

function functionsOfPython(lines: readonly string[]): readonly Stretch[] {
  return lines.flatMap((text, index): readonly Stretch[] => {
    const name = /^def\s+(\w+)/.exec(text)?.[1];
    if (name === undefined) return [];
    const after = lines.slice(index + 1).findIndex((one) => /^\S/.test(one));
    return [{ name, first: index + 1, last: after < 0 ? lines.length : index + 1 + after }];
  });
}
