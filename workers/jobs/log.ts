import { Logger } from 'graphile-worker';
import { log } from '@/server/log';

/** The queue's own words go where the server's go; what it says of its daily round is left out. */
export const graphileLog = new Logger(() => (level, message, meta) => {
  if (level === 'error') log.error({ queue: meta?.['error'] ?? true }, message);
  else if (level === 'warning') log.warn(message);
});
