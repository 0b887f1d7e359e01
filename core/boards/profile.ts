import { z } from 'zod';

/** What a pin can do beyond being a plain wire into the controller. */
export const pinFunctionSchema = z.enum(['digital', 'pwm', 'analog', 'interrupt', 'serial']);
export type PinFunction = z.infer<typeof pinFunctionSchema>;

const pinSchema = z.object({
  /** Name printed beside the socket: `13`, `A0`. */
  name: z.string().min(1),
  /** Number that a program uses for it. */
  number: z.int().min(0),
  functions: z.array(pinFunctionSchema).min(1),
  /** Port group whose summed current is limited. */
  port: z.string().optional(),
  /** Why the pin is better left free. */
  reserved: z.enum(['serial', 'start-up']).optional(),
  /** A word for the ledger, such as `own lamp`. */
  label: z.string().optional(),
});

const supplySchema = z.object({
  name: z.string().min(1),
  role: z.enum(['ground', 'supply']),
  /** How many sockets carry this name; each takes one wire. */
  sockets: z.int().min(1),
  volts: z.number().optional(),
  sourceOhms: z.number().min(0).optional(),
  limitMa: z.number().positive().optional(),
  toleranceFraction: z.number().min(0).max(1).optional(),
});

/** A board as data: pins, supplies, limits, and what its language means by `int`. */
export const boardProfileSchema = z
  .object({
    format: z.literal('didaktor/board@1'),
    id: z.string().regex(/^[a-z0-9-]+$/),
    title: z.string().min(1),
    short: z.string().min(1),
    logicVolts: z.number().positive(),
    clockHz: z.number().positive(),
    supplies: z.array(supplySchema).min(2),
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
      source: z.string(),
    }),
    input: z.object({
      pullUpOhms: z.number().positive(),
      pullUpRangeOhms: z.tuple([z.number().positive(), z.number().positive()]),
      lowBelowVolts: z.number(),
      highAboveVolts: z.number(),
      leakOhms: z.number().positive(),
      source: z.string(),
    }),
    pwm: z.object({ hertz: z.number().positive(), range: z.int().positive() }),
    analog: z.object({ range: z.int().positive(), referenceVolts: z.number().positive() }),
    language: z.object({
      default: z.enum(['cpp', 'python']),
      intBits: z.union([z.literal(16), z.literal(32)]),
      doubleBits: z.union([z.literal(32), z.literal(64)]),
      charSigned: z.boolean(),
    }),
    memory: z.object({ programBytes: z.int().positive(), dataBytes: z.int().positive() }),
  })
  .superRefine((board, context) => {
    const seen = new Set<string>();
    for (const socket of [...board.supplies, ...board.pins]) {
      if (seen.has(socket.name))
        context.addIssue({
          code: 'custom',
          message: `the name ${socket.name} is given to two sockets`,
          path: ['pins'],
        });
      seen.add(socket.name);
    }
    if (!board.supplies.some((supply) => supply.role === 'ground'))
      context.addIssue({ code: 'custom', message: 'the board has no ground', path: ['supplies'] });
    for (const supply of board.supplies) {
      if (supply.role === 'supply' && supply.volts === undefined)
        context.addIssue({
          code: 'custom',
          message: `the supply ${supply.name} has no voltage`,
          path: ['supplies'],
        });
    }
    if (board.input.lowBelowVolts > board.input.highAboveVolts)
      context.addIssue({
        code: 'custom',
        message: 'the low threshold is above the high threshold',
        path: ['input', 'lowBelowVolts'],
      });
  });

export type BoardProfile = Readonly<z.infer<typeof boardProfileSchema>>;
export type BoardPin = BoardProfile['pins'][number];
export type BoardSupply = BoardProfile['supplies'][number];
