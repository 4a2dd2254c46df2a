'use client';
import { resolveAddress } from '@inkwell/core';
import type { UseView } from '@inkwell/review';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { proofAddress } from '../../desk/proof/Proof';
import { allIn } from '../../desk/proof/natives';

const Window = styled.iframe`
  width: 100%;
  height: 18rem;
  border: 1px solid var(--line);
  background: #fffefa;
  color-scheme: light;
`;

interface OnPagesProps {
  collection: string;
  uses: readonly UseView[];
  /** The files the image is, and the one that takes its place: paths of the collection. */
  before: readonly string[];
  after: string;
}

/** The pages that show an image, one at a time, as they will look with another one in its place. */
export function OnPages({ collection, uses, before, after }: OnPagesProps) {
  const pages = [...new Map(uses.map((use) => [use.page, use])).values()];
  const [at, setAt] = useState(0);
  const [shown, setShown] = useState(0);
  const page = pages[Math.min(at, pages.length - 1)];
  if (!page) return null;
  const change = ({ contentDocument }: HTMLIFrameElement) => {
    if (!contentDocument) return;
    const images = allIn<HTMLImageElement>(contentDocument, 'img').filter((image) =>
      before.includes(resolveAddress(page.address, image.getAttribute('src') ?? '') ?? ''),
    );
    putInPlace(images, proofAddress(collection, after));
    setShown(images.length);
  };
  const go = (by: number) => {
    setShown(0);
    setAt(at + by);
  };
  return (
    <section aria-label="On its pages">
      <Window
        key={page.page}
        title={`${page.title}, as it will look`}
        src={proofAddress(collection, page.address)}
        sandbox="allow-same-origin"
        onLoad={({ currentTarget }) => change(currentTarget)}
      />
      <Row>
        <Button isDisabled={at === 0} onPress={() => go(-1)}>
          Page before
        </Button>
        <Button isDisabled={at >= pages.length - 1} onPress={() => go(1)}>
          Next page
        </Button>
        <span role="status">
          {`${page.title}, page ${at + 1} of ${pages.length}${shown > 1 ? `; it is there ${shown} times` : ''}, as it will look.`}
        </span>
      </Row>
    </section>
  );
}

/** Shows another image in the place of some, without what was said of the former file's sizes. */
function putInPlace(images: readonly HTMLImageElement[], after: string): void {
  for (const image of images) {
    for (const name of ['srcset', 'sizes', 'width', 'height', 'loading']) image.removeAttribute(name);
    image.src = after;
    image.style.outline = '3px solid #2f6f5e';
  }
  const [first] = images;
  first?.addEventListener('load', () => first.scrollIntoView({ block: 'center' }), { once: true });
}
