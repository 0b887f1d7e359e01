import type { Ref } from '../brand';
import { kindOf } from '../parts';
import { distanceMm } from '../wiring/read';
import type { Wiring } from '../wiring/wiring';

/** Lengths in mm in which the usual bag of wires comes. */
export const USUAL_LENGTHS_MM: readonly number[] = [25, 50, 75, 100, 150, 200, 300];

/** Room for both stripped ends and a flat bow, in mm. */
const ENDS_MM = 12;
/** A wire that leaves the breadboard: to the board beside it, or to a part that stands about, in mm. */
const TO_BOARD_MM = 60;
const TO_MODULE_MM = 120;
/** Farther rows are farther from the board, in mm a row. */
const ROW_MM = 2.54;

export interface WireLength {
  readonly ref: Ref;
  readonly colour: string;
  /** What it needs, in mm. */
  readonly neededMm: number;
  /** The shortest of the kit that reaches; `undefined` when none does. */
  readonly kitMm: number | undefined;
}

/** The length of each wire from its holes, rounded up to what the kit has. */
export function wireLengths(
  wiring: Wiring,
  kit: readonly number[] = USUAL_LENGTHS_MM,
): readonly WireLength[] {
  const sorted = [...kit].sort((a, b) => a - b);
  return wiring.parts.flatMap((part): readonly WireLength[] => {
    const [from, to] = part.legs.map(({ at }) => at);
    if (!kindOf(part.kind).conductor || !from || !to) return [];
    const row = Math.max(...[from, to].map((end) => ('row' in end ? end.row : 0)));
    const isModule = from.type === 'leg' || to.type === 'leg';
    const span = distanceMm(from, to) ?? (isModule ? TO_MODULE_MM : TO_BOARD_MM) + row * ROW_MM;
    const neededMm = Math.ceil(span + ENDS_MM);
    return [
      {
        ref: part.ref,
        colour: part.value.text,
        neededMm,
        kitMm: sorted.find((length) => length >= neededMm),
      },
    ];
  });
}
