import { Refused } from '@/server/people/accounts';

/** Does something that can be refused; the reason, for whoever asked. */
export async function refusalOf(work: () => Promise<unknown>): Promise<string | undefined> {
  try {
    await work();
    return undefined;
  } catch (error) {
    if (error instanceof Refused) return error.message;
    throw error;
  }
}
