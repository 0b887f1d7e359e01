import type { HouseRules } from '../course/house-rules';
import type { FindingCode } from '../findings/finding';
import type { ConceptCard } from '../course/concepts';
import { solvedByAuthor, type Exercise } from '../formats/exercise';
import { referenceBuild } from '../judge/build';
import { check } from '../judge/check';
import { numberQuestions } from '../generated/questions';
import type { Grammars } from '../program';

import type { Handout, HandoutForm, Photo } from './document';
import { handoutOf, type HandoutOptions } from './handout';
import { sectionsInWords } from './in-words';
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
  readonly before?: Exercise | undefined;
  readonly cards?: readonly ConceptCard[] | undefined;
  readonly extras?: HandoutOptions['extras'] | undefined;
  readonly calibrated?: ReadonlyMap<string, number> | undefined;
  readonly photos?: ReadonlyMap<string, Photo> | undefined;
}

/** Troubles that are told to who teaches; a learner gets the picture of one. */
const MOST_TROUBLES = 6;

/** The handout of an exercise, with everything that is worked out for it. */
export function makeHandout(exercise: Exercise, wish: HandoutWish, grammars: Grammars): Handout {
  const { form, seen = [] } = wish;
  const most = { student: 1, instructor: MOST_TROUBLES, projector: 0 }[form];
  return put(
    exercise,
    wish,
    {
      questions: numberQuestions(exercise, grammars),
      troubles: troublesOf(exercise, seen, grammars, most),
      ...(form === 'instructor'
        ? { report: check(solvedByAuthor(exercise), referenceBuild(exercise, grammars), grammars) }
        : {}),
    },
    grammars,
  );
}

/** The handout of an exercise without what has to be tried for it: no questions, no troubles, no report. */
export const sketchHandout = (exercise: Exercise, wish: HandoutWish, grammars: Grammars): Handout =>
  put(exercise, wish, { questions: [], troubles: { usual: [], commonest: undefined } }, grammars);

function put(
  exercise: Exercise,
  { address, before, cards, extras, calibrated, photos, ...wish }: HandoutWish,
  tried: Pick<HandoutOptions, 'questions' | 'troubles' | 'report'>,
  grammars: Grammars,
): Handout {
  const { sections, ...handout } = handoutOf(
    exercise,
    {
      ...wish,
      ...tried,
      ...(address === undefined ? {} : { address }),
      ...(before === undefined ? {} : { before }),
      ...(cards === undefined ? {} : { cards }),
      ...(extras === undefined ? {} : { extras }),
      ...(calibrated === undefined ? {} : { calibrated }),
      ...(photos === undefined ? {} : { photos }),
    },
    grammars,
  );
  return { ...handout, sections: sectionsInWords(sections, wish.rules.words) };
}
