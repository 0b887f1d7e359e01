import type { Knex } from 'knex';

/** What is so in the room of a class for everybody who gets a board ready there. */
export async function up(db: Knex): Promise<void> {
  await db.raw(`
    alter table class
      add column packages_from text not null default '',
      add column board_network text not null default '',
      add column board_password text not null default '';
  `);
}

export async function down(db: Knex): Promise<void> {
  await db.raw(`
    alter table class drop column packages_from, drop column board_network, drop column board_password;
  `);
}
