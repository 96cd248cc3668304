import { NextResponse, type NextRequest } from 'next/server';
import { hostsBeside, refusalOf } from './wall/wall';

/** Runs before every page: the wall once more, for whoever comes by another server, and a Content-Security-Policy with a fresh nonce. */
export function proxy(request: NextRequest) {
  const header = (name: string) => request.headers.get(name) ?? undefined;
  const refusal = refusalOf(
    { method: request.method, host: header('host'), origin: header('origin'), url: request.nextUrl.pathname },
    hostsBeside(),
  );
  if (refusal) return new NextResponse(refusal.says, { status: refusal.status });
  const nonce = btoa(crypto.randomUUID());
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

function contentPolicy(nonce: string): string {
  const dev = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ''}`,
    dev ? "style-src 'self' 'unsafe-inline'" : `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Files that come in are not read here: their routes count the bytes themselves, as they arrive. */
export const config = {
  matcher: [
    {
      source:
        '/((?!_next/static|_next/image|icon.svg|sw.js|manifest.webmanifest|offline|outbox|health|shelf|pictures|briefs/import|briefs/[^/]+/dossier/import).*)',
    },
  ],
};
