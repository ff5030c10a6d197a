import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** The page of what is lent: a program of its own beside the other, of which no part is fetched with it. */
export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: {
    alias: [
      {
        find: /^decode-named-character-reference$/,
        replacement: `${import.meta.dirname}/node_modules/decode-named-character-reference/index.js`,
      },
    ],
  },
  publicDir: false,
  build: {
    target: 'es2022',
    outDir: 'dist/web',
    emptyOutDir: false,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1300,
    modulePreload: { polyfill: false },
    rolldownOptions: {
      input: 'lent.html',
      output: {
        entryFileNames: 'assets/lent-[hash].js',
        chunkFileNames: 'assets/lent-[hash].js',
        assetFileNames: 'assets/lent-[hash][extname]',
      },
    },
  },
});
