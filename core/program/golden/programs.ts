/** A small program whose printed lines are known from a real compiler or interpreter. */
export interface GoldenProgram {
  /** `topic: what it shows`. */
  readonly name: string;
  readonly source: string;
}

/** What the real compiler's or interpreter's programs printed, and how that was made. */
export interface GoldenResults {
  readonly madeWith: string;
  readonly printed: Readonly<Record<string, readonly string[]>>;
}

/** Reads the programs of `python.txt` or `timed.txt`, each as it stands. */
export const readWholePrograms = (text: string): readonly GoldenProgram[] =>
  text
    .split(/^=== /m)
    .slice(1)
    .map((entry) => {
      const end = entry.indexOf('\n');
      return { name: entry.slice(0, end), source: `${entry.slice(end + 1).trimEnd()}\n` };
    });

/** Reads the programs of `programs.txt`: each a part outside of functions and a body of set-up. */
export function readGoldenPrograms(text: string): readonly GoldenProgram[] {
  return text
    .split(/^=== /m)
    .slice(1)
    .map((entry) => {
      const end = entry.indexOf('\n');
      const [outside = '', body = ''] = entry.slice(end + 1).split(/^---\n/m);
      const lines = body
        .trimEnd()
        .split('\n')
        .map((line) => `  ${line}`);
      return {
        name: entry.slice(0, end),
        source: `${outside}\nvoid setup() {\n  Serial.begin(9600);\n${lines.join('\n')}\n}\n\nvoid loop() {\n}\n`,
      };
    });
}
