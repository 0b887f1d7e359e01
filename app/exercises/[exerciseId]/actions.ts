'use server';

import { revalidatePath } from 'next/cache';
import * as z from 'zod';
import type { ProposedScenario } from '@/core/generated/proposals';
import { lacksOf, type Lack } from '@/core/worksheet/lacks';
import type { Proof } from '@/core/worksheet/proof';
import { database } from '@/server/database/connection';
import { findDraft } from '@/server/exercises/drafts';
import { bringBack, closePublication, publish, setDates } from '@/server/exercises/publishing';
import { guarded } from '@/server/guard/processes';
import { mayWithExercise } from '@/server/sharing';
import type { DatesWish } from '@/ui/publish/publishing';
import { requireViewer } from '../../access';
import { idSchema, saidBy } from '../../arguments';

const momentSchema = z.iso
  .datetime('This is not a date and time.')
  .transform((moment) => new Date(moment))
  .nullable();
const datesSchema = z.object({
  opensAt: momentSchema,
  dueAt: momentSchema,
  closesAt: momentSchema,
  learnerIds: z.array(idSchema).max(1000),
});

/** Opens the exercise as it stands for a class, with its dates where they are given; says why when it cannot be. */
export async function publishToClass(
  exerciseId: string,
  classId: string,
  dates?: DatesWish,
): Promise<string | undefined> {
  const viewer = await requireViewer('publish-exercise');
  const given = z
    .object({ exerciseId: idSchema, classId: idSchema, dates: datesSchema.optional() })
    .safeParse({ exerciseId, classId, dates });
  if (!given.success) return saidBy(given.error);
  const { data } = given;
  const result = await publish(database(), guarded(), viewer, data.exerciseId, data.classId);
  const refusal =
    'message' in result
      ? result.message
      : data.dates && (await setDates(database(), viewer, result.publicationId, data.dates));
  revalidatePath(`/exercises/${data.exerciseId}`);
  return refusal;
}

/** Sets from when until when it is open, and for whom; says why when it cannot be. */
export async function setDatesForClass(
  exerciseId: string,
  publicationId: string,
  dates: DatesWish,
): Promise<string | undefined> {
  const viewer = await requireViewer('publish-exercise');
  const given = datesSchema.safeParse(dates);
  if (!given.success) return saidBy(given.error);
  const refusal = await setDates(database(), viewer, publicationId, given.data);
  revalidatePath(`/exercises/${exerciseId}`);
  return refusal;
}

/** Opens a revision again that a class had before; says why when it cannot be. */
export async function bringBackForClass(
  exerciseId: string,
  publicationId: string,
): Promise<string | undefined> {
  const viewer = await requireViewer('publish-exercise');
  const result = await bringBack(database(), viewer, publicationId);
  revalidatePath(`/exercises/${exerciseId}`);
  return 'message' in result ? result.message : undefined;
}

/** Closes it again; says why when it cannot be. */
export async function closeForClass(exerciseId: string, publicationId: string): Promise<string | undefined> {
  const viewer = await requireViewer('close-exercise');
  const closed = await closePublication(database(), viewer, publicationId);
  revalidatePath(`/exercises/${exerciseId}`);
  return closed ? undefined : 'This is not open in any of your classes.';
}

/** Runs the draft as it is kept against its scenarios; nothing when it is gone. */
export async function proveDraft(exerciseId: string): Promise<Proof | undefined> {
  const viewer = await requireViewer('see-worksheet');
  if (!(await mayWithExercise(database(), viewer, exerciseId, 'look'))) return undefined;
  const draft = await findDraft(database(), exerciseId);
  return draft && guarded().ask('prove', { data: draft.sheet });
}

/** What the draft as it is kept still lacks before a class gets it; nothing when it is gone. */
export async function lacksOfDraft(exerciseId: string): Promise<readonly Lack[]> {
  const viewer = await requireViewer('publish-exercise');
  if (!(await mayWithExercise(database(), viewer, exerciseId, 'look'))) return [];
  const draft = await findDraft(database(), exerciseId);
  if (!draft) return [];
  return lacksOf(draft.sheet, await guarded().ask('prove', { data: draft.sheet }));
}

/** Scenarios that the draft as it is kept could have; none when it is gone. */
export async function proposeForDraft(exerciseId: string): Promise<readonly ProposedScenario[]> {
  const viewer = await requireViewer('edit-exercise');
  if (!(await mayWithExercise(database(), viewer, exerciseId, 'look'))) return [];
  const draft = await findDraft(database(), exerciseId);
  return draft ? guarded().ask('propose', { data: draft.sheet }) : [];
}
