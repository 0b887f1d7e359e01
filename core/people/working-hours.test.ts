import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { hoursText, minutesOpen, readWorkingHours } from './working-hours';

const at = (day: number, hour: number, minute = 0) => ({ day, minutes: hour * 60 + minute });
const read = (text: string) => readWorkingHours(text)!;

describe('working hours', () => {
  const week = read('Mon-Fri 08:00-18:00, Sat 10:00-14:30');
  test.each([
    ['opens on the minute', at(0, 8), 600],
    ['is closed the minute before', at(0, 7, 59), 0],
    ['closes on the minute', at(4, 18), 0],
    ['is open for what is left', at(4, 17, 45), 15],
    ['has other hours on another day', at(5, 14), 30],
    ['is closed all day where nothing is said', at(6, 12), 0],
  ])('the room %s', (_, time, expected) => {
    expect(minutesOpen(week, time)).toBe(expected);
  });

  test('are no restriction when there are none', () => {
    expect(minutesOpen(read(''), at(6, 3))).toBeUndefined();
  });

  test('go over the end of a week, and up to midnight', () => {
    const weekend = read('Sat-Mon 20:00-24:00');
    expect([5, 6, 0].map((day) => minutesOpen(weekend, at(day, 23)))).toEqual([60, 60, 60]);
    expect(minutesOpen(weekend, at(1, 23))).toBe(0);
  });

  test('that overlap count as the longer one', () => {
    expect(minutesOpen(read('Mon 08:00-12:00, Mon 10:00-14:00'), at(0, 11))).toBe(180);
  });

  test.each([
    'always',
    'Mon 8-18',
    'Mon 18:00-08:00',
    'Mon 08:00-25:00',
    'Mon 08:60-09:00',
    'Mo 08:00-18:00',
    'Mon 08:00-18:00;',
  ])('are not read from “%s”', (text) => {
    expect(readWorkingHours(text)).toBeUndefined();
  });

  test('are said as they are', () => {
    expect(hoursText(week)).toBe('Mon to Fri 8:00 to 18:00 and Sat 10:00 to 14:30');
  });

  test('leave no more time than there is until midnight', () => {
    fc.assert(
      fc.property(fc.nat(6), fc.nat(1439), (day, minutes) => {
        const left = minutesOpen(read('Mon-Sun 00:00-24:00'), { day, minutes });
        expect(left).toBe(1440 - minutes);
      }),
    );
  });
});
