import type { Knex } from 'knex';

/** Where the rate limiter counts; its columns are the library's. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    create table rate_limit (
      key varchar(255) primary key,
      points integer not null default 0,
      expire bigint
    )
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw('drop table rate_limit');
}
