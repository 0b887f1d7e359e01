import { quantity } from '../../findings/finding';
import type { Expectation, SingleExpectation } from '../../formats/scenario';
import { seconds } from '../../units';
import { checkSlope } from './brightness';
import { checkChance } from './chance';
import { checkColour } from './colour';
import { checkLamp } from './lamp';
import { checkAngle, checkDisplay, checkPicture, checkSound } from './modules';
import { checkResponse } from './response';
import { checkSerial } from './serial';
import { windowOf, within, type Check, type Observed, type Outcome } from './outcome';

export type { Observed, Outcome } from './outcome';

/** Checks one expectation on a run. */
export function checkExpectation(expectation: Expectation, observed: Observed): Outcome {
  return 'one-of' in expectation
    ? checkChance(checkSingle)(expectation, observed)
    : checkSingle(expectation, observed);
}

function checkSingle(expectation: SingleExpectation, observed: Observed): Outcome {
  if ('responds' in expectation) return checkResponse(expectation, observed);
  if ('rises' in expectation || 'falls' in expectation) return checkSlope(expectation, observed);
  if ('colour' in expectation) return checkColour(expectation, observed);
  if ('lamp' in expectation) return checkLamp(expectation, observed);
  if ('never-together' in expectation) return neverTogether(expectation, observed);
  if ('order' in expectation) return inOrder(expectation, observed);
  if ('servo' in expectation) return checkAngle(expectation, observed);
  if ('buzzer' in expectation) return checkSound(expectation, observed);
  if ('panel' in expectation) return checkPicture(expectation, observed);
  if ('display' in expectation) return checkDisplay(expectation, observed);
  return checkSerial(expectation, observed);
}

const neverTogether: Check<Extract<Expectation, { 'never-together': string[] }>> = (
  expectation,
  observed,
) => {
  const lamps = expectation['never-together'];
  const [from, to] = windowOf(expectation, observed.trace);
  const lit = lamps.map((lamp) =>
    within(observed.seen(lamp) ?? [], from, to).filter((interval) => interval.glow === 'lit'),
  );
  for (let first = 0; first < lamps.length; first += 1)
    for (let second = first + 1; second < lamps.length; second += 1)
      for (const a of lit[first]!)
        for (const b of lit[second]!) {
          const [start, end] = [Math.max(a.from, b.from), Math.min(a.to, b.to)];
          // An overlap too short for an eye is a matter of the order of two lines, not of what is seen.
          if (end - start < 0.02) continue;
          const names = `${lamps[first]} and ${lamps[second]}`;
          // Each of them is lit alone too: they take turns, and the change comes too late.
          const overlaps = end - start < Math.min(a.to - a.from, b.to - b.from) * 0.9;
          return {
            passed: false,
            observed: `${names} lit together for ${seconds(end - start)}`,
            failures: [
              {
                code: overlaps ? 'turn-overlap' : 'order-wrong',
                severity: 'fault',
                refs: [lamps[first]!, lamps[second]!],
                message: `${names} are lit together from ${seconds(start)} to ${seconds(end)}; they should take turns.`,
                hints: [
                  `Is one of ${names} switched off before the other is switched on?`,
                  `From ${seconds(start)} on, ${names} are both lit, for ${seconds(end - start)}.`,
                  `Switch one of ${names} off in the line before the other is switched on.`,
                ],
                evidence: { togetherS: quantity(end - start, 's') },
              },
            ],
          };
        }
  return { passed: true, observed: 'never lit together', failures: [] };
};

const inOrder: Check<Extract<Expectation, { order: string[] }>> = (expectation, observed) => {
  const [from, to] = windowOf(expectation, observed.trace);
  const starts = expectation.order
    .flatMap((lamp) =>
      within(observed.seen(lamp) ?? [], from, to)
        .filter((interval) => interval.glow === 'lit')
        .map((interval) => ({ lamp, at: interval.from })),
    )
    .sort((a, b) => a.at - b.at)
    .map(({ lamp }) => lamp);
  const first = expectation.order.indexOf(starts[0] ?? '');
  const right =
    starts.length >= expectation.order.length &&
    starts.every((lamp, index) => lamp === expectation.order[(first + index) % expectation.order.length]);
  const seen = starts.slice(0, 8).join(', ') || 'none lit';
  if (right) return { passed: true, observed: seen, failures: [] };
  return {
    passed: false,
    observed: seen,
    failures: [
      {
        code: 'order-wrong',
        severity: 'fault',
        refs: [...expectation.order],
        message: `The LEDs light up in the order ${seen}; the order should be ${expectation.order.join(', ')}.`,
        hints: [
          `In which order do the LEDs light up?`,
          `The order you get is ${seen}.`,
          `Change the order of the lines, so that the LEDs light up in the order ${expectation.order.join(', ')}.`,
        ],
        evidence: { lit: quantity(starts.length, '') },
      },
    ],
  };
};
