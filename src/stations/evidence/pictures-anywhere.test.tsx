/** @jest-environment jsdom */
import { afterEach, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, render } from '@testing-library/react';
import { usePicturesAnywhere } from './pictures-anywhere';

afterEach(cleanup);

const onPictures = jest.fn<(files: File[]) => void>();
const onRefused = jest.fn<(says: string) => void>();
function Station() {
  usePicturesAnywhere(onPictures, onRefused);
  return (
    <main>
      <p>a question</p>
      <div className="dropzone">drop here</div>
    </main>
  );
}
const show = () => {
  onPictures.mockClear();
  onRefused.mockClear();
  return render(<Station />);
};
const carrying = (over: { files?: File[]; html?: string; types?: string[] }) => ({
  files: over.files ?? [],
  types: over.types ?? [],
  getData: () => over.html ?? '',
});
const picture = new File(['x'], 'apron.png', { type: 'image/png' });

test('a picture is taken wherever at the station it is dropped; what is no picture is not', () => {
  const { getByText } = show();
  const note = new File(['x'], 'note.txt', { type: 'text/plain' });
  fireEvent.drop(getByText('a question'), { dataTransfer: carrying({ files: [picture, note] }) });
  expect(onPictures.mock.calls).toEqual([[[picture]]]);
});

test('a field for pictures that is open takes its own', () => {
  const { getByText } = show();
  fireEvent.drop(getByText('drop here'), { dataTransfer: carrying({ files: [picture] }) });
  expect(onPictures).not.toHaveBeenCalled();
});

test('a picture that a browser hands over within its text is taken; of an address alone it is said what to do', () => {
  const { getByText } = show();
  const html = `<img src="data:image/png;base64,${btoa('picture')}">`;
  fireEvent.drop(getByText('a question'), { dataTransfer: carrying({ html, types: ['text/html'] }) });
  expect(onPictures.mock.calls[0]![0][0]!.type).toBe('image/png');
  fireEvent.drop(getByText('a question'), { dataTransfer: carrying({ types: ['text/uri-list'] }) });
  expect(onRefused.mock.calls[0]![0]).toMatch(/copy the picture itself/);
});
