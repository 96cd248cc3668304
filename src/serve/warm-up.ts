import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { nowUtc } from '@/clock/now';
import { STATIONS } from '@/core/kept/act';
import { OPTION_CHOICES, SCHOOL_NAMES } from '@/core/kit/options';
import type { KnownActions } from './bench-door';

/** So long the door stays shut for code to be made fast that was loaded already. */
const MOST_MS = 4000;
/** Tries an option at the Kit and keeps nothing of it. */
const TRIAL = 'weighOption';

/**
 * Asks for every kind of page once, at a door of this process's own, before the front door opens, and then for what else would follow from a
 * brief by other options: the first who come would wait for the code of each to be loaded, and the first acts of an evening for it to be made fast.
 */
export async function warmUp(
  server: Server,
  actions: KnownActions,
  versionOf: (brief: string) => Promise<number | null>,
): Promise<void> {
  await new Promise<void>((resolve) => server.listen({ port: 0, host: '127.0.0.1', exclusive: true }, resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  try {
    await goThrough(base, actions, versionOf);
  } catch (error) {
    console.error('The pages could not be warmed up:', error);
  }
  await new Promise((resolve) => {
    server.close(resolve);
    server.closeAllConnections();
  });
}

const OTHERWISE = SCHOOL_NAMES.flatMap((school) => OPTION_CHOICES[school].choices.map((as) => ({ school, as })));

async function goThrough(
  base: string,
  actions: KnownActions,
  versionOf: (brief: string) => Promise<number | null>,
): Promise<void> {
  const ask = async (address: string, init?: RequestInit) => (await fetch(`${base}${address}`, init)).text();
  const send = (address: string, body: string, headers: Record<string, string> = {}) =>
    ask(address, { method: 'POST', headers: { ...headers, origin: base }, body });
  const briefId = /\/briefs\/([0-9a-f-]{36})/.exec(await ask(''))?.[1];
  if (!briefId) return;
  const at = `/briefs/${briefId}`;
  for (const station of STATIONS) {
    await ask(`${at}/${station}`);
    await ask(`${at}/now/${station}?shell=&page=`);
  }
  for (const beside of ['revision', 'undo', 'places']) await ask(`${at}/${beside}`);
  // It is refused: what matters is that it was read.
  await send('/outbox', '{}');
  const trial = Object.entries(actions).find(([, { exportedName }]) => exportedName === TRIAL)?.[0];
  const version = await versionOf(briefId);
  const until = performance.now() + MOST_MS;
  for (const { school, as } of OTHERWISE) {
    if (performance.now() > until) return;
    await ask(`${at}/film?${new URLSearchParams({ school, as }).toString()}`);
    if (!trial) continue;
    const tried = { briefId, act: { id: randomUUID(), at: nowUtc() }, version, option: school, choice: as };
    await send(`${at}/kit`, JSON.stringify([tried]), {
      'next-action': trial,
      'content-type': 'text/plain;charset=UTF-8',
    });
  }
}
