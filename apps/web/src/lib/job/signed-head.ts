/** The newest head of a job's log, as the server signs it. */
import { headAnswer } from '$lib/contract/answers.ts';
import { answerOf } from '$lib/contract/read.ts';
import type { SignedHead } from '@hulvek/core';

/** @param now of this very moment; some seconds old without it. @throws where the server cannot be asked */
export async function signedHeadOf(job: string, now = false): Promise<SignedHead | null> {
  const response = await fetch(`/api/jobs/${job}/head${now ? '?now' : ''}`);
  if (!response.ok) throw new Error(String(response.status));
  return (await answerOf(response, headAnswer)).head;
}
