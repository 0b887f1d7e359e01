import type { Built, SolvedState } from '../subject';

/** Names of the pins that some state drives high or low. */
export function drivenPins({ states }: Built): ReadonlySet<string> {
  const known = drivenIn.get(states) ?? driven(states);
  drivenIn.set(states, known);
  return known;
}

/** Several rules ask for them of the same states. */
const drivenIn = new WeakMap<readonly SolvedState[], ReadonlySet<string>>();

const driven = (states: readonly SolvedState[]): ReadonlySet<string> =>
  new Set(
    states.flatMap(({ drives }) =>
      [...drives].flatMap(([pin, { mode }]) =>
        mode === 'high' || mode === 'low' || mode === 'pwm' ? [pin] : [],
      ),
    ),
  );
