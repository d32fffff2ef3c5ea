import { database, databaseUrl } from '$lib/server/db/index.ts';
import { changes, revisionOf } from '$lib/server/services/changes.ts';

/** Keeps proxies from closing a quiet line. */
const HEARTBEAT_ms = 20_000;
/** The browser connects again by itself; whoever was signed out meanwhile is then refused. */
const LONGEST_ms = 5 * 60_000;

/** Says which opening changed, as it happens, so that two people at one opening see each other. */
export const GET = ({ params }) => {
  let end = () => undefined as void;
  const stream = new ReadableStream<string>({
    start(controller) {
      const say = (line: string) => {
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
      /** Where the job stands now: whoever connects sees whether something happened before. */
      const sayWhere = async () =>
        say(`data: ${JSON.stringify({ revision: await revisionOf(database(), params.job) })}\n\n`);
      const stop = changes.listen(databaseUrl(), params.job, (change) => {
        if (change === 'reconnected') void sayWhere().catch(close);
        else say(`data: ${JSON.stringify(change)}\n\n`);
      });
      const heartbeat = setInterval(() => say(': still here\n\n'), HEARTBEAT_ms);
      const last = setTimeout(close, LONGEST_ms);
      process.once('SIGTERM', close);
      end = () => {
        stop();
        clearInterval(heartbeat);
        clearTimeout(last);
        process.off('SIGTERM', close);
      };
      say('retry: 2000\n\n');
      void sayWhere().catch(close);
    },
    cancel: () => end(),
  }).pipeThrough(new TextEncoderStream());
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
};
