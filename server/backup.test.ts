import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Knex } from 'knex';
import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { openDatabase } from './database/connection';
import { migrate } from './database/migrate';
import { hashSecret } from './people/secrets';

let admin: Knex;
let folder: string;
const names: string[] = [];
beforeEach(() => {
  admin = openDatabase(process.env['TEST_DATABASE_URL']!);
  folder = mkdtempSync(join(tmpdir(), 'backup-'));
});
afterEach(async () => {
  for (const name of names.splice(0)) await admin.raw('drop database ?? with (force)', [name]);
  await admin.destroy();
  rmSync(folder, { recursive: true });
});

async function freshUrl(): Promise<string> {
  const name = `backup_${randomBytes(5).toString('hex')}`;
  await admin.raw('create database ??', [name]);
  names.push(name);
  const url = new URL(process.env['TEST_DATABASE_URL']!);
  url.pathname = `/${name}`;
  return url.href;
}

const backup = (url: string, ...words: string[]) =>
  spawnSync(process.execPath, ['scripts/backup.mjs', ...words], {
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: url },
  });

async function filledUrl(): Promise<string> {
  const url = await freshUrl();
  const db = openDatabase(url);
  await migrate(db);
  for (const login of ['ina', 'olaf'])
    await db('staff').insert({
      login,
      name: login,
      role: 'instructor',
      password_hash: await hashSecret('a word'),
    });
  await db('class').insert({ name: 'Ω “one”', code: 'QUAY1' });
  await db.destroy();
  return url;
}

describe('a backup', () => {
  test('is restored with every table as it was', async () => {
    const [from, to] = [await filledUrl(), await freshUrl()];
    const file = join(folder, 'all.backup');
    expect(backup(from, 'backup', file).stderr).toBe('');
    const restored = backup(to, 'restore', file);
    expect(restored.stdout).toMatch(/\d\d tables restored, each with its checksum/);
    const db = openDatabase(to);
    expect(await db('staff').orderBy('login').pluck('login')).toEqual(['ina', 'olaf']);
    expect(await db('class').pluck('name')).toEqual(['Ω “one”']);
    // What was up to date stays so.
    await migrate(db);
    await db.destroy();
  });

  test('is not restored over what is there, unless that is said', async () => {
    const from = await filledUrl();
    const file = join(folder, 'all.backup');
    backup(from, 'backup', file);
    const db = openDatabase(from);
    await db('staff').where({ login: 'olaf' }).delete();
    expect(backup(from, 'restore', file)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('not empty'),
    });
    expect(await db('staff')).toHaveLength(1);
    await db.destroy();
    expect(backup(from, 'restore', file, '--replace').status).toBe(0);
    const again = openDatabase(from);
    expect(await again('staff')).toHaveLength(2);
    await again.destroy();
  });

  test('of which a sum does not agree is told by its table', async () => {
    const file = join(folder, 'all.backup');
    backup(await filledUrl(), 'backup', file);
    const bytes = readFileSync(file);
    const end = bytes.indexOf(10);
    const head = JSON.parse(bytes.subarray(0, end).toString()) as { tables: Record<string, string> };
    head.tables['public.staff'] = '3 1';
    writeFileSync(file, Buffer.concat([Buffer.from(`${JSON.stringify(head)}\n`), bytes.subarray(end + 1)]));
    expect(backup(await freshUrl(), 'restore', file)).toMatchObject({
      status: 1,
      stderr: expect.stringContaining('public.staff'),
    });
  });

  test('that is cut off or none is refused', async () => {
    const file = join(folder, 'all.backup');
    backup(await filledUrl(), 'backup', file);
    writeFileSync(file, readFileSync(file).subarray(0, -2000));
    expect(backup(await freshUrl(), 'restore', file).status).toBe(1);
    writeFileSync(file, 'a letter to the harbour master\n');
    expect(backup(await freshUrl(), 'restore', file).stderr).toContain('no backup');
  });
});
