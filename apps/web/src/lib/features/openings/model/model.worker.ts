/** Reads one building model, and is then thrown away: whatever memory it took goes with it. */
import { ModelRefused } from '@hulvek/core';
import { IfcAPI } from 'web-ifc';
import engine from 'web-ifc/web-ifc.wasm?url';
import { modelWords } from '$words/model.ts';
import type { ModelTold } from './model-messages.ts';
import { readModel } from './read-model.ts';

/** Of the file's lines, as the library holds them. */
const MOST_MEMORY_bytes = 2 * 1024 * 1024 * 1024;
const QUIET = 6;

onmessage = async ({ data }: MessageEvent<File>) => {
  const say = (told: ModelTold) => postMessage(told);
  try {
    const bytes = new Uint8Array(await data.arrayBuffer());
    say({ share: 0.1 });
    const api = new IfcAPI();
    await api.Init(() => engine, true);
    api.SetLogLevel(QUIET);
    let said = 0;
    const building = readModel(api, bytes, { MEMORY_LIMIT: MOST_MEMORY_bytes }, (share) => {
      if (share - said < 0.02) return;
      said = share;
      say({ share: 0.3 + 0.7 * share });
    });
    say({ building });
  } catch (error) {
    say({ problem: modelWords.refused(error instanceof ModelRefused ? error.message : modelWords.tooMuch) });
  }
};
