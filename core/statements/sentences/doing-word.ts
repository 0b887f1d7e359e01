import { findKind, type StimulusKind } from '../../parts';
import type { Named } from './plain';

type Says = (found: readonly string[], parts: readonly Named[], usual: number) => string | undefined;
/** A way to say what is done, and the way in which it is read; `undefined` where it means nothing. */
export type DoingWords = readonly [pattern: RegExp, says: Says];

export const words = (pattern: string, says: Says): DoingWords => [new RegExp(pattern, 'i'), says];

/** Whether something is done in that way to a part of this name. */
export const isOf = (how: StimulusKind, name: string, parts: readonly Named[]): boolean =>
  parts.some(({ ref, kind }) => ref === name.toUpperCase() && findKind(kind)?.stimulus === how);
