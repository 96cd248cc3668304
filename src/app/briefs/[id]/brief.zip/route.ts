import { attachment, noSuch } from '@/app/files/attachment';
import { writeBriefZip } from '@/app/files/brief-zip';
import { exportBrief } from '@/data/brief-files';
import { fileName } from '../file-name';

/** The whole brief with its pictures. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  const found = await exportBrief((await params).id);
  if (!found) return noSuch('brief');
  return attachment(
    writeBriefZip(found.file, found.pictureIds),
    'application/zip',
    `${fileName(found.file.airframe)}.zip`,
  );
}
