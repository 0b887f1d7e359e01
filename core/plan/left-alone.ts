import { findKind } from '../parts';
import { touchedBy, type Stimulus } from '../stimuli';
import { listText } from '../words/words';

/** Contacts up to which it is said that nobody uses them: of a keypad most are not. */
const FEW = 2;

/**
 * The buttons and switches that nothing is done to in a scenario, in a sentence: the current may have to go through them.
 * `undefined` where there is none, or too many to be meant.
 */
export function saidOfLeftAlone(
  stimuli: readonly Stimulus[],
  parts: readonly { readonly ref: string; readonly kind: string }[],
): string | undefined {
  const touched = new Set(stimuli.map((stimulus) => touchedBy(stimulus)?.name));
  const contacts = parts.flatMap(({ ref, kind }) => {
    const contact = findKind(kind)?.contact;
    return contact === undefined || touched.has(ref) ? [] : [{ ref, contact }];
  });
  if (contacts.length === 0 || contacts.length > FEW) return undefined;
  const verb = contacts.every(({ contact }) => contact === 'momentary')
    ? 'pressed'
    : contacts.every(({ contact }) => contact === 'latching')
      ? 'switched on'
      : 'used';
  return `${listText(contacts.map(({ ref }) => ref))} ${contacts.length > 1 ? 'are' : 'is'} never ${verb} here.`;
}
