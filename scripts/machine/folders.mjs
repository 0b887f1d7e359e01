import { fileURLToPath } from 'node:url';

/** The checkout. */
export const root = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
/** What this machine keeps and git ignores. */
export const stateFolder = `${root}/.didaktor`;
