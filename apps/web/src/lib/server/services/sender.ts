/** What the checks on records need to know of whoever sends them. */
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';
import type { Database } from '../db/index.ts';
import { lookRuleOf } from './people.ts';
import type { Sender } from './records.ts';

export async function senderIn(db: Database, job: string, { person, role }: App.Locals): Promise<Sender> {
  if (!person || !role) error(404, errorsWords.noJob);
  return { person, role, lookRule: await lookRuleOf(db, job) };
}
