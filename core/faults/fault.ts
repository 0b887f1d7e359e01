import type { Ref } from '../brand';
import type { FindingCode } from '../findings/finding';
import type { Wiring } from '../wiring/wiring';

/** One slip made on purpose in a build that was right, with what an expert would say of it. */
export interface Fault {
  /** The kind of slip, the same for all that are alike: `an end one row off`. */
  readonly sort: string;
  /** This very one: `W3.1 in a14`. */
  readonly what: string;
  readonly wiring: Wiring;
  readonly program: string;
  /** Codes that name it well, the likeliest first. */
  readonly codes: readonly FindingCode[];
  /** The parts that it was made with; what is said of it, and what mends it, is about one of them. */
  readonly refs: readonly Ref[];
  /** The line of the program in which it was made. */
  readonly line?: number;
}
