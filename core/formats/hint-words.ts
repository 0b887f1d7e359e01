import * as z from 'zod';
import type { Finding } from '../findings/finding';
import { findingCodes, type FindingCode } from '../findings/table';
import type { ExerciseData } from './exercise';

/** The hints of a finding in an author's words, first to last; the usual one stands where one is empty. */
export type HintWords = Readonly<Partial<Record<FindingCode, readonly string[]>>>;

const hintWordsSchema = z.partialRecord(z.enum(findingCodes), z.array(z.string().max(400)).max(3));

/** The hints that the author of an exercise has put into words of their own; none where they cannot be read. */
export function hintWordsOf({ text }: Pick<ExerciseData, 'text'>): HintWords {
  const read = hintWordsSchema.safeParse(text['hints']);
  return read.success ? read.data : {};
}

/** An exercise's text with the hints of a finding put into other words; taken out again when all of them are empty. */
export function withHintWords(
  text: ExerciseData['text'],
  code: FindingCode,
  words: readonly string[],
): ExerciseData['text'] {
  const isEmpty = words.every((one) => one.trim() === '');
  const others = Object.entries(hintWordsOf({ text })).filter(([other]) => other !== code);
  const hints = Object.fromEntries([...others, ...(isEmpty ? [] : [[code, [...words]] as const])]);
  const rest = Object.entries(text).filter(([field]) => field !== 'hints');
  return Object.fromEntries([...rest, ...(Object.keys(hints).length > 0 ? [['hints', hints] as const] : [])]);
}

/** A finding as the author of the exercise says it. */
export function inAuthorsWords<Said extends Pick<Finding, 'code' | 'hints'>>(
  finding: Said,
  words: HintWords,
): Said {
  const own = words[finding.code];
  if (!own) return finding;
  const [first, second, third] = finding.hints.map((usual, index) => own[index]?.trim() || usual);
  return { ...finding, hints: [first!, second!, third!] };
}
