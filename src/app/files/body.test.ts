import { describe, expect, test } from '@jest/globals';
import { existsSync, readFileSync } from 'node:fs';
import { fileOfForm, TooMuch } from './body';

const EDGE = 'edge';
const part = (name: string, bytes: Buffer) =>
  Buffer.concat([
    Buffer.from(`--${EDGE}\r\ncontent-disposition: form-data; name="${name}"; filename="a.jpg"\r\n\r\n`),
    bytes,
    Buffer.from('\r\n'),
  ]);
const END = Buffer.from(`--${EDGE}--\r\n`);
const sent = (body: Buffer, type = `multipart/form-data; boundary=${EDGE}`) =>
  new Request('http://localhost/pictures', {
    method: 'POST',
    body: new Uint8Array(body),
    headers: { 'content-type': type },
  });
/** Bytes in which every value and the form's own signs come up. */
const BYTES = Buffer.concat([Buffer.from([...Array(256).keys()]), Buffer.from('\r\n--edg\r\n--')]);

describe('the file of a form', () => {
  test('lies on disk byte for byte, until it is let go', async () => {
    const came = (await fileOfForm(sent(Buffer.concat([part('picture', BYTES), END])), 'picture', 1000))!;
    expect(came.size).toBe(BYTES.length);
    expect(readFileSync(came.file).equals(BYTES)).toBe(true);
    await came.letGo();
    expect(existsSync(came.file)).toBe(false);
  });
  test('is counted while it comes: one byte too many ends it', async () => {
    const form = Buffer.concat([part('picture', Buffer.alloc(5001)), END]);
    await expect(fileOfForm(sent(form), 'picture', 5000)).rejects.toThrow(TooMuch);
    const fits = (await fileOfForm(sent(form), 'picture', 5001))!;
    expect(fits.size).toBe(5001);
    await fits.letGo();
    await expect(
      fileOfForm(sent(Buffer.concat([part('other', Buffer.alloc(90_000)), END])), 'picture', 5000),
    ).rejects.toThrow(TooMuch);
  });
  test.each([
    ['a form that is cut off', sent(part('picture', BYTES).subarray(0, 200))],
    ['a form without that field', sent(Buffer.concat([part('other', BYTES), END]))],
    ['an empty form', sent(END)],
    ['no form at all', sent(BYTES, 'image/jpeg')],
    ['a form without its edge', sent(Buffer.concat([part('picture', BYTES), END]), 'multipart/form-data')],
  ])('%s brings none', async (_, request) => {
    expect(await fileOfForm(request, 'picture', 1000)).toBeNull();
  });
});
