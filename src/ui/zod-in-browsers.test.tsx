/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import './zod-in-browsers';

test('in a browser zod makes no code at run time', async () => {
  const { config } = await import('zod');
  expect(config().jitless).toBe(true);
});
