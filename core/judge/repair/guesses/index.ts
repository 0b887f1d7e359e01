import type { Language } from '../../../program';
import { otherNames } from '../alike-names';
import { LONGEST } from '../token-places';
import {
  echoesHalved,
  limitsOfElse,
  ratesAsAsked,
  termsMissing,
  tonesBegun,
  typesWidened,
} from './as-the-exercise-asks';
import { blocksEndedElsewhere } from './block-ends';
import { formOf } from './form';
import { written, type Guess } from './guess';
import { statementsLeftOut } from './left-out';
import {
  entriesExchanged,
  entriesShown,
  entriesTurned,
  listsAsOne,
  pinsWritten,
  placesCounted,
  placesGiven,
} from './list-places';
import { exchangedLines, removedLines } from './lines';
import { silentOutputs, statementsMissing, type Lacking } from './missing';
import { moduleCallsMissing } from './module-calls';
import {
  addedTo,
  begunEachRound,
  countedDown,
  countedRound,
  countersAsked,
  countersSetBack,
  flagsBeside,
  flagsToo,
  outputsChanged,
  readingsLeftOut,
} from './never-changed';
import { idleOutputsWritten } from './idle-outputs';
import { limitsIn, otherNumbers } from './numbers';
import {
  argumentsGiven,
  callsLeftOut,
  functionsCalled,
  givenPinsWritten,
  othersCalled,
  parametersUsed,
} from './own-functions';
import { readOnceOnly } from './read-twice';
import { rangesOfNumbers, valuesOfObjects } from './python-values';
import {
  casesCompleted,
  casesInOrder,
  elsesInOrder,
  emptyCasesFilled,
  labelsMissing,
  labelsRenamed,
} from './switches';
import {
  greetingsLeftOut,
  otherAnswersPrinted,
  othersPrinted,
  serialBegunFirst,
  textsAsAsked,
  textsPrintedToo,
  textsSpaced,
  valuesPrinted,
} from './texts';
import { momentsTakenOff, timersBegun } from './timers';
import {
  flagsToggled,
  levelsTurned,
  numbersExchanged,
  printsScaled,
  questionsRepeated,
} from './turned-round';
import { callsOfOtherSort, countsTheOtherWay, exchangedValues, loopsThatRun, otherWords } from './words';

const OTHER_NAME = 1.865;
/** The same for one that the program gives and does nothing with. */
const IDLE_NAME = 1.62;

/**
 * Changes of a program of one’s own form that nothing speaks for but that they may be what was meant: another function,
 * sign or number, lines in another order, one too many, one left out. The likeliest first. `asked`: the exercise's own program.
 */
export function guessesAt(
  source: string,
  language: Language,
  asked: string,
  lacking: Lacking,
): readonly Guess[] {
  const form = formOf(source, language);
  if (form.tokens.length > LONGEST) return [];
  return [
    ...otherWords(form),
    ...otherNames(source, language)
      .filter(({ isIdle }) => !isIdle)
      .map(({ token, by }) => written(token, by, OTHER_NAME)),
    ...exchangedValues(form),
    ...otherNumbers(form, limitsIn(formOf(asked, language))),
    ...flagsToo(form),
    ...countersSetBack(form),
    ...printsScaled(form),
    ...statementsLeftOut(form, lacking),
    ...exchangedLines(form),
    ...removedLines(form),
  ].sort((a, b) => a.cost - b.cost);
}

/**
 * What is missing or turned round by what the program itself says, or by what only the exercise's own program, `asked`,
 * reckons with and asks.
 */
export function spokenForAt(
  source: string,
  language: Language,
  asked: string,
  lacking: Lacking,
): readonly Guess[] {
  const form = formOf(source, language);
  if (form.tokens.length > LONGEST) return [];
  const wanted = formOf(asked, language);
  return [
    ...countsTheOtherWay(form),
    ...loopsThatRun(form),
    ...otherNames(source, language)
      .filter(({ isIdle }) => isIdle)
      .map(({ token, by }) => written(token, by, IDLE_NAME)),
    ...callsOfOtherSort(form),
    ...functionsCalled(form, wanted),
    ...valuesOfObjects(form),
    ...rangesOfNumbers(form),
    ...timersBegun(form),
    ...momentsTakenOff(form),
    ...moduleCallsMissing(form, wanted),
    ...textsAsAsked(form, wanted),
    ...flagsToggled(form),
    ...questionsRepeated(form),
    ...begunEachRound(form),
    ...readingsLeftOut(form),
    ...(language === 'python' ? outputsChanged(form, silentOutputs(form)) : []),
    ...countersAsked(form),
    ...addedTo(form),
    ...countedDown(form),
    ...countedRound(form),
    ...parametersUsed(form),
    ...othersCalled(form),
    ...placesCounted(form),
    ...placesGiven(form),
    ...entriesTurned(form),
    ...entriesShown(form),
    ...entriesExchanged(form),
    ...readOnceOnly(form),
    ...pinsWritten(form),
    ...idleOutputsWritten(form),
    ...textsSpaced(form),
    ...serialBegunFirst(form),
    ...valuesPrinted(form),
    ...givenPinsWritten(form),
    ...callsLeftOut(form, wanted),
    ...tonesBegun(form, wanted),
    ...greetingsLeftOut(form, wanted),
    ...otherAnswersPrinted(form, wanted),
    ...textsPrintedToo(form, wanted),
    ...othersPrinted(form),
    ...blocksEndedElsewhere(form),
    ...casesInOrder(form),
    ...labelsMissing(form, wanted),
    ...emptyCasesFilled(form),
    ...casesCompleted(form, wanted),
    ...flagsBeside(form),
    ...levelsTurned(form),
    ...numbersExchanged(form),
    ...typesWidened(form),
    ...ratesAsAsked(form, wanted),
    ...echoesHalved(form),
    ...termsMissing(form, wanted),
    ...limitsOfElse(form, wanted),
    ...statementsMissing(form, lacking),
  ];
}

/** What is given to a call that is given the wrong thing, or nothing, so that a program does not compile. */
export function givenAt(source: string, language: Language): readonly Guess[] {
  const form = formOf(source, language);
  return form.tokens.length > LONGEST ? [] : [...listsAsOne(form), ...argumentsGiven(form)];
}

/**
 * What may be meant where a program does not compile since an `else` has no `if` before it, or since a switch has two cases
 * for one value. `asked`: the exercise's own program.
 */
export function misplacedAt(source: string, language: Language, asked: string): readonly Guess[] {
  const form = formOf(source, language);
  return form.tokens.length > LONGEST
    ? []
    : [...elsesInOrder(form), ...labelsRenamed(form, formOf(asked, language))];
}

export type { Guess } from './guess';
export type { Lacking } from './missing';
