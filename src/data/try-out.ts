import { performIn, type Act, type ActWriter } from './acts';
import { inTransaction } from './database';

/** What was found before everything was put back. */
class PutBack<T> extends Error {
  constructor(readonly found: T) {
    super('put back');
  }
}

/** Does `work` as an act would, and puts everything back: nothing is kept, nothing is told. Throws what `work` throws, and what its act would. */
export async function tryOut<T>(act: Act, work: (writer: ActWriter) => Promise<T>): Promise<T> {
  try {
    return await inTransaction(async (client) => {
      const { value } = await performIn(client, act, work);
      throw new PutBack(value);
    });
  } catch (error) {
    if (error instanceof PutBack) return error.found as T;
    throw error;
  }
}
