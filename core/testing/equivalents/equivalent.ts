import type { Wiring } from '../../wiring/wiring';

/** A build that looks unlike the reference and is as right as it. */
export interface Equivalent {
  /** In what it differs: `other holes of the same strips`. */
  readonly sort: string;
  readonly wiring: Wiring;
  readonly program: string;
}
