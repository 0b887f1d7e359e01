import type { LegName, Ref } from '../brand';
import { columns, rails, type Column, type Rail } from '../breadboards';
import type { HouseRules } from '../course/house-rules';
import { boardsOf } from '../formats/exercise';
import { taskOf } from '../course/exercise-layout';
import { kindOf } from '../parts';
import { place } from '../plan/placement';
import { fail, ok, type Result } from '../result';
import { overreachOf, readWiring } from '../wiring/read';
import { writeTable } from '../wiring/table';
import {
  findPart,
  nameOf,
  shortNameOf,
  withPart,
  type PlacedPart,
  type Point,
  type Wiring,
} from '../wiring/wiring';
import type { Sheet } from './sheet';

/** A step on the breadboard: towards higher rows, or towards the columns that follow. */
export type Step = { readonly rows: number; readonly columns: number };

/** Columns and rails of a breadboard from its left edge to its right. */
const across: readonly (Column | Rail)[] = [...rails.slice(0, 2), ...columns, ...rails.slice(2)];

/**
 * The layout with a part, or one of its legs, put a step on; wires follow, the part is held there from then
 * on. Refused with the reason when the hole is taken, off the board, or would join what is not joined.
 */
export function nudge(
  sheet: Sheet,
  courseRules: HouseRules,
  owner: Ref,
  leg: LegName | null,
  step: Step,
): Result<{ readonly layout: string; readonly held: readonly string[] }> {
  const wiring = readWiring(sheet.layout ?? '', { boards: boardsOf(sheet) });
  if (!wiring.ok) return fail({ message: 'There is no layout to move things in.' });
  const part = findPart(wiring.value, owner);
  if (!part || kindOf(part.kind).conductor)
    return fail({ message: `${owner} is no part that can be moved.` });
  const moved: PlacedPart['legs'][number][] = [];
  for (const placed of part.legs) {
    if (leg !== null && placed.leg !== leg) {
      moved.push(placed);
      continue;
    }
    const at = placed.at && stepped(placed.at, step, wiring.value);
    if (placed.at && !at) return fail({ message: `There is no hole further that way for ${owner}.` });
    moved.push({ ...placed, at: at ?? null });
  }
  return settleAt(sheet, courseRules, wiring.value, { ...part, legs: moved });
}

/** The layout with a leg put into a hole, as `nudge` does. */
export function putLeg(
  sheet: Sheet,
  courseRules: HouseRules,
  owner: Ref,
  leg: LegName,
  at: Point,
): Result<{ readonly layout: string; readonly held: readonly string[] }> {
  const wiring = readWiring(sheet.layout ?? '', { boards: boardsOf(sheet) });
  if (!wiring.ok) return fail({ message: 'There is no layout to move things in.' });
  const part = findPart(wiring.value, owner);
  if (!part) return fail({ message: `${owner} is no part that can be moved.` });
  return settleAt(sheet, courseRules, wiring.value, {
    ...part,
    legs: part.legs.map((placed) => (placed.leg === leg ? { ...placed, at } : placed)),
  });
}

function settleAt(
  sheet: Sheet,
  courseRules: HouseRules,
  wiring: Wiring,
  part: PlacedPart,
): Result<{ readonly layout: string; readonly held: readonly string[] }> {
  const task = taskOf(sheet, courseRules);
  if (!task.ok) return task;
  const reach = overreachOf(part);
  if (reach) return fail(reach);
  const places = part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : []));
  const other = wiring.parts.find(
    (candidate) =>
      candidate.ref !== part.ref &&
      !kindOf(candidate.kind).conductor &&
      candidate.legs.some(({ at }) => at && places.includes(nameOf(at))),
  );
  if (other) return fail({ message: `${other.ref} is in that hole.` });
  // Wires are laid anew round the parts, which all stay.
  const earlier: Wiring = {
    ...withPart(wiring, part),
    parts: withPart(wiring, part).parts.filter(({ kind }) => !kindOf(kind).conductor),
  };
  const placed = place({ ...task.value, earlier: first(earlier, part) });
  const after = placed.ok ? findPart(placed.value.wiring, part.ref) : undefined;
  const stays = part.legs.every(({ at }, index) => {
    const now = after?.legs[index]?.at;
    return at === null ? !now : now !== null && now !== undefined && nameOf(now) === nameOf(at);
  });
  if (!placed.ok || !stays) {
    const [leg] = part.legs.filter(({ at }) => at !== null);
    return fail({
      message: `${part.ref} cannot go there: ${leg?.at ? `near ${shortNameOf(leg.at)} ` : ''}it would join what is not joined, or two of its legs.`,
    });
  }
  return ok({
    layout: writeTable(placed.value.wiring),
    held: [...new Set([...(sheet.held ?? []), part.ref])],
  });
}

/** The moved part is seated before the others, so that it is they who give way. */
const first = (wiring: Wiring, part: PlacedPart): Wiring => ({
  ...wiring,
  parts: [part, ...wiring.parts.filter(({ ref }) => ref !== part.ref)],
});

function stepped(at: Point, step: Step, wiring: Wiring): Point | undefined {
  if (at.type !== 'hole' && at.type !== 'rail') return undefined;
  const model = wiring.breadboards.find(({ ref }) => ref === at.ref)?.model;
  const row = at.row + step.rows;
  const position = across.indexOf(at.type === 'hole' ? at.column : at.rail) + step.columns;
  const place = across[position];
  if (!model || row < 1 || row > model.rows || place === undefined) return undefined;
  if (place.length === 1) return { type: 'hole', ref: at.ref, column: place as Column, row };
  return model.hasRails ? { type: 'rail', ref: at.ref, rail: place as Rail, row } : undefined;
}
