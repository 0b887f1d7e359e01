import { findKind } from '../../parts';
import { listText, withArticle } from '../../words/words';
import { NAMES, onlyTouched, type Named } from './plain';

/** `after the press`, where only one part is pressed. */
export function aboutThePress(plain: string, parts: readonly Named[]): string {
  const pressed = onlyTouched('press', parts);
  return pressed === undefined
    ? plain
    : plain.replace(/\b(?:the|a|each|every) (?:button )?press\b(?! of)/i, pressed);
}

/** What is said of a part that nothing is seen of, as of a diode that has the name that an LED might have. */
export function unseenIn(sentence: string, parts: readonly Named[]): string | undefined {
  const subject = new RegExp(`^(${NAMES}) (?!is (?:not )?(?:connected|watched))`, 'i')
    .exec(sentence)?.[1]
    ?.toUpperCase();
  const part = parts.find(({ ref }) => ref === subject);
  const kind = part && findKind(part.kind);
  if (!kind || kind.observed || kind.stimulus) return undefined;
  const alike = parts
    .filter(({ ref }) => ref.charAt(0) === part.ref.charAt(0))
    .filter((other) => findKind(other.kind)?.observed !== undefined)
    .map(({ ref }) => ref);
  const instead =
    alike.length === 0 ? '' : ` ${listText(alike)} ${alike.length === 1 ? 'is' : 'are'} seen here.`;
  return `${part.ref} is ${withArticle(kind.title)}: nothing is seen of it.${instead}`;
}
