'use client';
import { lookup } from '@inkwell/core';
import { useState } from 'react';
import ReactCrop, { type PercentCrop } from 'react-image-crop';
import 'react-image-crop/dist/ReactCrop.css';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';

const Stage = styled.div`
  max-height: 50vh;
  overflow: auto;
  background: #fff;
  img {
    max-width: 100%;
    display: block;
  }
`;

const WHOLE: PercentCrop = { unit: '%', x: 0, y: 0, width: 100, height: 100 };
const WORDS = {
  cropArea: 'What is kept: the arrow keys move it',
  nwDragHandle: 'Upper left corner',
  nDragHandle: 'Upper edge',
  neDragHandle: 'Upper right corner',
  eDragHandle: 'Right edge',
  seDragHandle: 'Lower right corner',
  sDragHandle: 'Lower edge',
  swDragHandle: 'Lower left corner',
  wDragHandle: 'Left edge',
};

interface CropImageProps {
  /** Where the image is shown from. */
  shown: string;
  name: string;
  onCancel(): void;
  onDone(image: File): void;
}

/** A part of an image, at its own size or smaller, as another image: the original stays as it is. */
export function CropImage({ shown, name, onCancel, onDone }: CropImageProps) {
  const [image, setImage] = useState<HTMLImageElement | null>(null);
  const [crop, setCrop] = useState<PercentCrop>(WHOLE);
  const [width, setWidth] = useState('');
  const part = image && partOf(image, crop);
  const wanted = width.trim() === '' ? (part?.width ?? 0) : Number(width);
  const ready = part !== null && Number.isInteger(wanted) && wanted >= 1 && wanted <= part.width;
  const make = async () => {
    if (image && part && ready) onDone(await drawn(image, part, wanted, name));
  };
  return (
    <>
      <Stage>
        <ReactCrop crop={crop} onChange={(_, percent) => setCrop(percent)} keepSelection ruleOfThirds ariaLabels={WORDS}>
          <img src={shown} alt="The whole image" onLoad={({ currentTarget }) => setImage(currentTarget)} />
        </ReactCrop>
      </Stage>
      <p role="status">{part ? `Kept: ${part.width} by ${part.height} of ${image.naturalWidth} by ${image.naturalHeight} pixels.` : ''}</p>
      <TextBox
        label="Width in pixels"
        value={width}
        onChange={setWidth}
        hint={`Empty for all ${part?.width ?? ''} of it; fewer make a smaller file. The height follows.`}
      />
      <Row>
        <Button $look="main" isDisabled={!ready} onPress={() => void make()}>
          Crop
        </Button>
        <Button onPress={onCancel}>Cancel</Button>
      </Row>
    </>
  );
}

interface ImagePart {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** What is kept of an image, in its own pixels. */
function partOf({ naturalWidth, naturalHeight }: HTMLImageElement, { x, y, width, height }: PercentCrop): ImagePart {
  const [left, top] = [Math.round((x / 100) * naturalWidth), Math.round((y / 100) * naturalHeight)];
  return {
    x: left,
    y: top,
    width: Math.max(1, Math.min(naturalWidth - left, Math.round((width / 100) * naturalWidth))),
    height: Math.max(1, Math.min(naturalHeight - top, Math.round((height / 100) * naturalHeight))),
  };
}

/** Formats a canvas writes; what else there is becomes PNG, which loses nothing. */
const WRITTEN: Readonly<Record<string, string>> = { jpg: 'image/jpeg', jpeg: 'image/jpeg', webp: 'image/webp' };

async function drawn(image: HTMLImageElement, part: ImagePart, width: number, name: string): Promise<File> {
  const canvas = document.createElement('canvas');
  canvas.width = width;
  canvas.height = Math.max(1, Math.round((part.height * width) / part.width));
  const context = canvas.getContext('2d')!;
  context.imageSmoothingQuality = 'high';
  context.drawImage(image, part.x, part.y, part.width, part.height, 0, 0, canvas.width, canvas.height);
  const type = lookup(WRITTEN, /\.([a-z]+)$/i.exec(name)?.[1]?.toLowerCase() ?? '') ?? 'image/png';
  const blob = await new Promise<Blob>((resolve, reject) =>
    canvas.toBlob((made) => (made ? resolve(made) : reject(new Error('The browser could not write the image.'))), type, 0.9),
  );
  return new File([blob], `${name.replace(/\.[a-z0-9]+$/i, '')} part.${type.slice(6)}`, { type });
}
