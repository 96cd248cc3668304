import { jest } from '@jest/globals';

/** What Next knows of a request, for tests that call actions without one: imported before the actions are. */
export const requestHeaders = new Headers();

jest.unstable_mockModule('next/cache', () => ({ revalidatePath: () => undefined }));
jest.unstable_mockModule('next/headers', () => ({ headers: () => Promise.resolve(requestHeaders) }));
