import type { Ref } from '../brand';
import { prepareBench } from '../electrics/bench';
import { solveBench } from '../electrics/bench-point';
import { placesOf } from './places';
import { quantity, type Observation } from '../findings/finding';
import { kindOf } from '../parts';
import { milliamps } from '../units';
import type { Built, ComparingRule } from './subject';
import { partText } from '../wiring/words';
import { capital } from '../words/words';

/** Share by which a current may lie outside the band before it is worth saying. */
const MARGIN = 0.05;

/** A band of currents in words: `at most 19 mA` where it begins with nothing. */
function bandText(lowest: number, highest: number): string {
  const [low, high] = [lowest, highest].map(milliamps) as [string, string];
  if (lowest < 0.01) return `at most ${high}`;
  return low === high ? low : `${low} to ${high}`;
}

/** What an LED carries at most while a pin that is dimmed is on: how long it is on for is the program's matter. */
const whileOn = ({ circuit, states }: Built, led: Ref): number =>
  Math.max(
    0,
    ...states.flatMap(({ drives, parts }) => {
      if (![...drives.values()].some(({ mode }) => mode === 'pwm')) return [];
      const bench = prepareBench(circuit, { states: parts });
      return (['high', 'low'] as const).map((mode) => {
        const at = [...drives].map(([pin, drive]) => [pin, drive.mode === 'pwm' ? { mode } : drive] as const);
        return solveBench(bench, new Map(at)).parts.get(led)?.currentMa ?? 0;
      });
    }),
  );

/** LEDs whose largest current lies outside the band of the exercise. */
export const ledCurrents: ComparingRule = (built, { ledBands: bands, pairs }) => {
  const { states, board } = built;
  return [...bands].flatMap(([name, [lowest, highest]]): readonly Observation[] => {
    const led = pairs.get(name);
    if (!led || highest <= 0) return [];
    const currentMa = Math.max(0, ...states.map(({ point }) => point.parts.get(led.ref)?.currentMa ?? 0));
    const isDim = (milliamperes: number): boolean => milliamperes < lowest * (1 - MARGIN);
    const dim = isDim(currentMa) && isDim(whileOn(built, led.ref));
    if (isDim(currentMa) && !dim) return [];
    if ((!dim && currentMa <= highest * (1 + MARGIN)) || currentMa < 0.001) return [];
    const limitMa = Math.min(kindOf(led.kind).ratings?.currentMa ?? Infinity, board.drive.recommendedMa);
    const band = bandText(lowest, highest);
    return [
      {
        code: dim ? 'too-dim' : 'too-bright',
        severity: !dim && currentMa > limitMa ? 'risk' : 'fault',
        refs: [led.ref],
        at: placesOf(led),
        message: `${capital(partText(led))} carries ${milliamps(currentMa)}; it should be ${band}, so it is ${dim ? 'dimmer' : 'brighter'} than it should be.`,
        hints: [
          `Is ${led.ref} as bright as in the example?`,
          `${milliamps(currentMa)} flows through ${led.ref}; ${band} would be right. What in its path sets the current?`,
          `Check the resistor in the path of ${led.ref} and whether its pin is an output.`,
        ],
        evidence: {
          currentMa: quantity(currentMa, 'mA'),
          lowestMa: quantity(lowest, 'mA'),
          highestMa: quantity(highest, 'mA'),
        },
      },
    ];
  });
};
