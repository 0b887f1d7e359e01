import { apart } from '../effort';
import type { Scenario } from '../formats/scenario';
import type { RunLimits } from '../rehearsal/options';
import type { Trace } from '../rehearsal/trace';
import { blindPresses, type BlindPress } from './blind-presses';
import type { Judging } from './judging';
import { unwatchedOf, variationsOf, type Played } from './repair/variations';
import { unmetIn } from './scenarios';
import { unsteadiness, type Unsteadiness } from './unsteadiness';

/** What each of the things that are kept of an exercise's own build may take. */
const OF_EACH = 2e9;

/** A run of an exercise's own that nothing is asked of. */
export interface UnwatchedRun {
  readonly played: Played;
  readonly trace: Trace;
}

/** How much happens in a run. */
export type RunSize = Required<RunLimits>;

export const sizeOf = ({ steps, pins }: Trace): RunSize => ({
  steps,
  changes: [...pins.values()].reduce((sum, changes) => sum + changes.length, 0),
});

/**
 * What an exercise's own wiring and program do, worked out when it is first asked for and kept for every build that is
 * checked against it. No check is charged for it.
 */
export class OwnRuns {
  private readonly unsteady = new Map<number, Unsteadiness | undefined>();
  private ownSizes: readonly RunSize[] | undefined;
  private met: readonly Scenario[] | undefined;
  private seenUnwatched: readonly UnwatchedRun[] | undefined;
  private readonly blind = new Map<number, readonly BlindPress[]>();
  private readonly readAgain = new Map<number, ReadonlySet<string>>();

  /** `judging`: how its runs are made and judged; `undefined` when it cannot be run. */
  constructor(
    private readonly scenarios: readonly Scenario[],
    private readonly judging: Judging | undefined,
  ) {}

  /** What it does otherwise in one scenario when chance falls otherwise. */
  unsteadinessIn(index: number): Unsteadiness | undefined {
    if (!this.unsteady.has(index)) {
      const scenario = this.scenarios[index]!;
      this.unsteady.set(
        index,
        this.kept((judging) => {
          const trace = judging.run(scenario, {});
          return unmetIn(scenario, trace, judging) === 0
            ? unsteadiness(scenario, trace, judging, { isReference: true })
            : undefined;
        }),
      );
    }
    return this.unsteady.get(index);
  }

  /** Presses of one scenario that it misses because it looks too seldom. */
  blindPressesIn(index: number): readonly BlindPress[] {
    const known = this.blind.get(index);
    if (known) return known;
    const scenario = this.scenarios[index]!;
    const blind =
      this.kept((judging) => blindPresses(judging.run(scenario, {}), scenario.stimuli, judging.circuit)) ??
      [];
    this.blind.set(index, blind);
    return blind;
  }

  /** Parts that it reads more than once in one scenario. */
  partsReadAgainIn(index: number): ReadonlySet<string> {
    const known = this.readAgain.get(index);
    if (known) return known;
    const parts = this.kept((judging) =>
      [...judging.run(this.scenarios[index]!, {}).reads].flatMap(([pin, { looks }]) => {
        const node = looks > 1 ? judging.circuit.nodeOfPin(pin) : undefined;
        return node ? judging.circuit.partsAt(node.id).map(({ ref }) => ref) : [];
      }),
    );
    const found: ReadonlySet<string> = new Set(parts);
    this.readAgain.set(index, found);
    return found;
  }

  /** How much happens in its run of each scenario; none when it cannot be run. */
  get sizes(): readonly RunSize[] {
    return (this.ownSizes ??=
      this.kept((judging) => this.scenarios.map((scenario) => sizeOf(judging.run(scenario, {})))) ?? []);
  }

  /** The scenarios a little otherwise, as far as it meets them. */
  get variations(): readonly Scenario[] {
    return (this.met ??=
      this.kept((judging) =>
        variationsOf(this.scenarios).filter(
          (scenario) => unmetIn(scenario, judging.run(scenario, {}), judging) === 0,
        ),
      ) ?? []);
  }

  /** What it does where nobody looks, run by run. */
  get unwatched(): readonly UnwatchedRun[] {
    return (this.seenUnwatched ??=
      this.kept((judging) => {
        const met = this.scenarios.filter(
          (scenario) => unmetIn(scenario, judging.run(scenario, {}), judging) === 0,
        );
        return unwatchedOf(met).map((played) => ({ played, trace: judging.run(played, {}) }));
      }) ?? []);
  }

  private kept<T>(work: (judging: Judging) => T): T | undefined {
    const { judging } = this;
    const done = judging && apart(OF_EACH, () => work(judging));
    return done?.ended ? done.value : undefined;
  }
}
