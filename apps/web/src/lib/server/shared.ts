/** The door of a share: whoever comes without its cookie gets nothing, whatever the address says. */
import { errorsWords } from '$words/contract.ts';
import { sharedWords } from '$words/shared.ts';
import { error, fail, type Cookies } from '@sveltejs/kit';
import * as z from 'zod/mini';
import { questionText } from '../contract/shared.ts';
import { formFields } from './body.ts';
import { database } from './db/index.ts';
import { askQuestion, shareAt, type Share } from './services/shares.ts';

export const SHARE_COOKIE = 'share';
export const sharePath = (id: string): string => `/shared/view/${id}`;

export async function shareIn(params: { share: string }, cookies: Cookies): Promise<Share> {
  const id = z.uuid().safeParse(params.share);
  const share = id.success ? await shareAt(database(), id.data, cookies.get(SHARE_COOKIE)) : null;
  if (!share) error(404, errorsWords.notFound);
  return share;
}

/** Whether an opening is one of those that a share shows. */
export const isShown = ({ scope }: Share, opening: string): boolean =>
  scope.openings === null || scope.openings.includes(opening);

const form = z.object({ question: questionText });

/** Takes a question that comes by a share. */
export async function askedIn(share: Share, opening: string | null, request: Request) {
  const parsed = form.safeParse(await formFields(request));
  if (!parsed.success) return fail(400, { problem: sharedWords.needed, sent: false });
  const taken = await askQuestion(database(), share, { opening, text: parsed.data.question });
  return taken ? { problem: '', sent: true } : fail(429, { problem: sharedWords.noRoom, sent: false });
}
