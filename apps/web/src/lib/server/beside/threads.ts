/** Threads beside the server: whatever computes for more than a few milliseconds is done there, bounded in memory and number. */
import Piscina from 'piscina';
import { builtFile } from '../built-file.ts';
import type * as thread from '../../../worker/beside.ts';

type Thread = typeof thread;
type Work = keyof Thread;
/** What a thread is given to do something. */
export type GivenTo<Name extends Work> = Parameters<Thread[Name]>[0];
type Answer<Name extends Work> = Awaited<ReturnType<Thread[Name]>>;

/** As long as somebody may wait for an answer: a few at once, others in line behind them. */
const SHORT = { maxThreads: 1, maxQueue: 200, idleTimeout: 60_000, memory_MB: 768 } as const;
/** What may take longer never stands in the way of that. */
const LONG = { maxThreads: 1, maxQueue: 20, idleTimeout: 10_000, memory_MB: 1024 } as const;

const LANES: Readonly<Record<Work, 'short' | 'long'>> = {
  drawCutSheet: 'short',
  drawDossier: 'long',
  drawMaterials: 'short',
  drawNotices: 'short',
  drawOpening: 'short',
  drawProofs: 'short',
  drawRound: 'short',
  skillsOfPeople: 'short',
  drawStickers: 'short',
  drawTests: 'short',
  packOf: 'short',
  sharedDrawing: 'short',
  sharedJob: 'short',
  sharedOpening: 'short',
  packOpening: 'long',
  packTables: 'long',
  writeModel: 'long',
  importJobFile: 'long',
  takePackage: 'long',
};

/** The threads' code lies beside the server's, wherever that was copied to. */
function threadFile(): string {
  const found = builtFile('workers/beside.js');
  if (!found) throw new Error('The workers are not built. Start the server with ./hulvek start.');
  return found;
}

const lanes = new Map<'short' | 'long', Piscina>();

function lane(name: 'short' | 'long'): Piscina {
  const known = lanes.get(name);
  if (known) return known;
  const { memory_MB, ...options } = name === 'short' ? SHORT : LONG;
  const made = new Piscina({
    filename: threadFile(),
    // One that is there remembers what it has read.
    minThreads: name === 'short' ? 1 : 0,
    ...options,
    resourceLimits: { maxOldGenerationSizeMb: memory_MB },
  });
  lanes.set(name, made);
  return made;
}

/** @throws Error when too many wait already, when memory runs out, or when `signal` ends it */
export async function beside<Name extends Work>(
  name: Name,
  given: GivenTo<Name>,
  signal?: AbortSignal,
): Promise<Answer<Name>> {
  const answer: Answer<Name> = await lane(LANES[name]).run(given, { name, ...(signal && { signal }) });
  return answer;
}
