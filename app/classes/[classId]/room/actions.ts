'use server';

import * as z from 'zod';
import { database } from '@/server/database/connection';
import * as help from '@/server/room/help';
import { requireViewer } from '../../../access';
import { idSchema } from '../../../arguments';

/** Takes a call for help, or ends it; false when somebody was faster, or it is over. */
export async function answerCall(callId: string, how: 'take' | 'end'): Promise<boolean> {
  const viewer = await requireViewer('see-room');
  const given = z.object({ id: idSchema, how: z.enum(['take', 'end']) }).safeParse({ id: callId, how });
  return given.success && help.answerCall(database(), viewer, given.data.id, given.data.how);
}
