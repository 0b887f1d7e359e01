/** Which sort of word of a language something is. */
export type WordSort = 'function' | 'constant' | 'type' | 'keyword' | 'module' | 'own';

/** A word of a language as a beginner looks it up. */
export interface Word {
  readonly name: string;
  readonly sort: WordSort;
  /** How it is written: `digitalWrite(pin, level)`. */
  readonly form: string;
  /** What it does, in one sentence. */
  readonly says: string;
}

/** Words of one sort, each with its form behind the name and its sentence: `['delay', '(ms)', 'Waits …']`. */
export type WordTable = readonly (readonly [name: string, form: string, says: string])[];

export const wordsOfSort = (sort: WordSort, table: WordTable): readonly Word[] =>
  table.map(([name, form, says]) => ({ name, sort, form: `${name.split('.').at(-1)!}${form}`, says }));
