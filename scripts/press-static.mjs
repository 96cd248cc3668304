// Scripts and styles of the build, compressed once as small as they get: browsers fetch each once for a year.
import { readdir, readFile, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { promisify } from 'node:util';
import { brotliCompress } from 'node:zlib';

const STATIC = '.next/static';
const press = promisify(brotliCompress);
const files = (await readdir(STATIC, { recursive: true })).filter((file) => /\.(js|css)$/.test(file));
await Promise.all(
  files.map(async (file) => {
    const whole = path.join(STATIC, file);
    await writeFile(`${whole}.br`, await press(await readFile(whole)));
  }),
);
