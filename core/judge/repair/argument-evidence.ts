import type { Edit, Observation } from '../../findings/finding';
import { TAKES_PIN } from './pin-functions';

/** What stands where a change is made, up to it and in its place. */
interface Place {
  readonly line: number;
  readonly column: number;
  readonly before: string;
  readonly written: string;
  readonly by: string;
}

function placeOf(edit: Edit, source: string): Place | undefined {
  if (!('replace' in edit)) return undefined;
  const { line, column, length, by } = edit.replace;
  const text = source.split('\n')[line - 1] ?? '';
  return {
    line,
    column,
    before: text.slice(0, column - 1),
    written: text.slice(column - 1, column - 1 + length),
    by,
  };
}

/** The finding that a list's item in the place of its index is evidence of: a place in the list was taken for a pin. */
export function findingOfPlaceAsPin(edit: Edit, source: string): Observation | undefined {
  const place = placeOf(edit, source);
  const called = place && /\b(\w+)\s*\(\s*$/.exec(place.before)?.[1];
  if (!place || called === undefined || !TAKES_PIN.test(called)) return undefined;
  const { line, column, written, by } = place;
  const [, list, index] = /^(\w+)\s*\[\s*(\w+)\s*\]$/.exec(by.trim()) ?? [];
  if (list === undefined || index !== written) return undefined;
  return {
    code: 'pin-disagrees',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} takes ${index} for a pin. ${index} is only a place in the list ${list}; the pin that stands there is ${by}.`,
    hints: [
      `Which numbers does ${index} have in line ${line}, and which pins are they?`,
      `${called}(${index} …) in line ${line} counts 0, 1, 2. The pins stand in ${list}.`,
      `Write ${by} instead of ${index} in line ${line}.`,
    ],
  };
}

/** The finding that the same values in another order are evidence of, in a call or in the head of a function. */
export function findingOfArguments(edit: Edit, source: string): Observation | undefined {
  const place = placeOf(edit, source);
  const opened = place && openedBefore(place.before);
  if (!place || !opened) return undefined;
  const { line, column, written, by } = place;
  const [is, meant] = [written, by].map(namesIn) as [readonly string[], readonly string[]];
  const isReordered =
    is.length > 1 && is.join() !== meant.join() && [...is].sort().join() === [...meant].sort().join();
  // Two numbers say by what comes of them which of them is wrong.
  if (!isReordered || is.every((one, index) => one === meant[index] || /^[\d.]+$/.test(one)))
    return undefined;
  const { name, isHead } = opened;
  const what = isHead ? `names what ${name} is given` : `gives ${name} its values`;
  return {
    code: 'arguments',
    severity: 'fault',
    line,
    column,
    message: `Line ${line} ${what} in the wrong order: ${is.join(', ')}. It should be ${meant.join(', ')}.`,
    hints: [
      isHead
        ? `In which order do the calls of ${name} give it its values?`
        : `What does ${name} take first, and what comes next?`,
      `Line ${line} has ${is.join(', ')} behind ${name}, in this order.`,
      `Write ${by} instead of ${written} in line ${line}.`,
    ],
  };
}

/** What stands between commas, without the types before names. */
const namesIn = (text: string): readonly string[] =>
  text.split(',').map((one) => /(?:^|\s)(\S+)$/.exec(one.trim())?.[1] ?? '');

/** The function whose parentheses are open at the end of a text, and whether it is made there. */
function openedBefore(text: string): { readonly name: string; readonly isHead: boolean } | undefined {
  let depth = 0;
  for (let index = text.length - 1; index >= 0; index -= 1) {
    if (text[index] === ')') depth += 1;
    if (text[index] !== '(') continue;
    if (depth > 0) {
      depth -= 1;
      continue;
    }
    const [, before = '', name] = /(\w+\s+)?(\w+)\s*$/.exec(text.slice(0, index)) ?? [];
    const isCall = name !== undefined && !/^(?:if|while|for|switch|return)$/.test(name);
    return isCall ? { name, isHead: /^(?!return|else|and|or|not)\w/.test(before) } : undefined;
  }
  return undefined;
}
