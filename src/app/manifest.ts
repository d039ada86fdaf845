import type { MetadataRoute } from 'next'

/** What a device shows of the app once it is installed. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Humbra',
    short_name: 'Humbra',
    description: 'Measure lug pitches, even a head, keep it and bring it back.',
    start_url: '/',
    display: 'standalone',
    background_color: '#d5d9d3',
    theme_color: '#d5d9d3',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/512-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  }
}
