import { type CurrentChange, type SeenTrace } from './trace';

/**
 * What flows through a light from each moment on, by its name: an LED, one of several in a housing (`D1.red`,
 * `U1.lamp`), or the housing itself, which is as bright as the brightest of its lights. `undefined` where nothing of
 * that name gives light.
 */
export function lightNamed(
  { leds, ownLights }: Pick<SeenTrace, 'leds' | 'ownLights'>,
  name: string,
): readonly CurrentChange[] | undefined {
  const own = leds.get(name) ?? ownLights.get(name);
  if (own) return own;
  const inside = [...leds, ...ownLights]
    .filter(([light]) => light.startsWith(`${name}.`))
    .map(([, changes]) => changes);
  return inside.length > 0 ? brightestOf(inside) : undefined;
}

/** The largest of several currents from each moment on. */
function brightestOf(lights: readonly (readonly CurrentChange[])[]): readonly CurrentChange[] {
  const moments = [...new Set(lights.flatMap((changes) => changes.map(({ at }) => at)))].sort(
    (one, other) => one - other,
  );
  const next = lights.map(() => 0);
  return moments.map((at) => ({
    at,
    currentMa: Math.max(
      ...lights.map((changes, index) => {
        while ((changes[next[index]!]?.at ?? Infinity) <= at) next[index]! += 1;
        return changes[next[index]! - 1]?.currentMa ?? 0;
      }),
    ),
  }));
}
