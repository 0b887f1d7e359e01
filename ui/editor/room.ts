/** Heights of a line of a program, and of what stands below them, in rem. */
const [LINE, BESIDES] = [1.5, 4.5];

/**
 * How high an editor stands on a page: all of its program can be seen, up to most of the screen, and it is never lower
 * than `least` rem.
 */
export const roomFor = (program: string, least: number): { readonly height: string } => ({
  height: `clamp(${least}rem, ${program.split('\n').length * LINE + BESIDES}rem, 75dvh)`,
});
