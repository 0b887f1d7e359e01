import { expect, test } from 'vitest';
import { ref } from '../brand';
import type { Moment } from './replay';
import { momentWords } from './moment-words';

const dark: Moment = {
  at: 0,
  lights: new Map([
    ['D1', 0],
    ['D2', 0.02],
  ]),
  sounds: new Map([[ref('Z1'), 0]]),
  angles: new Map(),
  turns: new Map(),
  pulled: new Map(),
  pictures: new Map(),
  texts: new Map(),
  pins: new Map(),
};

test('a moment is said in one sentence, part by part', () => {
  expect(momentWords(dark)).toBe('no LED is lit');
  expect(momentWords({ ...dark, lights: new Map([...dark.lights, ['D1', 0.5]]) })).toBe('D1 is lit');
  expect(
    momentWords({
      ...dark,
      lights: new Map([
        ['D1', 0.5],
        ['D2', 1],
      ]),
      sounds: new Map([[ref('Z1'), 440]]),
      angles: new Map([[ref('M1'), 91.2]]),
      turns: new Map([[ref('M2'), { speed: -0.5, turned: 3 }]]),
      pictures: new Map([[ref('X1'), [255, 1]]]),
      texts: new Map([[ref('X2'), ['  Tide  ', ' 2.4 m ']]]),
    }),
  ).toBe(
    'D1 and D2 are lit; Z1 sounds; M1 stands at 90°; M2 turns backwards; X2 shows Tide 2.4 m; X1 has 9 LEDs on',
  );
  expect(momentWords({ ...dark, lights: new Map() })).toBe('');
});
