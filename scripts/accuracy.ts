// Writes docs/accuracy.md from the golden figures: npm run accuracy.
import { writeFileSync } from 'node:fs';
import { goldenCircuits } from '@/core/electrics/golden/circuits';
import { deviations, isWithin } from '@/core/electrics/golden/deviation';
import golden from '@/core/electrics/golden/voltages.json' with { type: 'json' };

const voltages: Readonly<Record<string, Readonly<Record<string, number>>>> = golden.voltages;

const rows = goldenCircuits.map((circuit) => {
  const found = deviations(circuit, voltages[circuit.name]!);
  const held = found.filter(({ solved }) => solved !== null);
  return {
    circuit,
    nodes: held.length,
    floating: found.length - held.length,
    millivolts: Math.max(0, ...held.map(({ volts }) => Math.abs(volts) * 1e3)),
    within: found.every(isWithin),
  };
});
const groups = [...new Set(goldenCircuits.map(({ group }) => group))];
const shown = (millivolts: number): string => (millivolts < 0.0005 ? '< 0.001' : millivolts.toFixed(3));

const text = `# Accuracy

Made by \`npm run accuracy\`; do not edit by hand.

## Voltages of circuits

${rows.length} circuits are solved by the core and by ${golden.madeBy.replace(/, from.*/, '')}, both from the
same netlist. \`npm run golden:circuits\` makes the reference figures again (it needs that package);
they are kept in \`core/electrics/golden/voltages.json\` and compared in the unit tests. The aim is
0.5 % or 2 mV at every node. Nodes that float have no voltage worth comparing.

${rows.filter(({ within }) => within).length} of ${rows.length} circuits are within the aim at all their ${rows.reduce((sum, { nodes }) => sum + nodes, 0)} nodes.

| group | circuits | nodes | largest difference, mV |
|---|---|---|---|
${groups
  .map((group) => {
    const own = rows.filter(({ circuit }) => circuit.group === group);
    return `| ${group} | ${own.length} | ${own.reduce((sum, { nodes }) => sum + nodes, 0)} | ${shown(Math.max(...own.map(({ millivolts }) => millivolts)))} |`;
  })
  .join('\n')}

| circuit | nodes | floating | largest difference, mV |
|---|---|---|---|
${rows.map(({ circuit, nodes, floating, millivolts }) => `| ${circuit.name} | ${nodes} | ${floating} | ${shown(millivolts)} |`).join('\n')}
`;
writeFileSync('docs/accuracy.md', text);
console.log(`${rows.filter(({ within }) => within).length} of ${rows.length} within the aim`);
