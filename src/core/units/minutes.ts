/** A duration in whole minutes. */
export type Minutes = number;

/** The instant (ISO text, UTC) so many minutes after another; before it where they are negative. */
export const minutesAfter = (instant: string, minutes: Minutes): string =>
  new Date(Date.parse(instant) + minutes * 60_000).toISOString();

/** `95` as "1 h 35 min", `40` as "40 min". */
export function durationInWords(minutes: Minutes): string {
  const whole = Math.round(minutes);
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  if (hours === 0) return `${rest} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}

/** Seconds as a clock that counts down: "6:40", "1:02:05"; below zero with a minus sign. */
export function countdown(seconds: number): string {
  const sign = seconds < 0 ? '-' : '';
  const whole = Math.floor(Math.abs(seconds));
  const two = (n: number) => String(n).padStart(2, '0');
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor(whole / 60) % 60, whole % 60];
  return hours > 0 ? `${sign}${hours}:${two(minutes)}:${two(rest)}` : `${sign}${minutes}:${two(rest)}`;
}
