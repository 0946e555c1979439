import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';

/** While developing, pages have deep addresses but no server that tells them their root. */
const rootWhileDeveloping: Plugin = {
  name: 'root-while-developing',
  apply: 'serve',
  transformIndexHtml: (html) => html.replace('<head>', '<head><base href="/">'),
};

/** Few files load faster than many small ones: what the first page needs in one, and what benches share in files of some size. */
const GROUPS = [
  { name: 'first', tags: ['$initial' as const], priority: 2 },
  { name: 'shared', minShareCount: 2, entriesAware: true, entriesAwareMergeThreshold: 6_000, priority: 1 },
];

export default defineConfig({
  base: './',
  plugins: [
    react(),
    rootWhileDeveloping,
    VitePWA({
      strategies: 'injectManifest',
      srcDir: 'src/app',
      filename: 'sw.ts',
      registerType: 'prompt',
      injectRegister: false,
      injectManifest: { globPatterns: ['**/*.{js,css,svg,png,woff2,bin}', 'index.html'] },
      manifest: {
        name: 'Tidy Owl',
        short_name: 'Tidy Owl',
        description: 'Will my stars be round tonight, and if not, what do I fix first?',
        lang: 'en',
        start_url: './',
        scope: './',
        display: 'standalone',
        background_color: '#151c26',
        theme_color: '#151c26',
        icons: [
          { src: 'icon-192.png', sizes: '192x192', type: 'image/png' },
          { src: 'icon-512.png', sizes: '512x512', type: 'image/png' },
          { src: 'icon-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
        ],
      },
    }),
  ],
  build: {
    target: 'es2023',
    manifest: true,
    chunkSizeWarningLimit: 850,
    rolldownOptions: {
      output: {
        entryFileNames: 'assets/[name]-[hash].js',
        // A shared file is else named after everything that shares it.
        chunkFileNames: ({ name }) => `assets/${name.replace(/~.*/, '')}-[hash].js`,
        codeSplitting: { groups: GROUPS },
      },
    },
  },
  worker: { format: 'es' },
  server: { host: '127.0.0.1', proxy: { '/api': 'http://127.0.0.1:4181' } },
});
