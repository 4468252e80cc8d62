import { pino } from 'pino';

/** One line of JSON an event, on stderr. Bodies, headers and connection strings are never logged. */
export const log = pino({ level: process.env.SUMMANT_LOG ?? 'warn', base: null }, pino.destination(2));
