import { follow } from '$lib/server/services/live.ts';

/** Keeps proxies from closing a quiet line. */
const HEARTBEAT_ms = 20_000;
/** The browser connects again by itself; whoever was signed out meanwhile is then refused. */
const LONGEST_ms = 5 * 60_000;
/** Not all pages that were cut off together come back in one moment. */
const SPREAD_ms = 3000;

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const STILL_HERE = bytes(': still here\n\n');

/** Open lines of this server: they end when it is told to. */
const closing = new Set<() => void>();
process.once('SIGTERM', () => {
  for (const close of [...closing]) close();
});

/** Says what changed, as it happens, so that two people at one opening see each other. */
export const GET = ({ params }) => {
  let end = () => undefined as void;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (line: Uint8Array) => {
        try {
          controller.enqueue(line);
        } catch {
          end();
        }
      };
      const close = () => {
        end();
        controller.close();
      };
      say(bytes(`retry: ${1000 + Math.round(Math.random() * SPREAD_ms)}\n\n`));
      const stop = follow(params.job, say);
      const heartbeat = setInterval(() => say(STILL_HERE), HEARTBEAT_ms);
      const last = setTimeout(close, LONGEST_ms);
      closing.add(close);
      end = () => {
        stop();
        clearInterval(heartbeat);
        clearTimeout(last);
        closing.delete(close);
      };
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
};
