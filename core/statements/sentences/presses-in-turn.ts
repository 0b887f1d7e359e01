import { ORDINAL_WORDS } from '../../words/words';
import { COLOUR } from './colours';
import { lightsIn, NAMES, type Named } from './plain';
import { asAnswer, DOING, DONE_TO, LENGTH, ORDINAL, PRESS } from './pressing';

/**
 * What several presses do, each as an answer with a comma between: `S1 starts M1 and S2 stops it`, `the first press lights
 * D1, the second D2`, `each press lights the next LED`; what one press does, as its answer. Any other sentence stays as it is.
 */
export function asAnswers(plain: string, parts: readonly Named[]): string {
  const [several] = [ofTwo, ofBothLengths, colouredInTurn, inTurn, toTheNext].flatMap(
    (read) => read(plain, parts) ?? [],
  );
  return several ?? asAnswer(plain, parts);
}

/** `S1 starts M1 and S2 stops it`: each as an answer. */
function ofTwo(sentence: string, parts: readonly Named[]): string | undefined {
  const plain = sentence.replace(
    new RegExp(`\\b(turns|switches|puts) (it|${NAMES}) (on|off)\\b`, 'gi'),
    (_, verb: string, name: string, state: string) => `${verb} ${state} ${name}`,
  );
  const found = new RegExp(
    `^(${DOING} (?:${DONE_TO}) (${NAMES}))(?:,? and|,) ${DOING} (${DONE_TO}) (?:it|${NAMES})$`,
    'i',
  ).exec(plain);
  if (!found) return undefined;
  const [, first = '', , name = '', doing = '', verb = ''] = found;
  const other = new RegExp(`(${NAMES})$`).exec(plain)?.[1] ?? name;
  return [first, `${doing} ${verb} ${other}`].map((one) => asAnswer(one, parts)).join(', ');
}

/** `a short press lights D1, a long press puts it out`: each as an answer. */
function ofBothLengths(plain: string, parts: readonly Named[]): string | undefined {
  const begins = `(?:a|the|every|each) ${LENGTH} (?:button )?${PRESS}\\b`;
  const [, first, second] =
    new RegExp(`^(${begins}.+?)(?:,? and|,|;|,? but) (${begins}.+)$`, 'i').exec(plain) ?? [];
  if (first === undefined || second === undefined) return undefined;
  const button = new RegExp(`^.*?\\b${PRESS} ((?:of|on) ${NAMES})`, 'i').exec(first)?.[1];
  const subject = new RegExp(`\\b(?!S\\d)(${NAMES})`, 'i').exec(first.replace(button ?? '', ''))?.[1];
  const behind =
    button === undefined || new RegExp(`\\b${PRESS} (?:of|on) `, 'i').test(second)
      ? second
      : second.replace(new RegExp(`\\b(${PRESS})\\b`, 'i'), `$1 ${button}`);
  return [first, subject === undefined ? behind : behind.replace(/\bit\b/, subject)]
    .map((one) => asAnswer(one, parts))
    .join(', ');
}

/** `each press lights the next LED`: the LEDs one after the other, a press each. */
function toTheNext(plain: string, parts: readonly Named[]): string | undefined {
  const found = new RegExp(
    `^(?:with )?(?:each|every|a) ${PRESS}((?: (?:of|on) ${NAMES})?) (?:lights(?: up)?|switches (?:on|to)|moves (?:on )?to|goes (?:on )?to|turns on) the next (?:led|lamp|light|one)$`,
    'i',
  ).exec(plain);
  const leds = lightsIn(parts).slice(0, ORDINAL_WORDS.length);
  if (!found || leds.length < 2) return undefined;
  return leds
    .map((name, index) => asAnswer(`the ${ORDINAL_WORDS[index]} press${found[1]} lights ${name}`, parts))
    .join(', ');
}

/** `the first press makes D1 red, the second green`: each as an answer, with commas between. */
function colouredInTurn(plain: string, parts: readonly Named[]): string | undefined {
  const first = new RegExp(
    `^the first ${PRESS}((?: (?:of|on) ${NAMES})?) (?:makes|turns) (${NAMES}) (${COLOUR})((?:,? (?:and )?the ${ORDINAL}(?: ${PRESS})?(?: (?:makes|turns)(?: it| ${NAMES})?)? (?:${COLOUR}))+)$`,
    'i',
  ).exec(plain);
  if (!first) return undefined;
  const [, of = '', name = '', colour = '', rest = ''] = first;
  const others = [
    ...rest.matchAll(
      new RegExp(`the (${ORDINAL})(?: ${PRESS})?(?: (?:makes|turns)(?: it| ${NAMES})?)? (${COLOUR})`, 'gi'),
    ),
  ];
  return [['first', colour], ...others.map(([, nth, other]) => [nth, other])]
    .map(([nth, one]) => asAnswer(`the ${nth} press${of} makes ${name} ${one}`, parts))
    .join(', ');
}

/** `the first press lights D1, the second D2, the third D3`: each as an answer, with commas between. */
function inTurn(plain: string, parts: readonly Named[]): string | undefined {
  const first = new RegExp(
    `^the (first) ${PRESS}((?: (?:of|on) ${NAMES})?) (${DONE_TO}) (${NAMES})((?:,? (?:and )?the ${ORDINAL}(?: ${PRESS})?(?: (?:${DONE_TO}))? ${NAMES})+)$`,
    'i',
  ).exec(plain);
  if (!first) return undefined;
  const [, ordinal = '', of = '', verb = '', name = '', rest = ''] = first;
  const others = [
    ...rest.matchAll(new RegExp(`the (${ORDINAL})(?: ${PRESS})?(?: (${DONE_TO}))? (${NAMES})`, 'gi')),
  ];
  const each = [[ordinal, verb, name], ...others.map(([, nth, does, other]) => [nth, does ?? verb, other])];
  return each.map(([nth, does, one]) => asAnswer(`the ${nth} press${of} ${does} ${one}`, parts)).join(', ');
}
