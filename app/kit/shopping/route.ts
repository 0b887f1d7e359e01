import { shoppingCsv } from '@/core/kit/kit-csv';
import { database } from '@/server/database/connection';
import { guarded } from '@/server/guard/processes';
import { boardNames } from '@/server/lessons/kit-store';
import { outlook } from '@/server/lessons/planning';
import { requireViewer } from '../../access';
import { csvFile } from '../../files';

export const dynamic = 'force-dynamic';

/** What is to be bought for all planned meetings, as CSV. */
export async function GET(): Promise<Response> {
  await requireViewer('see-kit');
  const [{ shopping }, boards] = await Promise.all([
    outlook(database(), guarded(), new Date()),
    boardNames(database()),
  ]);
  return csvFile('to-buy.csv', shoppingCsv(shopping, boards));
}
