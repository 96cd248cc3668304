/**
 * The one clock of the house: pages, acts, the demo and the tests ask it, and nobody asks the machine's, but for
 * what other machines check by theirs. `HOUSE_CLOCK_SHIFT_MS` sets it
 * ahead (or back) by so many milliseconds, so that a whole house can be tried on another day; it goes on at its usual pace.
 */
const shiftMs = Number(process.env.HOUSE_CLOCK_SHIFT_MS ?? 0) || 0;

export const nowMs = (): number => Date.now() + shiftMs;

/**
 * The present by the machine's own clock, however the house's is set: a certificate made for another year is one that no device trusts.
 */
export const machineMs = (): number => Date.now();

/** The present as ISO text in universal time. */
export const nowUtc = (): string => new Date(nowMs()).toISOString();

/** The present of the house for an instant that the database makes: added to the database's own. */
export const clockShiftMs = (): number => shiftMs;

/** Where the house stands, as a name of the time-zone database. */
export const houseTimeZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The present to the minute, as pages and what is told of them are reckoned. */
export const minuteNow = (): string => `${nowUtc().slice(0, 16)}:00.000Z`;
