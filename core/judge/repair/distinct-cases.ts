import type { TextEdit } from '../../findings/finding';

/** A number that is given to the name of a case, so that no two are the same. */
export interface OtherNumber {
  readonly edit: TextEdit;
  readonly text: string;
}

/** Where a name is given its number: `#define FULL 1`, `FULL = 1`. */
const givenTo = (name: string): RegExp => new RegExp(`(#define\\s+${name}\\s+|\\b${name}\\s*=\\s*)(\\d+)\\b`);

/** The name of a case in this line with the smallest number that no case of the program has. */
export function otherNumber(source: string, line: number): OtherNumber | undefined {
  const lines = source.split('\n');
  const name = /\bcase\s+([A-Za-z_]\w*)\s*:/.exec(lines[line - 1] ?? '')?.[1];
  const at = name === undefined ? -1 : lines.findIndex((text) => givenTo(name).test(text));
  if (name === undefined || at < 0) return undefined;
  const [, before, number] = givenTo(name).exec(lines[at]!)!;
  const labels = [...source.matchAll(/\bcase\s+(\w+)\s*:/g)].map(([, label]) => label!);
  const taken = new Set(labels.map((label) => Number(givenTo(label).exec(source)?.[2] ?? label)));
  const free = Array.from({ length: taken.size + 1 }, (_, index) => index).find((one) => !taken.has(one))!;
  const column = givenTo(name).exec(lines[at]!)!.index + before!.length + 1;
  return {
    edit: { line: at + 1, column, length: number!.length, by: String(free) },
    text: `Write ${free} instead of ${number} in line ${at + 1}.`,
  };
}
