import type { Option } from '../statement';

/** What a line is said to be understood as where it wishes for something. */
export const optionWords: Readonly<Record<Option, string>> = {
  'pull-up': 'pull-up',
  'pull-down': 'pull-down',
  'anode-side': 'resistor on the long leg',
  'cathode-side': 'resistor on the short leg',
  'lit-by-low': 'lit while the pin is low',
  'no-resistor': 'no resistor',
  dimmed: 'dimmed by PWM',
  'own-supply': 'its own supply',
  transistor: 'through a transistor',
  'both-ends': 'between supply and ground',
  'left-free': 'its other legs hang free',
};
