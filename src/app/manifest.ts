import type { MetadataRoute } from 'next';

/** What a tablet needs to put the program among its own. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Zesty Hound',
    short_name: 'Zesty Hound',
    description: 'Tracks a brake complaint to its source.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f6f3ec',
    theme_color: '#fffdf8',
    icons: [
      { src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' },
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      // Cut to whatever shape the tablet’s start has.
      {
        src: '/icon-maskable-512.png',
        sizes: '512x512',
        type: 'image/png',
        purpose: 'maskable',
      },
    ],
  };
}
