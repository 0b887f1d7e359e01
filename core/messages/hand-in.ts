import * as z from 'zod';
import { statedSchema } from '../formats/exercise';
import { verdictSchema } from '../formats/report';
import { sightingSchema } from '../formats/sighting';
import { PROGRAM_LIMIT } from '../program/limits';
import { TABLE_LIMIT } from '../wiring/table';
import { textSchema } from './texts';

/** A build as a learner hands it in, or has it checked. */
const build = {
  wiring: textSchema(TABLE_LIMIT),
  program: textSchema(PROGRAM_LIMIT),
  sighting: sightingSchema.optional(),
  /** What the learner says that theirs does, where the exercise leaves that open. */
  stated: statedSchema.optional(),
};

/** A hand-in as it waits on a tablet: `clientId` is made there, so that the same one sent twice is kept once. */
export const pendingSchema = z.object({
  clientId: textSchema(64).min(8),
  ...build,
  hintsTaken: z.int().min(0).max(1000).default(0),
});
export type PendingHandIn = Readonly<z.infer<typeof pendingSchema>>;

/** A hand-in as it is sent. */
export const handInSchema = pendingSchema.extend({ publicationId: textSchema(64) });
export type HandIn = Readonly<z.infer<typeof handInSchema>>;

/** How long the queue before a hand-in is. */
export const queueSchema = z.object({ before: z.number(), isStarted: z.boolean() });
export type Queue = Readonly<z.infer<typeof queueSchema>>;

/** The answer to a hand-in that the server has. */
export const handInAnswerSchema = z.object({ submissionId: z.string(), waiting: queueSchema.optional() });

/** How a hand-in stands: judged, or how many are to be judged before it. */
export const standingSchema = z.object({
  verdict: verdictSchema.nullable(),
  waiting: queueSchema.optional(),
});
export type Standing = Readonly<z.infer<typeof standingSchema>>;

/** A build that the server is asked to check. */
export const checkSchema = z.object({
  publicationId: textSchema(64),
  ...build,
  /** The stage at which it is looked at; the whole when left out. */
  stage: textSchema(400).optional(),
});
export type CheckWish = Readonly<z.infer<typeof checkSchema>>;
