/** Structured logs to standard output; never bodies, cookies, passwords, or what a query was asked with. */
import { pino } from 'pino';

/** What of a failure is kept: a database's message repeats the values that it was given, and they may be anybody's. */
export function loggedError(error: unknown): Record<string, unknown> {
  if (!(error instanceof Error)) return { type: typeof error };
  const { name, message, stack, cause } = error;
  const code = 'code' in error ? { code: error.code } : {};
  const where = (stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
  return {
    type: name,
    ...code,
    message: plainMessage(message),
    stack: where.join('\n'),
    ...(cause instanceof Error && { cause: loggedError(cause) }),
  };
}

/** The first line, without what follows the text of a statement. */
const plainMessage = (message: string): string =>
  (message.split(/\n|\bparams:/)[0] ?? '').replace(/\(([^()]*)\)=\(.*\)/, '($1)').slice(0, 300);

export const log = pino({
  level: process.env.LOG_LEVEL ?? 'info',
  serializers: {
    err: loggedError,
    error: (error: unknown) => (error instanceof Error ? loggedError(error) : error),
  },
});
