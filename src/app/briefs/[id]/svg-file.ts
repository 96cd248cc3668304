/** A drawing of our own as a file: downloaded, and never run as a page. */
export const svgFile = (name: string, text: string): Response =>
  new Response(text, {
    headers: {
      'content-type': 'image/svg+xml; charset=utf-8',
      'content-disposition': `attachment; filename="${name}.svg"`,
      'x-content-type-options': 'nosniff',
      'content-security-policy': "default-src 'none'; sandbox",
    },
  });
