import type { ManifestOptions } from 'vite-plugin-pwa';

const icon = { type: 'image/png' } as const;

/** What a device is told that installs the program (W3C, Web Application Manifest). */
export const MANIFEST: Partial<ManifestOptions> = {
  id: '/',
  name: 'Recado',
  short_name: 'Recado',
  description: 'Checkbox tasks in plain-text notes, gathered where you need them.',
  lang: 'en',
  start_url: '/',
  scope: '/',
  display: 'standalone',
  background_color: '#e6ecee',
  theme_color: '#e6ecee',
  categories: ['productivity'],
  icons: [
    { src: '/recado-192.png', sizes: '192x192', ...icon },
    { src: '/recado-512.png', sizes: '512x512', ...icon },
    { src: '/recado-maskable-512.png', sizes: '512x512', purpose: 'maskable', ...icon },
  ],
  shortcuts: [
    { name: 'Fill in a slip', short_name: 'Slip', url: '/slip', icons: [{ src: '/recado-192.png', sizes: '192x192', ...icon }] },
    { name: 'Today', url: '/note/Agenda/Today.md', icons: [{ src: '/recado-192.png', sizes: '192x192', ...icon }] },
  ],
  share_target: { action: '/slip', method: 'GET', params: { title: 'title', text: 'text', url: 'link' } },
};
