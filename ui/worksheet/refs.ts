/** Part names in short: `D1 R1`, `D1–D10 R1–R10`. */
export function refsText(refs: readonly string[]): string {
  const groups = new Map<string, number[]>();
  for (const name of refs) {
    const [, prefix = '', number = ''] = /^([A-Z]+)(\d*)$/.exec(name) ?? [];
    groups.set(prefix, [...(groups.get(prefix) ?? []), Number(number)]);
  }
  return [...groups]
    .map(([prefix, numbers]) => {
      const [first, last] = [Math.min(...numbers), Math.max(...numbers)];
      const isRun = numbers.length > 2 && last - first === numbers.length - 1;
      return isRun ? `${prefix}${first}–${last}` : numbers.map((number) => `${prefix}${number}`).join(' ');
    })
    .join(' ');
}
