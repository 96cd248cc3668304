/** An answer that is saved under a name rather than shown. */
export const attachment = (body: BodyInit, type: string, name: string): Response =>
  new Response(body, {
    headers: {
      'content-type': type,
      'content-disposition': `attachment; filename="${name}"`,
      'cache-control': 'no-store',
    },
  });

export const noSuch = (what: string): Response => new Response(`No such ${what}.\n`, { status: 404 });
