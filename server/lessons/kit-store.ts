import type { Knex } from 'knex';
import { keyOf, readItem, titleOf, type KitItem, type KitKey, type StockLine } from '@/core/kit';
import { readCount, readKit, type AsideRow } from '@/core/kit/kit-csv';
import type { BookingKind, KitBooking, KitDeed, KitLine, KitOutcome, NewLine } from '@/core/messages/kit';
import type { Result } from '@/core/result';
import { audit } from '../audit';
import { isUuid } from '../database/ids';
import type { Viewer } from '../permissions';

interface Row {
  readonly id: string;
  readonly kind: string;
  readonly value: string;
  readonly length_mm: number | null;
  readonly count: number;
  readonly drawer: string;
  readonly version: number;
}

const COLUMNS = ['id', 'kind', 'value', 'length_mm', 'count', 'drawer', 'version'] as const;

const itemOf = ({ kind, value, length_mm }: Pick<Row, 'kind' | 'value' | 'length_mm'>): KitItem => ({
  kind,
  value,
  ...(length_mm === null ? {} : { lengthMm: length_mm }),
});

const lineFrom = (row: Row, boards: ReadonlyMap<string, string>): KitLine => ({
  id: row.id,
  kind: row.kind,
  value: row.value,
  lengthMm: row.length_mm,
  title: titleOf(itemOf(row), boards),
  count: row.count,
  drawer: row.drawer,
  version: row.version,
});

/** Names of the boards that people made themselves. */
export async function boardNames(db: Knex): Promise<ReadonlyMap<string, string>> {
  const rows = await db('board_profile').select<{ slug: string; short: string }[]>(
    'slug',
    db.raw("content->>'short' as short"),
  );
  return new Map(rows.map(({ slug, short }) => [slug, short]));
}

/** Everything that is in the store, by kind and value. */
export async function kitLines(db: Knex): Promise<readonly KitLine[]> {
  const [rows, boards] = await Promise.all([
    db('kit_line')
      .whereNull('removed_at')
      .select<Row[]>(...COLUMNS),
    boardNames(db),
  ]);
  return rows
    .map((row) => lineFrom(row, boards))
    .sort(
      (one, other) =>
        one.kind.localeCompare(other.kind) ||
        one.title.localeCompare(other.title, 'en', { numeric: true }) ||
        (one.lengthMm ?? 0) - (other.lengthMm ?? 0),
    );
}

/** The stock as the core counts with it. */
export const stockOf = (lines: readonly KitLine[]): readonly StockLine[] =>
  lines.map(({ kind, value, lengthMm, count, drawer }) => ({
    item: { kind, value, ...(lengthMm === null ? {} : { lengthMm }) },
    count,
    drawer,
  }));

interface Booking {
  readonly what: BookingKind;
  readonly count: number;
  readonly meetingId?: string | undefined;
  readonly outOf?: number | undefined;
}

/** Writes a booking and the count that it leads to; the line is held by the transaction. */
async function book(transaction: Knex, viewer: Viewer, row: Row, { what, count, meetingId, outOf }: Booking) {
  await transaction('kit_line')
    .where({ id: row.id })
    .update({ count, version: row.version + 1 });
  await transaction('kit_booking').insert({
    line_id: row.id,
    staff_id: viewer.id,
    what,
    change: count - row.count,
    count_after: count,
    meeting_id: meetingId ?? null,
    out_of: outOf === undefined || outOf < 1 ? null : outOf,
  });
}

/**
 * Does something to a line of the store. A count is taken only if nobody has booked since the line was shown; what is
 * broken, lost or bought adds up whoever else books.
 */
export async function doToLine(db: Knex, viewer: Viewer, lineId: string, deed: KitDeed): Promise<KitOutcome> {
  const gone: KitOutcome = { is: 'refused', message: 'This is not in the store any more.' };
  if (!isUuid(lineId)) return gone;
  return db.transaction(async (transaction): Promise<KitOutcome> => {
    const row = await transaction('kit_line')
      .where({ id: lineId })
      .whereNull('removed_at')
      .forUpdate()
      .first<Row | undefined>(...COLUMNS);
    if (!row) return gone;
    const boards = await boardNames(transaction);
    if (deed.type === 'count' && deed.version !== row.version && deed.counted !== row.count) {
      const by = await lastBooker(transaction, lineId);
      return { is: 'overtaken', line: lineFrom(row, boards), by };
    }
    switch (deed.type) {
      case 'count':
        await book(transaction, viewer, row, { what: 'counted', count: deed.counted });
        break;
      case 'bought':
        await book(transaction, viewer, row, {
          what: 'bought',
          count: Math.min(100_000, row.count + deed.pieces),
        });
        break;
      case 'broken':
      case 'lost': {
        if (deed.pieces > row.count)
          return {
            is: 'refused',
            message: `There are only ${row.count} of them in the store: count them first.`,
          };
        const meeting =
          deed.meetingId && (await transaction('meeting').where({ id: deed.meetingId }).first('id'));
        await book(transaction, viewer, row, {
          what: deed.type,
          count: row.count - deed.pieces,
          ...(meeting ? { meetingId: deed.meetingId, outOf: deed.outOf } : {}),
        });
        break;
      }
      case 'move':
        await transaction('kit_line').where({ id: lineId }).update({ drawer: deed.drawer });
        await book(transaction, viewer, row, { what: 'moved', count: row.count });
        break;
      case 'remove':
        await book(transaction, viewer, row, { what: 'removed', count: 0 });
        await transaction('kit_line').where({ id: lineId }).update({ removed_at: new Date() });
        return { is: 'done', line: null };
    }
    const now = await transaction('kit_line')
      .where({ id: lineId })
      .first<Row>(...COLUMNS);
    return { is: 'done', line: lineFrom(now, boards) };
  });
}

async function lastBooker(db: Knex, lineId: string): Promise<string> {
  const row = await db('kit_booking')
    .join('staff', 'staff.id', 'kit_booking.staff_id')
    .where({ line_id: lineId })
    .orderBy('kit_booking.id', 'desc')
    .first<{ name: string } | undefined>('staff.name');
  return row?.name ?? 'somebody';
}

/** Puts a new sort into the store, or more of one that is there. */
export async function addLine(db: Knex, viewer: Viewer, given: NewLine): Promise<KitOutcome> {
  const item = readItem(given);
  if (!item.ok) return { is: 'refused', message: sentence(item.problems[0]!.message) };
  const count = readCount(given.count);
  if (!count.ok) return { is: 'refused', message: sentence(count.problems[0]!.message) };
  const lineId = await putIn(
    db,
    viewer,
    [{ item: item.value, count: count.value, drawer: given.drawer.trim() }],
    'bought',
  );
  const row = await db('kit_line')
    .where({ id: lineId })
    .first<Row>(...COLUMNS);
  return { is: 'done', line: lineFrom(row, await boardNames(db)) };
}

const sentence = (text: string): string => `${text[0]!.toUpperCase()}${text.slice(1)}.`;

/** Adds stock in one transaction; the id of the last line. */
async function putIn(
  db: Knex,
  viewer: Viewer,
  stock: readonly StockLine[],
  what: 'bought' | 'brought-in',
): Promise<string> {
  return db.transaction(async (transaction) => {
    let last = '';
    // In one order, so that two who do so at once do not wait for each other.
    const sorted = stock.toSorted((one, other) => keyOf(one.item).localeCompare(keyOf(other.item)));
    for (const { item, count, drawer } of sorted) {
      const [row] = await transaction('kit_line')
        .insert({ kind: item.kind, value: item.value, length_mm: item.lengthMm ?? null, drawer })
        .onConflict(transaction.raw('(kind, value, length_mm)') as never)
        // The line is held for the booking that follows.
        .merge({
          drawer: transaction.raw(
            "case when excluded.drawer = '' then kit_line.drawer else excluded.drawer end",
          ),
          removed_at: null,
        })
        .returning<Row[]>([...COLUMNS]);
      const after = what === 'brought-in' ? count : Math.min(100_000, row!.count + count);
      await book(transaction, viewer, row!, { what, count: after });
      last = row!.id;
    }
    return last;
  });
}

/** Brings in a list of stock: each sort that it names has as many as it says. Rows that are not understood are given back. */
export async function bringInKit(
  db: Knex,
  viewer: Viewer,
  text: string,
): Promise<Result<{ readonly taken: number; readonly aside: readonly AsideRow[] }>> {
  const read = readKit(text);
  if (!read.ok) return read;
  const { lines, aside } = read.value;
  if (lines.length > 0) {
    await putIn(db, viewer, lines, 'brought-in');
    await audit(db, viewer.id, 'bring-in-kit', 'kit', `${lines.length} lines`);
  }
  return { ok: true, value: { taken: lines.length, aside } };
}

/** The last bookings, newest first, of one line or of all. */
export async function bookings(db: Knex, lineId?: string, most = 60): Promise<readonly KitBooking[]> {
  if (lineId !== undefined && !isUuid(lineId)) return [];
  const [rows, boards] = await Promise.all([
    db('kit_booking')
      .join('kit_line', 'kit_line.id', 'kit_booking.line_id')
      .join('staff', 'staff.id', 'kit_booking.staff_id')
      .modify((query) => void (lineId !== undefined && query.where('line_id', lineId)))
      .orderBy('kit_booking.id', 'desc')
      .limit(most)
      .select<
        (Pick<Row, 'kind' | 'value' | 'length_mm'> & {
          id: string;
          at: Date;
          by: string;
          what: BookingKind;
          change: number;
          after: number;
        })[]
      >(
        'kit_booking.id',
        'at',
        'staff.name as by',
        'what',
        'change',
        'count_after as after',
        'kind',
        'value',
        'length_mm',
      ),
    boardNames(db),
  ]);
  return rows.map(({ id, at, by, what, change, after, ...line }) => ({
    id: String(id),
    at: at.toISOString(),
    by,
    title: titleOf(itemOf(line), boards),
    what,
    change,
    after,
  }));
}

/** Pieces that were out at least before what broke of them says something. */
const FEWEST_OUT = 20;

/** The share of each sort that broke or got lost in a meeting, where enough was out to say so. */
export async function lossesOf(db: Knex): Promise<ReadonlyMap<KitKey, number>> {
  const rows = await db('kit_booking')
    .join('kit_line', 'kit_line.id', 'kit_booking.line_id')
    .whereIn('what', ['broken', 'lost'])
    .whereNotNull('out_of')
    .groupBy('line_id', 'kind', 'value', 'length_mm')
    .select<(Pick<Row, 'kind' | 'value' | 'length_mm'> & { lost: string; out: string })[]>(
      'kind',
      'value',
      'length_mm',
      db.raw('-sum(change) as lost'),
      // Broken and lost of one meeting were out together.
      db.raw(`(select sum(most) from (select max(out_of) as most from kit_booking as own
        where own.line_id = kit_booking.line_id and own.out_of is not null group by own.meeting_id) as each) as out`),
    );
  return new Map(
    rows
      .filter(({ out }) => Number(out) >= FEWEST_OUT)
      .map((row) => [keyOf(itemOf(row)), Math.min(0.5, Number(row.lost) / Number(row.out))]),
  );
}
