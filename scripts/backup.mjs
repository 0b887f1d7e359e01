// Backs the database up, or restores it: node scripts/backup.mjs backup FILE | restore FILE [--replace]
// The file holds the checksum of every table, and the database's own dump after it; a restore compares them.
import { Buffer } from 'node:buffer';
import { spawn } from 'node:child_process';
import { createReadStream, createWriteStream, existsSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { open } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { parseArgs } from 'node:util';
import pg from 'pg';
import { startCluster } from './machine/cluster.mjs';
import { databaseFile } from './machine/folders.mjs';
import { postgresPrograms, SetupError } from './machine/packages.mjs';

const FORMAT = 'didaktor/backup@1';
/** The longest first line, in bytes. */
const LONGEST_HEAD = 1_000_000;

/** Rows and checksum of every table, whatever the order of its rows. */
async function checksums(client) {
  const { rows } = await client.query(
    `select table_schema as schema, table_name as name from information_schema.tables
      where table_type = 'BASE TABLE' and table_schema not in ('pg_catalog', 'information_schema')
      order by 1, 2`,
  );
  const sums = {};
  for (const { schema, name } of rows) {
    const table = `${pg.escapeIdentifier(schema)}.${pg.escapeIdentifier(name)}`;
    const { rows: found } = await client.query(
      `select count(*) as rows, coalesce(sum(('x' || substr(md5(t::text), 1, 15))::bit(60)::bigint), 0) as sum
         from ${table} as t`,
    );
    sums[`${schema}.${name}`] = `${found[0].rows} ${found[0].sum}`;
  }
  return sums;
}

function run(program, words, { input, output }) {
  const child = spawn(join(postgresPrograms(), program), words, {
    stdio: [input ? 'pipe' : 'ignore', output ? 'pipe' : 'ignore', 'pipe'],
  });
  let trouble = '';
  child.stderr.on('data', (chunk) => (trouble = (trouble + chunk).slice(-2000)));
  const flows = [
    ...(output ? [pipeline(child.stdout, output)] : []),
    ...(input ? [pipeline(input, child.stdin).catch(() => undefined)] : []),
  ];
  return new Promise((done, fail) => {
    child.once('error', fail);
    child.once('exit', (code) =>
      Promise.all(flows).then(
        () => (code === 0 ? done() : fail(new SetupError(`${program}: ${trouble.trim()}`))),
        fail,
      ),
    );
  });
}

async function backup(url, file) {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const partial = `${file}.partial`;
  try {
    // Sums and dump are of one moment, whatever is handed in meanwhile.
    await client.query('begin isolation level repeatable read read only');
    const { rows } = await client.query('select pg_export_snapshot() as snapshot');
    const tables = await checksums(client);
    const output = createWriteStream(partial, { mode: 0o600 });
    output.write(`${JSON.stringify({ format: FORMAT, tables })}\n`);
    await run('pg_dump', ['--format=custom', `--snapshot=${rows[0].snapshot}`, `--dbname=${url}`], {
      output,
    });
    renameSync(partial, file);
    console.log(`${Object.keys(tables).length} tables backed up to ${file}`);
  } finally {
    rmSync(partial, { force: true });
    await client.end();
  }
}

async function readHead(file) {
  const handle = await open(file, 'r');
  try {
    const { buffer, bytesRead } = await handle.read(Buffer.alloc(LONGEST_HEAD), 0, LONGEST_HEAD, 0);
    const end = buffer.subarray(0, bytesRead).indexOf(10);
    const head = end > 0 ? JSON.parse(buffer.subarray(0, end).toString('utf8')) : undefined;
    if (head?.format !== FORMAT) throw new Error('no head');
    return { tables: head.tables, begin: end + 1 };
  } catch {
    throw new SetupError(`${file} is no backup of this product.`);
  } finally {
    await handle.close();
  }
}

async function restore(url, file, mayReplace) {
  const { tables, begin } = await readHead(file);
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    const there = Object.keys(await checksums(client));
    if (there.length > 0 && !mayReplace)
      throw new SetupError('The database is not empty. Restore into an empty one, or say --replace.');
    const schemas = new Set(there.map((name) => name.split('.')[0]));
    for (const schema of schemas) await client.query(`drop schema ${pg.escapeIdentifier(schema)} cascade`);
    if (schemas.has('public')) await client.query('create schema public');
    await run('pg_restore', ['--exit-on-error', '--no-owner', `--dbname=${url}`], {
      input: createReadStream(file, { start: begin }),
    });
    const now = await checksums(client);
    const wrong = [...new Set([...Object.keys(tables), ...Object.keys(now)])].filter(
      (name) => tables[name] !== now[name],
    );
    if (wrong.length > 0) throw new SetupError(`Not restored as it was: ${wrong.join(', ')}`);
    console.log(`${Object.keys(now).length} tables restored, each with its checksum`);
  } finally {
    await client.end();
  }
}

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { replace: { type: 'boolean', default: false } },
});
let cluster;
try {
  const [command, name] = positionals;
  if (!['backup', 'restore'].includes(command) || name === undefined)
    throw new SetupError('npm run -s backup FILE, or npm run -s restore FILE [-- --replace]');
  const file = resolve(process.env.INIT_CWD ?? '.', name);
  const known =
    process.env.DATABASE_URL ?? (existsSync(databaseFile) ? readFileSync(databaseFile, 'utf8') : undefined);
  // Without a running demo its database is started for as long as this takes.
  if (known === undefined) cluster = await startCluster('postgres');
  const url = known ?? cluster.url;
  await (command === 'backup' ? backup(url, file) : restore(url, file, values.replace));
} catch (error) {
  console.error(error instanceof SetupError ? error.message : error);
  process.exitCode = 1;
} finally {
  await cluster?.stop();
}
