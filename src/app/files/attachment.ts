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

/** A computed answer: the reader's browser may keep it, and asks each time whether it still holds. */
export const fresh = (value: unknown): Response =>
  Response.json(value, { headers: { 'cache-control': 'private, no-cache' } });

export const badRequest = (says: string): Response => new Response(`${says}\n`, { status: 400 });
