import { expect, test } from 'vitest';
import { saidOfLeftAlone } from './left-alone';

const [lamp, button, other, slide] = [
  { ref: 'D1', kind: 'led' },
  { ref: 'S1', kind: 'button' },
  { ref: 'S2', kind: 'button' },
  { ref: 'S3', kind: 'switch' },
];

test.each([
  ['S1 is never pressed here.', [lamp, button], []],
  ['S3 is never switched on here.', [lamp, slide], [{ at: 1, turn: 'P1', to: 1 }]],
  ['S1 and S2 are never pressed here.', [button, other], []],
  ['S2 and S3 are never used here.', [button, other, slide], [{ at: 1, press: 'S1', for: 0.3 }]],
  [undefined, [lamp], []],
  [
    undefined,
    [button, slide],
    [
      { at: 1, press: 'S1', for: 0.3 },
      { at: 2, turn: 'S3', to: 1 },
    ],
  ],
  [undefined, [button, other, slide], []],
] as const)('%s', (said, parts, stimuli) => {
  expect(saidOfLeftAlone(stimuli, parts)).toBe(said);
});
