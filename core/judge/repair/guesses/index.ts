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
import {
  callsAlone,
  namesKnown,
  parametersDeclared,
  pinsDeclared,
  smallTypesWidened,
  typesReturned,
  valuesAdded,
  valuesLeftOut,
} from './declared-otherwise';
import { earlyEndsLeftOut } from './early-ends';
import { clocksAlike, otherFields, rowsExchanged, sidesExchanged } from './fields-and-rows';
import { formOf } from './form';
import {
  countedTruths,
  fractionsReturned,
  parenthesesPut,
  resultsKept,
  turnedOver,
  unitsAsAsked,
  waysHalved,
} from './formulas';
import { written, type Guess } from './guess';
import {
  attachedWritten,
  idleInstead,
  idleAskedToo,
  placesLookedUp,
  tonesSounded,
  valuesForPins,
  valuesForReadings,
} from './in-their-place';
import { statementsLeftOut } from './left-out';
import { placesExchanged, placesWrapped } from './lists-and-places';
import {
  entriesExchanged,
  entriesShown,
  entriesTurned,
  listsAsOne,
  pinsWritten,
  placesCounted,
  placesGiven,
} from './list-places';
import { exchangedLines, movedLines, removedLines } from './lines';
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
import { limitsIn, numbersIn, otherNumbers } from './numbers';
import { mapsAsAsked, pinsSetUpInRounds, sentAsAsked } from './as-elsewhere';
import { shiftedTypes, shiftsAsAsked, shiftsOver, shiftsWrapped } from './shifts';
import { bitsAsked, dividedLast, oneBitLeft, operandsExchanged } from './operands';
import { elsePut, overruledElse, overruledInside } from './overruled';
import { shadowsLeftOut } from './shadowed';
import {
  argumentsGiven,
  callsLeftOut,
  callsRepeated,
  functionsCalled,
  functionsGiven,
  givenBesides,
  idleWrapped,
  givenPinsWritten,
  othersCalled,
  parametersUsed,
} from './own-functions';
import { readOnceOnly } from './read-twice';
import {
  eachOfLoop,
  foreignAttributes,
  givenForLists,
  lastReturns,
  objectsKept,
  pinsInQuotes,
  pinsOfOtherSort,
  printsReturned,
  roundsOfLists,
  secondAsked,
  namedAsAsked,
  textsAsNumbers,
  valuesSet,
  valuesUncalled,
} from './python-forms';
import {
  attributesKnown,
  pinsDimmed,
  readingsWorked,
  valuesMatched,
  wholeNumbersMade,
  workedOutReturned,
} from './python-errors';
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
import {
  blocksMovedOut,
  doneAsBeside,
  doneAtTheStart,
  givenAsElsewhere,
  keptFromGiven,
  loopsAskedOnce,
  questionsAskedOver,
  questionsExchanged,
  rememberedLast,
} from './siblings';
import { momentsTakenOff, timersBegun } from './timers';
import {
  flagsToggled,
  levelsTurned,
  limitsExchanged,
  numbersExchanged,
  rememberedOtherwise,
  printsScaled,
  questionsRepeated,
} from './turned-round';
import {
  callsOfOtherSort,
  countedBothWays,
  countsTheOtherWay,
  exchangedValues,
  inputsForOutputs,
  loopsThatRun,
  modesLeftOut,
  otherWords,
  printedOnOthers,
} from './words';

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
    ...[...exchangedLines(form), ...movedLines(form)].filter(({ cost }) => cost >= OTHER_NAME),
    ...operandsExchanged(form).filter(({ told }) => !told),
    ...valuesForReadings(form).filter(({ cost }) => cost > OTHER_NAME),
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
    ...earlyEndsLeftOut(form),
    ...roundsOfLists(form),
    ...objectsKept(form),
    ...valuesUncalled(form),
    ...valuesSet(form),
    ...attributesKnown(form),
    ...pinsDimmed(form),
    ...wholeNumbersMade(form),
    ...workedOutReturned(form),
    ...valuesMatched(form),
    ...readingsWorked(form),
    ...foreignAttributes(form),
    ...pinsInQuotes(form),
    ...eachOfLoop(form),
    ...givenForLists(form),
    ...namedAsAsked(form, wanted),
    ...secondAsked(form),
    ...printsReturned(form),
    ...placesWrapped(form),
    ...clocksAlike(form),
    ...sidesExchanged(form),
    ...idleInstead(form),
    ...otherFields(form),
    ...rowsExchanged(form),
    ...shiftsWrapped(form),
    ...shiftsAsAsked(form, wanted),
    ...shiftsOver(form),
    ...shiftedTypes(form),
    ...mapsAsAsked(form, wanted),
    ...elsePut(form),
    ...pinsSetUpInRounds(form),
    ...sentAsAsked(form, wanted),
    ...loopsAskedOnce(form),
    ...questionsAskedOver(form),
    ...keptFromGiven(form),
    ...givenAsElsewhere(form),
    ...doneAsBeside(form),
    ...rememberedLast(form),
    ...blocksMovedOut(form),
    ...doneAtTheStart(form),
    ...countedBothWays(form, wanted),
    ...printedOnOthers(form),
    ...lastReturns(form),
    ...pinsOfOtherSort(form),
    ...textsAsNumbers(form),
    ...fractionsReturned(form),
    ...countedTruths(form),
    ...resultsKept(form),
    ...parenthesesPut(form),
    ...placesExchanged(form),
    ...turnedOver(form),
    ...unitsAsAsked(form, wanted),
    ...waysHalved(form),
    ...modesLeftOut(form),
    ...inputsForOutputs(form),
    ...attachedWritten(form),
    ...shadowsLeftOut(form),
    ...bitsAsked(form),
    ...oneBitLeft(form),
    ...operandsExchanged(form).filter(({ told }) => told),
    ...dividedLast(form),
    ...overruledElse(form),
    ...overruledInside(form),
    ...placesLookedUp(form),
    ...tonesSounded(form, wanted),
    ...idleAskedToo(form),
    ...valuesForReadings(form).filter(({ cost }) => cost < OTHER_NAME),
    ...valuesForPins(form),
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
    ...givenBesides(form),
    ...callsRepeated(form),
    ...idleWrapped(form),
    ...questionsExchanged(form),
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
    ...limitsExchanged(form),
    ...rememberedOtherwise(form),
    ...[...exchangedLines(form), ...movedLines(form)].filter(({ cost }) => cost < OTHER_NAME),
    ...typesWidened(form),
    ...smallTypesWidened(form),
    ...ratesAsAsked(form, wanted),
    ...echoesHalved(form),
    ...termsMissing(form, wanted),
    ...limitsOfElse(form, wanted),
    ...statementsMissing(form, lacking),
  ];
}

/**
 * What is given to a call that is given the wrong thing, too much or nothing, so that a program does not compile. `lines`: where
 * that is said, `linesOfTooMany`: where it is too much; `asked`: the exercise's own program.
 */
export function givenAt(
  source: string,
  language: Language,
  asked: string,
  lines: readonly number[],
  linesOfTooMany: readonly number[],
): readonly Guess[] {
  const form = formOf(source, language);
  if (form.tokens.length > LONGEST) return [];
  return [
    ...listsAsOne(form),
    ...argumentsGiven(form),
    ...functionsGiven(form, lines),
    ...(language === 'cpp' ? [...typesReturned(form), ...callsAlone(form)] : []),
    ...mapsAsAsked(form, formOf(asked, language)),
    ...valuesLeftOut(form, linesOfTooMany),
    ...valuesAdded(form, lines, numbersIn(formOf(asked, language))),
  ];
}

/**
 * Declarations of what a program uses and nothing declares: what a function takes, and pins that are wired and that it does not
 * name. `unknown`: the names, `pins`: those pins.
 */
export function declaredAt(
  source: string,
  language: Language,
  unknown: readonly string[],
  pins: readonly string[],
): readonly Guess[] {
  const form = formOf(source, language);
  return form.tokens.length > LONGEST
    ? []
    : [
        ...(language === 'cpp' ? pinsDeclared(form, unknown, pins) : []),
        ...parametersDeclared(form, unknown),
        ...namesKnown(form, unknown),
      ];
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

export type { Guess, Told } from './guess';
export type { Lacking } from './missing';
