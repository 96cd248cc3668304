'use client';

import Button from '@mui/material/Button';
import { useState, type ReactNode } from 'react';
import ReactCrop, { type PercentCrop } from 'react-image-crop';
import 'react-image-crop/dist/ReactCrop.css';
import { WHOLE, type Crop } from '@/ui/pixels';

/** Less of a picture than this is no piece, %. */
const LEAST = 2;
const FIRST: PercentCrop = { unit: '%', x: 10, y: 10, width: 80, height: 80 };

const pieceOf = ({ x, y, width, height }: PercentCrop): Crop =>
  width < LEAST || height < LEAST ? WHOLE : { x: x / 100, y: y / 100, width: width / 100, height: height / 100 };

/** The piece of a picture that is looked at: a frame is pulled with the pointer, or its handles with the arrows. */
export function CropPicture({ pictureId, onCrop }: { pictureId: string; onCrop: (crop: Crop) => void }): ReactNode {
  // A frame that is only being begun is nothing yet, and has to stay all the same.
  const [frame, setFrame] = useState<PercentCrop>();
  const take = (next: PercentCrop | undefined) => {
    setFrame(next);
    onCrop(next ? pieceOf(next) : WHOLE);
  };
  return (
    <>
      <ReactCrop
        {...(frame ? { crop: frame } : {})}
        onChange={(_, next) => take(next)}
        ariaLabels={{
          cropArea: 'The piece that is traced: arrows move it',
          nwDragHandle: 'Upper left corner',
          nDragHandle: 'Upper edge',
          neDragHandle: 'Upper right corner',
          eDragHandle: 'Right edge',
          seDragHandle: 'Lower right corner',
          sDragHandle: 'Lower edge',
          swDragHandle: 'Lower left corner',
          wDragHandle: 'Left edge',
        }}
      >
        <img src={`/pictures/${pictureId}`} alt="To be traced" style={{ maxWidth: 360, maxHeight: 300 }} />
      </ReactCrop>
      <p>
        <span className="dim">Pull a frame round the piece.</span>{' '}
        <Button size="small" onClick={() => take(frame && pieceOf(frame) !== WHOLE ? undefined : FIRST)}>
          {frame && pieceOf(frame) !== WHOLE ? 'All of it' : 'Begin with a frame'}
        </Button>
      </p>
    </>
  );
}
