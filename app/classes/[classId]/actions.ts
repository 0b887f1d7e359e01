'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import {
  classChangeSchema,
  meetingsSchema,
  type ClassChange,
  type Meeting,
} from '@/core/messages/class-change';
import { textSchema } from '@/core/messages/texts';
import { database } from '@/server/database/connection';
import type { Action, Viewer } from '@/server/permissions';
import * as register from '@/server/people/class-register';
import { eraseLearner as erase } from '@/server/people/erase';
import * as rosters from '@/server/people/roster';
import type { Slip } from '@/ui/people/actions';
import { requireViewer } from '../../access';
import { idSchema, saidBy } from '../../arguments';
import { refusalOf } from '../../refusals';

type Refusal = Promise<string | undefined>;

const NOT_YOURS = 'This class is not yours to change.';
const LONGEST_LIST = 100_000;

/** Does something to a class with arguments of the right form; says why not. */
async function act<Schema extends z.ZodType>(
  action: Action,
  classId: unknown,
  schema: Schema,
  given: unknown,
  work: (classId: string, data: z.infer<Schema>, viewer: Viewer) => Promise<unknown>,
): Refusal {
  const viewer = await requireViewer(action);
  const id = idSchema.safeParse(classId);
  const data = schema.safeParse(given);
  if (!id.success) return NOT_YOURS;
  if (!data.success) return saidBy(data.error);
  let done: unknown;
  const refusal = await refusalOf(async () => {
    done = await work(id.data, data.data, viewer);
  });
  revalidatePath(`/classes/${id.data}`);
  return refusal ?? (done === false ? NOT_YOURS : undefined);
}

/** Changes the name, the term, the end, or who comes in. */
export const change = async (classId: string, wanted: ClassChange): Refusal =>
  act('keep-class', classId, classChangeSchema, wanted, (id, data, viewer) =>
    register.changeClass(database(), viewer, id, data),
  );

/** Gives the class another code. */
export const renewCode = async (classId: string): Refusal =>
  act('keep-class', classId, z.undefined(), undefined, async (id, _, viewer) => {
    return (await register.renewCode(database(), viewer, id)) !== undefined;
  });

/** Plans meetings. */
export const addMeetings = async (classId: string, meetings: readonly Meeting[]): Refusal =>
  act('keep-class', classId, meetingsSchema, meetings, (id, data, viewer) =>
    register.addMeetings(database(), viewer, id, data),
  );

/** Takes a meeting out. */
export const removeMeeting = async (classId: string, meetingId: string): Refusal =>
  act('keep-class', classId, idSchema, meetingId, (id, data, viewer) =>
    register.removeMeeting(database(), viewer, id, data),
  );

/** Gives the class to a colleague as well, or takes it from one. */
export const setStaff = async (classId: string, staffId: string, belongs: 'yes' | 'no'): Refusal =>
  act(
    'keep-class',
    classId,
    z.object({ staffId: idSchema, belongs: z.enum(['yes', 'no']) }),
    { staffId, belongs },
    (id, data, viewer) => register.setClassStaff(database(), viewer, id, data.staffId, data.belongs),
  );

/** Adds the learners of a list; their slips, or what is wrong with the list and where. */
export async function addLearners(
  classId: string,
  list: string,
): Promise<rosters.Enrolled | { readonly message: string }> {
  let enrolled: rosters.Enrolled | undefined;
  const refusal = await act(
    'keep-class',
    classId,
    textSchema(LONGEST_LIST),
    list,
    async (id, text, viewer) => {
      enrolled = await rosters.addToRoster(database(), viewer, id, text);
      return enrolled !== undefined;
    },
  );
  return enrolled ?? { message: refusal ?? NOT_YOURS };
}

/** New slips for all who have not joined. */
export async function slips(classId: string): Promise<readonly Slip[]> {
  const viewer = await requireViewer('keep-doors');
  const id = idSchema.safeParse(classId);
  return id.success ? rosters.slipsForClass(database(), viewer, id.data) : [];
}

const renamingSchema = z.object({ learnerId: idSchema, name: z.string().max(2000) });

/** Gives a learner another name. */
export const renameLearner = async (classId: string, learnerId: string, name: string): Refusal =>
  act('keep-class', classId, renamingSchema, { learnerId, name }, (_, data, viewer) =>
    rosters.renameLearner(database(), viewer, data.learnerId, data.name),
  );

/** Moves a learner with their work to another class. */
export const moveLearner = async (classId: string, learnerId: string, toClassId: string): Refusal =>
  act(
    'keep-class',
    classId,
    z.object({ learnerId: idSchema, toClassId: idSchema }),
    { learnerId, toClassId },
    (_, data, viewer) => rosters.moveLearner(database(), viewer, data.learnerId, data.toClassId),
  );

/** Erases a learner with all their work. */
export const eraseLearner = async (classId: string, learnerId: string): Refusal =>
  act('erase-learner', classId, idSchema, learnerId, (_, id, viewer) => erase(database(), viewer, id));
