/** Asking the server from a form: the answer, or the sentence why there is none. */
import { offlineWords } from '$words/device.ts';
import { sentence } from './sentence.ts';

export class Asking {
  problem = $state('');

  /** @param body sent as JSON, where there is one. @returns `null` where it did not go well, and `problem` says why */
  async ask(address: string, method = 'GET', body?: unknown): Promise<Response | null> {
    this.problem = '';
    try {
      const response = await fetch(address, {
        method,
        ...(body !== undefined && {
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(body),
        }),
      });
      if (response.ok) return response;
      this.problem = await sentence(response);
    } catch {
      this.problem = offlineWords.needsNetwork;
    }
    return null;
  }
}
