/** Answers as soon as the server takes requests. */
export const dynamic = 'force-dynamic';
export const GET = () => new Response('ok\n');
