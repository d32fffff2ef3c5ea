/** A building model on its way through a worker of its own: followed, stopped, and never longer than two minutes. */
import { modelWords } from '$words/model.ts';
import type { Building } from '@hulvek/core';
import type { ModelTold } from './model-messages.ts';

const LARGEST_bytes = 100 * 1024 * 1024;
const LONGEST_ms = 120_000;

export type ModelRead =
  { readonly ok: true; readonly building: Building } | { readonly ok: false; readonly problem: string };

export const isModel = (file: File): boolean => /\.ifc$/i.test(file.name);

export class ModelReading {
  readonly name: string;
  share = $state(0);
  readonly done: Promise<ModelRead>;
  #end: (read: ModelRead) => void = () => undefined;

  constructor(file: File) {
    this.name = file.name;
    this.done =
      file.size > LARGEST_bytes
        ? Promise.resolve({ ok: false, problem: modelWords.tooLarge })
        : this.#read(file);
  }

  async #read(file: File): Promise<ModelRead> {
    const worker = new Worker(new URL('./model.worker.ts', import.meta.url), { type: 'module' });
    const late = setTimeout(() => this.#end({ ok: false, problem: modelWords.tooLong }), LONGEST_ms);
    try {
      return await new Promise<ModelRead>((resolve) => {
        this.#end = resolve;
        worker.onmessage = ({ data }: MessageEvent<ModelTold>) => {
          if ('share' in data) this.share = data.share;
          else if ('building' in data) resolve({ ok: true, building: data.building });
          else resolve({ ok: false, problem: data.problem });
        };
        worker.onerror = () => resolve({ ok: false, problem: modelWords.refused(modelWords.tooMuch) });
        worker.postMessage(file);
      });
    } finally {
      clearTimeout(late);
      worker.terminate();
    }
  }

  stop(): void {
    this.#end({ ok: false, problem: modelWords.stopped });
  }
}
