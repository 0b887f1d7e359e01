import * as z from 'zod';

/** What a pin can do beyond being a plain wire into the controller. */
export const pinFunctionSchema = z.enum([
  'digital',
  'pwm',
  'analog',
  'interrupt',
  'pin-change',
  'serial',
  'bus-data',
  'bus-clock',
]);
export type PinFunction = z.infer<typeof pinFunctionSchema>;

const pinSchema = z.object({
  /** Name printed beside the socket: `13`, `A0`. */
  name: z.string().regex(/^[A-Za-z0-9]+$/, 'write a pin name of letters and figures'),
  /** Other names under which the socket is known. */
  aliases: z.array(z.string().min(1)).default([]),
  /** Number that a program uses for it. */
  number: z.int().min(0),
  functions: z.array(pinFunctionSchema).min(1),
  /** PWM frequency of this pin in Hz, where it differs from the board's. */
  pwmHertz: z.number().positive().optional(),
  /** Number under which a program asks for this pin's interrupt. */
  interrupt: z.int().min(0).optional(),
  /** Port group whose summed current is limited. */
  port: z.string().optional(),
  /** The bit of the chip's registers that is this pin: `B5` is bit 5 of `PORTB`, `DDRB` and `PINB`. */
  register: z
    .string()
    .regex(/^[A-L][0-7]$/, 'write a register’s letter and a bit, such as B5')
    .optional(),
  /** Why the pin is better left free. */
  reserved: z.enum(['serial', 'start-up']).optional(),
  /** Which end of the serial line the pin becomes once a program has started it; none where that line has a plug of its own. */
  serialEnd: z.enum(['out', 'in']).optional(),
  /** For pins that decide how the board starts: the level they must have then. */
  startLevel: z.enum(['high', 'low']).optional(),
  /** A word for the ledger, such as `built-in LED`. */
  label: z.string().optional(),
});

const voltRange = z.tuple([z.number().min(0), z.number().positive()]);

const groundSchema = z.object({
  name: z.string().min(1),
  role: z.literal('ground'),
  /** How many sockets carry this name; each takes one wire. */
  sockets: z.int().min(1),
});

const supplySchema = z.object({
  name: z.string().min(1),
  role: z.literal('supply'),
  sockets: z.int().min(1),
  volts: z.number({ error: 'a supply needs its volts' }).positive(),
  sourceOhms: z.number().min(0).default(0.5),
  limitMa: z.number().positive().optional(),
  toleranceFraction: z.number().min(0).max(1).default(0.05),
  /** Where the figures come from. */
  source: z.string().min(1),
});

/** A socket that takes power from outside. */
const inputSchema = z.object({
  name: z.string().min(1),
  role: z.literal('input'),
  sockets: z.int().min(1),
  /** Volts at which it works well, at which it survives, and that a class room should use. */
  volts: z.object({ recommended: voltRange, absolute: voltRange, classRoom: voltRange }),
  /** What the board looks like to that power, in Ω. */
  loadOhms: z.number().positive(),
  /** Whether this is the logic's own supply, as on a bare chip, rather than a regulator's input. */
  feedsLogic: z.boolean().default(false),
  source: z.string().min(1),
});

const landmarkSchema = z.object({
  name: z.string().min(1),
  kind: z.enum(['socket', 'button', 'lamp', 'connector', 'chip']),
  /** Where to look for it, with the board's main plug pointing up. */
  where: z.string().min(1),
  means: z.string().min(1),
  /** For LEDs: what a pattern of light means. */
  patterns: z.array(z.object({ shows: z.string().min(1), means: z.string().min(1) })).default([]),
});

const bringUpSchema = z.object({
  /** What must be chosen or installed on the computer, in order. */
  packages: z.array(z.string()),
  libraries: z.array(z.string()),
  /** How a program gets on the board. */
  upload: z.string().min(1),
  waits: z.array(z.object({ what: z.string().min(1), seconds: z.number().positive() })),
  /** Messages that may appear and mean nothing. */
  harmlessMessages: z.array(z.string()),
  /** What differs by the kind of computer. */
  bySystem: z.array(
    z.object({ system: z.enum(['desktop', 'school-laptop', 'tablet']), driver: z.string().min(1) }),
  ),
});

const shape = z.object({
  format: z.literal('didaktor/board@1'),
  id: z.string().regex(/^[a-z0-9-]+$/, 'write an id of lower-case letters, figures and hyphens'),
  title: z.string().min(1),
  short: z.string().min(1),
  logicVolts: z.number().positive(),
  clockHz: z.number().positive(),
  /** Other clocks that the chip can be set to. */
  clockChoicesHz: z.array(z.number().positive()).default([]),
  supplies: z.array(z.discriminatedUnion('role', [groundSchema, supplySchema, inputSchema])).min(2),
  pins: z.array(pinSchema).min(1),
  /** Names that the language gives to pin numbers: `LED_BUILTIN`, `A0`. */
  names: z.record(z.string(), z.int().min(0)),
  onBoard: z.array(
    z.object({
      pin: z.string(),
      kind: z.literal('lamp'),
      lights: z.enum(['high', 'low']),
      loadsPin: z.boolean(),
      label: z.string(),
    }),
  ),
  drive: z.object({
    outputOhms: z.number().positive(),
    recommendedMa: z.number().positive(),
    absoluteMa: z.number().positive(),
    totalMa: z.number().positive(),
    portSourceMa: z.number().positive().optional(),
    portSinkMa: z.number().positive().optional(),
    source: z.string().min(1),
  }),
  input: z.object({
    pullUpOhms: z.number().positive(),
    pullUpRangeOhms: z.tuple([z.number().positive(), z.number().positive()]),
    lowBelowVolts: z.number(),
    highAboveVolts: z.number(),
    leakOhms: z.number().positive(),
    source: z.string().min(1),
  }),
  /** Lowest supply at which the controller keeps running, in V. */
  resetsBelowVolts: z.number().positive(),
  pwm: z.object({ hertz: z.number().positive(), range: z.int().positive() }),
  /** Pins whose PWM is taken away while its timer does something else. */
  timers: z
    .object({ servo: z.array(z.string()).default([]), tone: z.array(z.string()).default([]) })
    .default({ servo: [], tone: [] }),
  analog: z.object({ range: z.int().positive(), referenceVolts: z.number().positive() }),
  language: z.object({
    default: z.enum(['cpp', 'python']),
    intBits: z.union([z.literal(16), z.literal(32)]),
    doubleBits: z.union([z.literal(32), z.literal(64)]),
    charSigned: z.boolean(),
  }),
  memory: z.object({ programBytes: z.int().positive(), dataBytes: z.int().positive() }),
  landmarks: z.array(landmarkSchema),
  /** Its sockets on each side from the top, the main plug or the notch pointing up; '' leaves a place free. */
  outline: z.object({ left: z.array(z.string()), right: z.array(z.string()) }).optional(),
  /** Whether it joins a network by radio. */
  network: z.boolean().optional(),
  bringUp: bringUpSchema,
});

type Shape = z.infer<typeof shape>;
type Contradiction = readonly [message: string, path: readonly (string | number)[]];

/** A board as data: pins, supplies, limits, and what its language means by `int`. */
export const boardProfileSchema = shape.superRefine((board, context) => {
  for (const [message, path] of [
    ...(board.id === 'none' ? [['“none” stands for no board', ['id']] as Contradiction] : []),
    ...namesTwice(board),
    ...powerTrouble(board),
    ...limitTrouble(board),
    ...pinTrouble(board),
  ])
    context.addIssue({ code: 'custom', message, path: [...path] });
});

function namesTwice(board: Shape): readonly Contradiction[] {
  const found: Contradiction[] = [];
  const names = new Set<string>();
  const numbers = new Map<number, string>();
  board.supplies.forEach(({ name }, index) => {
    if (names.has(name.toUpperCase()))
      found.push([`the name ${name} is given to two sockets`, ['supplies', index, 'name']]);
    names.add(name.toUpperCase());
  });
  board.pins.forEach((pin, index) => {
    for (const name of [pin.name, ...pin.aliases]) {
      if (names.has(name.toUpperCase()))
        found.push([`the name ${name} is given to two sockets`, ['pins', index, 'name']]);
      names.add(name.toUpperCase());
    }
    const other = numbers.get(pin.number);
    if (other !== undefined)
      found.push([
        `pins ${other} and ${pin.name} have the same number ${pin.number}`,
        ['pins', index, 'number'],
      ]);
    numbers.set(pin.number, pin.name);
  });
  return found;
}

function powerTrouble(board: Shape): readonly Contradiction[] {
  const found: Contradiction[] = [];
  if (!board.supplies.some((supply) => supply.role === 'ground'))
    found.push(['the board has no ground', ['supplies']]);
  const feeds = board.supplies.some(
    (supply) =>
      (supply.role === 'supply' && supply.volts === board.logicVolts) ||
      (supply.role === 'input' && supply.feedsLogic),
  );
  if (!feeds) found.push([`no supply has the logic voltage of ${board.logicVolts} V`, ['logicVolts']]);
  board.supplies.forEach((supply, index) => {
    if (supply.role !== 'input') return;
    const { recommended, absolute, classRoom } = supply.volts;
    for (const [name, inner, outer] of [
      ['recommended', recommended, absolute],
      ['classRoom', classRoom, recommended],
    ] as const)
      if (inner[0] < outer[0] || inner[1] > outer[1] || inner[0] > inner[1])
        found.push([
          `the ${name === 'classRoom' ? 'class-room' : name} range of ${supply.name} does not lie within the wider one`,
          ['supplies', index, 'volts', name],
        ]);
  });
  return found;
}

function limitTrouble({
  drive,
  input,
  logicVolts,
  resetsBelowVolts,
  analog,
}: Shape): readonly Contradiction[] {
  const found: Contradiction[] = [];
  if (drive.recommendedMa > drive.absoluteMa)
    found.push(['a pin is recommended more current than it stands', ['drive', 'recommendedMa']]);
  if (drive.absoluteMa > drive.totalMa)
    found.push(['one pin may give more than all together', ['drive', 'totalMa']]);
  if (input.lowBelowVolts > input.highAboveVolts)
    found.push(['the low threshold is above the high threshold', ['input', 'lowBelowVolts']]);
  if (input.highAboveVolts > logicVolts)
    found.push(['the high threshold is above the supply', ['input', 'highAboveVolts']]);
  const [least, most] = input.pullUpRangeOhms;
  if (input.pullUpOhms < least || input.pullUpOhms > most)
    found.push(['the pull-up lies outside its own range', ['input', 'pullUpOhms']]);
  if (resetsBelowVolts >= logicVolts)
    found.push(['the board would be in reset at its own supply', ['resetsBelowVolts']]);
  if (analog.referenceVolts > logicVolts)
    found.push(['the analog range goes beyond the supply', ['analog', 'referenceVolts']]);
  return found;
}

function pinTrouble(board: Shape): readonly Contradiction[] {
  const found: Contradiction[] = [];
  const names = new Set(board.pins.map((pin) => pin.name));
  board.onBoard.forEach((load, index) => {
    if (!names.has(load.pin)) found.push([`the board has no pin ${load.pin}`, ['onBoard', index, 'pin']]);
  });
  board.pins.forEach((pin, index) => {
    if (pin.pwmHertz !== undefined && !pin.functions.includes('pwm'))
      found.push([`pin ${pin.name} has a PWM frequency and no PWM`, ['pins', index, 'pwmHertz']]);
    if (pin.interrupt !== undefined && !pin.functions.includes('interrupt'))
      found.push([
        `pin ${pin.name} has the number of an interrupt and makes none`,
        ['pins', index, 'interrupt'],
      ]);
    if (pin.startLevel !== undefined && pin.reserved !== 'start-up')
      found.push([
        `pin ${pin.name} has a level at the start and does not decide it`,
        ['pins', index, 'startLevel'],
      ]);
  });
  for (const [use, pins] of Object.entries(board.timers))
    pins.forEach((name, index) => {
      if (!names.has(name)) found.push([`the board has no pin ${name}`, ['timers', use, index]]);
    });
  const { outline } = board;
  if (outline) {
    const sockets = new Set([...names, ...board.supplies.map(({ name }) => name)]);
    for (const side of ['left', 'right'] as const)
      outline[side].forEach((name, index) => {
        if (name !== '' && !sockets.has(name))
          found.push([`the board has no socket ${name}`, ['outline', side, index]]);
      });
    const shown = [...outline.left, ...outline.right];
    for (const name of names)
      if (shown.filter((one) => one === name).length !== 1)
        found.push([`pin ${name} has to stand on one side, once`, ['outline']]);
  }
  const numbers = new Set(board.pins.map((pin) => pin.number));
  for (const [name, number] of Object.entries(board.names))
    if (!numbers.has(number)) found.push([`the name ${name} stands for no pin`, ['names', name]]);
  return found;
}

export type BoardProfile = Readonly<z.infer<typeof boardProfileSchema>>;
export type BoardPin = BoardProfile['pins'][number];
export type BoardSocket = BoardProfile['supplies'][number];
export type BoardSupply = Extract<BoardSocket, { role: 'supply' }>;
export type PowerInput = Extract<BoardSocket, { role: 'input' }>;
