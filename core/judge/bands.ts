import { placesOf } from './places';
import { quantity, type Observation } from '../findings/finding';
import { kindOf } from '../parts';
import { milliamps } from '../units';
import type { ComparingRule } from './subject';
import { partText } from '../wiring/words';
import { capital } from '../words/words';

/** Share by which a current may lie outside the band before it is worth saying. */
const MARGIN = 0.05;

/** LEDs whose largest current lies outside the band of the exercise. */
export const lampCurrents: ComparingRule = ({ states, board }, { lampBands: bands, pairs }) =>
  [...bands].flatMap(([name, [lowest, highest]]): readonly Observation[] => {
    const lamp = pairs.get(name);
    if (!lamp || highest <= 0) return [];
    const currentMa = Math.max(0, ...states.map(({ point }) => point.parts.get(lamp.ref)?.currentMa ?? 0));
    const dim = currentMa < lowest * (1 - MARGIN);
    if ((!dim && currentMa <= highest * (1 + MARGIN)) || currentMa < 0.001) return [];
    const limitMa = Math.min(kindOf(lamp.kind).ratings?.currentMa ?? Infinity, board.drive.recommendedMa);
    const band = `${milliamps(lowest)} to ${milliamps(highest)}`;
    return [
      {
        code: dim ? 'too-dim' : 'too-bright',
        severity: !dim && currentMa > limitMa ? 'risk' : 'fault',
        refs: [lamp.ref],
        at: placesOf(lamp),
        message: `${capital(partText(lamp))} carries ${milliamps(currentMa)}; it should be ${band}, so it is ${dim ? 'dimmer' : 'brighter'} than it should be.`,
        hints: [
          `Is ${lamp.ref} as bright as in the example?`,
          `${milliamps(currentMa)} flows through ${lamp.ref}; ${band} would be right. What in its path sets the current?`,
          `Check the resistor in the path of ${lamp.ref} and whether its pin is an output.`,
        ],
        evidence: {
          currentMa: quantity(currentMa, 'mA'),
          lowestMa: quantity(lowest, 'mA'),
          highestMa: quantity(highest, 'mA'),
        },
      },
    ];
  });
