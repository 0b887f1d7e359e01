import type { HouseRules } from '../course/house-rules';
import { DEFAULT_HOUSE_RULES } from '../course/house-rules';
import type { FindingCode, Severity } from '../findings/finding';
import { exerciseOf, type Exercise } from '../formats/exercise';
import { inspect } from '../judge/inspect';
import { rowOf } from '../findings/table';
import { cautionsOf, type Caution } from '../plan/cautions';
import { worksheetFigures, type WorksheetFigures } from '../plan/worksheet';
import { problemText, type Result } from '../result';
import type { StatedCircuit } from '../statements';
import type { PlacedPart } from '../wiring/wiring';
import { settle, type Layout, type SettledSheet, type Sheet } from './sheet';

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

/** What the Worksheet shows of a sheet: brought in line with its own lines, worked out, looked at. */
export function readOut(
  sheet: Sheet,
  courseRules: HouseRules = DEFAULT_HOUSE_RULES,
  layout: Layout = 'keep',
  depth: Depth = 'in full',
  remembered: readonly PlacedPart[] = [],
): Result<ReadOut> {
  const settled = settle(sheet, courseRules, layout, remembered);
  if (!settled.ok) return settled;
  return { ok: true, value: readOutOf(settled.value, depth) };
}

/** A read-out with the circuit that the lines say, which is no plain data. */
export interface ReadOutAtOnce {
  readonly readOut: ReadOut;
  readonly circuit: StatedCircuit;
}

/** The read-out while typing, when the layout can stay as it is: it takes a few milliseconds only. */
export function readOutAtOnce(sheet: Sheet, courseRules: HouseRules): ReadOutAtOnce | undefined {
  const settled = settle(sheet, courseRules, 'as it is');
  return settled.ok && settled.value.wiring
    ? { readOut: readOutOf(settled.value, 'while typing'), circuit: settled.value.circuit }
    : undefined;
}

function readOutOf({ sheet, wiring, layoutProblem }: SettledSheet, depth: Depth): ReadOut {
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
  const figures = worksheetFigures(
    exercise.value,
    depth === 'in full' ? 'with worst cases' : 'without worst cases',
  );
  return {
    sheet,
    layoutProblem,
    problem: undefined,
    figures,
    remarks: depth === 'in full' ? remarksOn(exercise.value) : undefined,
    cautions: cautionsOf(exercise.value, figures.budget),
  };
}

/** What the checker says of the reference itself; nothing when it is as it should be. */
function remarksOn(exercise: Exercise): readonly Remark[] {
  return inspect(exercise, exercise.reference).observations.map(({ code, severity, message, refs }) => ({
    code,
    severity,
    title: rowOf(code).title,
    message,
    refs: refs ?? [],
  }));
}
