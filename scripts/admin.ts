// Looks after accounts, classes and people: npm run -s admin -- COMMAND. Uses DATABASE_URL, else the running demo's.
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { openDatabase } from '@/server/database/connection';
import * as people from '@/server/people/accounts';
import { makeClass } from '@/server/people/class-register';
import { resetWord } from '@/server/people/classes';
import { easyWords } from '@/server/people/easy-words';
import { erase } from '@/server/people/erase';
import { exportLearner } from '@/server/people/export';
import { classByCode, learnerByName } from '@/server/people/named';
import { enrol, slipsOf, type NamedSlip } from '@/server/people/roster';
import { staffRoles, type StaffRole } from '@/server/permissions';
import { databaseFile } from './machine/folders.mjs';

const USAGE = `npm run -s admin -- COMMAND

  make-staff --login L --name N --role owner|instructor|assistant  makes an account; prints its password
  set-password --login L                                      sets a new password; prints it
  make-class --name N --code C --staff L,L                    makes a class
  add-learners --class C --names "A,B"                        adds learners; prints their slips
  slips --class C                                             new slips for all who have not joined
  reset-word --class C --learner A                            forgets a word; prints a slip
  export --class C --learner A --out FILE                     writes all that is kept of somebody
  erase --class C --learner A --sure                          erases somebody with all their work
  audit [--last N]                                            prints the end of the audit trail
`;

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    login: { type: 'string' },
    name: { type: 'string' },
    role: { type: 'string', default: 'instructor' },
    password: { type: 'string' },
    code: { type: 'string' },
    staff: { type: 'string', default: '' },
    class: { type: 'string' },
    names: { type: 'string' },
    learner: { type: 'string' },
    out: { type: 'string' },
    sure: { type: 'boolean' },
    last: { type: 'string', default: '30' },
  },
});

function wanted(name: 'login' | 'name' | 'code' | 'class' | 'names' | 'learner' | 'out'): string {
  const value = values[name]?.trim();
  if (!value) throw new people.Refused(`--${name} is missing`);
  return value;
}
const listed = (text: string): string[] =>
  text
    .split(',')
    .map((one) => one.trim())
    .filter((one) => one !== '');
/** Words of a password that is made here. */
const PASSWORD_WORDS = 4;
const newPassword = (): string => values.password ?? easyWords(PASSWORD_WORDS);
const printSlips = (slips: readonly NamedSlip[]): void => {
  for (const { name, slip } of slips) console.log(`${slip}  ${name}`);
  if (slips.length === 0) console.log('everybody has joined');
};

const url =
  process.env['DATABASE_URL'] ?? (existsSync(databaseFile) ? readFileSync(databaseFile, 'utf8') : undefined);

async function run(command: string | undefined): Promise<void> {
  if (url === undefined) throw new people.Refused('set DATABASE_URL, or start npm run demo first');
  const db = openDatabase(url);
  try {
    switch (command) {
      case 'make-staff': {
        const role = staffRoles.find((known) => known === values.role) as StaffRole | undefined;
        if (!role) throw new people.Refused(`--role is one of ${staffRoles.join(', ')}`);
        const password = newPassword();
        const given = { login: wanted('login'), name: wanted('name'), role, password };
        await people.makeStaff(db, given);
        return console.log(`${given.login}  ${password}`);
      }
      case 'set-password': {
        const password = newPassword();
        await people.setPassword(db, wanted('login'), password);
        return console.log(`${wanted('login')}  ${password}`);
      }
      case 'make-class':
        await makeClass(db, {
          name: wanted('name'),
          code: wanted('code'),
          staff: listed(values.staff),
        });
        return console.log('made');
      case 'add-learners': {
        const list = listed(wanted('names')).join('\n');
        const { slips, notes } = await enrol(
          db,
          await classByCode(db, wanted('class')),
          list,
          people.BY_COMMAND,
        );
        for (const note of notes) console.error(note);
        return printSlips(slips);
      }
      case 'slips':
        return printSlips(await slipsOf(db, await classByCode(db, wanted('class')), people.BY_COMMAND));
      case 'reset-word': {
        const id = await learnerByName(db, wanted('class'), wanted('learner'));
        return console.log((await resetWord(db, id, people.BY_COMMAND)) ?? '');
      }
      case 'export': {
        const id = await learnerByName(db, wanted('class'), wanted('learner'));
        const file = resolve(process.env['INIT_CWD'] ?? '.', wanted('out'));
        const all = await exportLearner(db, id, people.BY_COMMAND);
        writeFileSync(file, `${JSON.stringify(all, null, 2)}\n`, { mode: 0o600 });
        return console.log(file);
      }
      case 'erase': {
        const id = await learnerByName(db, wanted('class'), wanted('learner'));
        if (!values.sure) throw new people.Refused('all their work goes as well; say --sure');
        await erase(db, id, people.BY_COMMAND);
        return console.log('erased');
      }
      case 'audit': {
        const rows = await db('audit')
          .orderBy('id', 'desc')
          .limit(Number(values.last) || 30)
          .select<{ at: Date; actor: string; action: string; subject: string; detail: string }[]>();
        for (const { at, actor, action, subject, detail } of rows.reverse())
          console.log([at.toISOString(), actor, action, subject, detail].join('  '));
        return;
      }
      default:
        console.log(USAGE);
        if (command !== undefined && command !== 'help')
          throw new people.Refused(`“${command}” is no command`);
    }
  } finally {
    await db.destroy();
  }
}

try {
  await run(positionals[0]);
} catch (error) {
  if (!(error instanceof people.Refused)) throw error;
  console.error(error.message);
  process.exitCode = 2;
}
