import { legName } from '../brand';
import { fail, ok } from '../result';
import { defineKind } from './kind';
import { ledColours, ledModels, ledRatings } from './light';

const anode = legName('anode');
const cathode = legName('cathode');

export const led = defineKind({
  kind: 'led',
  alsoTyped: ['lamp', 'light'],
  alsoSaid: ['indicator lamp', 'light emitting diode', 'led light', 'led lamp'],
  prefix: 'D',
  title: 'LED',
  legs: [
    { name: anode, title: 'long leg', knownBy: 'the longer leg; the rim is round on its side', mark: '+' },
    { name: cathode, title: 'short leg', knownBy: 'the shorter leg; the rim is flat on its side', mark: '−' },
  ],
  footprint: { type: 'leads', reachMm: 30, rows: 1 },
  ratings: ledRatings,
  observed: 'light',
  body: 'dome',
  sign: 'led',
  codeWords: ['led'],
  hazards: ['An LED without its resistor can be destroyed, and so can whatever drives it.'],
  preparation: 'Spread the legs by one row. Do not cut them: the longer one is the mark.',
  pretest: 'Hold it to a 3 V coin cell for a moment, long leg to plus: it lights up.',
  readValue(text) {
    const colour = text.trim().toLowerCase();
    if (colour === '') return fail({ message: 'an LED needs its colour, such as amber' });
    if (!ledModels.has(colour))
      return fail({
        message: `“${text.trim()}” is not an LED colour; known are ${ledColours.join(', ')}`,
        typed: text,
      });
    return ok({ text: colour });
  },
  elements: (value) => [{ type: 'junction', anode, cathode, model: ledModels.get(value.text)!, led: '' }],
  describe: (value) => `${value.text} LED`,
});
