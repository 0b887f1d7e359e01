import { fileURLToPath } from 'node:url';

/** The checkout. */
export const root = fileURLToPath(new URL('../..', import.meta.url)).replace(/\/$/, '');
/** What this machine keeps and git ignores. */
export const stateFolder = `${root}/.didaktor`;
/** Where a running demo says the address of its database, for the commands beside it. */
export const databaseFile = `${stateFolder}/database.url`;
