import type { Edit, Observation, TextEdit } from '../../findings/finding';
import { tokenize } from '../../program/cpp/tokens';
import type { Language } from '../../program';
import { closing } from './token-places';

/** A wait at the end of what a press does, until the button is let go. */
export interface WaitForRelease {
  readonly edit: TextEdit;
  /** The line behind which it stands, and its own words. */
  readonly line: number;
  readonly shown: string;
}

/** Whether a question looks at the button itself: one about a variable would be answered the same way for ever. */
const LOOKS = { cpp: /\bdigitalRead\s*\(/, python: /\.value\b/ } as const;

/**
 * The waits for the release of a button that a question in this line asks for: one that asks now and then, and one before
 * and behind which a contact may bounce. None where none can be put in.
 */
export const waitsForRelease = (
  source: string,
  language: Language,
  line: number,
): readonly WaitForRelease[] =>
  [false, true].flatMap(
    (isSteady) => (language === 'python' ? inPython : inCpp)(source, line, isSteady) ?? [],
  );

/** Lines that look at a button and print, at every turn for as long as it is held. */
export const printsWhileHeld = (source: string, language: Language): readonly number[] => {
  const lines = source.split('\n');
  const asks = language === 'python' ? /^\s*if\b.*\.value\b.*:/ : /\bif\s*\(.*\bdigitalRead\s*\(/;
  return lines.flatMap((text, index) => {
    if (!asks.test(text)) return [];
    const inset = /^\s*/.exec(text)![0].length;
    const rest = lines.slice(index + 1);
    const after = rest.findIndex((line) => line.trim() !== '' && /^\s*/.exec(line)![0].length <= inset);
    const block = [text, ...(after < 0 ? rest : rest.slice(0, after))].join('\n');
    return /\bprint(?:ln)?\s*\(/.test(block) ? [index + 1] : [];
  });
};

/** What was seen of a build that prints for as long as a button is held, where a repair waits for its release. */
export function ofPrintedWhileHeld(
  seen: Observation | undefined,
  edits: readonly Edit[],
  source: string,
): Observation | undefined {
  const [edit, more] = edits;
  const by = edit && !more && 'replace' in edit ? edit.replace.by : '';
  const waits = /^\s*(?:delay\(20\); |time\.sleep\(0\.02\)\s*)?while\b/.test(by);
  const language = /\bdigitalRead\s*\(/.test(by) ? 'cpp' : 'python';
  const line =
    seen && waits && edit && 'replace' in edit
      ? printsWhileHeld(source, language).findLast((one) => one <= edit.replace.line)
      : undefined;
  if (!seen || line === undefined) return undefined;
  return {
    ...seen,
    code: 'repeats-while-held',
    line,
    column: 1,
    message: `${seen.message} While the button is held, line ${line} is true every time round ${language === 'cpp' ? 'loop' : 'the loop'}, not once per press.`,
    hints: [
      'How often does the loop go round while a finger is on the button?',
      `Line ${line} asks whether the button is down now, not whether it has just gone down.`,
      `Wait at the end of what line ${line} does until the button is let go.`,
    ],
  };
}

function inCpp(source: string, line: number, isSteady: boolean): WaitForRelease | undefined {
  const { tokens } = tokenize(source);
  const asks = tokens.findIndex((token) => token.line === line && token.text === 'if');
  const close = asks < 0 ? undefined : closing(tokens, asks + 1, '(', ')');
  if (close === undefined || tokens[close + 1]?.text !== '{') return undefined;
  const end = closing(tokens, close + 1, '{', '}');
  const brace = end === undefined ? undefined : tokens[end];
  const [open, shut] = [tokens[asks + 1]!, tokens[close]!];
  const lines = source.split('\n');
  const asked = open.line === shut.line ? lines[open.line - 1]!.slice(open.column, shut.column - 1) : '';
  if (!brace || !LOOKS.cpp.test(asked)) return undefined;
  const wait = `while (${asked.trim()})`;
  const shown = isSteady ? `delay(20); ${wait} {} delay(20);` : `${wait} delay(20);`;
  const before = lines[brace.line - 1]!.slice(0, brace.column - 1);
  const place = { line: brace.line, column: brace.column, length: 0 };
  return before.trim() === ''
    ? { edit: { ...place, by: `  ${shown}\n${before}` }, line: brace.line - 1, shown }
    : { edit: { ...place, by: `${shown} ` }, line: brace.line, shown };
}

function inPython(source: string, line: number, isSteady: boolean): WaitForRelease | undefined {
  const lines = source.split('\n');
  const [, inset, asked] = /^(\s*)if\s+(.*?)\s*:\s*(?:#.*)?$/.exec(lines[line - 1] ?? '') ?? [];
  if (inset === undefined || asked === undefined || !LOOKS.python.test(asked)) return undefined;
  if (!/^import\b.*\btime\b/m.test(source)) return undefined;
  const rest = lines.slice(line);
  const after = rest.findIndex((text) => text.trim() !== '' && /^\s*/.exec(text)![0].length <= inset.length);
  const body = after < 0 ? rest : rest.slice(0, after);
  const last = body.findLastIndex((text) => text.trim() !== '');
  const own = /^\s*/.exec(body[0] ?? '')![0];
  if (last < 0) return undefined;
  const wait = `while ${asked}:`;
  const pause = 'time.sleep(0.02)';
  const written = isSteady ? [pause, `${wait} pass`, pause] : [`${wait} ${pause}`];
  const at = line + last + 1;
  return {
    edit: {
      line: at,
      column: lines[at - 1]!.length + 1,
      length: 0,
      by: written.map((one) => `\n${own}${one}`).join(''),
    },
    line: at,
    shown: written.join(', '),
  };
}
