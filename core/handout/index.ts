import type { HouseRules } from '../course/house-rules';
import type { FindingCode } from '../findings/finding';
import type { Exercise } from '../formats/exercise';
import { numberQuestions } from '../generated/questions';
import type { Grammars } from '../program';
import type { Handout, HandoutForm } from './document';
import { handoutOf } from './handout';
import { troublesOf } from './troubles';

/** What an author or a class decides of a handout. */
export interface HandoutWish {
  readonly form: HandoutForm;
  readonly rules: HouseRules;
  /** The course and the place of the exercise in it: `The working harbour, exercise 3`. */
  readonly place: string;
  /** What the class has run into, the most frequent first. */
  readonly seen?: readonly FindingCode[];
  /** Where the exercise is opened at a bench. */
  readonly address?: string | undefined;
}

/** Troubles that are told to who teaches; a learner gets the picture of one. */
const MOST_TROUBLES = 6;

/** The handout of an exercise, with everything that is worked out for it. */
export function makeHandout(
  exercise: Exercise,
  { seen = [], address, ...wish }: HandoutWish,
  grammars: Grammars,
): Handout {
  return handoutOf(
    exercise,
    {
      ...wish,
      questions: numberQuestions(exercise, grammars),
      troubles: troublesOf(exercise, seen, grammars, wish.form === 'instructor' ? MOST_TROUBLES : 1),
      ...(address === undefined ? {} : { address }),
    },
    grammars,
  );
}
