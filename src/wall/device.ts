/** Says within the house that a request came through the door of the bench, and from which device; nobody outside can say it. */
export const DEVICE_HEADER = 'x-bench-device';
