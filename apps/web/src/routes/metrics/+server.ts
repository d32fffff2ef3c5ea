import { timingSafeEqual } from 'node:crypto';
import { isLoopback } from '$lib/server/demo-access.ts';
import { metricsText, resetDelay } from '$lib/server/metrics.ts';
import { digest } from '$lib/server/services/tokens.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** Whoever watches from elsewhere brings the secret that HULVEK_METRICS names. */
function mayWatch(address: string, headers: Headers): boolean {
  const secret = process.env.HULVEK_METRICS ?? '';
  const brought = headers.get('authorization')?.replace(/^Bearer /, '') ?? '';
  const same = timingSafeEqual(Buffer.from(digest(secret)), Buffer.from(digest(brought)));
  return secret === '' ? isLoopback(address, headers) : same;
}

/** What this process counts of itself. */
export const GET = ({ getClientAddress, request, url }) => {
  if (!mayWatch(getClientAddress(), request.headers)) error(404, errorsWords.notFound);
  const text = metricsText();
  if (url.searchParams.has('reset')) resetDelay();
  return new Response(text, { headers: { 'content-type': 'text/plain; version=0.0.4; charset=utf-8' } });
};
