import type { MetadataRoute } from 'next';

/** So that a phone may keep Build Brief among its applications. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Build Brief',
    short_name: 'Build Brief',
    description: 'From disagreeing sources to a painted scale model aircraft.',
    start_url: '/',
    display: 'standalone',
    background_color: '#e8e8e8',
    theme_color: '#242424',
    icons: [{ src: '/icon.svg', sizes: 'any', type: 'image/svg+xml' }],
  };
}
