'use client';

import { useEffect, useEffectEvent, useState, type ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';
import dynamic from 'next/dynamic';
import { counted } from '@/core/units/words';
import { isPdf } from './pdf-file';
import { uploadPicture, type Uploaded } from './upload-picture';
import './picture-drop.css';

const PdfPages = dynamic(() => import('./pdf-pages').then((module) => module.PdfPages));

/** A picture that the server has taken. */
export interface TakenPicture extends Uploaded {
  /** Of the PDF that it was taken from. */
  page: number | null;
}

interface Props {
  /** What is said while nothing is being taken. */
  says: string;
  multiple?: boolean;
  onPicture: (picture: TakenPicture) => void;
  /** Takes a picture that cannot go to the server now; without it that is said. */
  onUnsent?: (file: File) => void;
  /** Files that were dropped elsewhere at the station. */
  given?: readonly File[];
  children?: ReactNode;
}

const NONE: readonly File[] = [];

/** Takes pictures by drag and drop, by choosing files, or by pasting; uploads them one after the other and says why one is refused. */
export function PictureDrop({ says, multiple = false, onPicture, onUnsent, given = NONE, children }: Props): ReactNode {
  const [refused, setRefused] = useState<string[]>([]);
  const [progress, setProgress] = useState<{ done: number; of: number; before: number } | null>(null);
  const [pdf, setPdf] = useState<File | null>(null);
  const refuse = (file: File, fault: string) => setRefused((was) => [...was, `${file.name}: ${fault}`]);

  const take = async (files: readonly File[], page: number | null = null) => {
    setRefused([]);
    let opened = pdf;
    for (const [i, file] of files.entries()) {
      if (await isPdf(file)) {
        if (opened) refuse(file, 'one PDF at a time');
        else setPdf((opened = file));
        continue;
      }
      const at = { done: i, of: files.length };
      setProgress({ ...at, before: 0 });
      const answer = await uploadPicture(file, (before) => setProgress({ ...at, before }));
      if ('isAway' in answer && onUnsent) onUnsent(file);
      else if ('fault' in answer) refuse(file, answer.fault);
      else onPicture({ ...answer, page });
    }
    setProgress(null);
  };
  const takeGiven = useEffectEvent((files: readonly File[]) => void take(files));
  useEffect(() => {
    if (given.length === 0) return undefined;
    const begin = setTimeout(() => takeGiven(given));
    return () => clearTimeout(begin);
  }, [given]);
  const { getRootProps, getInputProps, isDragActive } = useDropzone({ multiple, onDrop: (files) => void take(files) });

  // A picture is pasted wherever the focus is while this is open.
  const onPaste = useEffectEvent((event: ClipboardEvent) => {
    const files = [...(event.clipboardData?.files ?? [])];
    if (files.length > 0) void take(multiple ? files : files.slice(0, 1));
  });
  useEffect(() => {
    const listen = (event: ClipboardEvent) => onPaste(event);
    document.addEventListener('paste', listen);
    return () => document.removeEventListener('paste', listen);
  }, []);

  return (
    <div>
      <div
        {...getRootProps({
          className: `dropzone${isDragActive ? ' over' : ''}`,
          role: 'group',
          'aria-label': 'Drop, paste, or press Enter to choose',
        })}
      >
        <input {...getInputProps({ 'aria-label': multiple ? 'Pictures' : 'Picture' })} />
        {children}
        <p aria-live="polite">
          {progress
            ? `Taking picture ${progress.done + 1} of ${progress.of}${progress.before > 0 ? `; ${counted(progress.before, 'picture')} of others before it` : ''}…`
            : says}
        </p>
      </div>
      {pdf ? (
        <PdfPages
          key={pdf.name}
          file={pdf}
          onPage={(picture, page) => {
            setPdf(null);
            void take([picture], page);
          }}
          onRefused={(fault) => {
            setPdf(null);
            refuse(pdf, fault);
          }}
          onClose={() => setPdf(null)}
        />
      ) : null}
      {refused.map((fault) => (
        <p role="alert" className="danger" key={fault}>
          ✕ {fault}
        </p>
      ))}
    </div>
  );
}

const OF_SOURCE =
  'Drop a picture here, paste it, or press Enter to choose a file. A citation without a picture will do too.';

/** What is said where a picture of the model may go. */
export const BENCH_PICTURE = 'Drop a picture here, paste it, or press Enter to choose a file.';

/** The one picture of a source, or of work done: shown small, replaced by dropping another, or taken off. */
export function OnePicture({
  pictureId,
  onPicture,
  unsent = null,
  onUnsent,
  says = OF_SOURCE,
}: {
  says?: string;
  pictureId: string | null;
  onPicture: (picture: TakenPicture | null) => void;
  /** A picture that waits on this device. */
  unsent?: File | null;
  onUnsent?: (picture: File | null) => void;
}): ReactNode {
  const take = (picture: TakenPicture | null) => {
    onUnsent?.(null);
    onPicture(picture);
  };
  return (
    <>
      <PictureDrop
        onPicture={take}
        onUnsent={onUnsent}
        says={
          unsent ? `${unsent.name} is sent when the server answers` : pictureId ? 'Drop another to replace it' : says
        }
      >
        {pictureId ? (
          <img
            src={`/pictures/${pictureId}?size=thumbnail`}
            alt={says === OF_SOURCE ? 'The picture of this source' : 'The picture'}
            height={110}
          />
        ) : null}
      </PictureDrop>
      {pictureId || unsent ? (
        <button type="button" className="row-button" onClick={() => take(null)}>
          Without a picture
        </button>
      ) : null}
    </>
  );
}
