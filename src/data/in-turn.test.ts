import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { MIGRATION_NUMBERS } from '@tests/support/old-house';
import { ownDatabase } from '@tests/support/own-database';
import { closePool, inTurn, pool } from './database';
import { bringUpToDate } from './migrate';

/** Two machines at one database. */

beforeAll(() => ownDatabase('in_turn_test'));
afterAll(closePool);

describe('work in turn', () => {
  const told: string[] = [];
  const work = (who: string) => async () => {
    told.push(`${who} begins`);
    await pool().query('select pg_sleep(0.05)');
    told.push(`${who} ends`);
    return who;
  };
  test('of one name is done one after the other; of two names beside each other', async () => {
    await expect(Promise.all([inTurn('a', work('one')), inTurn('a', work('two'))])).resolves.toEqual(['one', 'two']);
    const [first, ...then] = told;
    expect(then).toEqual(
      first === 'one begins' ? ['one ends', 'two begins', 'two ends'] : ['two ends', 'one begins', 'one ends'],
    );
    told.length = 0;
    await Promise.all([inTurn('a', work('one')), inTurn('b', work('two'))]);
    expect(told.slice(0, 2).sort()).toEqual(['one begins', 'two begins']);
  });
  test('is done however many wait for it', async () => {
    const many = Array.from({ length: 15 }, (_, i) =>
      inTurn('a', () =>
        pool()
          .query('select 1')
          .then(() => i),
      ),
    );
    await expect(Promise.all(many)).resolves.toEqual(many.map((_, i) => i));
  });
  test('that fails lets the next go on', async () => {
    await expect(inTurn('a', () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    await expect(inTurn('a', () => Promise.resolve('yes'))).resolves.toBe('yes');
  });
});

test('two that bring one database up to date at once are both done', async () => {
  await pool().query('drop schema public cascade; create schema public');
  const url = process.env.DATABASE_URL!;
  await Promise.all([bringUpToDate(url), bringUpToDate(url)]);
  const done = await pool().query<{ name: string }>('select name from migration order by name');
  expect(done.rows.map(({ name }) => name.slice(0, 3))).toEqual(MIGRATION_NUMBERS);
  expect((await pool().query('select 1 from brief')).rowCount).toBe(0);
});
