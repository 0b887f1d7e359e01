import type { HouseRules } from '../course/house-rules';
import type { FindingCode, Severity } from '../findings/finding';
import { exerciseOf, type Exercise } from '../formats/exercise';
import { cautionsOf, type Caution } from '../plan/cautions';
import { worksheetFigures, type WorksheetFigures } from '../plan/worksheet';
import { problemText } from '../result';
import type { StatedCircuit } from '../statements';
import { settle, type SettledSheet, type Sheet } from './sheet';

/** One thing that is said about the reference itself. */
export interface Remark {
  readonly code: FindingCode;
  readonly severity: Severity;
  readonly title: string;
  readonly message: string;
  readonly refs: readonly string[];
}

/** Everything that the Worksheet shows of a sheet, as plain data. */
export interface ReadOut {
  readonly sheet: Sheet;
  readonly layoutProblem: string | undefined;
  /** Why there are no figures; `undefined` when there are. */
  readonly problem: string | undefined;
  readonly figures: WorksheetFigures | undefined;
  /** What was looked for and found; `undefined` until it has been looked for. */
  readonly remarks: readonly Remark[] | undefined;
  readonly cautions: readonly Caution[];
}

/** How thoroughly a sheet is worked out: while a line is typed, or when it has been. */
export type Depth = 'while typing' | 'in full';

/** A read-out with the circuit that the lines say, which is no plain data. */
export interface ReadOutAtOnce {
  readonly readOut: ReadOut;
  readonly circuit: StatedCircuit;
}

/** The read-out while typing, when the layout can stay as it is: it takes a few milliseconds only. */
export function readOutAtOnce(sheet: Sheet, courseRules: HouseRules): ReadOutAtOnce | undefined {
  const settled = settle(sheet, courseRules, 'as it is');
  return settled.ok && settled.value.wiring
    ? { readOut: readOutOf(settled.value), circuit: settled.value.circuit }
    : undefined;
}

/**
 * The read-out of a sheet that is in line with its lines. Worst cases and remarks are worked out where `remarksOn`
 * looks the exercise over.
 */
export function readOutOf(
  { sheet, wiring, layoutProblem }: SettledSheet,
  remarksOn?: (exercise: Exercise) => readonly Remark[],
): ReadOut {
  const exercise = exerciseOf(sheet, wiring);
  if (!exercise.ok)
    return {
      sheet,
      layoutProblem,
      problem: problemText(exercise.problems[0]!),
      figures: undefined,
      remarks: undefined,
      cautions: [],
    };
  const figures = worksheetFigures(exercise.value, remarksOn ? 'with worst cases' : 'without worst cases');
  return {
    sheet,
    layoutProblem,
    problem: undefined,
    figures,
    remarks: remarksOn?.(exercise.value),
    cautions: cautionsOf(exercise.value, figures.budget),
  };
}
