/** Structured logs to standard output; never bodies, cookies or passwords. */
import { pino } from 'pino';

export const log = pino({ level: process.env.LOG_LEVEL ?? 'info' });
