import * as z from 'zod';
import { legName, type Ref } from '../brand';
import { brightnessAt, FAINT_BELOW_MA } from '../electrics/brightness';
import { quantity } from '../findings/finding';
import { seconds, stretch } from '../units';
import { partTextOf } from '../wiring/words';
import { sentence } from '../words/sentence';
import { listSlot, nameSlot, wordSlot } from '../words/slots';
import { capital } from '../words/words';
import { refSchema, WINDOW, windowed, windowSlots, type ExpectationDefinition } from './definition';
import { glances, meanMa } from './glances';
import { absent, failedWith, passed, windowOf, type Observed, type Outcome } from './outcome';

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
/** The share of the time for which the colour may be another one, as when it changes. */
const UNSTEADY = 0.1;
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
    const parts = currents.map((changes) => brightnessAt(meanMa(changes!, from, to))) as unknown as Mixture;
    const found = colourOf(parts);
    const allowed: readonly string[] = [expectation.colour, ...(expectation.or ?? [])];
    if (allowed.includes(found)) {
      const [reds, greens, blues] = currents.map((changes) => glances(changes!, from, to));
      const each = reds!.map((red, index) => colourOf([red, greens![index]!, blues![index]!]));
      const others = each.filter((one) => !allowed.includes(one));
      if (others.length <= each.length * (expectation.tolerance ?? UNSTEADY)) return passed(found);
      return unsteady(expectation, { ref, each, others, window: [from, to] }, observed);
    }
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

/** What an RGB LED shows in equal glances over a window, and which of them are of another colour. */
interface Seen {
  readonly ref: Ref;
  readonly each: readonly (Colour | 'dark')[];
  readonly others: readonly (Colour | 'dark')[];
  readonly window: readonly [from: number, to: number];
}

/** A colour that is right on the whole and not at every moment, as of a light that blinks. */
function unsteady(
  { colour: wanted }: InColour,
  { ref, each, others, window }: Seen,
  { wiring }: Observed,
): Outcome {
  const [other] = others;
  const first = each.indexOf(other!);
  const run = each.slice(first).findIndex((one) => one !== other);
  const glance = (window[1] - window[0]) / each.length;
  const end = run < 0 ? each.length : first + run;
  const [from, to] = [window[0] + first * glance, window[0] + end * glance];
  const found = `${wanted} only part of the time`;
  return failedWith(`${found}, ${other} ${stretch(from, to)}`, {
    code: 'colour-off',
    severity: 'fault',
    refs: [ref],
    message: `${capital(partTextOf(wiring, ref))} is ${found}: it is ${other} ${stretch(from, to)}.`,
    hints: [
      `Is ${ref} ${wanted} all the time?`,
      `${ref} is ${other} ${stretch(from, to)}; it should stay ${wanted}.`,
      `Find the line that makes ${ref} ${other} at ${seconds(from)}.`,
    ],
    evidence: { fromS: quantity(from, 's'), foundS: quantity(to - from, 's') },
  });
}

/** The brightness of red, green and blue, each from 0 to 1. */
type Mixture = readonly [red: number, green: number, blue: number];

/** The name of a mixture of red, green and blue light, each by its brightness from 0 to 1. */
function colourOf([red, green, blue]: Mixture): Colour | 'dark' {
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
