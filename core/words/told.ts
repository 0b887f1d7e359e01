import type { WordChoice } from './terms';
import { inWords } from './words';

/** Fields of plain data that hold sentences of the product; titles, names and programs are somebody's own. */
const SAID: ReadonlySet<string> = new Set([
  'message',
  'hints',
  'text',
  'says',
  'checkpoint',
  'because',
  'note',
  'expected',
  'observed',
  'description',
  'findingTitle',
  'right',
]);

/** Plain data with all its sentences in the words that a course uses. */
export const toldInWords = <Data>(data: Data, choice: WordChoice): Data =>
  choice === 'technical' ? data : (told(data, choice, false) as Data);

function told(value: unknown, choice: WordChoice, isSaid: boolean): unknown {
  if (typeof value === 'string') return isSaid ? inWords(value, choice) : value;
  if (Array.isArray(value)) return value.map((one) => told(one, choice, isSaid));
  if (typeof value !== 'object' || value === null || Object.getPrototypeOf(value) !== Object.prototype)
    return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, inner]) => [key, told(inner, choice, SAID.has(key))]),
  );
}
