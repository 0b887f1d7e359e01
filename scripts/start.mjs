// Starts the product for one's own classes and keeps it running: npm start. It is told by its environment; see
// docs/operations.md for the settings.
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { stateFolder } from './machine/folders.mjs';
import { ensureNodeModules, SetupError } from './machine/packages.mjs';
import { runProduct } from './machine/running.mjs';

/** The settings; what checks them comes with the packages, which the first start installs. */
async function settingsOf(environment) {
  try {
    ensureNodeModules();
    const { readSettings } = await import('./machine/settings.mjs');
    return readSettings(environment);
  } catch (error) {
    console.error(error instanceof SetupError ? `\n${error.message}` : error);
    return process.exit(1);
  }
}

const settings = await settingsOf(process.env);
const linkFile = join(stateFolder, 'owner-link.txt');
rmSync(linkFile, { force: true });

await runProduct({
  cluster: 'own-postgres',
  host: settings.DIDAKTOR_HOST,
  port: settings.DIDAKTOR_PORT,
  isPortAWish: process.env.DIDAKTOR_PORT === undefined,
  databaseUrl: settings.DATABASE_URL,
  workers: settings.DIDAKTOR_WORKERS,
  prepare: ['--owner-link', linkFile],
  ready: ([address]) => {
    if (!existsSync(linkFile)) return ['Sign in under “I teach”.'];
    const token = readFileSync(linkFile, 'utf8').trim();
    rmSync(linkFile);
    return [
      'Nobody keeps this server yet. With this link its owner makes the first account; it works once:',
      `${settings.DIDAKTOR_URL ?? address}/welcome/${token}`,
    ];
  },
});
