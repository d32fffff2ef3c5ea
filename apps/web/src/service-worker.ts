/// <reference no-default-lib="true"/>
/// <reference lib="esnext" />
/// <reference lib="webworker" />
/// <reference types="@sveltejs/kit" />
/** Lets the application open where there is no network. What people enter is kept by the page, not here. */
import { build, files, version } from '$service-worker';

const worker = globalThis as unknown as ServiceWorkerGlobalScope;
const SHELL = '/shell';
const CACHE = `hulvek-${version}`;
const ASSETS = new Set([...build, ...files]);
/** A network that answers slower than this is taken for none when a page is opened. */
const PATIENCE_ms = 6000;

worker.addEventListener('install', (event) => {
  event.waitUntil(caches.open(CACHE).then((cache) => cache.addAll([...ASSETS, SHELL])));
});

worker.addEventListener('activate', (event) => {
  const tidy = async () => {
    for (const key of await caches.keys()) if (key !== CACHE) await caches.delete(key);
    await worker.clients.claim();
  };
  event.waitUntil(tidy());
});

// A page that was being opened while this worker started is not among those claimed then, and asks for it.
worker.addEventListener('message', (event) => {
  if (event.data === 'claim') event.waitUntil(worker.clients.claim());
});

worker.addEventListener('fetch', (event) => {
  const { request } = event;
  const url = new URL(request.url);
  if (request.method !== 'GET' || url.origin !== worker.location.origin) return;
  if (ASSETS.has(url.pathname)) event.respondWith(fromCache(request, url.pathname));
  else if (request.mode === 'navigate') event.respondWith(page(request));
});

async function fromCache(request: Request, path: string): Promise<Response> {
  return (await caches.match(path)) ?? fetch(request);
}

async function page(request: Request): Promise<Response> {
  try {
    const response = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_ms) });
    // A proxy that answers for a server that is down knows nothing of the application.
    if (response.status < 502 || response.status > 504) return response;
  } catch {
    // No network: the shell below.
  }
  return (await caches.match(SHELL)) ?? Response.error();
}
