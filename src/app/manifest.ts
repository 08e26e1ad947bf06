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
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
