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

/** A sentence on the figures of a display, or why there can be none. */
type OfFigures = { readonly sentence: string } | { readonly problem: string };

/**
 * What is said of figures, as it is said of the part that shows them: `D1 displays the number 5`, `D1 is blank` of a
 * seven-segment display, and `X1 shows 5` of a text display.
 */
export function ofFigures(sentence: string, parts: readonly Named[]): OfFigures {
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
