import adapter from '@sveltejs/adapter-node';
import { WORDS } from './language.js';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter(),
    alias: { $words: WORDS },
    // One page serves every address when there is no network, so nothing in it may depend on where it stands.
    paths: { relative: false },
    // Checked in hooks.server.ts against the Host header, so that a phone on the site network can sign in too.
    csrf: { trustedOrigins: ['*'] },
    csp: {
      mode: 'auto',
      directives: {
        'default-src': ['self'],
        'img-src': ['self', 'data:', 'blob:'],
        'style-src': ['self'],
        // The one style attribute there is: the framework's hidden line that reads out a page's title.
        'style-src-attr': [
          'unsafe-hashes',
          'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo=',
          // A label that only a reader hears, as the palette hides it.
          'sha256-iaOezIDcQIoxCULa6FBKKuLUu09R7kG+Mlu+JVfU3Rw=',
        ],
        'script-src': ['self'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'manifest-src': ['self'],
        'object-src': ['none'],
        'base-uri': ['none'],
        'frame-ancestors': ['none'],
        'form-action': ['self'],
      },
    },
  },
};
