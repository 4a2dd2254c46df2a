'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { addressOfDestination, type PagePlace } from '../choose/place';

/** Fetched when a page is to be chosen. */
const PageChooser = dynamic(() => import('../choose/PageChooser').then((found) => found.PageChooser), { ssr: false });

const Beside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 0.5rem;
  align-items: end;
`;

interface AddressFieldProps {
  label: string;
  value: string;
  place: PagePlace;
  onChange(value: string): void;
}

/** Where something leads: written, or chosen from the pages of the collection and their headings. */
export function AddressField({ label, value, place, onChange }: AddressFieldProps) {
  const [choosing, setChoosing] = useState(false);
  return (
    // Keys of the sheet are not those of the form it was opened from.
    <div onKeyDown={(event) => choosing && event.stopPropagation()}>
      <Beside>
        <TextBox label={label} name="href" value={value} onChange={onChange} />
        <Button onPress={() => setChoosing(true)}>Choose a page</Button>
      </Beside>
      {choosing && (
        <Sheet title="Choose where the link leads" open onClose={() => setChoosing(false)}>
          <PageChooser
            collection={place.collection}
            back="Back to the fix"
            onCancel={() => setChoosing(false)}
            onChoose={(to) => {
              onChange(addressOfDestination(place, to));
              setChoosing(false);
            }}
          />
        </Sheet>
      )}
    </div>
  );
}
