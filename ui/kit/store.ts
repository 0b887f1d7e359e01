import type { KitDeed, KitLine, KitOutcome, NewLine, TriedSubstitutes } from '@/core/messages/kit';
import type { AsideRow } from '@/core/kit/kit-csv';

/** A thing that a meeting needs, beside what the store has. */
export interface MeetingLine {
  /** What tells it from others. */
  readonly key: string;
  /** Its line in the store; `null` when there is none. */
  readonly lineId: string | null;
  readonly title: string;
  readonly perBench: number;
  readonly spares: number;
  readonly total: number;
  readonly inStock: number;
  readonly drawer: string;
  /** What other meetings at the same time have of it. */
  readonly elsewhere: number;
  readonly short: number;
  readonly sparesShort: number;
}

/** A meeting that is still to come, with what it needs. */
export interface StoreMeeting {
  readonly id: string;
  readonly classId: string;
  readonly className: string;
  readonly startsAt: string;
  readonly exercises: readonly { readonly id: string; readonly title: string }[];
  readonly benches: number;
  readonly lines: readonly MeetingLine[];
}

/** What should be bought. */
export interface ToBuyLine {
  readonly key: string;
  readonly lineId: string | null;
  readonly kind: string;
  readonly value: string;
  readonly lengthMm: number | null;
  readonly title: string;
  readonly count: number;
  readonly atOnce: number;
  readonly losses: number;
  readonly inStock: number;
}

export type BroughtIn =
  { readonly taken: number; readonly aside: readonly AsideRow[] } | { readonly message: string };

/** What can be asked of the server. */
export interface KitActions {
  readonly doToLine: (lineId: string, deed: KitDeed) => Promise<KitOutcome>;
  readonly addLine: (line: NewLine) => Promise<KitOutcome>;
  readonly bringIn: (text: string) => Promise<BroughtIn>;
  readonly substitutes: (
    meetingId: string,
    key: string,
  ) => Promise<readonly TriedSubstitutes[] | { readonly message: string }>;
}

/** Lines whose title, kind or drawer has all the words that somebody looks for. */
export function linesLike(lines: readonly KitLine[], typed: string): readonly KitLine[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return lines.filter(({ title, kind, drawer }) => {
    const text = `${title} ${kind} ${drawer}`.toLowerCase();
    return words.every((word) => text.includes(word));
  });
}

/** A whole number of pieces as it is typed; `undefined` for anything else. */
export function piecesOf(typed: string): number | undefined {
  const text = typed.trim();
  return /^\d{1,6}$/.test(text) ? Number(text) : undefined;
}
