/** What a test asks for by name, where it runs in plain Node: the runner has them as globals. */
const own = globalThis as unknown as typeof import('@jest/globals');
export const { afterAll, afterEach, beforeAll, beforeEach, describe, expect, jest, test } = own;
