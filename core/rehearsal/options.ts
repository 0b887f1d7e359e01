import type { Stimulus } from '../stimuli';

export interface RehearsalOptions {
  /** Virtual seconds to run. */
  readonly seconds: number;
  /** What happens to the circuit meanwhile. */
  readonly stimuli?: readonly Stimulus[];
  /** Buttons bounce as this seed has it; without one they do not bounce. */
  readonly bounceSeed?: number;
  /** Steps after which the run is given up; one step is a statement or a library call. */
  readonly steps?: number;
  /** Changes of pins after which the run is given up, where that is before as many as are kept. */
  readonly changes?: number;
  /** What a floating line reads as; `noise` follows the seed. */
  readonly floatingReads?: 'low' | 'high' | 'noise';
  readonly seed?: number;
  /** Off only to prove that skipping unchanging passes makes no difference. */
  readonly skip?: boolean;
}

/** How long a run may go on. */
export type RunLimits = Pick<RehearsalOptions, 'steps' | 'changes'>;
