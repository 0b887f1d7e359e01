/** Mean current under which a standard LED looks dark, and up to which it only glows faintly, in mA. */
export const DARK_BELOW_MA = 0.01;
export const FAINT_BELOW_MA = 0.5;

/** Current of a standard indicator LED at full brightness, in mA. */
const FULL_MA = 20;

export type Glow = 'dark' | 'faint' | 'lit';

/** How a standard LED looks at a mean current in mA. */
export function glowAt(currentMa: number): Glow {
  if (currentMa < DARK_BELOW_MA) return 'dark';
  return currentMa < FAINT_BELOW_MA ? 'faint' : 'lit';
}

/**
 * Relative brightness as the eye sees it, 0 to 1: CIE 1976 lightness of the light relative to that at
 * 20 mA, the light being proportional to the mean current.
 */
export function brightnessAt(currentMa: number): number {
  const light = Math.max(0, Math.min(1, currentMa / FULL_MA));
  const lightness = light > (6 / 29) ** 3 ? 116 * Math.cbrt(light) - 16 : light * (29 / 3) ** 3;
  return lightness / 100;
}
