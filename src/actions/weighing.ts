'use server';

import type { Turn } from '@/core/kept/turn';
import type { Result } from '@/core/interchange/result';
import { stampedAct } from '@/data/acts';
import { lookedUp } from './answer';
import { mayKeep, mayTakeOut } from './of-device';
import { optionOf, removalOf, removeRecord, saveBoth, saveOf, saveRecord, setupOf, takeOption } from './record-work';
import { whatItTurns } from './telling';

/** What an act would turn, told before it is done: the same acts, tried and put back. */

export async function weighSave(input: unknown): Promise<Result<Turn[]>> {
  return lookedUp(async () => {
    const { briefId, act, station, ...record } = saveOf.parse(input);
    await mayKeep(record.entity);
    return whatItTurns(stampedAct(act, briefId, station), (writer, before) => saveRecord(writer, record, before));
  });
}

export async function weighRemoval(input: unknown): Promise<Result<Turn[]>> {
  return lookedUp(async () => {
    const { briefId, act, station, ...record } = removalOf.parse(input);
    await mayTakeOut(record.entity);
    return whatItTurns(stampedAct(act, briefId, station), (writer) => removeRecord(writer, record));
  });
}

export async function weighSetup(input: unknown): Promise<Result<Turn[]>> {
  return lookedUp(async () => {
    const { briefId, act, ...both } = setupOf.parse(input);
    return whatItTurns(stampedAct(act, briefId, 'kit'), (writer, before) => saveBoth(writer, both, before));
  });
}

export async function weighOption(input: unknown): Promise<Result<Turn[]>> {
  return lookedUp(async () => {
    const { briefId, act, ...chosen } = optionOf.parse(input);
    return whatItTurns(stampedAct(act, briefId, 'kit'), (writer, before) => takeOption(writer, chosen, before));
  });
}
