import * as z from 'zod';
import { legName } from '../brand';
import { brightnessAt, FAINT_BELOW_MA } from '../electrics/brightness';
import { quantity } from '../findings/finding';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { listSlot, nameSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { meanMa } from './glances';
import { absent, failedWith, passed, windowOf } from './outcome';

/** Colours that an eye tells apart on an RGB LED. */
const colours = ['red', 'green', 'blue', 'yellow', 'orange', 'turquoise', 'violet', 'white'] as const;
type Colour = (typeof colours)[number];

const schema = z.strictObject({
  lamp: refSchema,
  colour: z.enum(colours),
  /** Other colours that are as good. */
  or: z.array(z.enum(colours)).min(1).optional(),
  ...windowed,
});
type InColour = z.infer<typeof schema>;

const primaries = ['red', 'green', 'blue'].map(legName);
/** Brightness below which a light is too faint to have a colour. */
const DARK_BELOW = brightnessAt(FAINT_BELOW_MA);
/** The share of the brightest from which a colour takes part in the light. */
const COLOURS_FROM = 0.45;
/** Green beside a brighter red makes orange up to this share, and yellow beyond. */
const YELLOW_FROM = 0.8;

const words = Object.fromEntries(
  colours.map((name) => [name, [`is ${name}`, `shows ${name}`]]),
) as unknown as Record<Colour, [string, string]>;

const plain = Object.fromEntries(colours.map((name) => [name, [name]])) as unknown as Record<
  Colour,
  [string]
>;

/** An RGB LED shows a colour. */
export const colour: ExpectationDefinition<InColour> = {
  keys: ['lamp', 'colour'],
  schema,
  sentence: sentence<InColour>(`{lamp} {colour}( or {or}|)${WINDOW}`, {
    lamp: nameSlot,
    colour: wordSlot(words),
    or: listSlot(wordSlot(plain), ' or ', '(?: or |, *(?:or )?)', 1),
    ...windowSlots,
  }),
  parts: ({ lamp: led }) => [led],
  check: (expectation, observed) => {
    const ref = observed.builtRef(expectation.lamp);
    const currents = primaries.map((leg) => observed.currents(`${expectation.lamp}.${leg}`));
    if (ref === undefined || currents.includes(undefined)) return absent(expectation.lamp);
    const [from, to] = windowOf(expectation, observed.trace);
    const parts = currents.map((changes) => brightnessAt(meanMa(changes!, from, to))) as [
      number,
      number,
      number,
    ];
    const found = colourOf(parts);
    const allowed = [expectation.colour, ...(expectation.or ?? [])];
    if (allowed.some((one) => one === found)) return passed(found);
    const wanted = allowed.join(' or ');
    const shares = primaries.map((leg, index) => `${leg} ${Math.round(parts[index]! * 100)} %`).join(', ');
    return failedWith(found, {
      code: 'colour-off',
      severity: 'fault',
      refs: [ref],
      message: `${capital(partTextOf(observed.wiring, ref))} is ${found}; it should be ${wanted}. It is made of ${shares}.`,
      hints: [
        `Which mix of red, green and blue makes ${wanted}?`,
        `${ref} shows ${shares}.`,
        `Set the three colours of ${ref} so that they make ${wanted}.`,
      ],
      evidence: { red: quantity(parts[0], ''), green: quantity(parts[1], ''), blue: quantity(parts[2], '') },
    });
  },
};

/** The name of a mixture of red, green and blue light, each by its brightness from 0 to 1. */
function colourOf([red, green, blue]: readonly [number, number, number]): Colour | 'dark' {
  const most = Math.max(red, green, blue);
  if (most < DARK_BELOW) return 'dark';
  const [r, g, b] = [red, green, blue].map((share) => share / most >= COLOURS_FROM) as [
    boolean,
    boolean,
    boolean,
  ];
  if (r && g && b) return 'white';
  if (r && g) return green < YELLOW_FROM * red ? 'orange' : 'yellow';
  if (r && b) return 'violet';
  if (g && b) return 'turquoise';
  return r ? 'red' : g ? 'green' : 'blue';
}
