import { DEFAULT_HOUSE_RULES, type HouseRules } from '../course/house-rules';
import { rowOf } from '../findings/table';
import type { Exercise } from '../formats/exercise';
import { inspect } from '../judge/inspect';
import type { Result } from '../result';
import type { PlacedPart } from '../wiring/wiring';
import { readOutOf, type Depth, type ReadOut, type Remark } from './read-out';
import { settle, type Layout, type Sheet } from './sheet';

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
  return { ok: true, value: readOutOf(settled.value, depth === 'in full' ? remarksOn : undefined) };
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
