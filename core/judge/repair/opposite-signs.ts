/** Comparisons that beginners take the wrong way round, each with its opposite. */
export const oppositeSigns: Readonly<Record<string, string>> = {
  '==': '!=',
  '!=': '==',
  '<': '>',
  '>': '<',
  '<=': '>=',
  '>=': '<=',
};
