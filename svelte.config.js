import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  compilerOptions: { runes: true },
  kit: {
    adapter: adapter({ precompress: true }),
    // Our own guard looks at every request's origin, and answers with a problem document.
    csrf: { trustedOrigins: ['*'] },
    csp: {
      mode: 'hash',
      directives: {
        'default-src': ['none'],
        'script-src': ['self'],
        'style-src': ['self'],
        // The one style attribute that the framework itself writes: it hides its announcer from sight.
        'style-src-attr': ['unsafe-hashes', 'sha256-S8qMpvofolR8Mpjy4kQvEm7m1q8clzU4dfDH0AmvZjo='],
        'font-src': ['self'],
        'img-src': ['self', 'data:'],
        'connect-src': ['self'],
        'worker-src': ['self'],
        'manifest-src': ['self'],
        // The document between this page and the frame of a page application.
        'frame-src': ['self'],
        'base-uri': ['none'],
        'form-action': ['none'],
        'frame-ancestors': ['none'],
      },
    },
  },
};
