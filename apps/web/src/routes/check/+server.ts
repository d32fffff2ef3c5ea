import { checkPage } from '$lib/server/check-page.ts';
import { errorsWords } from '$words/contract.ts';
import { error } from '@sveltejs/kit';

/** The page that checks a package, in one file; `?download` to keep it. */
export const GET = ({ url }) => {
  const page = checkPage();
  if (!page) error(404, errorsWords.notFound);
  return new Response(page.html, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': `default-src 'none'; script-src '${page.script}'; style-src '${page.style}'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`,
      ...(url.searchParams.has('download') && {
        'content-disposition': 'attachment; filename="hulvek-check.html"',
      }),
    },
  });
};
