/** How long a server that does not answer is left alone, ms. */
export const AGAIN_MS = 15_000;
