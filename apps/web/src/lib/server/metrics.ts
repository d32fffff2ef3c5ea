/** What a server counts of itself, for whoever watches it: numbers only, no name, no address. */
import { monitorEventLoopDelay } from 'node:perf_hooks';
import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { database } from './db/index.ts';
import { pagesOpen } from './services/live.ts';

const delay = monitorEventLoopDelay({ resolution: 10 });
delay.enable();

let ready = false;
/** From now on requests are answered with what the database holds. */
export const isReady = (): void => void (ready = true);
export const wasReady = (): boolean => ready;

interface Answered {
  readonly method: string;
  readonly route: string | null;
  readonly status: number;
  readonly ms: number;
}

const BUCKETS_ms = [5, 10, 25, 50, 100, 250, 500, 1000, 2500, 10_000] as const;

class Count {
  n = 0;
  sum_ms = 0;
  readonly within = BUCKETS_ms.map(() => 0);
}
const counts = new Map<string, Count>();

export function measured({ method, route, status, ms }: Answered): void {
  const labels = `method="${method}",route="${route ?? 'none'}",status="${Math.floor(status / 100)}xx"`;
  const known = counts.get(labels) ?? new Count();
  counts.set(labels, known);
  known.n += 1;
  known.sum_ms += ms;
  BUCKETS_ms.forEach((most, i) => {
    if (ms <= most) known.within[i] = (known.within[i] ?? 0) + 1;
  });
}

const NS_PER_s = 1e9;

/** Empties the heap of what nobody holds, so that what stays can be compared. */
function collect(): void {
  setFlagsFromString('--expose-gc');
  (runInNewContext('gc') as () => void)();
}

/** In the text format that monitoring programs read. */
export function metricsText(): string {
  if (process.env.HULVEK_BENCH) collect();
  const { heapUsed, rss } = process.memoryUsage();
  const pool = database().$client;
  const labelled = [...counts].flatMap(([labels, { n, sum_ms, within }]) => [
    ...within.map(
      (count, i) => `hulvek_answer_seconds_bucket{${labels},le="${(BUCKETS_ms[i] ?? 0) / 1000}"} ${count}`,
    ),
    `hulvek_answer_seconds_bucket{${labels},le="+Inf"} ${n}`,
    `hulvek_answer_seconds_sum{${labels}} ${sum_ms / 1000}`,
    `hulvek_answer_seconds_count{${labels}} ${n}`,
  ]);
  const gauges: [string, string, number][] = [
    ['hulvek_process', 'Number of this process', process.pid],
    ['hulvek_up_seconds', 'Since this process started', process.uptime()],
    ['hulvek_heap_bytes', 'Heap in use', heapUsed],
    ['hulvek_memory_bytes', 'Memory held', rss],
    ['hulvek_loop_delay_seconds_p50', 'Delay of the event loop, median', delay.percentile(50) / NS_PER_s],
    ['hulvek_loop_delay_seconds_p999', 'Delay of the event loop, 99.9 %', delay.percentile(99.9) / NS_PER_s],
    ['hulvek_loop_delay_seconds_max', 'Delay of the event loop, longest', delay.max / NS_PER_s],
    ['hulvek_pages_open', 'Pages that are told of changes', pagesOpen()],
    ['hulvek_database_connections', 'Connections to the database', pool.totalCount],
    ['hulvek_database_waiting', 'Queries that wait for a connection', pool.waitingCount],
  ];
  return [
    ...gauges.flatMap(([name, help, value]) => [
      `# HELP ${name} ${help}`,
      `# TYPE ${name} gauge`,
      `${name} ${value}`,
    ]),
    '# HELP hulvek_answer_seconds Time to answer',
    '# TYPE hulvek_answer_seconds histogram',
    ...labelled,
    '',
  ].join('\n');
}

/** Begins counting the delay of the loop anew. */
export const resetDelay = (): void => delay.reset();
