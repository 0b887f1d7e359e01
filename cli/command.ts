/** Where a command writes, and the folder that its paths start from. */
export interface Terminal {
  readonly out: (text: string | Uint8Array) => void;
  readonly error: (text: string) => void;
  readonly folder: string;
  /** The file that starts this command line again, to work on the other cores as well; none in a test. */
  readonly program?: string;
}

/** 0 done, 1 checked and not passed, 2 unusable input. */
export type ExitCode = 0 | 1 | 2;

export type Command = (words: readonly string[], terminal: Terminal) => Promise<ExitCode>;

/** The word with which this program is started to judge for another one, see `submissions.ts`. */
export const HELPS = '--judge-for-another';
