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
