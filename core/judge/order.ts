import { findingCodes, programCodes, wiringCodes, type FindingCode, type Observation } from '../finding';

/**
 * Groups of findings that often come together; of each group only the first that applies can be a
 * cause. The order inside a group is that of docs/findings.md.
 */
const groups: readonly (readonly FindingCode[])[] = [
  ['off-by-one', 'gap-not-crossed', 'rail-unpowered', 'part-missing', 'leg-open', 'no-return'],
  ['rail-swapped', 'short-when-pressed', 'supply-short', 'pin-short', 'part-extra'],
  [
    'part-bypassed',
    'polarity-reversed',
    'headroom',
    'no-series-resistor',
    'wrong-part',
    'resistor-value',
    'shared-resistor',
    'part-missing',
    'pin-overcurrent',
    'port-overcurrent',
    'supply-overcurrent',
    'too-bright',
    'too-dim',
  ],
  ['wrong-pin', 'pin-disagrees'],
  [
    'button-always-closed',
    'button-never-closes',
    'pull-wrong-way',
    'pullup-unset',
    'pull-missing',
    'input-floating',
    'unsteady',
  ],
  ['never-ends', 'negative-pause', 'missing-pause', 'turn-overlap', 'timing-off', 'stays-on', 'stays-off'],
  ['double-count', 'repeats-while-held', 'no-debounce', 'count-wrong'],
];

const hazards: ReadonlySet<FindingCode> = new Set([
  'rail-swapped',
  'supply-short',
  'short-when-pressed',
  'pin-short',
]);

/** Hazard before wiring before code before behaviour. */
export function classOf(code: FindingCode): 0 | 1 | 2 | 3 {
  if (hazards.has(code)) return 0;
  if ((wiringCodes as readonly string[]).includes(code)) return 1;
  if ((programCodes as readonly string[]).includes(code)) return 2;
  return 3;
}

/** Whether a finding is about what was wired, or about what was written. */
export const isWiring = (code: FindingCode): boolean => classOf(code) <= 1;
export const isProgram = (code: FindingCode): boolean => (programCodes as readonly string[]).includes(code);

/** Drops what stands behind another of its group. */
function firstOfGroups(observations: readonly Observation[]): readonly Observation[] {
  const isBehind = (observation: Observation): boolean =>
    groups.some((group) => {
      const place = group.indexOf(observation.code);
      return place > 0 && observations.some((other) => group.slice(0, place).includes(other.code));
    });
  return observations.filter((observation) => !isBehind(observation));
}

const tableOrder: ReadonlyMap<FindingCode, number> = new Map(
  findingCodes.map((code, index) => [code, index]),
);

function compare(a: Observation, b: Observation): number {
  return (
    classOf(a.code) - classOf(b.code) ||
    tableOrder.get(a.code)! - tableOrder.get(b.code)! ||
    (a.line ?? 0) - (b.line ?? 0) ||
    (a.column ?? 0) - (b.column ?? 0) ||
    (a.at?.[0] ?? '').localeCompare(b.at?.[0] ?? '', 'en')
  );
}

/** Orders observations by how likely they are the cause: those that can be first, then the rest. */
export function byCause(observations: readonly Observation[]): readonly Observation[] {
  const first = new Set(firstOfGroups(observations));
  return [...observations].sort((a, b) => Number(first.has(b)) - Number(first.has(a)) || compare(a, b));
}
