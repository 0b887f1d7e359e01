/** Where a command writes, and the folder that its paths start from. */
export interface Terminal {
  readonly out: (text: string) => void;
  readonly error: (text: string) => void;
  readonly folder: string;
}

/** 0 done, 1 checked and not passed, 2 unusable input. */
export type ExitCode = 0 | 1 | 2;

export type Command = (words: readonly string[], terminal: Terminal) => Promise<ExitCode>;
