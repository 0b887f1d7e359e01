import * as z from 'zod';
import { textSchema } from './texts';

/** Most exercises that a meeting is planned with. */
export const MOST_EXERCISES = 12;

/** What is decided of a meeting. */
export const meetingPlanSchema = z.union([
  z.strictObject({
    exercises: z.array(z.uuid()).max(MOST_EXERCISES, `At most ${MOST_EXERCISES} exercises in one meeting.`),
  }),
  z.strictObject({ prepared: z.array(z.enum(['bags-checked', 'program-given', 'no-predictions'])).max(3) }),
  z.strictObject({
    perBench: z
      .int('A whole number of learners.')
      .min(1, 'At least one learner at a bench.')
      .max(20, 'At most 20.'),
  }),
]);
export type MeetingDecision = z.infer<typeof meetingPlanSchema>;

/** How long stretches have taken, by their ids. */
export const takenSchema = z.record(
  textSchema(200),
  z.strictObject({ title: textSchema(400), planned: z.number().min(0), minutes: z.number().min(0) }),
);

/** A meeting as it runs, told by whoever presses; the last press counts, whenever it arrives. */
export const runStateSchema = z.strictObject({
  startedAt: z.number(),
  stepId: textSchema(200),
  stepSince: z.number(),
  hold: z.int().min(0).max(1000),
  isDark: z.boolean(),
  taken: takenSchema.default({}),
});
export const runMessageSchema = z.strictObject({
  /** `null`: the meeting is over, or begins anew. */
  state: runStateSchema.nullable(),
  /** What a meeting that is over has taken. */
  taken: takenSchema.optional(),
  pressedAt: z.int().min(0),
});
export type RunMessage = z.infer<typeof runMessageSchema>;

/** The same as the server has it, with the time by its clock: tablets go by that one, whatever theirs says. */
export const runAnswerSchema = runMessageSchema.extend({ now: z.number() });
export type RunAnswer = z.infer<typeof runAnswerSchema>;

export const tickSchema = z.strictObject({ item: textSchema(600).min(1), done: z.enum(['yes', 'no']) });
export type Tick = z.infer<typeof tickSchema>;

/** An exercise that a meeting may have. */
export interface PlannedExercise {
  readonly id: string;
  readonly title: string;
  readonly minutes: number | null;
}

/** Exercises that come next for a class, as its course has them. */
export interface Suggestion {
  readonly lesson: string;
  readonly exercises: readonly PlannedExercise[];
}
