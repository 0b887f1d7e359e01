'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import type { ProposedScenario } from '@/core/generated/proposals';
import { lacksOf, type Lack } from '@/core/worksheet/lacks';
import type { Proof } from '@/core/worksheet/proof';
import { database } from '@/server/database/connection';
import { findDraft } from '@/server/exercises/drafts';
import { closePublication, publish } from '@/server/exercises/publications';
import { guarded } from '@/server/guard/processes';
import { mayWithExercise } from '@/server/sharing';
import { requireViewer } from '../../access';
import { idSchema, saidBy } from '../../arguments';

/** Opens the exercise as it stands for a class; says why when it cannot be. */
export async function publishToClass(exerciseId: string, classId: string): Promise<string | undefined> {
  const viewer = await requireViewer('publish-exercise');
  const given = z.object({ exerciseId: idSchema, classId: idSchema }).safeParse({ exerciseId, classId });
  if (!given.success) return saidBy(given.error);
  const result = await publish(database(), guarded(), viewer, given.data.exerciseId, given.data.classId);
  revalidatePath(`/exercises/${given.data.exerciseId}`);
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
