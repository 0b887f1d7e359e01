import type { HouseRules } from '@/core/course/house-rules';
import type { Depth, ReadOut } from '@/core/worksheet/read-out';
import type { Layout, Sheet } from '@/core/worksheet/sheet';

/** A sheet to be worked out; of several only the last is. */
export interface SheetRequest {
  readonly seq: number;
  readonly sheet: Sheet;
  readonly courseRules: HouseRules;
  /** How the full answer lays the circuit out; the quick one always keeps what it can. */
  readonly layout: Layout;
  /** What is wanted first; `in full` when the quick answer is there already. */
  readonly from: Depth;
}

/** A quick answer while typing, and a full one when the typing rests. */
export type SheetAnswer =
  | { readonly seq: number; readonly ok: true; readonly depth: Depth; readonly readOut: ReadOut }
  | { readonly seq: number; readonly ok: false; readonly message: string };
