import type { Spread } from '../electrics/bench';
import { effort, measured } from '../effort';
import type { Wiring } from '../wiring/wiring';

/** Something worked out, and the units of work that it took. */
interface Kept {
  readonly value: unknown;
  readonly units: number;
}

/** What is kept of one circuit. */
const MOST_KEPT = 2000;
/** Wirings of which something is kept. */
const MOST_WIRINGS = 4;

/** What was worked out of one circuit for whoever asked, for those who ask for the same later. */
export class KeptPoints {
  private readonly kept = new Map<string, Kept>();

  /**
   * What `key` stands for. Who is given what is known is charged what it took, so that a check comes to the same whatever
   * was checked before it. A key stands for values of one type.
   */
  get<T>(key: string, work: () => T): T {
    const known = this.kept.get(key);
    if (known) {
      effort(known.units);
      return known.value as T;
    }
    const made = measured(work);
    if (this.kept.size < MOST_KEPT) this.kept.set(key, made);
    return made.value;
  }
}

/** What was worked out of the wirings that were handed in last: a class builds the same circuit, often hole by hole. */
export class KeptCircuits {
  private readonly wirings = new Map<string, Map<string, KeptPoints>>();

  /** The operating points of a wiring, for each spread of its parts. */
  of(wiring: Wiring): (spread?: Spread) => KeptPoints {
    const key = JSON.stringify(wiring);
    const points = this.wirings.get(key) ?? new Map<string, KeptPoints>();
    this.wirings.delete(key);
    this.wirings.set(key, points);
    const [oldest] = this.wirings.keys();
    if (oldest !== undefined && this.wirings.size > MOST_WIRINGS) this.wirings.delete(oldest);
    return (spread) => {
      const of = JSON.stringify(spread ?? null);
      const kept = points.get(of) ?? new KeptPoints();
      points.set(of, kept);
      return kept;
    };
  }
}
