/** Runs once when the server starts: the simulated instrument and shops come up beside it unless real ones are named. */
export async function register() {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  if (process.env.COLORIMETER_URL && process.env.SHOPS_URL) return;
  const { serveSimulated } = await import('./services/simulated/serve');
  const { url } = await serveSimulated();
  process.env.COLORIMETER_URL ??= url;
  process.env.SHOPS_URL ??= url;
}
