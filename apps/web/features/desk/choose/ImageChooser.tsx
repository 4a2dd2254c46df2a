'use client';
import type { ImageToChoose } from '@inkwell/review';
import { useState } from 'react';
import { ListBox, ListBoxItem, Text } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { ProblemNotice } from '@/ui/ProblemNotice';
import { counted, sizeWords } from '@/ui/words';
import { proofAddress } from '../proof/Proof';
import { useChoices } from './useChoices';

const Found = styled.div`
  [role='listbox'] {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(min(9rem, 100%), 1fr));
    gap: 0.5rem;
    max-height: min(22rem, 45vh);
    overflow: auto;
    padding: 4px;
    border: 1px solid var(--line);
    outline: none;
  }
  [role='option'] {
    display: grid;
    grid-template-rows: 6rem auto;
    gap: 0.25rem;
    padding: 0.4rem;
    border: 1px solid var(--line);
    background: var(--paper);
    cursor: pointer;
    font-size: 0.8125rem;
    overflow-wrap: anywhere;
  }
  [role='option'][data-hovered] {
    background: var(--gallWash);
  }
  [role='option'][data-focus-visible] {
    outline: 3px solid var(--gall);
    outline-offset: 1px;
  }
  [role='option'] img {
    width: 100%;
    height: 6rem;
    object-fit: contain;
    background: #fff;
  }
  [slot='description'] {
    color: var(--quiet);
  }
`;
const None = styled.p`
  padding: 0.75rem;
  color: var(--quiet);
`;

/** The images of a collection to choose one from, found by file name or by what pages say of them. */
export function ImageChooser({ collection, onChoose }: { collection: string; onChoose(image: ImageToChoose): void }) {
  const [words, setWords] = useState('');
  const { choices, more, ready, problem, showMore } = useChoices<ImageToChoose>(
    `/api/collections/${encodeURIComponent(collection)}/choose-image`,
    words,
    (shown) => ({ after: shown.at(-1)?.path ?? '' }),
  );
  return (
    <>
      {problem && <ProblemNotice problem={problem} />}
      <TextBox
        label="Find an image of the collection"
        value={words}
        onChange={setWords}
        hint="By its file name, or by what a page says of it."
      />
      <p role="status" className="aside-from-view">
        {ready ? `${counted(choices.length, 'image')}${more ? ', and more' : ''}` : ''}
      </p>
      <Found>
        <ListBox
          aria-label="Images of the collection"
          layout="grid"
          selectionMode="none"
          onAction={(path) => onChoose(choices.find((one) => one.path === path)!)}
          renderEmptyState={() => <None>{ready ? 'No image of the collection has these words.' : 'Looking…'}</None>}
        >
          {choices.map((image) => (
            <ListBoxItem key={image.path} id={image.path} textValue={image.path}>
              <img src={proofAddress(collection, image.path)} alt="" loading="lazy" />
              <span>
                <Text slot="label">{image.path.replace(/^.*\//, '')}</Text>
                <br />
                <Text slot="description">{image.alternative ?? sizeWords(image.size)}</Text>
              </span>
            </ListBoxItem>
          ))}
        </ListBox>
      </Found>
      {more && <Button onPress={showMore}>Show more images</Button>}
    </>
  );
}
