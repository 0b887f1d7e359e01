import pino from 'pino';

/** The server's log, as JSON lines on standard output. */
export const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
