import { describe, expect, test } from 'vitest';
import { hasPassed } from '../formats/report';
import { exerciseSaid } from '../testing/exercise-said';
import { reportOnSlip } from '../testing/said-slips';
import { sampled } from '../testing/samples';
import { wiredSlips } from '../testing/wired-slips';
import { wiredSlip } from '../testing/wired-slips/edits';

/** Of so many pairs one is looked at: there are a thousand and more. */
const ONE_OF = 8;

const partsIn = (edits: string): readonly string[] => edits.split(' ').map((edit) => /\w+/.exec(edit)![0]);

describe.each(wiredSlips)('two slips at once in $said.id', ({ said, slips }) => {
  const exercise = exerciseSaid(said);
  const alone = slips.filter(([, , verdict, codes]) => verdict === 'does-not-work' && codes.length === 1);
  const pairs = alone.flatMap(([one, edits], index) =>
    alone.slice(index + 1).flatMap(([other, more]) => {
      const parts = new Set(partsIn(edits));
      const areApart = partsIn(more).every((part) => !parts.has(part));
      return areApart ? [{ name: `${one}, ${other}`, edits: `${edits} ${more}` }] : [];
    }),
  );

  test.each(sampled(pairs.filter((_, index) => index % ONE_OF === 0)))(
    'are both told, and with a repair each: $name',
    ({ edits }) => {
      const { verdict, findings } = reportOnSlip(exercise, { rows: wiredSlip(edits) });
      const causes = findings.filter(({ cause }) => cause);
      expect(causes.map(({ repair }) => repair?.text)).not.toContain(undefined);
      // Two may undo each other: a potentiometer turned round, and the two LEDs that it fades exchanged.
      expect(hasPassed(verdict) || causes.length > 0).toBe(true);
    },
  );
});

describe('what each of two slips is told as', () => {
  test.each([
    [
      'window',
      'L1.1=B1.e6 L1.2=B1.e8 W3.2=U1.GND',
      [
        'Move the light sensor L1 by one row, all its legs together: to e5 and e7.',
        'Move the end of the red wire W3 from GND to 5V.',
      ],
    ],
    [
      'parking',
      'W8.2=U1.10 W9.2=U1.11 R2.2=B1.e4',
      [
        'Move the other end of the 220 Ω resistor R2 from hole e4 to hole g4.',
        'Swap the blue wire W8 and the white wire W9: put W8 in pin 11, and W9 in pin 10.',
      ],
    ],
    [
      'rail-signal',
      '-R4 D1:green D3:red',
      [
        'Swap the green LED D1 and the red LED D3.',
        'Put the 10 kΩ resistor R4 between hole d11 and hole d15.',
      ],
    ],
    [
      'doorbell-battery',
      'W2.1=B1.a-2 -G1',
      [
        'Move the end of the red wire W2 from the minus rail, hole a-2 to the plus rail, hole a+2.',
        'Put the 9 V block battery G1 between the plus rail, hole a+11 and the minus rail, hole a-11.',
      ],
    ],
  ])('%s: %s', (id, edits, repairs) => {
    const exercise = exerciseSaid(wiredSlips.find(({ said }) => said.id === id)!.said);
    const { findings } = reportOnSlip(exercise, { rows: wiredSlip(edits) });
    expect(findings.filter(({ cause }) => cause).map(({ repair }) => repair?.text)).toEqual(repairs);
  });
});
