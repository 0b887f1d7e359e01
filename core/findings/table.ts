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
  /** Whether a build that does its job all the same is at risk: something of it is dead, and nothing watched it. */
  readonly isRiskInAnyCase?: true;
  /** Whether it is about how a build looks or a program is written only, and keeps none from doing its job. */
  readonly isOfStyle?: true;
  /** Whether a build that has it and works is another than the one that was asked for. */
  readonly isAnotherBuild?: true;
}

/**
 * Every finding, one row each. The codes are stable names that reports, statistics and exports carry; the order
 * of the rows decides between causes that are otherwise equal.
 */
export const findingTable = {
  'part-bypassed': { domain: 'wiring', title: 'Part with both legs in one row', families: { current: 1 } },
  'polarity-reversed': {
    domain: 'wiring',
    title: 'Part the wrong way round',
    families: { current: 2 },
    isRiskInAnyCase: true,
  },
  'leg-open': {
    domain: 'wiring',
    title: 'A leg that connects to nothing',
    families: { path: 5 },
    isRiskInAnyCase: true,
  },
  'no-return': {
    domain: 'wiring',
    title: 'No way back to ground',
    families: { path: 6 },
    isRiskInAnyCase: true,
  },
  'off-by-one': { domain: 'wiring', title: 'In the wrong row', families: { path: 1 } },
  'gap-not-crossed': { domain: 'wiring', title: 'On the wrong side of the gap', families: { path: 2 } },
  'rail-unpowered': {
    domain: 'wiring',
    title: 'Wrong rail, or one with no power',
    families: { path: 3 },
    isRiskInAnyCase: true,
  },
  'rail-swapped': {
    domain: 'wiring',
    title: 'Plus and minus rails swapped',
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
  'shared-resistor': { domain: 'wiring', title: 'One resistor for several LEDs', families: { current: 7 } },
  headroom: {
    domain: 'wiring',
    title: 'Too little voltage for LEDs in series',
    families: { current: 3 },
  },
  'no-series-resistor': { domain: 'wiring', title: 'LED without a resistor', families: { current: 4 } },
  'resistor-value': {
    domain: 'wiring',
    title: 'Wrong resistor value',
    families: { current: 6 },
    isAnotherBuild: true,
  },
  'wrong-part': {
    domain: 'wiring',
    title: 'Not the part asked for',
    families: { current: 5 },
    isAnotherBuild: true,
  },
  'part-missing': {
    domain: 'wiring',
    title: 'Part missing',
    families: { path: 4, current: 8 },
    isAnotherBuild: true,
  },
  'part-extra': {
    domain: 'wiring',
    title: 'One part too many',
    families: { short: 5 },
    isAnotherBuild: true,
  },
  'wrong-pin': {
    domain: 'wiring',
    title: 'Wire in the wrong pin',
    families: { pin: 1 },
    isAnotherBuild: true,
  },
  'pin-lacks-function': { domain: 'wiring', title: 'Pin that can’t do this job' },
  'pin-reserved': { domain: 'wiring', title: 'Pin needed by the board' },
  'shared-pin': { domain: 'wiring', title: 'Two loads on one pin' },
  'button-always-closed': {
    domain: 'wiring',
    title: 'Button wired at its joined legs',
    families: { input: 1 },
    isRiskInAnyCase: true,
  },
  'button-never-closes': {
    domain: 'wiring',
    title: 'Button that changes nothing',
    families: { input: 2 },
    isRiskInAnyCase: true,
  },
  'input-floating': { domain: 'wiring', title: 'Floating input', families: { input: 6 } },
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
  'no-common-ground': { domain: 'wiring', title: 'Grounds not joined', isRiskInAnyCase: true },
  'actuator-from-pin': { domain: 'wiring', title: 'Motor fed by a pin' },
  'supply-sag': { domain: 'wiring', title: 'A motor start that resets the board' },
  'inductive-no-diode': { domain: 'wiring', title: 'Motor switched without a diode' },
  'module-lines-swapped': { domain: 'wiring', title: 'Wires of a part swapped' },
  'leads-may-touch': { domain: 'wiring', title: 'Bare legs that cross', isOfStyle: true },
  'wire-colour': { domain: 'wiring', title: 'Wire in a misleading colour', isOfStyle: true },
  'layout-convention': { domain: 'wiring', title: 'Against the house rules', isOfStyle: true },
  'syntax-semicolon': { domain: 'program', title: 'Semicolon missing', isRefused: true },
  'syntax-brace': { domain: 'program', title: 'Brace missing or one too many', isRefused: true },
  'syntax-paren': { domain: 'program', title: 'Parenthesis missing or one too many', isRefused: true },
  'syntax-quote': { domain: 'program', title: 'Quote missing', isRefused: true },
  'syntax-other': { domain: 'program', title: 'A line that can’t be read', isRefused: true },
  'name-case': { domain: 'program', title: 'Name in the wrong case', isRefused: true },
  'name-unknown': { domain: 'program', title: 'Unknown name', isRefused: true },
  'name-out-of-scope': { domain: 'program', title: 'Name not known here', isRefused: true },
  'name-redeclared': { domain: 'program', title: 'Name declared twice', isRefused: true },
  'missing-entry': { domain: 'program', title: 'No program, or setup or loop missing' },
  arguments: { domain: 'program', title: 'Wrong arguments for a function' },
  'assign-in-condition': { domain: 'program', title: 'One = where two are meant' },
  'empty-body': { domain: 'program', title: 'A semicolon that ends the body' },
  'braces-left-out': { domain: 'program', title: 'Braces left out' },
  'always-true': { domain: 'program', title: 'A question with always the same answer' },
  'no-effect': { domain: 'program', title: 'A line that changes nothing' },
  indentation: { domain: 'program', title: 'Lines not indented alike', isRefused: true },
  'colon-missing': { domain: 'program', title: 'Colon missing', isRefused: true },
  'direction-unset': {
    domain: 'program',
    title: 'Pin never made an output',
    isRiskInAnyCase: true,
  },
  'pullup-unset': { domain: 'program', title: 'Pull-up not switched on', families: { input: 4 } },
  'logic-inverted': { domain: 'program', title: 'On and off swapped' },
  'pin-disagrees': {
    domain: 'program',
    title: 'Program and wire use different pins',
    families: { pin: 2 },
    isRiskInAnyCase: true,
  },
  'pin-unused': { domain: 'program', title: 'A pin that is never used' },
  'state-reset': { domain: 'program', title: 'Forgets each time round the loop', needsRewriting: true },
  'missing-pause': { domain: 'program', title: 'Delay missing', families: { rhythm: 4 } },
  'turn-overlap': {
    domain: 'program',
    title: 'The next one on before the last is off',
    families: { rhythm: 5 },
  },
  'missed-input': { domain: 'program', title: 'Checks an input too rarely', needsRewriting: true },
  'wait-in-interrupt': {
    domain: 'program',
    title: 'Waits in an interrupt',
    needsRewriting: true,
    isRiskInAnyCase: true,
  },
  'shared-not-volatile': {
    domain: 'program',
    title: 'Shared with an interrupt, not volatile',
    isRiskInAnyCase: true,
  },
  'double-count': {
    domain: 'program',
    title: 'Counts both edges',
    families: { counting: 1 },
    needsRewriting: true,
  },
  'no-debounce': {
    domain: 'program',
    title: 'Counts contact bounce',
    families: { counting: 3 },
    needsRewriting: true,
  },
  'repeats-while-held': {
    domain: 'program',
    title: 'Repeats while held',
    families: { counting: 2, rhythm: 3 },
    needsRewriting: true,
  },
  'negative-pause': { domain: 'program', title: 'Delay below zero', families: { rhythm: 2 } },
  'out-of-range': { domain: 'program', title: 'Number out of range' },
  'number-overflow': { domain: 'program', title: 'Number too large for its type' },
  'integer-division': { domain: 'program', title: 'Decimals lost' },
  'serial-not-started': { domain: 'program', title: 'Serial was not started' },
  'serial-rate': { domain: 'program', title: 'Serial speeds don’t match' },
  'magic-number': { domain: 'program', title: 'Give this number a name', isOfStyle: true },
  'never-ends': { domain: 'program', title: 'A loop that never ends', families: { rhythm: 1 } },
  'runtime-error': { domain: 'program', title: 'Stops with an error', isRiskInAnyCase: true },
  'not-lit': { domain: 'behaviour', title: 'LED stays dark' },
  'not-dark': { domain: 'behaviour', title: 'LED never goes dark' },
  'stays-on': { domain: 'behaviour', title: 'Stops while lit', families: { rhythm: 7 } },
  'stays-off': { domain: 'behaviour', title: 'Stops while dark', families: { rhythm: 8 } },
  'too-dim': { domain: 'behaviour', title: 'Too dim', families: { current: 13 } },
  'too-bright': { domain: 'behaviour', title: 'Too bright', families: { current: 12 } },
  'timing-off': { domain: 'behaviour', title: 'Timing is off', families: { rhythm: 6 } },
  'order-wrong': { domain: 'behaviour', title: 'Wrong order' },
  'count-wrong': { domain: 'behaviour', title: 'Wrong count', families: { counting: 4 } },
  'no-response': { domain: 'behaviour', title: 'No response' },
  'late-response': { domain: 'behaviour', title: 'Responds too late' },
  unsteady: { domain: 'behaviour', title: 'Not the same every time', families: { input: 7 } },
  'wrong-direction': { domain: 'behaviour', title: 'Goes the wrong way' },
  'angle-off': { domain: 'behaviour', title: 'Wrong angle' },
  'tone-off': { domain: 'behaviour', title: 'Wrong tone' },
  'text-off': { domain: 'behaviour', title: 'Printed text is off' },
  'picture-off': { domain: 'behaviour', title: 'Wrong picture' },
  'colour-off': { domain: 'behaviour', title: 'Wrong colour' },
  'way-off': { domain: 'behaviour', title: 'Done in another way than asked' },
  'variety-off': { domain: 'behaviour', title: 'Not random enough' },
  'bench-disagrees': { domain: 'behaviour', title: 'Bench and record don’t match' },
  'not-judged': { domain: 'check', title: 'Could not be judged' },
} as const satisfies Readonly<Record<string, FindingRow>>;

export type FindingCode = keyof typeof findingTable;

/** Every code, in the order of the table. */
export const findingCodes = Object.keys(findingTable) as [FindingCode, ...FindingCode[]];

/** What is known of a finding whatever the build. */
export const rowOf = (code: FindingCode): FindingRow => findingTable[code];
