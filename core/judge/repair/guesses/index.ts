import type { Language } from '../../../program';
import { otherNames } from '../alike-names';
import { LONGEST } from '../token-places';
import { ofAsTheExerciseAsks } from './as-the-exercise-asks';
import { ofAverages } from './averages';
import { ofBlockEnds } from './block-ends';
import {
  callsAlone,
  namesKnown,
  ofDeclaredOtherwise,
  parametersDeclared,
  pinsDeclared,
  typesReturned,
  valuesLeftOut,
} from './declared-otherwise';
import { membersMended, ofCppClasses } from './cpp-classes';
import { ofEarlyEnds } from './early-ends';
import { entriesMeant, ofEntriesOfRows } from './entries-of-rows';
import { ofFieldsAndRows } from './fields-and-rows';
import { formOf } from './form';
import { ofFormulaParts } from './formula-parts';
import { ofFormulas } from './formulas';
import { type Guess, type Lacking, type Rule, written } from './guess';
import { ofInTheirPlace, valuesForReadings } from './in-their-place';
import { statementsLeftOut } from './left-out';
import { ofListsAndPlaces } from './lists-and-places';
import { listsAsOne, ofListPlaces } from './list-places';
import { ofLines, otherOrders, removedLines } from './lines';
import { ofMissing } from './missing';
import { ofModuleCalls } from './module-calls';
import { countersSetBack, flagsToo, ofNeverChanged } from './never-changed';
import { ofIdleNames } from './idle-names';
import { ofIdleOutputs } from './idle-outputs';
import { limitsAndMaps, ofLimits } from './limits';
import { ofNeverSwitched } from './never-switched';
import { ofNextOnes } from './next-ones';
import { limitsIn, otherNumbers } from './numbers';
import { mapsAsAsked, ofAsElsewhere } from './as-elsewhere';
import { ofShifts } from './shifts';
import { ofOperands, operandsExchanged } from './operands';
import { ofOverruled } from './overruled';
import { ofShadowed } from './shadowed';
import { argumentsGiven, functionsGiven, ofOwnFunctions } from './own-functions';
import { ofReadTwice } from './read-twice';
import { ofFlagsSetBack } from './flags-set-back';
import { ofIdleTakings } from './idle-takings';
import { ofMovedIntoLoops } from './moved-into-loops';
import { ofPinsListed } from './pins-listed';
import { ofPythonBlocks } from './python-blocks';
import { ofPythonCalls } from './python-calls';
import { ofPythonClasses, selfTaken } from './python-classes';
import { ofRangesOfReadings } from './ranges-of-readings';
import { ofReturns } from './returns';
import { ofReturnsLeftOut } from './returns-left-out';
import { ofRounds } from './rounds';
import { ofPythonForms } from './python-forms';
import { ofPythonErrors } from './python-errors';
import { ofPythonValues } from './python-values';
import { elsesInOrder, labelsRenamed, ofSwitches } from './switches';
import { ofTexts } from './texts';
import { ofSameAgain } from './same-again';
import { ofSiblings } from './siblings';
import { ofSignsTurned } from './signs-turned';
import { ofSounds } from './sounds';
import { ofTimers } from './timers';
import { ofTurnedRound, printsScaled } from './turned-round';
import { ofUncalledValues } from './uncalled-values';
import { valuesAdded } from './values-lacking';
import { exchangedValues, ofWords, otherWords } from './words';

/** What something in a program speaks for, by subject. */
const SPOKEN_FOR: readonly Rule[] = [
  ...ofWords,
  ...ofEarlyEnds,
  ...ofPythonForms,
  ...ofPythonErrors,
  ...ofPythonCalls,
  ...ofPythonClasses,
  ...ofRangesOfReadings,
  ...ofReturns,
  ...ofReturnsLeftOut,
  ...ofRounds,
  ...ofPinsListed,
  ...ofSounds,
  ...ofCppClasses,
  ...ofLimits,
  ...ofNextOnes,
  ...ofIdleNames,
  ...ofFormulaParts,
  ...ofAverages,
  ...ofPythonBlocks,
  ...ofIdleTakings,
  ...ofMovedIntoLoops,
  ...ofSameAgain,
  ...ofUncalledValues,
  ...ofListsAndPlaces,
  ...ofTimers,
  ...ofTurnedRound,
  ...ofInTheirPlace,
  ...ofFieldsAndRows,
  ...ofEntriesOfRows,
  ...ofShifts,
  ...ofSignsTurned,
  ...ofAsElsewhere,
  ...ofOverruled,
  ...ofSiblings,
  ...ofFormulas,
  ...ofShadowed,
  ...ofOperands,
  ...ofOwnFunctions,
  ...ofPythonValues,
  ...ofModuleCalls,
  ...ofTexts,
  ...ofNeverChanged,
  ...ofFlagsSetBack,
  ...ofListPlaces,
  ...ofReadTwice,
  ...ofIdleOutputs,
  ...ofNeverSwitched,
  ...ofAsTheExerciseAsks,
  ...ofBlockEnds,
  ...ofSwitches,
  ...ofLines,
  ...ofDeclaredOtherwise,
  ...ofMissing,
];

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
    ...otherOrders(form),
    ...operandsExchanged(form),
    ...valuesForReadings(form),
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
  const idleNames = otherNames(source, language)
    .filter(({ isIdle }) => isIdle)
    .map(({ token, by }) => written(token, by, IDLE_NAME));
  return [...idleNames, ...SPOKEN_FOR.flatMap((rule) => rule(form, wanted, lacking))];
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
    ...(language === 'cpp' ? [...typesReturned(form), ...callsAlone(form), ...entriesMeant(form)] : []),
    ...(language === 'cpp' ? limitsAndMaps(form, formOf(asked, language)) : []),
    ...mapsAsAsked(form, formOf(asked, language)),
    ...valuesLeftOut(form, linesOfTooMany),
    ...valuesAdded(form, lines, formOf(asked, language)),
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
        ...(language === 'cpp' ? pinsDeclared(form, unknown, pins) : selfTaken(form)),
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

/** What may be meant where a compiler refuses what is done with objects of a program's own classes, in C++. */
export function membersAt(source: string): readonly Guess[] {
  const form = formOf(source, 'cpp');
  return form.tokens.length > LONGEST ? [] : membersMended(form);
}

export type { Guess, Lacking, Told } from './guess';
