import { ledColours, partKinds, type PartKind } from '../../parts';

/** Words that are values of some kind. */
const choices: readonly string[] = [
  ...ledColours,
  'active',
  'passive',
  'common-cathode',
  'common-anode',
  'standard',
  'continuous',
  'rectifier',
  'signal',
  'small-signal',
];

/** Names of legs of any kind. */
export const legWords: ReadonlySet<string> = new Set(
  partKinds.flatMap((kind) => kind.legs.map((leg) => leg.name as string)),
);

/** Words that mean something to a kind or to the board. */
export const ownWords: ReadonlySet<string> = new Set([
  ...choices,
  ...legWords,
  'ground',
  'supply',
  'power',
  'rail',
]);

/** Whether a word is a part's name, such as `d1`. */
export const isRef = (text: string): boolean => /^[a-z]{1,2}\d{1,4}$/.test(text);

/** Words that a kind's value may be; none for kinds that take any word. */
export const valueWords = (kind: PartKind): readonly string[] =>
  kind.readValue('no such word').ok ? [] : choices.filter((word) => kind.readValue(word).ok);

/** An address on a bus, of a kind that is reached over one. */
const isAddress = ({ legs }: PartKind, text: string): boolean =>
  /^0x[0-9a-f]{2}$/.test(text) && legs.some(({ role }) => role === 'bus');

/** Whether a word is a value of the kind rather than a count or a pin. */
export function isOwnValue(kind: PartKind, text: string): boolean {
  const read = kind.readValue(text);
  if (!read.ok) return false;
  // A bare number is a value only of what is measured in numbers, and too large to count parts.
  if (/^\d+$/.test(text)) return read.value.amount !== undefined && Number(text) >= 100;
  if (read.value.amount !== undefined || isAddress(kind, text)) return true;
  return valueWords(kind).includes(text) || /\dv$/.test(text);
}
