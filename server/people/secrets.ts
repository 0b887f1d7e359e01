import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** Argon2id with the parameters that OWASP's password cheat sheet names first: 19 MiB, two passes. */
const parameters = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };

/** Hash of a password or private word, salted. */
export const hashSecret = (secret: string): Promise<string> => hash(secret.normalize('NFC'), parameters);

/** A hash of nothing anybody knows, so that an unknown name takes as long as a wrong word. */
const decoy = hashSecret(randomBytes(16).toString('hex'));

/** Whether a secret belongs to a hash; takes the same time when there is no hash. */
export async function verifySecret(stored: string | null | undefined, secret: string): Promise<boolean> {
  const right = await verify(stored ?? (await decoy), secret.normalize('NFC'));
  return right && stored !== null && stored !== undefined;
}

/** A fresh session token: 256 random bits. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is stored of a token; the token itself is only in the cookie. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

/** SHA-256 of a text, as hex. */
export const textHash = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex');
