import { NextResponse, type NextRequest } from 'next/server';

/**
 * Runs before every request: only known hosts are served (so that no foreign name can be pointed at loopback), writes
 * must come from our own pages, and each page gets a Content-Security-Policy with a fresh nonce.
 */
export function proxy(request: NextRequest) {
  const host = request.headers.get('host') ?? '';
  if (!isKnownHost(host)) return new NextResponse('This host is not served here.\n', { status: 421 });
  if (!['GET', 'HEAD', 'OPTIONS'].includes(request.method) && !isOwnOrigin(request.headers.get('origin'), host)) {
    return new NextResponse('Writes are only taken from this application itself.\n', { status: 403 });
  }
  const nonce = btoa(crypto.randomUUID());
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  return response;
}

function isKnownHost(host: string): boolean {
  const name = host.replace(/:\d+$/, '');
  const extra = (process.env.ALLOWED_HOSTS ?? '').split(',').filter(Boolean);
  return ['127.0.0.1', 'localhost', '[::1]', ...extra].includes(name);
}

function isOwnOrigin(origin: string | null, host: string): boolean {
  if (!origin) return false;
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
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

export const config = { matcher: [{ source: '/((?!_next/static|_next/image|icon.svg).*)' }] };
