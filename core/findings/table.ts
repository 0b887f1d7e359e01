/** What a finding is about. `check` is about the check itself, and says nothing of the build. */
export type Domain = 'wiring' | 'program' | 'behaviour' | 'check';

/**
 * Findings that often come together, of which the first that applies explains the others: a path that is
 * broken, a short, a current that is not as wanted, a pin that is another, an input that is not held, a rhythm,
 * a count.
 */
export type Family = 'path' | 'short' | 'current' | 'pin' | 'input' | 'rhythm' | 'counting';

/** Everything that is known of a finding whatever the build. */
export interface FindingRow {
  readonly domain: Domain;
  /** In a few words, for lists and groups; the message itself has the places and numbers. */
  readonly title: string;
  /** Its place in each family that it belongs to, from 1. */
  readonly families?: Readonly<Partial<Record<Family, number>>>;
  /** Whether it damages something while it lasts: it comes first, and is told at once, without hints. */
  readonly isHazard?: true;
  /** Whether it takes another order of a program's lines to mend, which no exchanged word does. */
  readonly needsRewriting?: true;
  /** Whether the board's software takes no program that has it. */
  readonly isRefused?: true;
  /** Whether a build that has it and works is another than the one that was asked for. */
  readonly isAnotherBuild?: true;
}

/**
 * Every finding, one row each. The codes are stable names that reports, statistics and exports carry; the order
 * of the rows decides between causes that are otherwise equal.
 */
export const findingTable = {
  'part-bypassed': { domain: 'wiring', title: 'Part with both legs in one row', families: { current: 1 } },
  'polarity-reversed': { domain: 'wiring', title: 'Lamp the wrong way round', families: { current: 2 } },
  'leg-open': { domain: 'wiring', title: 'A leg that reaches nothing', families: { path: 5 } },
  'no-return': { domain: 'wiring', title: 'No way back to ground', families: { path: 6 } },
  'off-by-one': { domain: 'wiring', title: 'One row off', families: { path: 1 } },
  'gap-not-crossed': { domain: 'wiring', title: 'Across the trough', families: { path: 2 } },
  'rail-unpowered': { domain: 'wiring', title: 'A rail that nothing feeds', families: { path: 3 } },
  'rail-swapped': {
    domain: 'wiring',
    title: 'Plus and minus rails interchanged',
    families: { short: 1 },
    isHazard: true,
  },
  'supply-short': {
    domain: 'wiring',
    title: 'Supply joined to ground',
    families: { short: 3 },
    isHazard: true,
  },
  'short-when-pressed': {
    domain: 'wiring',
    title: 'Pressing joins supply and ground',
    families: { short: 2 },
    isHazard: true,
  },
  'pin-short': {
    domain: 'wiring',
    title: 'Pin joined straight to supply or ground',
    families: { short: 4 },
    isHazard: true,
  },
  'shared-resistor': { domain: 'wiring', title: 'One resistor for several lamps', families: { current: 7 } },
  headroom: {
    domain: 'wiring',
    title: 'Too little voltage for the lamps in a chain',
    families: { current: 3 },
  },
  'no-series-resistor': { domain: 'wiring', title: 'Lamp without resistor', families: { current: 4 } },
  'resistor-value': {
    domain: 'wiring',
    title: 'Resistor of another value',
    families: { current: 6 },
    isAnotherBuild: true,
  },
  'wrong-part': {
    domain: 'wiring',
    title: 'Another part than asked',
    families: { current: 5 },
    isAnotherBuild: true,
  },
  'part-missing': {
    domain: 'wiring',
    title: 'Part missing',
    families: { path: 4, current: 8 },
    isAnotherBuild: true,
  },
  'part-extra': { domain: 'wiring', title: 'Part too many', families: { short: 5 }, isAnotherBuild: true },
  'wrong-pin': { domain: 'wiring', title: 'Wire in another pin', families: { pin: 1 }, isAnotherBuild: true },
  'pin-lacks-function': { domain: 'wiring', title: 'Pin that cannot do it' },
  'pin-reserved': { domain: 'wiring', title: 'Pin kept for serial' },
  'shared-pin': { domain: 'wiring', title: 'Two loads on one pin' },
  'button-always-closed': { domain: 'wiring', title: 'Button at its joined legs', families: { input: 1 } },
  'button-never-closes': { domain: 'wiring', title: 'Button that changes nothing', families: { input: 2 } },
  'input-floating': { domain: 'wiring', title: 'Input that nothing holds', families: { input: 6 } },
  'pull-missing': { domain: 'wiring', title: 'Pull resistor missing', families: { input: 5 } },
  'pull-wrong-way': {
    domain: 'wiring',
    title: 'Pull to the same side as the button',
    families: { input: 3 },
  },
  'divider-reversed': { domain: 'wiring', title: 'Reads backwards' },
  'pin-overcurrent': { domain: 'wiring', title: 'Too much current from a pin', families: { current: 9 } },
  'port-overcurrent': {
    domain: 'wiring',
    title: 'Too much current from the pins together',
    families: { current: 10 },
  },
  'supply-overcurrent': {
    domain: 'wiring',
    title: 'Too much current from a supply',
    families: { current: 11 },
  },
  'voltage-mismatch': { domain: 'wiring', title: 'Wrong voltage' },
  'no-common-ground': { domain: 'wiring', title: 'Grounds not joined' },
  'actuator-from-pin': { domain: 'wiring', title: 'Motor fed by a pin' },
  'supply-sag': { domain: 'wiring', title: 'A start that resets the board' },
  'inductive-no-diode': { domain: 'wiring', title: 'Motor switched without a diode' },
  'module-lines-swapped': { domain: 'wiring', title: 'Lines of a module interchanged' },
  'leads-may-touch': { domain: 'wiring', title: 'Bare legs that cross' },
  'wire-colour': { domain: 'wiring', title: 'Wire in a misleading colour' },
  'layout-convention': { domain: 'wiring', title: 'Against the house rules' },
  'syntax-semicolon': { domain: 'program', title: 'Semicolon missing', isRefused: true },
  'syntax-brace': { domain: 'program', title: 'Brace missing or too many', isRefused: true },
  'syntax-paren': { domain: 'program', title: 'Parenthesis missing or too many', isRefused: true },
  'syntax-quote': { domain: 'program', title: 'Quote missing', isRefused: true },
  'syntax-other': { domain: 'program', title: 'A line that cannot be read', isRefused: true },
  'name-case': { domain: 'program', title: 'Name in the wrong case', isRefused: true },
  'name-unknown': { domain: 'program', title: 'Unknown name', isRefused: true },
  'name-out-of-scope': { domain: 'program', title: 'Name known only elsewhere', isRefused: true },
  'name-redeclared': { domain: 'program', title: 'Name declared twice', isRefused: true },
  'missing-entry': { domain: 'program', title: 'No program, or setup or loop missing' },
  arguments: { domain: 'program', title: 'Values that do not fit a function' },
  'assign-in-condition': { domain: 'program', title: 'One = where two are meant' },
  'empty-body': { domain: 'program', title: 'A semicolon that ends the body' },
  indentation: { domain: 'program', title: 'Lines not indented alike', isRefused: true },
  'colon-missing': { domain: 'program', title: 'Colon missing', isRefused: true },
  'direction-unset': { domain: 'program', title: 'Pin never made an output' },
  'pullup-unset': { domain: 'program', title: 'Pull-up not switched on', families: { input: 4 } },
  'logic-inverted': { domain: 'program', title: 'On and off interchanged' },
  'pin-disagrees': { domain: 'program', title: 'Program and wire name different pins', families: { pin: 2 } },
  'pin-unused': { domain: 'program', title: 'A pin that is never used' },
  'state-reset': { domain: 'program', title: 'Forgets at every turn', needsRewriting: true },
  'missing-pause': { domain: 'program', title: 'Pause missing', families: { rhythm: 3 } },
  'turn-overlap': {
    domain: 'program',
    title: 'The second on before the first is off',
    families: { rhythm: 4 },
  },
  'missed-input': { domain: 'program', title: 'Looks too seldom', needsRewriting: true },
  'wait-in-interrupt': { domain: 'program', title: 'Waits in an interrupt', needsRewriting: true },
  'shared-not-volatile': { domain: 'program', title: 'Shared with an interrupt, not volatile' },
  'double-count': {
    domain: 'program',
    title: 'Counts both edges',
    families: { counting: 1 },
    needsRewriting: true,
  },
  'no-debounce': {
    domain: 'program',
    title: 'Counts the bouncing too',
    families: { counting: 3 },
    needsRewriting: true,
  },
  'repeats-while-held': {
    domain: 'program',
    title: 'Repeats while held',
    families: { counting: 2 },
    needsRewriting: true,
  },
  'negative-pause': { domain: 'program', title: 'Pause below zero', families: { rhythm: 2 } },
  'out-of-range': { domain: 'program', title: 'Number out of range' },
  'number-overflow': { domain: 'program', title: 'Number too large for its type' },
  'integer-division': { domain: 'program', title: 'Fraction lost' },
  'serial-not-started': { domain: 'program', title: 'Serial line not started' },
  'serial-rate': { domain: 'program', title: 'Another serial rate' },
  'magic-number': { domain: 'program', title: 'A number that wants a name' },
  'never-ends': { domain: 'program', title: 'A loop that never ends', families: { rhythm: 1 } },
  'runtime-error': { domain: 'program', title: 'Wrong while running' },
  'not-lit': { domain: 'behaviour', title: 'Lamp stays dark' },
  'not-dark': { domain: 'behaviour', title: 'Lamp never goes dark' },
  'stays-on': { domain: 'behaviour', title: 'Stops while lit', families: { rhythm: 6 } },
  'stays-off': { domain: 'behaviour', title: 'Stops while dark', families: { rhythm: 7 } },
  'too-dim': { domain: 'behaviour', title: 'Too dim', families: { current: 13 } },
  'too-bright': { domain: 'behaviour', title: 'Too bright', families: { current: 12 } },
  'timing-off': { domain: 'behaviour', title: 'Times are off', families: { rhythm: 5 } },
  'order-wrong': { domain: 'behaviour', title: 'Order is wrong' },
  'count-wrong': { domain: 'behaviour', title: 'Count is wrong', families: { counting: 4 } },
  'no-response': { domain: 'behaviour', title: 'No response' },
  'late-response': { domain: 'behaviour', title: 'Responds too late' },
  unsteady: { domain: 'behaviour', title: 'Not the same every time', families: { input: 7 } },
  'wrong-direction': { domain: 'behaviour', title: 'Goes the wrong way' },
  'angle-off': { domain: 'behaviour', title: 'Another angle' },
  'tone-off': { domain: 'behaviour', title: 'Another tone' },
  'text-off': { domain: 'behaviour', title: 'Printed text is off' },
  'picture-off': { domain: 'behaviour', title: 'Another picture' },
  'colour-off': { domain: 'behaviour', title: 'Another colour' },
  'variety-off': { domain: 'behaviour', title: 'Not by chance' },
  'bench-disagrees': { domain: 'behaviour', title: 'Bench and record disagree' },
  'not-judged': { domain: 'check', title: 'Could not be judged' },
} as const satisfies Readonly<Record<string, FindingRow>>;

export type FindingCode = keyof typeof findingTable;

/** Every code, in the order of the table. */
export const findingCodes = Object.keys(findingTable) as [FindingCode, ...FindingCode[]];

/** What is known of a finding whatever the build. */
export const rowOf = (code: FindingCode): FindingRow => findingTable[code];
