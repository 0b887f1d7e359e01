import { afterEach, beforeEach, describe, expect, test } from 'vitest';
import { buildHarbour, PASSWORD, type Harbour } from '../testing/harbour';
import { roomHours } from '../settings';
import { openSession } from './sessions';
import { joinClass, rosterOf, signInStaff } from './sign-in';

let harbour: Harbour;
beforeEach(async () => {
  harbour = await buildHarbour();
});
afterEach(async () => {
  delete process.env['DIDAKTOR_HOURS'];
  await harbour.drop();
});

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const today = (): string => DAYS[new Date().getDay()]!;
const tomorrow = (): string => DAYS[(new Date().getDay() + 1) % 7]!;
const place = { address: 'here', device: 'tablet' };

describe('outside of the working hours of the room', () => {
  beforeEach(() => {
    process.env['DIDAKTOR_HOURS'] = `${tomorrow()} 00:00-24:00`;
  });

  test('no learner gets in, and is told when they can', async () => {
    const code = (await harbour.db('class').first<{ code: string }>('code')).code;
    const told = `It is open ${tomorrow()} 0:00 to 24:00.`;
    expect(await rosterOf(harbour.db, code, 'here')).toEqual({ message: expect.stringContaining(told) });
    const joining = { code, learnerId: harbour.learner.id, word: 'anchor', ...place };
    expect(await joinClass(harbour.db, joining)).toEqual({
      ok: false,
      message: expect.stringContaining(told),
    });
  });

  test('those who teach do', async () => {
    const { login } = await harbour.db('staff').first<{ login: string }>('login');
    expect(await signInStaff(harbour.db, { login, password: PASSWORD, ...place })).toMatchObject({
      ok: true,
    });
  });
});

describe('within them', () => {
  test('a learner’s session ends soon after the room closes', async () => {
    process.env['DIDAKTOR_HOURS'] = `${today()} 00:00-24:00`;
    const left = roomHours().minutesOpen!;
    const { expires } = await openSession(harbour.db, { learnerId: harbour.learner.id });
    const minutes = (expires.getTime() - Date.now()) / 60_000;
    expect(minutes).toBeLessThanOrEqual(Math.min(360, left + 15) + 1);
  });

  test('without any, the room is always open', () => {
    expect(roomHours()).toEqual({ minutesOpen: undefined, text: '' });
  });
});
