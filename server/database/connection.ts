import knex, { type Knex } from 'knex';

/** A database, to those who only hand it on. */
export type Database = Knex;

const shared = globalThis as { didaktorDatabase?: Knex };

/** Opens a pool to the database at `url`; `schema` puts everything into a schema of its own. */
export function openDatabase(url: string, schema = 'public'): Knex {
  return knex({
    client: 'pg',
    connection: { connectionString: url },
    searchPath: [schema],
    pool: { min: 0, max: 10 },
  });
}

/** The process's database, at DATABASE_URL. One pool per process, also across reloads in development. */
export function database(): Knex {
  const url = process.env['DATABASE_URL'];
  if (!url) throw new Error('DATABASE_URL is not set; start with npm start');
  shared.didaktorDatabase ??= openDatabase(url);
  return shared.didaktorDatabase;
}
