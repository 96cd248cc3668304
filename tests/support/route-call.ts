import type { RouteCall } from '@/core/route/call';

/** A colour as a route takes it, for which no paint is chosen yet. */
export const callOf = (code: string, zones: string[], over: Partial<RouteCall> = {}): RouteCall => ({
  code,
  name: '',
  zones,
  lab: [50, 0, 0],
  coats: 2,
  paint: null,
  ...over,
});
