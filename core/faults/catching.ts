import { expectationSentence, type Expectation } from '../expectations';
import type { Scenario } from '../formats/scenario';

/** A scenario by which a slip is caught that the exercise's own scenarios let through. */
export interface Catching {
  /** The scenario; of one that the exercise has already, with nothing but what is to be expected besides. */
  readonly scenario: Scenario;
  readonly isNew: boolean;
  /** What the slip shows there, in the words of expectations. */
  readonly seen: readonly string[];
}

/** Most that one scenario may expect. */
const MOST_EXPECTED = 60;

/** The scenarios of an exercise with one that catches a slip: at the end, or joined to the one of its name. */
export function withCatching(
  scenarios: readonly Scenario[],
  { scenario }: Pick<Catching, 'scenario'>,
): readonly Scenario[] {
  if (scenarios.every(({ name }) => name !== scenario.name)) return [...scenarios, scenario];
  return scenarios.map((own) => (own.name === scenario.name ? joined(own, scenario.expect) : own));
}

function joined(own: Scenario, more: readonly Expectation[]): Scenario {
  const said = new Set(own.expect.map(expectationSentence));
  const missing = more.filter((one) => !said.has(expectationSentence(one)));
  return { ...own, expect: [...own.expect, ...missing].slice(0, MOST_EXPECTED) };
}
