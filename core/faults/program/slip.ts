import { findingCodes, rowOf, type FindingCode } from '../../findings/table';

/** A kind of slip of the keyboard or of the mind. */
export interface ProgramSlip {
  readonly sort: string;
  readonly codes: readonly FindingCode[];
  /** It at every place in a program where it can be made. */
  readonly made: (lines: readonly string[]) => Iterable<Slipped>;
}

export interface Slipped {
  /** The line in which it was made, from 0. */
  readonly index: number;
  /** What that line is now. */
  readonly written: string;
  readonly lines: readonly string[];
}

/** What is seen of a program that does something else than it should. */
export const BEHAVIOUR: readonly FindingCode[] = findingCodes.filter(
  (code) => rowOf(code).domain === 'behaviour' && code !== 'unsteady' && code !== 'bench-disagrees',
);

/** `find` (a global pattern) replaced in a line, one place after the other; never in a comment or an instruction. */
export const replaced = (find: RegExp, by: (found: string) => string): ProgramSlip['made'] =>
  function* (lines) {
    for (const [index, line] of lines.entries()) {
      if (/^\s*(\/\/|#(?!define))/.test(line)) continue;
      const code = line.replace(/\s*\/\/.*$/, '');
      for (const found of code.matchAll(find)) {
        const written = code.slice(0, found.index) + by(found[0]) + code.slice(found.index + found[0].length);
        yield { index, written, lines: lines.with(index, written) };
      }
    }
  };
