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
    // Files that another app shares come by POST; the service worker lays them aside for the page (src/sw/sw.ts).
    share_target: {
      action: '/share',
      method: 'post',
      enctype: 'multipart/form-data',
      params: {
        title: 'title',
        text: 'text',
        files: [
          {
            name: 'files',
            accept: ['audio/*', 'application/json', 'text/csv', 'text/plain', '.json', '.csv', '.wav'],
          },
        ],
      },
    },
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/512-maskable.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  }
}
