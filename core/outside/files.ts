import { fail, ok, type Result } from '../result';

/** A file from outside, as it was found. */
export interface FoundFile {
  /** With its folders, parted by `/`. */
  readonly path: string;
  readonly bytes: Uint8Array;
  /** When it was changed last, in milliseconds since 1970, as far as whoever gave it says so. */
  readonly changedAt?: number | undefined;
}

/** A text from outside. */
export interface TextFile {
  readonly path: string;
  readonly text: string;
  readonly changedAt?: number | undefined;
}

/** A file that nothing can be made of, with the reason in a sentence. */
export interface AsideFile {
  readonly path: string;
  readonly why: string;
}

/** What systems leave in folders for themselves. */
const OF_THE_SYSTEM =
  /(^|\/)(__MACOSX\/|\.DS_Store$|Thumbs\.db$|desktop\.ini$|\._|~\$|\.git\/|\.vscode\/|\.idea\/)/i;

/** Whether a file is none of anybody's work. */
export const isOfTheSystem = (path: string): boolean => OF_THE_SYSTEM.test(path);

/** Kinds of files that hold work, but none that can be run, with what to ask for instead. */
const OTHER_KINDS: readonly (readonly [pattern: RegExp, why: string])[] = [
  [/\.(docx?|odt|rtf|pages)$/i, 'A text document. Ask for the program as plain text.'],
  [/\.(xlsx?|ods|numbers)$/i, 'A spreadsheet. Ask for the wiring table as CSV.'],
  [/\.pdf$/i, 'A PDF. Ask for the program or the table itself.'],
  [/\.(png|jpe?g|gif|heic|webp|svg|bmp)$/i, 'A picture. It can’t be checked.'],
  [/\.(mp4|mov|avi|webm|mp3|wav|m4a)$/i, 'A recording. It can’t be checked.'],
  [/\.(zip|rar|7z|tar|gz)$/i, 'An archive inside the archive. Unpack it and bring it in by itself.'],
  [/\.(hex|elf|bin|uf2|o|a|mpy|pyc)$/i, 'A program for the board’s chip. Ask for its source.'],
];

/** The text of a file, in whichever of the usual encodings it is; why it is none. */
export function textOf({ path, bytes, changedAt }: FoundFile): Result<TextFile> {
  const known = OTHER_KINDS.find(([pattern]) => pattern.test(path));
  if (known) return fail({ message: known[1] });
  const text = decoded(bytes);
  return text === undefined
    ? fail({ message: 'It is no text.' })
    : ok({ path, text: text.replace(/\r\n?/g, '\n'), ...(changedAt ? { changedAt } : {}) });
}

function decoded(bytes: Uint8Array): string | undefined {
  const [first, second] = bytes;
  const wide =
    first === 0xff && second === 0xfe
      ? 'utf-16le'
      : first === 0xfe && second === 0xff
        ? 'utf-16be'
        : undefined;
  const text = wide === undefined ? narrow(bytes) : new TextDecoder(wide).decode(bytes);
  // Signs that no text has: what is decoded so was something else.
  return /\p{Cc}/u.test(text.replace(/[\t\n\r\f\v]/g, '')) ? undefined : text.replace(/^\uFEFF/, '');
}

function narrow(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    // What older spreadsheets write.
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
