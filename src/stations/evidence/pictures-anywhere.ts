import { useEffect, useEffectEvent } from 'react';

/** What is dropped or pasted as a picture: files, or a picture that a browser hands over in its own text. */
function picturesIn(data: DataTransfer | null): File[] {
  const files = [...(data?.files ?? [])].filter(({ type }) => type === '' || type.startsWith('image/'));
  if (files.length > 0 || !data) return files;
  const written = /src="data:(image\/[a-z+]+);base64,([^"]+)"/i.exec(data.getData('text/html'));
  if (!written) return [];
  const bytes = Uint8Array.from(atob(written[2]!), (sign) => sign.charCodeAt(0));
  return [new File([bytes], 'picture', { type: written[1] })];
}

/** Hands over an address instead of the picture: nothing is fetched from elsewhere. */
const isAddressOnly = (data: DataTransfer | null): boolean =>
  Boolean(data && [...data.types].includes('text/uri-list'));

/**
 * Takes pictures that are dropped or pasted anywhere at the station, whatever has the focus. Where a browser hands over only the address of
 * a picture, `onRefused` says what to do.
 */
export function usePicturesAnywhere(onPictures: (files: File[]) => void, onRefused: (says: string) => void): void {
  const onDrop = useEffectEvent((event: DragEvent) => {
    if ((event.target as HTMLElement | null)?.closest?.('.dropzone') || event.defaultPrevented) return;
    const pictures = picturesIn(event.dataTransfer);
    if (pictures.length > 0) onPictures(pictures);
    else if (isAddressOnly(event.dataTransfer))
      onRefused('The browser handed over only the address of the picture: copy the picture itself and paste it here.');
    else return;
    event.preventDefault();
  });
  const onPaste = useEffectEvent((event: ClipboardEvent) => {
    const pictures = picturesIn(event.clipboardData);
    // A drop field that is open takes it itself.
    if (pictures.length > 0 && !document.querySelector('.dropzone')) onPictures(pictures);
  });
  useEffect(() => {
    // Without this a dropped picture would take the place of the page.
    const over = (event: DragEvent) => event.preventDefault();
    const drop = (event: DragEvent) => onDrop(event);
    const paste = (event: ClipboardEvent) => onPaste(event);
    document.addEventListener('dragover', over);
    document.addEventListener('drop', drop);
    document.addEventListener('paste', paste);
    return () => {
      document.removeEventListener('dragover', over);
      document.removeEventListener('drop', drop);
      document.removeEventListener('paste', paste);
    };
  }, []);
}
