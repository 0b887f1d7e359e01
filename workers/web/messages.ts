import type { HouseRules } from '@/core/course/house-rules';
import type { Depth, ReadOut } from '@/core/worksheet/read-out';
import type { Layout, Sheet } from '@/core/worksheet/sheet';
import type { Report } from '@/core/formats/report';
import type { Sighting } from '@/core/judge/check';

/** A build to check, as texts; the worker reads them itself. */
export interface CheckRequest {
  readonly id: number;
  /** The student form of the exercise. */
  readonly exercise: unknown;
  readonly wiring: string;
  readonly program: string;
  readonly sighting?: Sighting;
}

export type CheckAnswer =
  | { readonly id: number; readonly ok: true; readonly report: Report }
  /** The input cannot be used; says why in the user's words. */
  | { readonly id: number; readonly ok: false; readonly message: string };

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
