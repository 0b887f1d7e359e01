import type { Report } from '../formats/report';
import type { SeenInterval } from '../rehearsal/seen';

/** What a lamp is seen to do in a scenario. */
export interface LampTimeline {
  readonly scenario: string;
  readonly ref: string;
  readonly seconds: number;
  readonly intervals: readonly SeenInterval[];
}

/** What the reference itself does: what is seen, and what its own check says. */
export interface Proof {
  readonly timelines: readonly LampTimeline[];
  readonly scenarios: Report['scenarios'];
}
