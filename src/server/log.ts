import pino from 'pino';

/** The server's log, JSON lines on standard error. Values that people typed are never logged. */
export const log = pino({ level: process.env.UKKO_LOG ?? 'warn' }, pino.destination(2));
