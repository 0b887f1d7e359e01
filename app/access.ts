import { cookies, headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { cache } from 'react';
import { database } from '@/server/database/connection';
import { can, roleOf, type Action, type Viewer } from '@/server/permissions';
import { viewerOf } from '@/server/people/sessions';

export const SESSION_COOKIE = 'didaktor-session';

/** Who is signed in, looked up once per request. */
export const currentViewer = cache(async (): Promise<Viewer | undefined> => {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return token ? viewerOf(database(), token) : undefined;
});

/** The viewer, when they may do this; others are sent to sign in or told that there is nothing here. */
export async function requireViewer(action: Action): Promise<Viewer> {
  const viewer = await currentViewer();
  if (!viewer) redirect('/sign-in');
  if (!can(roleOf(viewer), action)) notFound();
  return viewer;
}

/** Whether whoever asks may do this, signed in or not. */
export const mayDo = async (action: Action): Promise<boolean> => can(roleOf(await currentViewer()), action);

/** The address a request came from, as far as it can be known. */
export async function addressOf(): Promise<string> {
  const forwarded = (await headers()).get('x-forwarded-for');
  return forwarded?.split(',')[0]?.trim() || 'direct';
}

/**
 * Puts the session into a cookie that no script reads. Not `Secure`: in a class room, tablets reach
 * the laptop over plain HTTP (docs/decisions/0005-plain-http.md).
 */
export async function keepSession(token: string, expires: Date): Promise<void> {
  (await cookies()).set(SESSION_COOKIE, token, { httpOnly: true, sameSite: 'lax', path: '/', expires });
}
