import type { Scenario } from '../formats/scenario';

/** A scenario made of what a program does when something is done to its circuit. */
export interface Shown {
  readonly scenario: Scenario;
  /** Why what was seen may come out otherwise: contacts that bounce, a line that floats. */
  readonly doubt?: string;
  /** Places of the expectations that come out otherwise in another run, so that nobody can be held to them. */
  readonly varying: readonly number[];
}

/** What is shown every time, as a scenario; none where nothing is. */
export function everyTime({ scenario, varying }: Shown): Scenario | undefined {
  const expect = scenario.expect.filter((_, index) => !varying.includes(index));
  return expect.length === 0 ? undefined : { ...scenario, expect };
}
