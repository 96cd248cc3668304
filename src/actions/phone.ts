'use server';

import QRCode from 'qrcode';
import { z } from 'zod';
import type { Result } from '@/core/interchange/result';
import { listDevices, makePairingCode, revokeDevice, type BenchDevice } from '@/data/bench-devices';
import { lookedUp, Refused } from './answer';
import { onComputer } from './of-device';

/** Phones at the bench: paired and let go on the computer alone. */

const onlyThere = () => onComputer('Phones are paired on the computer.');

/** Whether the bench is open to the local network, and which devices are paired. */
export async function benchPhones(): Promise<Result<{ isOpen: boolean; devices: BenchDevice[] }>> {
  return lookedUp(async () => {
    await onlyThere();
    return { isOpen: Boolean(process.env.BENCH_PORT), devices: await listDevices() };
  });
}

/** A code for one device, with the address that it is typed at, and both as a picture to be scanned, for each address of this computer. */
export async function pairingCode(
  input: unknown,
): Promise<Result<{ code: string; ways: { address: string; picture: string }[] }>> {
  return lookedUp(async () => {
    await onlyThere();
    const { briefId } = z.object({ briefId: z.uuid() }).parse(input);
    const port = process.env.BENCH_PORT;
    if (!port) throw new Refused('', 'The Bench is not open to the network: start it with ./start --bench.');
    const code = await makePairingCode();
    const hosts = (process.env.ALLOWED_HOSTS ?? '').split(',').filter((name) => /^\d+\.\d+\.\d+\.\d+$/.test(name));
    const ways = await Promise.all(
      hosts.map(async (host) => {
        const address = `https://${host}:${port}/pair`;
        const svg = await QRCode.toString(`${address}?code=${code}&brief=${briefId}`, { type: 'svg', margin: 2 });
        return { address, picture: `data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}` };
      }),
    );
    return { code: `${code.slice(0, 4)} ${code.slice(4)}`, ways };
  });
}

/** Lets a device go. */
export async function letPhoneGo(input: unknown): Promise<Result<BenchDevice[]>> {
  return lookedUp(async () => {
    await onlyThere();
    const { id } = z.object({ id: z.uuid() }).parse(input);
    if (!(await revokeDevice(id))) throw new Refused('', 'This device was let go already.');
    return listDevices();
  });
}
