'use client';

/**
 * In a browser the content policy forbids code made at run time; zod would try whether it may, and the policy would report that. This is read by
 * zod when a page loads it, so that pages which check nothing need not load it.
 */
if (typeof window !== 'undefined')
  (globalThis as { __zod_globalConfig?: object }).__zod_globalConfig = { jitless: true };
