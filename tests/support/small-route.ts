import { stepOf, type Route, type RouteLink, type RouteStep } from '@/core/work/step';

/** Routes of a few steps, for tests of what is done with a route. */
export const smallStep = (key: string, minutes = 20, over: Partial<RouteStep> = {}): RouteStep =>
  stepOf(key, `Do ${key}`, 'sand', 'Whole', minutes, over);

export const smallLink = (from: string, to: string, minLag = 0): RouteLink => ({
  from,
  to,
  minLag,
  maxLag: null,
  why: 'dries',
});

export const smallRoute = (steps: RouteStep[], links: RouteLink[] = []): Route => ({
  steps,
  links,
  covered: { outside: [], inside: [], bays: [], apart: [] },
  form: 'aircraft',
  sleeping: [],
});
