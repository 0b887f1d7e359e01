import { findKind } from '../../parts';
import { withArticle } from '../../words/words';
import { NAMES, showsFigures, type Named } from './plain';

const FIGURE = `["“']?[0-9a-f-]["”']?(?![\\w.#%])`;
const SHOWS = new RegExp(
  `^(${NAMES}) (?:shows?|displays?|reads?|says?|counts?|is)(?: the)?(?: (?:number|figure|digit|letter)s?)? (?=${FIGURE}|nothing\\b)(.*)$`,
  'i',
);
const EMPTY = new RegExp(
  `^(${NAMES}) (?:is|stays|goes|turns|shows|remains)(?: all)? (?:off|dark|blank|empty|no figure)\\b(.*)$`,
  'i',
);

const COUNTS = new RegExp(`^(${NAMES}) counts (?:(up|down) )?from (\\d) (?:up |down )?to (\\d)(.*)$`, 'i');

/** How fast it is counted: `, one per second`, `every 0.5 s, over and over`. */
const AT_A_RATE =
  /^,? (?:(?:in steps of|(?:with )?one(?: figure| step)?)? ?(?:every|each|per)|once (?:a|per|every)) (sec|\d+(?:\.\d+)? s)((?:,? over and over)?)$/i;

/** `N1 counts down from 3 to 0` as the figures one after the other. */
function counted(sentence: string): string {
  const [, name, , from = '', to = '', tail = ''] = COUNTS.exec(sentence) ?? [];
  if (name === undefined) return sentence;
  const [first, last] = [Number(from), Number(to)];
  const step = last < first ? -1 : 1;
  const figures = Array.from({ length: Math.abs(last - first) + 1 }, (_, index) => first + index * step);
  const [, length, again = ''] = AT_A_RATE.exec(tail) ?? [];
  if (length === undefined) return `${name} shows ${figures.join(', ')}${tail}`;
  const lasting = `for ${length === 'sec' ? 1 : Number.parseFloat(length)} s`;
  // The last of them stays, unless it all begins again.
  const shown = figures.map((figure, index) =>
    index === figures.length - 1 && again === '' ? String(figure) : `${figure} ${lasting}`,
  );
  return `${name} shows ${shown.join(', then ')}${again}`;
}

/** A sentence on the figures of a display, or why there can be none. */
type OfFigures = { readonly sentence: string } | { readonly problem: string };

/**
 * What is said of figures, as it is said of the part that shows them: `D1 displays the number 5`, `D1 is blank` of a
 * seven-segment display, and `X1 shows 5` of a text display.
 */
export function ofFigures(said: string, parts: readonly Named[]): OfFigures {
  const sentence = counted(said);
  const [, name = '', what = ''] = SHOWS.exec(sentence) ?? [];
  const empty = EMPTY.exec(sentence);
  const subject = (name || empty?.[1] || '').toUpperCase();
  const part = parts.find(({ ref }) => ref === subject);
  const kind = part && findKind(part.kind);
  if (!kind) return { sentence };
  if (showsFigures(kind)) {
    if (empty) return { sentence: `${subject} shows nothing${empty[2]}` };
    return { sentence: name === '' ? sentence : `${subject} shows ${what}` };
  }
  if (name === '' || !/^\S+ (?:shows|displays)\b/i.test(sentence)) return { sentence };
  if (kind.observed === 'text')
    return { sentence: `${subject} reads ${what.replace(/^["“']?([\w-]+)["”']?/, '"$1"')}` };
  return { problem: `${part.ref} is ${withArticle(kind.title)}: it shows no figures.` };
}
