import { stockCsv } from '@/core/kit/kit-csv';
import { database } from '@/server/database/connection';
import { kitLines, stockOf } from '@/server/lessons/kit-store';
import { requireViewer } from '../../access';
import { csvFile } from '../../files';

export const dynamic = 'force-dynamic';

/** The stock as CSV, which reads back as the same stock. */
export async function GET(): Promise<Response> {
  await requireViewer('see-kit');
  return csvFile('kit-stock.csv', stockCsv(stockOf(await kitLines(database()))));
}
