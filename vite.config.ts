import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { type Plugin, build, defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { MANIFEST } from './manifest.ts';

/** What a page begins with is one file: many small ones are packed a good deal worse. */
const ONE_START = { output: { codeSplitting: { groups: [{ name: 'start', tags: ['$initial' as const] }] } } };

/** The page of what is lent is built behind the program, into the same folder; of its files none is kept for working without a network. */
const lentPage = (): Plugin => ({
  name: 'lent-page',
  apply: 'build',
  closeBundle: {
    order: 'post',
    sequential: true,
    handler: async () => void (await build({ configFile: `${import.meta.dirname}/vite.lent.config.ts`, logLevel: 'warn' })),
  },
});

export default defineConfig({
  plugins: [
    react(),
    tailwindcss(),
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/offline',
      filename: 'service-worker.ts',
      // The application registers it, once what a person came for is there.
      injectRegister: false,
      manifest: MANIFEST,
      injectManifest: {
        globPatterns: ['**/*.{js,css,html,svg,png,woff2}'],
        globIgnores: ['lent.html', 'assets/lent-*'],
        maximumFileSizeToCacheInBytes: 8_000_000,
      },
    }),
    lentPage(),
  ],
  resolve: {
    alias: [
      // Its other form is written for browsers that Recado does not run in.
      { find: /^dexie$/, replacement: 'dexie/dist/modern/dexie.mjs' },
      // Its form for browsers asks the page for names of signs, and in a worker there is none.
      {
        find: /^decode-named-character-reference$/,
        replacement: `${import.meta.dirname}/node_modules/decode-named-character-reference/index.js`,
      },
    ],
  },
  worker: { format: 'es', rolldownOptions: ONE_START },
  build: {
    target: 'es2022',
    outDir: 'dist/web',
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 900,
    // Every browser that Recado runs in knows it.
    modulePreload: { polyfill: false },
    rolldownOptions: ONE_START,
  },
  server: { port: 4181 },
});
