import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { openDatabase } from '@/server/database/connection';
import { openSession } from '@/server/people/sessions';
import { createWorld, type World } from './world';

/** Everybody who may ask: of the demo class, of another class, and nobody. */
const people = [
  'nobody',
  'learner',
  'strange learner',
  'assistant',
  'instructor',
  'strange instructor',
  'owner',
] as const;
type Person = (typeof people)[number];

/** What a person gets: the thing, a way to the door, or that there is nothing here for them. */
type Answer = 'yes' | 'door' | 'no';

const everybody = (answer: Answer): Readonly<Record<Person, Answer>> =>
  Object.fromEntries(people.map((person) => [person, answer])) as Record<Person, Answer>;
const onlyFor = (allowed: readonly Person[], nobody: Answer = 'door'): Readonly<Record<Person, Answer>> =>
  Object.fromEntries(
    people.map((person) => [person, allowed.includes(person) ? 'yes' : person === 'nobody' ? nobody : 'no']),
  ) as Record<Person, Answer>;
const own: readonly Person[] = ['assistant', 'instructor'];
/** Those who may change what is theirs, whoever it belongs to here. */
const keeping: readonly Person[] = ['instructor', 'strange instructor', 'owner'];
const teaching: readonly Person[] = ['assistant', ...keeping];

/** Every page, by its file under `app`: an address of the demo class or course, and who gets it. */
const pages: Readonly<
  Record<string, { readonly path: (ids: Ids) => string; readonly for: Readonly<Record<Person, Answer>> }>
> = {
  'page.tsx': { path: () => '/', for: { ...everybody('yes'), nobody: 'door' } },
  'sign-in/page.tsx': { path: () => '/sign-in', for: { ...everybody('door'), nobody: 'yes' } },
  'welcome/[token]/page.tsx': { path: () => '/welcome/none', for: everybody('yes') },
  'account/page.tsx': { path: () => '/account', for: onlyFor(teaching) },
  'classes/page.tsx': { path: () => '/classes', for: onlyFor(teaching) },
  'classes/[classId]/page.tsx': { path: ({ group }) => `/classes/${group}`, for: onlyFor(own) },
  'classes/[classId]/room/page.tsx': {
    path: ({ group }) => `/classes/${group}/room`,
    for: onlyFor(own),
  },
  'classes/[classId]/hand-ins/page.tsx': {
    path: ({ group }) => `/classes/${group}/hand-ins`,
    for: onlyFor(own),
  },
  'classes/[classId]/record/page.tsx': {
    path: ({ group }) => `/classes/${group}/record`,
    for: onlyFor(own),
  },
  'classes/[classId]/record/[learnerId]/page.tsx': {
    path: ({ group, learner }) => `/classes/${group}/record/${learner}`,
    for: onlyFor(own),
  },
  'trail/page.tsx': { path: () => '/trail', for: onlyFor(['owner']) },
  'bench/[publicationId]/page.tsx': {
    path: ({ publication }) => `/bench/${publication}`,
    for: onlyFor(['learner']),
  },
  'bench/[publicationId]/board/page.tsx': {
    path: ({ publication }) => `/bench/${publication}/board`,
    for: onlyFor(['learner']),
  },
  'boards/page.tsx': { path: () => '/boards', for: onlyFor(teaching) },
  'values/page.tsx': { path: () => '/values', for: onlyFor(teaching) },
  'courses/[courseId]/page.tsx': { path: ({ course }) => `/courses/${course}`, for: onlyFor(own) },
  'courses/[courseId]/rules/page.tsx': {
    path: ({ course }) => `/courses/${course}/rules`,
    for: onlyFor(own),
  },
  'courses/page.tsx': { path: () => '/courses', for: onlyFor(teaching) },
  'courses/[courseId]/cards/page.tsx': {
    path: ({ course }) => `/courses/${course}/cards`,
    for: onlyFor(own),
  },
  'kit/page.tsx': { path: () => '/kit', for: onlyFor(teaching) },
  'classes/[classId]/meetings/[meetingId]/page.tsx': {
    path: ({ group, meeting }) => `/classes/${group}/meetings/${meeting}`,
    for: onlyFor(own),
  },
  'classes/[classId]/meetings/[meetingId]/wall/page.tsx': {
    path: ({ group, meeting }) => `/classes/${group}/meetings/${meeting}/wall`,
    for: onlyFor(own),
  },
  'exercises/[exerciseId]/print/page.tsx': {
    path: ({ exercise }) => `/exercises/${exercise}/print`,
    for: onlyFor(own),
  },
  'exercises/[exerciseId]/wall/page.tsx': {
    path: ({ exercise }) => `/exercises/${exercise}/wall`,
    for: onlyFor(own),
  },
  'exercises/[exerciseId]/run/page.tsx': {
    path: ({ exercise }) => `/exercises/${exercise}/run`,
    for: onlyFor(own),
  },
  'exercises/[exerciseId]/page.tsx': { path: ({ exercise }) => `/exercises/${exercise}`, for: onlyFor(own) },
  'exercises/[exerciseId]/preview/page.tsx': {
    path: ({ exercise }) => `/exercises/${exercise}/preview`,
    for: onlyFor(own),
  },
  'reports/[submissionId]/page.tsx': {
    path: ({ submission }) => `/reports/${submission}`,
    for: onlyFor(['learner', ...own]),
  },
  'reports/[submissionId]/run/page.tsx': {
    path: ({ submission }) => `/reports/${submission}/run`,
    for: onlyFor(['learner', ...own]),
  },
  'review/[publicationId]/page.tsx': {
    path: ({ publication }) => `/review/${publication}`,
    for: onlyFor(own),
  },
};

interface Ask {
  readonly method: 'GET' | 'POST' | 'PUT';
  readonly path: (ids: Ids) => string;
  readonly body?: (ids: Ids) => unknown;
  /** Statuses for those who may; a refusal of what was sent is the thing itself answering. */
  readonly answers: readonly number[];
  readonly for: Readonly<Record<Person, Answer>>;
}

/** Every method of every route, by file and method. */
const routes: Readonly<Record<string, Ask>> = {
  'api/health/route.ts GET': {
    method: 'GET',
    path: () => '/api/health',
    answers: [200],
    for: everybody('yes'),
  },
  'api/submissions/route.ts POST': {
    method: 'POST',
    path: () => '/api/submissions',
    body: ({ publication }) => ({
      clientId: 'access-test-1',
      publicationId: publication,
      wiring: 'x',
      program: '',
    }),
    answers: [422],
    for: onlyFor(['learner'], 'no'),
  },
  'api/submissions/[submissionId]/route.ts GET': {
    method: 'GET',
    path: ({ submission }) => `/api/submissions/${submission}`,
    answers: [200],
    for: onlyFor(['learner', ...own], 'no'),
  },
  'api/submissions/[submissionId]/comparison/route.ts GET': {
    method: 'GET',
    path: ({ submission }) => `/api/submissions/${submission}/comparison`,
    answers: [200],
    for: onlyFor(own, 'no'),
  },
  'exercises/[exerciseId]/handout/route.ts GET': {
    method: 'GET',
    path: ({ exercise }) => `/exercises/${exercise}/handout`,
    answers: [200],
    for: onlyFor(own),
  },
  'exercises/[exerciseId]/handout/files/route.ts GET': {
    method: 'GET',
    path: ({ exercise }) => `/exercises/${exercise}/handout/files`,
    answers: [200],
    for: onlyFor(own),
  },
  'exercises/[exerciseId]/pictures/route.ts POST': {
    method: 'POST',
    path: ({ exercise }) => `/exercises/${exercise}/pictures`,
    body: () => 'no picture',
    answers: [422],
    for: { ...onlyFor(['instructor']), assistant: 'no' },
  },
  'exercises/[exerciseId]/pictures/[pictureId]/route.ts GET': {
    method: 'GET',
    path: ({ exercise }) => `/exercises/${exercise}/pictures/picture-1`,
    answers: [200],
    for: onlyFor(own),
  },
  'kit/stock/route.ts GET': {
    method: 'GET',
    path: () => '/kit/stock',
    answers: [200],
    for: onlyFor(teaching),
  },
  'kit/shopping/route.ts GET': {
    method: 'GET',
    path: () => '/kit/shopping',
    answers: [200],
    for: onlyFor(teaching),
  },
  'kit/papers/[meetingId]/route.ts GET': {
    method: 'GET',
    path: ({ meeting }) => `/kit/papers/${meeting}`,
    answers: [200],
    for: onlyFor(own),
  },
  'classes/[classId]/calendar/route.ts GET': {
    method: 'GET',
    path: ({ group }) => `/classes/${group}/calendar`,
    answers: [200],
    for: onlyFor(own),
  },
  'courses/[courseId]/package/route.ts GET': {
    method: 'GET',
    path: ({ course }) => `/courses/${course}/package`,
    answers: [200],
    for: onlyFor(own),
  },
  'courses/[courseId]/booklet/route.ts GET': {
    method: 'GET',
    path: ({ course }) => `/courses/${course}/booklet`,
    answers: [200],
    for: onlyFor(own),
  },
  'courses/import/route.ts POST': {
    method: 'POST',
    path: () => '/courses/import',
    body: () => 'no package',
    answers: [422],
    for: onlyFor(keeping, 'no'),
  },
  'api/meetings/[meetingId]/route.ts GET': {
    method: 'GET',
    path: ({ meeting }) => `/api/meetings/${meeting}`,
    answers: [200],
    for: onlyFor(own, 'no'),
  },
  'api/meetings/[meetingId]/route.ts PUT': {
    method: 'PUT',
    path: ({ meeting }) => `/api/meetings/${meeting}`,
    body: () => ({ state: null, pressedAt: 0 }),
    answers: [200],
    for: onlyFor(own, 'no'),
  },
  'api/classes/[classId]/hand-ins/route.ts POST': {
    method: 'POST',
    path: ({ group }) => `/api/classes/${group}/hand-ins`,
    body: ({ publication }) => ({
      handIns: [
        {
          learnerId: '00000000-0000-4000-8000-000000000000',
          publicationId: publication,
          wiring: '',
          program: '',
        },
      ],
    }),
    answers: [200],
    for: onlyFor(own, 'no'),
  },
  'api/checks/route.ts PUT': {
    method: 'PUT',
    path: () => '/api/checks',
    body: ({ publication }) => ({ publicationId: publication, passed: true, cause: null }),
    answers: [204],
    for: onlyFor(['learner'], 'no'),
  },
  'api/checks/route.ts POST': {
    method: 'POST',
    path: () => '/api/checks',
    body: ({ publication }) => ({ publicationId: publication, wiring: 'x', program: '' }),
    answers: [422],
    for: onlyFor(['learner'], 'no'),
  },
  'api/bring-up/[publicationId]/route.ts PUT': {
    method: 'PUT',
    path: ({ publication }) => `/api/bring-up/${publication}`,
    body: () => ({ system: 'desktop', step: 'plug', isReady: false }),
    answers: [204],
    for: onlyFor(['learner'], 'no'),
  },
  'api/calibrations/[publicationId]/route.ts PUT': {
    method: 'PUT',
    path: ({ publication }) => `/api/calibrations/${publication}`,
    body: () => ({ name: 'nothing that is asked', value: 1 }),
    answers: [404],
    for: { ...onlyFor(['learner', 'strange learner'], 'no') },
  },
  'api/wanted/[publicationId]/route.ts GET': {
    method: 'GET',
    path: ({ publication }) => `/api/wanted/${publication}`,
    answers: [200],
    for: onlyFor(['learner'], 'no'),
  },
  'api/drafts/[publicationId]/route.ts PUT': {
    method: 'PUT',
    path: ({ publication }) => `/api/drafts/${publication}`,
    body: () => ({
      basedOn: 0,
      content: JSON.stringify({ version: 1, parts: [], program: '', hintsTaken: 0 }),
    }),
    answers: [200],
    for: onlyFor(['learner'], 'no'),
  },
  'api/drafts/[publicationId]/route.ts GET': {
    method: 'GET',
    path: ({ publication }) => `/api/drafts/${publication}?known=0`,
    answers: [200],
    for: onlyFor(['learner'], 'no'),
  },
  'classes/[classId]/people/[learnerId]/route.ts GET': {
    method: 'GET',
    path: ({ group, learner }) => `/classes/${group}/people/${learner}`,
    answers: [200],
    for: onlyFor(['instructor'], 'no'),
  },
  'classes/[classId]/record/grades/route.ts GET': {
    method: 'GET',
    path: ({ group }) => `/classes/${group}/record/grades`,
    answers: [200],
    for: onlyFor(own, 'no'),
  },
  'api/room/[classId]/route.ts GET': {
    method: 'GET',
    path: ({ group }) => `/api/room/${group}`,
    answers: [200],
    for: onlyFor(own, 'no'),
  },
  'api/live/route.ts GET': {
    method: 'GET',
    path: () => '/api/live',
    answers: [200],
    for: { ...everybody('yes'), nobody: 'no' },
  },
  'api/exercises/[exerciseId]/changes/route.ts GET': {
    method: 'GET',
    path: ({ exercise }) => `/api/exercises/${exercise}/changes?since=0`,
    answers: [200],
    for: onlyFor(own, 'no'),
  },
  'api/exercises/[exerciseId]/changes/route.ts POST': {
    method: 'POST',
    path: ({ exercise }) => `/api/exercises/${exercise}/changes`,
    body: () => ({
      base: 0,
      changes: [{ type: 'field', field: 'aim', was: 'nothing that is there', is: 'x' }],
    }),
    answers: [200],
    for: onlyFor(['instructor'], 'no'),
  },
};

/** Every action, by file and name: harmless arguments, and whether each person gets past its door. */
const actions: Readonly<
  Record<
    string,
    { readonly given: (ids: Ids) => readonly unknown[]; readonly for: Readonly<Record<Person, Answer>> }
  >
> = Object.fromEntries(
  (
    [
      ['doors/actions.ts', ['openJoining', 'endMeeting', 'letIn', 'newSlip'], teaching],
      ['classes/actions.ts', ['makeClass'], keeping],
      ['classes/actions.ts', ['invite', 'newPassword', 'changeColleague'], ['owner']],
      [
        'classes/[classId]/actions.ts',
        [
          'change',
          'renewCode',
          'addMeetings',
          'removeMeeting',
          'setStaff',
          'addLearners',
          'renameLearner',
          'moveLearner',
          'eraseLearner',
        ],
        keeping,
      ],
      ['classes/[classId]/actions.ts', ['slips'], teaching],
      ['review/[publicationId]/actions.ts', ['decide', 'acceptCircuit', 'checkAgain'], teaching],
      ['classes/[classId]/room/actions.ts', ['answerCall'], teaching],
      ['bench/[publicationId]/actions.ts', ['callForHelp', 'endCall'], ['learner', 'strange learner']],
      ['account/actions.ts', ['changePassword'], teaching],
      ['kit/actions.ts', ['doToLine', 'substitutes'], teaching],
      ['kit/actions.ts', ['addLine', 'bringIn'], keeping],
      ['classes/[classId]/meetings/[meetingId]/actions.ts', ['decide'], keeping],
      ['classes/[classId]/meetings/[meetingId]/actions.ts', ['tick'], teaching],
      ['courses/actions.ts', ['makeCourse'], keeping],
      ['boards/actions.ts', ['keepBoard', 'removeBoard', 'shareBoard'], keeping],
      [
        'courses/[courseId]/actions.ts',
        [
          'addLesson',
          'changeLesson',
          'removeLesson',
          'arrange',
          'addExercise',
          'importExercise',
          'removeExercise',
          'renameByPattern',
          'publishTo',
          'shareCourse',
          'setCard',
        ],
        keeping,
      ],
      ['courses/[courseId]/actions.ts', ['revisions'], teaching],
      ['courses/[courseId]/rules/actions.ts', ['setRule'], keeping],
      [
        'exercises/[exerciseId]/actions.ts',
        [
          'publishToClass',
          'closeForClass',
          'bringBackForClass',
          'setDatesForClass',
          'proposeForDraft',
          'lacksOfDraft',
        ],
        keeping,
      ],
      ['exercises/[exerciseId]/actions.ts', ['proveDraft'], teaching],
    ] as const
  ).flatMap(([file, names, allowed]) =>
    names.map((name) => [
      `${file} ${name}`,
      // No such thing, and nothing that fits: past the door it is refused in words, and does no harm.
      { given: () => [NOBODY, { constructor: 'toString' }, null, null], for: onlyFor(allowed, 'door') },
    ]),
  ),
);
/** Actions of the door itself: whoever is outside may knock, whoever is inside may leave. */
const doorActions: readonly string[] = [
  'sign-in/actions.ts signInAsStaff',
  'sign-in/actions.ts joinAsStudent',
  'sign-in/actions.ts signOut',
  'welcome/[token]/actions.ts acceptLink',
];

const NOBODY = '00000000-0000-4000-8000-000000000000';

interface Ids {
  readonly publication: string;
  readonly course: string;
  readonly exercise: string;
  readonly submission: string;
  readonly group: string;
  readonly learner: string;
  readonly meeting: string;
}

let world: World;
let ids: Ids;
const cookies = new Map<Person, string>();

beforeAll(async () => {
  world = await createWorld();
  const one = async (sql: string): Promise<string> => (await world.query<{ id: string }>(sql))[0]!.id;
  // Somebody else who teaches another class, and to whom the course is not shown.
  const strange = await one(
    `insert into staff (login, name, role, password_hash) values ('wim', 'Wim', 'instructor', '-') returning id`,
  );
  await world.query(`insert into class_staff select id, '${strange}' from class where code = 'LANTERN'`);
  await world.query(
    `delete from class_staff using class, staff where class.id = class_id and code = 'LANTERN' and staff.id = staff_id and login = 'marit'`,
  );
  await world.query(`update staff set role = 'instructor' where login = 'marit'`);
  await world.query(
    `insert into staff (login, name, role, password_hash) values ('oda', 'Oda', 'owner', '-')`,
  );
  await world.query(`update course set visible_to = 'shared'`);
  await world.query(
    `insert into course_share select course.id, staff.id, 'look' from course, staff where login = 'teun'`,
  );
  const submission = `select submission.id from submission join learner on learner.id = learner_id where learner.name = 'Adda' limit 1`;
  ids = {
    submission: await one(submission),
    publication: await one(`select publication_id as id from submission where id = (${submission})`),
    course: await one('select id from course'),
    exercise: await one('select id from exercise order by position limit 1'),
    group: await one(`select id from class where code = 'HARBOUR'`),
    learner: await one(`select id from learner where name = 'Adda'`),
    meeting: await one(
      `select meeting.id from meeting join class on class.id = class_id where code = 'HARBOUR' and ends_at > now() order by starts_at limit 1`,
    ),
  };
  await world.query(
    `insert into exercise_picture (exercise_id, id, type, bytes) values ('${ids.exercise}', 'picture-1', 'image/png', '')`,
  );
  const owners: Readonly<Record<Exclude<Person, 'nobody'>, string>> = {
    learner: `select id from learner where name = 'Adda'`,
    'strange learner': `select id from learner where name = 'Yrsa'`,
    assistant: `select id from staff where login = 'teun'`,
    instructor: `select id from staff where login = 'marit'`,
    'strange instructor': `select id from staff where login = 'wim'`,
    owner: `select id from staff where login = 'oda'`,
  };
  const db = openDatabase(world.url);
  const port = new URL(world.base).port;
  for (const [person, sql] of Object.entries(owners) as [Person, string][]) {
    const id = await one(sql);
    const { token } = await openSession(db, person.includes('learner') ? { learnerId: id } : { staffId: id });
    cookies.set(person, `didaktor-session-${port}=${token}`);
  }
  await db.destroy();
});
afterAll(() => world.end());

const ask = (person: Person, path: string, init: RequestInit = {}): Promise<Response> =>
  fetch(`${world.base}${path}`, {
    ...init,
    redirect: 'manual',
    headers: { ...(init.headers ?? {}), cookie: cookies.get(person) ?? '' },
  });

const answerOf = (status: number, answers: readonly number[]): Answer | number => {
  if (answers.includes(status)) return 'yes';
  if (status >= 300 && status < 400) return 'door';
  return status === 401 || status === 403 || status === 404 ? 'no' : status;
};

/** Files under `app` with a name, as the table has them. */
const found = (name: string): readonly string[] =>
  readdirSync('app', { recursive: true, encoding: 'utf8' })
    .filter((file) => file === name || file.endsWith(`/${name}`))
    .sort();

describe('every page', () => {
  test('of the source is in the table', () => {
    expect(found('page.tsx')).toEqual(Object.keys(pages).sort());
  });

  test.each(Object.keys(pages).flatMap((file) => people.map((person) => [file, person] as const)))(
    '%s answers %s as it should',
    async (file, person) => {
      const page = pages[file]!;
      const { status } = await ask(person, page.path(ids));
      expect(answerOf(status, [200])).toBe(page.for[person]);
    },
  );
});

describe('every route', () => {
  test('of the source is in the table, with every method', () => {
    const methods = found('route.ts').flatMap((file) =>
      [
        ...readFileSync(join('app', file), 'utf8').matchAll(/^export (?:async function|const) ([A-Z]+)\b/gm),
      ].map(([, method]) => `${file} ${method}`),
    );
    expect(methods.sort()).toEqual(Object.keys(routes).sort());
  });

  test.each(Object.keys(routes).flatMap((name) => people.map((person) => [name, person] as const)))(
    '%s answers %s as it should',
    async (name, person) => {
      const { method, path, body, answers, for: allowed } = routes[name]!;
      const { status, body: stream } = await ask(person, path(ids), {
        method,
        ...(body ? { body: JSON.stringify(body(ids)), headers: { 'content-type': 'application/json' } } : {}),
      });
      // What goes on for ever is not waited for.
      await stream?.cancel();
      expect(answerOf(status, answers)).toBe(allowed[person]);
    },
  );
});

describe('every action', () => {
  const manifest = JSON.parse(readFileSync('.next/server/server-reference-manifest.json', 'utf8')) as {
    readonly node: Readonly<
      Record<
        string,
        {
          readonly filename: string;
          readonly exportedName: string;
          readonly workers: Record<string, unknown>;
        }
      >
    >;
  };
  const built = Object.entries(manifest.node).map(([id, { filename, exportedName, workers }]) => ({
    id,
    name: `${filename.replace(/^app\//, '')} ${exportedName}`,
    // The page that it was built for; an action is asked for at a page.
    page:
      Object.keys(workers)[0]!
        .replace(/^app/, '')
        .replace(/\/page$/, '') || '/',
  }));

  test('of the source is in the table', () => {
    const known = [...Object.keys(actions), ...doorActions];
    expect(built.map(({ name }) => name).sort()).toEqual(known.sort());
    const inSource = found('actions.ts').flatMap((file) =>
      [...readFileSync(join('app', file), 'utf8').matchAll(/^export (?:async function|const) (\w+)/gm)].map(
        ([, name]) => `${file} ${name}`,
      ),
    );
    expect(inSource.sort()).toEqual(known.sort());
  });

  test.each(Object.keys(actions).flatMap((name) => people.map((person) => [name, person] as const)))(
    '%s lets in %s or not, and is not thrown by nonsense',
    async (name, person) => {
      const { given, for: allowed } = actions[name]!;
      const { id, page } = built.find((one) => one.name === name)!;
      const path = page
        .replace('[courseId]', ids.course)
        .replace('[exerciseId]', ids.exercise)
        .replace('[classId]', ids.group)
        .replace('[token]', 'none')
        .replace('[publicationId]', ids.publication);
      const answer = await ask(person, path, {
        method: 'POST',
        body: JSON.stringify(given(ids)),
        headers: { 'next-action': id, 'content-type': 'text/plain;charset=UTF-8', origin: world.base },
      });
      // Sent away from inside an action comes as a header, whatever the status.
      const isSentAway = answer.headers.get('x-action-redirect')?.startsWith('/sign-in') === true;
      const seen = isSentAway ? 'door' : answerOf(answer.status, [200]);
      expect(seen, (await answer.text()).slice(0, 300)).toBe(allowed[person]);
    },
  );
});
