import type { Built } from '../subject';

/** Names of the pins that some state drives high or low. */
export const drivenPins = ({ states }: Built): ReadonlySet<string> =>
  new Set(
    states.flatMap(({ drives }) =>
      [...drives].flatMap(([pin, { mode }]) =>
        mode === 'high' || mode === 'low' || mode === 'pwm' ? [pin] : [],
      ),
    ),
  );
