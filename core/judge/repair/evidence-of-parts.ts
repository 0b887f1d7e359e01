import type { PointName, Ref } from '../../brand';
import type { Repair } from '../../findings/finding';
import { isResistor, kindOf } from '../../parts';
import { nameOf, type PlacedPart, type Point, type Wiring } from '../../wiring/wiring';
import { partInFull, partText, stripText } from '../../wiring/words';
import { capital, withArticle } from '../../words/words';
import type { Evidence } from './candidate';
import { OF_GAPS, OF_JOINTS, say } from './evidence-said';

/** What another value of parts that are all alike is evidence of. */
export const evidenceOfValue = (
  parts: readonly PlacedPart[],
  asked: PlacedPart,
  repair: Repair,
): Evidence => {
  const wanted = withArticle(kindOf(asked.kind).describe(asked.value));
  const part = parts[0]!;
  const refs = parts.map(({ ref }) => ref);
  return {
    codes: ['resistor-value', 'wrong-part'],
    refs,
    at: [],
    says: () =>
      say(
        'wrong-part',
        refs,
        part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])),
        `${capital(partInFull(part))} is used where the exercise asks for ${wanted}.`,
        [
          `Compare ${part.ref} with the parts list. Is it the same part?`,
          `${capital(partInFull(part))} is not ${wanted}.`,
          repair.text,
        ],
        repair,
      ),
  };
};

/** What exchanging two parts of a kind is evidence of. */
export const evidenceOfExchange = (one: PlacedPart, two: PlacedPart, repair: Repair): Evidence => {
  const refs = [one.ref, two.ref];
  const at = [one, two].flatMap(({ legs }) => legs.flatMap((leg) => (leg.at ? [nameOf(leg.at)] : [])));
  return {
    // What a rule sees of one of them has not seen the other.
    codes: [],
    refs,
    at,
    says: () =>
      say(
        isResistor(one) ? 'resistor-value' : 'wrong-part',
        refs,
        at,
        `${capital(partText(one))} and ${partText(two)} are swapped: each is where the other one should be.`,
        [
          `Compare ${one.ref} and ${two.ref} with the drawing. Which one belongs where?`,
          `${capital(partText(one))} is in the place of ${partText(two)}.`,
          repair.text,
        ],
        repair,
      ),
  };
};

/** What taking a wire or a part out is evidence of. */
export const evidenceOfRemoval = (part: PlacedPart, repair: Repair): Evidence => {
  const at = part.legs.flatMap((leg) => (leg.at ? [nameOf(leg.at)] : []));
  return {
    codes: OF_JOINTS,
    refs: [part.ref],
    at,
    says: () =>
      say(
        'part-extra',
        [part.ref],
        at,
        `${capital(partText(part))} joins what should be apart; the exercise has no such ${kindOf(part.kind).conductor ? 'wire' : 'part'}.`,
        [
          `Which of your wires and parts are not in the exercise?`,
          `${capital(partText(part))} is one too many.`,
          repair.text,
        ],
        repair,
      ),
  };
};

/**
 * What putting a wire in is evidence of. `isAlone`: whether one of its places leads to nothing else; `along`: places of
 * legs and ends on what it joins.
 */
export const evidenceOfWire = (
  from: Point,
  to: Point,
  { isAlone, along }: { readonly isAlone: boolean; readonly along: readonly PointName[] },
  wiring: Wiring,
  repair: Repair,
): Evidence => {
  const at = [nameOf(from), nameOf(to)];
  return {
    codes: OF_GAPS,
    refs: [],
    at: [...at, ...along],
    says: () =>
      say(
        isAlone ? 'leg-open' : 'no-return',
        [],
        at,
        `A wire is missing: ${stripText(from, wiring)} and ${stripText(to, wiring)} belong together and nothing joins them.`,
        [
          `Compare your wires with the list of connections. Which one is not there?`,
          `Nothing joins ${stripText(from, wiring)} to ${stripText(to, wiring)}.`,
          repair.text,
        ],
        repair,
      ),
  };
};

/** What putting a part in is evidence of; `beside`: what it goes between with. */
export const evidenceOfPart = (part: PlacedPart, beside: readonly Ref[], repair: Repair): Evidence => {
  const what = withArticle(kindOf(part.kind).describe(part.value));
  return {
    codes: ['no-series-resistor', 'pull-missing', 'inductive-no-diode', 'part-missing'],
    refs: [part.ref, ...beside],
    at: part.legs.flatMap(({ at }) => (at ? [nameOf(at)] : [])),
    says: () =>
      say(
        'part-missing',
        [part.ref],
        [],
        `The exercise has ${what}, ${part.ref}; it is not in your record.`,
        [
          `Compare your parts with the parts list. Is every part there?`,
          `The list has ${what}; your record has none.`,
          repair.text,
        ],
        repair,
      ),
  };
};
