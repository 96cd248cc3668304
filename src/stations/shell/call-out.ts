import type { callOf } from '@/core/bench/timer';

const SAYS: Record<NonNullable<ReturnType<typeof callOf>>, string> = {
  open: 'it may begin',
  closing: 'five minutes left',
  closed: 'it is too late now',
};

let sound: AudioContext | null = null;

/** Asks for leave to call out: sound wants a press of its own, notices want a permission. Answers whether notices may come. */
export async function mayCallOut(): Promise<boolean> {
  sound ??= new AudioContext();
  await sound.resume();
  if (typeof Notification === 'undefined') return false;
  return (await Notification.requestPermission()) === 'granted';
}

export const callsOut = (): boolean => sound !== null;

/** Two tones of the bench, and a notice where it was allowed; nothing where nobody asked for it. */
export function callOut(label: string, call: keyof typeof SAYS): void {
  if (!sound) return;
  const at = sound.currentTime;
  for (const [delay, hertz] of [
    [0, call === 'open' ? 660 : 880],
    [0.25, call === 'open' ? 880 : 660],
  ] as const) {
    const [tone, volume] = [sound.createOscillator(), sound.createGain()];
    tone.frequency.value = hertz;
    volume.gain.setValueAtTime(0.25, at + delay);
    volume.gain.exponentialRampToValueAtTime(0.001, at + delay + 0.5);
    tone.connect(volume).connect(sound.destination);
    tone.start(at + delay);
    tone.stop(at + delay + 0.5);
  }
  if (typeof Notification !== 'undefined' && Notification.permission === 'granted')
    new Notification(label, { body: `${SAYS[call]}.`, tag: label });
}
