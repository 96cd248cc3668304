'use client';

import { useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';

interface Props {
  pictureId: string | null;
  onPicture: (id: string | null, name: string) => void;
}

/** Takes a picture by drag and drop, by choosing a file, or by pasting; uploads it at once and says why when it is refused. */
export function PictureDrop({ pictureId, onPicture }: Props): ReactNode {
  const [says, setSays] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const upload = async (file: File) => {
    setBusy(true);
    setSays(null);
    try {
      const body = new FormData();
      body.set('picture', file);
      const response = await fetch('/pictures', { method: 'POST', body });
      const answer = (await response.json()) as { id?: string; says?: string };
      if (response.ok && answer.id) onPicture(answer.id, file.name.replace(/\.[^.]*$/, ''));
      else setSays(`${file.name}: ${answer.says ?? 'refused'}`);
    } catch {
      setSays('The server cannot be reached; the picture was not taken.');
    } finally {
      setBusy(false);
    }
  };
  const { getRootProps, getInputProps, isDragActive } = useDropzone({
    multiple: false,
    onDrop: (files) => files[0] && void upload(files[0]),
  });
  return (
    <div onPaste={(event) => event.clipboardData.files[0] && void upload(event.clipboardData.files[0])}>
      <div {...getRootProps({ className: `dropzone${isDragActive ? ' over' : ''}` })}>
        <input {...getInputProps({ 'aria-label': 'Picture' })} />
        {pictureId ? (
          <img src={`/pictures/${pictureId}?size=thumbnail`} alt="The picture of this source" height={110} />
        ) : null}
        <p>
          {busy
            ? 'Taking the picture…'
            : pictureId
              ? 'Drop another to replace it'
              : 'Drop a picture here, paste it, or press Enter to choose a file. A citation without a picture will do too.'}
        </p>
      </div>
      {pictureId ? (
        <button type="button" className="row-button" onClick={() => onPicture(null, '')}>
          Without a picture
        </button>
      ) : null}
      {says ? (
        <p role="alert" className="danger">
          ✕ {says}
        </p>
      ) : null}
    </div>
  );
}
