import { headers } from 'next/headers';

/** Where people reach this server: as it was told with DIDAKTOR_URL, else as whoever asks has reached it. */
export async function ownAddress(): Promise<string> {
  const told = process.env['DIDAKTOR_URL'];
  if (told) return told.replace(/\/+$/, '');
  const asked = await headers();
  const isSecure = asked.get('x-didaktor-secure') === '1';
  return `${isSecure ? 'https' : 'http'}://${asked.get('host') ?? 'localhost'}`;
}
