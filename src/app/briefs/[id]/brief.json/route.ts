import { attachment, noSuch } from '@/app/files/attachment';
import { writeBriefJson } from '@/app/files/brief-json';
import { exportBrief } from '@/data/brief-files';
import { fileName } from '../file-name';

/** The whole brief as JSON, the pictures in base64; the zip is the better one where there are any. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const found = await exportBrief((await params).id);
  if (!found) return noSuch('brief');
  return attachment(
    writeBriefJson(found.file, found.pictureIds),
    'application/json; charset=utf-8',
    `${fileName(found.file.airframe)}.json`,
  );
}
