/** Practice on this device: what was answered and not yet sent, and what the server last knew. Apart from what jobs keep. */
import {
  practiceStateSchema,
  sentAnswerSchema,
  type PracticeState,
  type SentAnswer,
} from '$lib/contract/practice.ts';
import { readBy } from '@hulvek/core';
import { database } from './practice-database.ts';
import * as z from 'zod/mini';

const keptSchema = z.object({ id: z.string(), by: z.string(), answer: sentAnswerSchema });
/** Answers of a person that the server has not taken yet. */
export const waitingAnswers = async (by: string): Promise<SentAnswer[]> =>
  (await (await database()).getAllFromIndex('waiting', 'by', by)).flatMap((value) => {
    const kept = readBy(keptSchema, value);
    return kept.ok ? [kept.value.answer] : [];
  });

export const keepAnswer = async (by: string, answer: SentAnswer): Promise<void> => {
  await (await database()).put('waiting', { id: answer.id, by, answer });
};

export async function dropAnswers(ids: readonly string[]): Promise<void> {
  const write = (await database()).transaction('waiting', 'readwrite');
  await Promise.all(ids.map((id) => write.store.delete(id)));
  await write.done;
}

export const keepState = async (by: string, state: PracticeState): Promise<void> => {
  await (await database()).put('known', state, by);
};

export async function keptState(by: string): Promise<PracticeState | null> {
  const kept = readBy(practiceStateSchema, await (await database()).get('known', by));
  return kept.ok ? kept.value : null;
}
