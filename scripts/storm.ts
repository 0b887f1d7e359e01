// A class room's worst minute, on loopback: 200 learners hand in within a minute, one in three faulty and five hostile,
// ten tablets have the room board open and ten Today, and web process, a worker and the database are killed in the middle: npm run storm [-- --write]. It ends by itself.
import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { hostilePrograms } from '@/core/testing/hostile-programs';
import { readWiring } from '@/core/wiring/read';
import { openDatabase } from '@/server/database/connection';
import { migrate } from '@/server/database/migrate';
import { loadDemo } from '@/server/demo/load';
import { openSession } from '@/server/people/sessions';
import { buildProcesses, buildIfChanged } from './machine/build.mjs';
import { Product, portToUse } from './machine/product.mjs';

const { values } = parseArgs({ options: { write: { type: 'boolean', default: false } } });
const LEARNERS = 200;
const HOSTILE = 5;
/** Tablets with the room board open, and as many with Today. */
const TABLETS = 10;
/** Milliseconds between two looks of a list that is live. */
const LOOK_AGAIN = 1200;
/** Milliseconds in which all hand in, after which each hand-in is to have its report, and after which all is over. */
const [MINUTE, REPORT_BY, OVER] = [60_000, 30_000, 240_000];
/** When what is killed, in milliseconds from the beginning. */
const KILLS = [
  [15_000, 'a worker'],
  [25_000, 'the web process'],
  [40_000, 'the database'],
] as const;

const began = Date.now();
const say = (text: string): void =>
  console.log(`${((Date.now() - began) / 1000).toFixed(1).padStart(6)} s  ${text}`);
const pause = (milliseconds: number): Promise<void> =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

buildProcesses();
buildIfChanged();
const port = await portToUse('127.0.0.1', 4199, true);
const product = new Product({
  cluster: 'storm-postgres',
  port,
  say,
  onLoss: (error) => {
    console.error(error.message);
    process.exit(1);
  },
});
const giveUp = (error: unknown): void => {
  console.error(error);
  void product.end().then(() => process.exit(1));
};
process.on('uncaughtException', giveUp);
process.on('unhandledRejection', giveUp);
setTimeout(() => giveUp('the storm took too long'), OVER + 60_000).unref();

const url = new URL(await product.startDatabase());
const name = `storm_${Date.now()}`;
const admin = openDatabase(url.href);
await admin.raw('create database ??', [name]);
url.pathname = `/${name}`;
const db = openDatabase(url.href);
db.on('error', () => undefined);
await migrate(db);
await loadDemo(db, 'demo', new Date());
product.use(url.href);

/** Exercises that are handed in to, and the programs of their hand-ins. */
const course = ['01-beacon', '03-night-bell', '04-two-button-sluice', '06-fog-lamp', '07-tide-gauge'].map(
  (file) =>
    JSON.parse(readFileSync(`demo/course/${file}.json`, 'utf8')) as {
      id: string;
      layout: string;
      program: string;
    },
);
/** What the guard of a check itself has to deal with: hostile programs that are not judged but told as too much. */
const tooMuch = hostilePrograms.filter(
  ({ language, name: what }) =>
    language === 'cpp' &&
    [
      'structs of arrays',
      'macros in macros',
      'stars of a pointer',
      'blocks in blocks',
      'a macro of itself',
    ].includes(what),
);

const [group] = await db('class').insert({ name: 'Storm', code: 'STORM' }).returning<{ id: string }[]>('id');
const staff = await db('staff').where({ login: 'marit' }).first<{ id: string }>('id');
await db('class_staff').insert({ class_id: group!.id, staff_id: staff.id });
const publications = new Map<string, string>();
for (const { id } of course) {
  const revision = await db('revision')
    .join('exercise', 'exercise.id', 'revision.exercise_id')
    .where('exercise.slug', id)
    .first<{ id: string }>('revision.id');
  const [made] = await db('publication')
    .insert({ revision_id: revision.id, class_id: group!.id })
    .returning<{ id: string }[]>('id');
  publications.set(id, made!.id);
}
const learners = await db('learner')
  .insert(
    Array.from({ length: LEARNERS }, (_, index) => ({ class_id: group!.id, name: `Learner ${index + 1}` })),
  )
  .returning<{ id: string }[]>('id');
const cookieOf = async (owner: Parameters<typeof openSession>[1]): Promise<string> =>
  `didaktor-session-${port}=${(await openSession(db, owner)).token}`;

interface Sailor {
  readonly cookie: string;
  readonly publicationId: string;
  readonly body: Record<string, unknown>;
  readonly kind: 'right' | 'faulty' | 'hostile';
  submissionId?: string;
  handedInAt?: number;
}

/** One number of a program another, or one end of a wire a row off: the everyday faults. */
function faulty(
  index: number,
  { layout, program }: (typeof course)[number],
): { wiring: string; program: string } {
  const numbers = [...program.matchAll(/\b\d+\b/g)];
  const hit = numbers[index % Math.max(1, numbers.length)];
  if (index % 2 === 0 && hit)
    return {
      wiring: layout,
      program: `${program.slice(0, hit.index)}${Number(hit[0]) + 3}${program.slice(hit.index + hit[0].length)}`,
    };
  const ends = [...layout.matchAll(/^(W\d+,wire,[^,]*,[12],B1\.[a-j])(\d+)$/gm)];
  const wirings = ends
    .map((end) => layout.replace(end[0], `${end[1]}${Math.max(1, Number(end[2]) - 1)}`))
    .filter((wiring) => readWiring(wiring).ok);
  return wirings.length === 0
    ? { wiring: layout, program: program.replace('HIGH', 'LOW') }
    : { wiring: wirings[index % wirings.length]!, program };
}

const sailors: Sailor[] = [];
for (const [index, { id }] of learners.entries()) {
  const exercise = course[index % course.length]!;
  const isHostile = index % Math.floor(LEARNERS / HOSTILE) === 7;
  const build = isHostile
    ? {
        wiring: exercise.layout,
        program: tooMuch[sailors.filter(({ kind }) => kind === 'hostile').length % tooMuch.length]!.source,
      }
    : index % 3 === 0
      ? faulty(index, exercise)
      : // A remark of one's own, so that no two are one to the judge.
        { wiring: exercise.layout, program: `${exercise.program}// by learner ${index + 1}\n` };
  sailors.push({
    cookie: await cookieOf({ learnerId: id }),
    publicationId: publications.get(exercise.id)!,
    body: {
      clientId: `storm-client-${index}`,
      publicationId: publications.get(exercise.id),
      hintsTaken: 0,
      ...build,
    },
    kind: isHostile ? 'hostile' : index % 3 === 0 ? 'faulty' : 'right',
  });
}
const instructor = await cookieOf({ staffId: staff.id });
product.startWeb();
product.startWorkers(2);
await product.isUp();
// They have sat down and opened their benches, and who teaches has looked at Today and at each Review desk.
const opened = [
  ...sailors
    .slice(0, 2 * course.length)
    .flatMap(({ cookie, publicationId }) => [
      ['/', cookie] as const,
      [`/bench/${publicationId}`, cookie] as const,
    ]),
  ['/', instructor] as const,
  ...course.map(({ id }) => [`/review/${publications.get(id)}`, instructor] as const),
];
for (let round = 0; round < 3; round += 1)
  for (const [path, cookie] of opened)
    await fetch(`${product.base}${path}`, { headers: { cookie } }).then((answer) => answer.text());
say(`${LEARNERS} learners are at their benches`);

const handInTimes: number[] = [];
const pageTimes: number[] = [];
let unanswered = 0;
const start = Date.now();
const isDown = (): boolean =>
  KILLS.some(([at]) => Date.now() - start > at - 500 && Date.now() - start < at + 8000);

/** Sends a hand-in again and again until it is answered, as a tablet does. */
async function handIn(sailor: Sailor): Promise<void> {
  for (;;) {
    const sent = performance.now();
    const answer = await fetch(`${product.base}/api/submissions`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie: sailor.cookie },
      body: JSON.stringify(sailor.body),
    }).catch(() => undefined);
    const body = answer?.ok
      ? ((await answer.json().catch(() => undefined)) as { submissionId?: string })
      : undefined;
    if (body?.submissionId) {
      // While a part of the product is being started again there is nothing to measure.
      if (!isDown()) handInTimes.push(performance.now() - sent);
      sailor.submissionId = body.submissionId;
      sailor.handedInAt = Date.now();
      return;
    }
    if (answer && answer.status < 500 && answer.status !== 429)
      throw new Error(`a hand-in was refused: ${answer.status} ${await answer.text()}`);
    unanswered += 1;
    await pause(2000);
  }
}

const handIns = sailors.map(async (sailor, index) => {
  await pause((index / LEARNERS) * MINUTE);
  await handIn(sailor);
});
const looks = (async () => {
  for (let round = 0; Date.now() - start < MINUTE; round += 1) {
    const pages = [
      ['/', instructor],
      [`/review/${publications.get(course[round % course.length]!.id)}`, instructor],
      ['/', sailors[round % LEARNERS]!.cookie],
      [`/bench/${sailors[round % LEARNERS]!.publicationId}`, sailors[round % LEARNERS]!.cookie],
    ] as const;
    for (const [path, cookie] of pages) {
      const asked = performance.now();
      const answer = await fetch(`${product.base}${path}`, { headers: { cookie } }).catch(() => undefined);
      await answer?.text().catch(() => undefined);
      if (answer?.status === 200 && !isDown()) pageTimes.push(performance.now() - asked);
      await pause(150);
    }
  }
})();
/** When all tablets are put away. */
const END = start + MINUTE + 5000;
/** When a board was told how the room stands, by board. */
const seen: number[][] = [];
/** A tablet with the room board open: it listens, and opens the stream again when it breaks. */
async function board(times: number[]): Promise<void> {
  while (Date.now() < END) {
    const stream = await fetch(`${product.base}/api/room/${group!.id}`, {
      headers: { cookie: instructor },
      signal: AbortSignal.timeout(Math.max(1, END - Date.now())),
    }).catch(() => undefined);
    const text = new TextDecoder();
    try {
      if (stream?.ok && stream.body)
        for await (const chunk of stream.body)
          if (text.decode(chunk as Uint8Array).includes('data: ')) times.push(Date.now());
    } catch {
      // It broke, or the tablets are put away.
    }
    await pause(1500);
  }
}
/** A tablet with Today open, which asks whether something has changed. */
async function watcher(): Promise<void> {
  while (Date.now() - start < MINUTE) {
    await fetch(`${product.base}/api/live`, { headers: { cookie: instructor } })
      .then((answer) => answer.text())
      .catch(() => undefined);
    await pause(LOOK_AGAIN);
  }
}
const tablets = Array.from({ length: TABLETS }, () => {
  const times: number[] = [];
  seen.push(times);
  return Promise.all([board(times), watcher()]);
});
const kills = KILLS.map(async ([at, what]) => {
  await pause(at);
  say(`${what} is killed`);
  const names = { 'a worker': 'Worker 1', 'the web process': 'The web process', 'the database': undefined };
  const process_ = names[what] === undefined ? undefined : product.alive.get(names[what]);
  process.kill(process_?.pid ?? product.cluster.pid, 'SIGKILL');
});
await Promise.all([...handIns, looks, ...kills, ...tablets]);
say('all have handed in');

/** Asks the database, which may be starting again. */
async function rows<Row>(sql: string): Promise<readonly Row[]> {
  for (let attempt = 0; ; attempt += 1)
    try {
      return ((await db.raw(sql)) as { rows: Row[] }).rows;
    } catch (error) {
      if (attempt > 40) throw error;
      await pause(500);
    }
}
const judged = () =>
  rows<{ id: string; verdict: string | null; waited: string | null }>(
    `select submission.id, report.verdict, extract(epoch from report.made_at - submission.handed_in_at) as waited
       from submission left join report on report.key = submission.judging_key
      where submission.publication_id in (select id from publication where class_id = '${group!.id}')`,
  );
let found = await judged();
while (found.some(({ verdict }) => verdict === null) && Date.now() - start < OVER) {
  await pause(500);
  found = await judged();
}
say('all have been judged');
const failures = await rows<{ obstacle: string; count: string }>(
  'select obstacle, count(*) from judging_failure group by obstacle',
);
const tries = await rows<{ count: string }>(
  `select count(*) from (select learner_id from submission where publication_id in (select id from publication where class_id = '${group!.id}') group by learner_id having count(*) > 1) as twice`,
);

const percentile = (list: readonly number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * share))] ?? 0;
const waits = found.map(({ waited }) => Number(waited ?? OVER / 1000));
/** Until a hand-in stood on a board, over all boards; not of those that came while something was being started again. */
const showTimes = sailors.flatMap(({ handedInAt }) => {
  if (handedInAt === undefined) return [];
  const wasDown = KILLS.some(([at]) => handedInAt - start > at - 2500 && handedInAt - start < at + 8000);
  return wasDown ? [] : seen.map((times) => (times.find((at) => at >= handedInAt) ?? Infinity) - handedInAt);
});
const hostileIds = new Set(
  sailors.filter(({ kind }) => kind === 'hostile').map(({ submissionId }) => submissionId),
);
const hostile = found.filter(({ id }) => hostileIds.has(id));
const lines: readonly (readonly [what: string, measured: string, aim: string, right: boolean])[] = [
  [
    'hand-ins answered, 95 % within',
    `${percentile(handInTimes, 0.95).toFixed(0)} ms`,
    '300 ms',
    percentile(handInTimes, 0.95) <= 300,
  ],
  [
    'pages meanwhile, 95 % within',
    `${percentile(pageTimes, 0.95).toFixed(0)} ms`,
    '200 ms',
    percentile(pageTimes, 0.95) <= 200,
  ],
  [
    `hand-ins on the room board of ${TABLETS} tablets, 95 % within`,
    `${(percentile(showTimes, 0.95) / 1000).toFixed(1)} s`,
    '2 s',
    percentile(showTimes, 0.95) <= 2000,
  ],
  [
    'reports, the last after',
    `${Math.max(...waits).toFixed(1)} s`,
    `${REPORT_BY / 1000} s`,
    Math.max(...waits) <= REPORT_BY / 1000,
  ],
  ['hand-ins kept', `${found.length} of ${LEARNERS}`, 'all', found.length === LEARNERS],
  ['learners with two', tries[0]!.count, '0', tries[0]!.count === '0'],
  [
    'not judged',
    String(found.filter(({ verdict }) => verdict === null).length),
    '0',
    found.every(({ verdict }) => verdict !== null),
  ],
  [
    'hostile ones, as “cannot tell”',
    `${hostile.filter(({ verdict }) => verdict === 'cannot-tell').length} of ${hostile.length}`,
    'all',
    hostile.every(({ verdict }) => verdict === 'cannot-tell'),
  ],
];
const table = `| what | measured | aim |
| --- | --: | --: |
${lines.map(([what, measured, aim]) => `| ${what} | ${measured} | ${aim} |`).join('\n')}
`;
console.log(`\n${table}`);
say(
  `${handInTimes.length} hand-ins and ${pageTimes.length} pages measured; ${unanswered} times a tablet had to ask again; ended by a limit: ${failures.map(({ obstacle, count }) => `${count} ${obstacle}`).join(', ') || 'none'}`,
);
if (values.write) {
  const file = 'docs/operations.md';
  const text = readFileSync(file, 'utf8');
  writeFileSync(file, text.replace(/(<!-- storm -->\n)[\s\S]*?(<!-- \/storm -->)/, `$1\n${table}\n$2`));
}
await db.destroy();
await admin.destroy();
await product.end();
process.exit(lines.every(([, , , right]) => right) ? 0 : 1);
