import { legNames } from '../brand';
import { ok } from '../result';
import { defineKind } from './kind';

const [one, two, three, four] = legNames('1', '2', '3', '4');

export const button = defineKind({
  kind: 'button',
  alsoTyped: ['push-button', 'pushbutton'],
  alsoSaid: [
    'btn',
    'pushbutton switch',
    'tactile switch',
    'button switch',
    'push button switch',
    'momentary switch',
    'momentary button',
    'tact switch',
    'tactile button',
  ],
  prefix: 'S',
  title: 'push button',
  legs: [
    {
      name: one,
      title: 'leg 1',
      knownBy: 'joined inside with leg 2, which is straight across the centre gap',
    },
    {
      name: two,
      title: 'leg 2',
      knownBy: 'joined inside with leg 1, which is straight across the centre gap',
    },
    { name: three, title: 'leg 3', knownBy: 'on the side of leg 1, two rows on; joined inside with leg 4' },
    { name: four, title: 'leg 4', knownBy: 'straight across the centre gap from leg 3' },
  ],
  footprint: {
    type: 'block',
    one: [one, null, three],
    other: [two, null, four],
    columns: ['e', 'f'],
  },
  joints: [
    [one, two],
    [three, four],
  ],
  symmetrical: true,
  turns: [
    [two, one, three, four],
    [one, two, four, three],
    [two, one, four, three],
    [three, four, one, two],
    [four, three, one, two],
    [three, four, two, one],
    [four, three, two, one],
  ],
  ratings: { currentMa: 50, volts: 12, source: 'the usual 6 mm push button' },
  stimulus: 'press',
  contact: 'momentary',
  givesAt: three,
  body: 'button',
  sign: 'button',
  preparation: 'Straighten the four legs, and press it in across the centre gap until it sits flat.',
  pretest: 'A meter’s continuity range is silent between legs 1 and 3, and sounds while the button is held.',
  readValue: (text) => ok({ text: text.trim().toLowerCase() }),
  elements: (_, { pressed }) => (pressed ? [{ type: 'contact', from: one, to: three }] : []),
  describe: (value) => (value.text === '' ? 'push button' : `${value.text} push button`),
});
