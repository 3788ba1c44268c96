import type { MetadataRoute } from 'next';

/** How the application stands on the start page of a phone. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Undrel',
    short_name: 'Undrel',
    description:
      'Measure, explain and treat buried, girdled and starved trees from the soil line up and down.',
    start_url: '/grounds',
    scope: '/',
    display: 'standalone',
    background_color: '#FBFAF6',
    theme_color: '#1F2421',
    icons: [
      ...[192, 512].map((size) => ({ src: `/icons/${size}`, sizes: `${size}x${size}`, type: 'image/png' })),
      { src: '/icons/512', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  };
}
