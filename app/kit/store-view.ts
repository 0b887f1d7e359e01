import { benchCount, keyOf, titleOf } from '@/core/kit';
import type { KitLine } from '@/core/messages/kit';
import type { StoreOutlook } from '@/server/lessons/planning';
import type { StoreMeeting, ToBuyLine } from '@/ui/kit/store';

const keyOfLine = ({ kind, value, lengthMm }: Pick<KitLine, 'kind' | 'value' | 'lengthMm'>): string =>
  keyOf({ kind, value, ...(lengthMm === null ? {} : { lengthMm }) });

const idsOf = (lines: readonly KitLine[]): ReadonlyMap<string, string> =>
  new Map(lines.map((line) => [keyOfLine(line), line.id]));

/** The meetings of an outlook as the Kit store shows them. */
export function storeMeetings(
  { meetings }: StoreOutlook,
  lines: readonly KitLine[],
  boards: ReadonlyMap<string, string>,
): readonly StoreMeeting[] {
  const ids = idsOf(lines);
  return meetings.map(({ meeting, supplies }) => ({
    id: meeting.id,
    classId: meeting.classId,
    className: meeting.className,
    startsAt: meeting.startsAt.toISOString(),
    exercises: meeting.exercises.map(({ id, title }) => ({ id, title })),
    benches: benchCount(meeting.learners.length, meeting.perBench),
    lines: supplies.map(({ need, stock, elsewhere, short, sparesShort }) => ({
      key: keyOf(need.item),
      lineId: ids.get(keyOf(need.item)) ?? null,
      title: titleOf(need.item, boards),
      perBench: need.perBench,
      spares: need.spares,
      total: need.total,
      inStock: stock?.count ?? 0,
      drawer: stock?.drawer ?? '',
      elsewhere,
      short,
      sparesShort,
    })),
  }));
}

/** What is to be bought as the Kit store shows it. */
export function toBuyLines(
  { shopping }: StoreOutlook,
  lines: readonly KitLine[],
  boards: ReadonlyMap<string, string>,
): readonly ToBuyLine[] {
  const ids = idsOf(lines);
  return shopping.map(({ item, ...counts }) => ({
    key: keyOf(item),
    lineId: ids.get(keyOf(item)) ?? null,
    kind: item.kind,
    value: item.value,
    lengthMm: item.lengthMm ?? null,
    title: titleOf(item, boards),
    ...counts,
  }));
}
