import { cookies, headers } from 'next/headers';
import { notFound, redirect } from 'next/navigation';
import { cache } from 'react';
import { database } from '@/server/database/connection';
import { newToken } from '@/server/people/secrets';
import { viewerOf } from '@/server/people/sessions';
import type { Place } from '@/server/people/sign-in';
import { doorTo } from '@/ui/sign-in/way-back';
import { can, roleOf, type Action, type Viewer } from '@/server/permissions';

/** Cookies do not tell ports apart, so that two of this product on one machine would share one. */
async function cookieName(what: 'session' | 'device'): Promise<string> {
  const port = /:(\d+)$/.exec((await headers()).get('host') ?? '')?.[1];
  return `didaktor-${what}${port === undefined ? '' : `-${port}`}`;
}

/** The token of whoever asks. */
export const sessionToken = async (): Promise<string | undefined> =>
  (await cookies()).get(await cookieName('session'))?.value;

/** Who is signed in, looked up once per request. */
export const currentViewer = cache(async (): Promise<Viewer | undefined> => {
  const token = await sessionToken();
  return token ? viewerOf(database(), token) : undefined;
});

/** Who is signed in on a page that looks again by itself. */
export async function watchingViewer(): Promise<Viewer | undefined> {
  const token = await sessionToken();
  return token ? viewerOf(database(), token, 'watching') : undefined;
}

/** The viewer, when they may do this; others are sent to sign in or told that there is nothing here. */
export async function requireViewer(action: Action): Promise<Viewer> {
  const viewer = await currentViewer();
  if (!viewer) redirect(doorTo((await headers()).get('x-didaktor-path')));
  if (!can(roleOf(viewer), action)) notFound();
  return viewer;
}

/** Whether whoever asks may do this, signed in or not. */
export const mayDo = async (action: Action): Promise<boolean> => can(roleOf(await currentViewer()), action);

/** Whether a request came over TLS, as the web process knows it. */
const isSecure = async (): Promise<boolean> => (await headers()).get('x-didaktor-secure') === '1';

/**
 * What both cookies have in common: no script reads them. They are `Secure` behind TLS; in a class room, tablets
 * reach the laptop over plain HTTP (docs/decisions/0005-plain-http.md).
 */
const guarded = async () => ({
  httpOnly: true,
  sameSite: 'lax' as const,
  path: '/',
  secure: await isSecure(),
});

/** Days for which a device is known. */
const DEVICE_DAYS = 180;

/** The address of whoever asks, as the web process knows it. */
export const clientAddress = async (): Promise<string> =>
  (await headers()).get('x-didaktor-address') ?? 'direct';

/** From where somebody signs in: the socket's address, and what the device is known by, which it is given here. */
export async function placeOf(): Promise<Place> {
  const [jar, name] = [await cookies(), await cookieName('device')];
  const device = jar.get(name)?.value ?? newToken();
  jar.set(name, device, { ...(await guarded()), maxAge: DEVICE_DAYS * 86_400 });
  return { address: await clientAddress(), device };
}

/** Puts the session into its cookie. */
export async function keepSession(token: string, expires: Date): Promise<void> {
  (await cookies()).set(await cookieName('session'), token, { ...(await guarded()), expires });
}

export async function dropSession(): Promise<void> {
  (await cookies()).delete(await cookieName('session'));
}
