import type { TextEdit } from '../../findings/finding';
import type { Language } from '../../program';

/** A short pause behind a line, in which a contact comes to rest. */
export interface PauseForBounces {
  readonly edit: TextEdit;
  readonly line: number;
  readonly call: string;
}

/** Lines behind the one that looks at the button in which what it does may stand. */
const LINES_BEHIND = 8;
/** A pause in which every contact has come to rest, in the units of the languages. */
const PAUSES = { cpp: 'delay(20);', python: 'time.sleep(0.02)' } as const;

/** Pauses behind the line that takes bounces for presses, and behind each of those that follow it. */
export function pausesForBounces(
  source: string,
  language: Language,
  bouncing: number,
): readonly PauseForBounces[] {
  const isPython = language === 'python';
  if (isPython && !/^import\b.*\btime\b/m.test(source)) return [];
  const call = PAUSES[language];
  return source
    .split('\n')
    .slice(bouncing - 1, bouncing + LINES_BEHIND)
    .flatMap((text, index): readonly PauseForBounces[] => {
      const code = text.replace(isPython ? /#.*$/ : /\/\/.*$/, '').trimEnd();
      const isStatement = isPython ? /^\s+[^\s#].*[^:]$/.test(code) : code.endsWith(';');
      if (!isStatement || /^\s*(?:return|break|continue|pass)\b/.test(code)) return [];
      const line = bouncing + index;
      const inset = /^\s*/.exec(text)![0];
      return [{ edit: { line, column: text.length + 1, length: 0, by: `\n${inset}${call}` }, line, call }];
    });
}
