import type { TextEdit } from '../../../findings/finding';
import type { Token } from '../../../program/token';
import type { Block, Form, Statement } from './form';

/** What the form of a program says of why it does not do what is meant, and what a learner may ask. */
export interface Told {
  readonly why: string;
  readonly ask: string;
}

/** A change that nothing in a program or its exercise speaks for; it counts only where all that it does is what is meant. */
export interface Guess {
  /** From the end, so that the places before stay what they are. */
  readonly edits: readonly TextEdit[];
  readonly text: string;
  /** How much a person has to do. */
  readonly cost: number;
  readonly told?: Told;
  /** Whether a program that does not compile does so with others like it too. */
  readonly isOneOfMany?: true;
}

/** What a program may lack, from the build. */
export interface Lacking {
  /** Pins of parts that are seen or heard and that no line sets, as the program calls them. */
  readonly unset: readonly string[];
  /** Times in milliseconds that may be meant. */
  readonly milliseconds: readonly number[];
}

/**
 * Finds changes in the form of a program. `asked`: the form of the exercise's own program, with what that has and this one
 * lacks; most rules need neither.
 */
export type Rule = (form: Form, asked: Form, lacking: Lacking) => readonly Guess[];

/** Rules that look at programs in C++ only. */
export const inCpp = (rules: readonly Rule[]): readonly Rule[] =>
  rules.map(
    (rule): Rule =>
      (form, asked, lacking) =>
        form.language === 'cpp' ? rule(form, asked, lacking) : [],
  );

/** A statement put in behind another one, or at the beginning of a block. */
export function putIn(form: Form, at: Statement | Block, statement: string, cost: number): Guess {
  const after = 'first' in at ? at.last : at.opens!;
  const space = 'first' in at ? ' '.repeat(at.first.column - 1) : at.space;
  return {
    edits: [
      {
        line: after.line,
        column: after.endColumn,
        length: 0,
        by: form.language === 'python' ? `\n${space}${statement}` : ` ${statement}`,
      },
    ],
    text: `Add ${statement} after line ${after.line}.`,
    cost,
  };
}

/** A token written otherwise. */
export const written = (token: Token, by: string, cost: number): Guess => ({
  edits: [{ line: token.line, column: token.column, length: token.text.length, by }],
  text: `Write ${by} instead of ${token.text} in line ${token.line}.`,
  cost,
});
