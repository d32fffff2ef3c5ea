/** What the checks on records need to know of whoever sends them. */
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';
import type { Sender } from './records.ts';

export function senderIn({ person, role, lookRule }: App.Locals): Sender {
  if (!person || !role || !lookRule) error(404, errorsWords.noJob);
  return { person, role, lookRule };
}
