import * as z from 'zod';
import type { RoomForBoards } from '../course/bring-up';
import { readName } from '../people/person-name';

/** A name of a person or a class, as it is kept. */
export const nameSchema = z
  .string()
  .max(2000, 'That is too long for a name.')
  .transform((typed, context) => {
    const read = readName(typed);
    if (read.ok) return read.value;
    context.addIssue({ code: 'custom', message: read.problems[0]!.message });
    return z.NEVER;
  });

/** Longest term, such as `Spring 2027`, in characters. */
const LONGEST_TERM = 60;
/** Longest address, name or password that boards are given, in characters. */
const LONGEST_FOR_BOARDS = 200;
const forBoardsSchema = z
  .string()
  .trim()
  .max(LONGEST_FOR_BOARDS, `At most ${LONGEST_FOR_BOARDS} characters.`);
/** Days that work may be kept after the end of a class, at most. */
const MOST_DAYS = 3650;

/** Whether learners come in; an archived class is out of the way as well. */
export const classStates = ['open', 'closed', 'archived'] as const;
export type ClassState = (typeof classStates)[number];

/** One change of a class by those who teach it. */
export const classChangeSchema = z.union([
  z.strictObject({ name: nameSchema }),
  z.strictObject({ term: z.string().trim().max(LONGEST_TERM, `At most ${LONGEST_TERM} characters.`) }),
  z.strictObject({ endsOn: z.iso.date('Write the day like 2027-06-30.').nullable() }),
  z.strictObject({
    keepDays: z.int('A whole number of days.').min(0).max(MOST_DAYS, `At most ${MOST_DAYS} days.`).nullable(),
  }),
  z.strictObject({ state: z.enum(classStates) }),
  z.strictObject({ packagesFrom: forBoardsSchema }),
  z.strictObject({ network: forBoardsSchema }),
  z.strictObject({ password: forBoardsSchema }),
]);
export type ClassChange = z.infer<typeof classChangeSchema>;

/** Most meetings that are set at once. */
export const MOST_MEETINGS = 52;

/** An instant in universal time with its milliseconds, so that texts are in the order of the instants. */
const instantSchema = z.iso.datetime({ precision: 3 });

/** When a class meets; the hours are worked out where its clock hangs, so that they stay when the clocks change. */
export const meetingSchema = z
  .strictObject({ startsAt: instantSchema, endsAt: instantSchema })
  .refine(({ startsAt, endsAt }) => startsAt < endsAt, 'It ends before it begins.');
export type Meeting = z.infer<typeof meetingSchema>;

/** Meetings that are added at once. */
export const meetingsSchema = z
  .array(meetingSchema)
  .min(1, 'At least one meeting.')
  .max(MOST_MEETINGS, `At most ${MOST_MEETINGS} meetings at once.`);

/** A class as those who teach it keep it. */
export interface KeptClass {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly term: string;
  readonly state: ClassState;
  /** Its last day, like `2027-06-30`. */
  readonly endsOn: string | null;
  /** Days after it until learners and their work are erased; `null` for never. */
  readonly keepDays: number | null;
  /** The last day on which they are kept, as that comes to; `null` for ever. */
  readonly keptUntil: string | null;
  /** What everybody needs who gets a board ready in its room. */
  readonly forBoards: RoomForBoards;
  readonly learners: number;
  readonly meetings: readonly (Meeting & { readonly id: string })[];
  readonly staff: readonly { readonly id: string; readonly name: string }[];
}
