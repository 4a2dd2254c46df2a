'use client';
import type { MendPart } from '@inkwell/core';
import type { CaseView, Problem, ThingLine } from '@inkwell/review';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Panel';
import { Sheet } from '@/ui/Sheet';
import { counted } from '@/ui/words';
import { CropImage } from '../../desk/choose/CropImage';
import { ImageChooser } from '../../desk/choose/ImageChooser';
import { uploadImage } from '../../desk/choose/upload';
import { proofAddress } from '../../desk/proof/Proof';
import { Cases, caseKey, useTicked } from './Cases';
import { OnPages } from './OnPages';
import type { WishedParts } from './wished';
import type { Thing } from './useThing';

const Sides = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
  gap: 0.75rem;
  figure {
    padding: 0.5rem;
    border: 1px solid var(--line);
    background: #fff;
    color: #1b2536;
    font-size: 0.8125rem;
    overflow-wrap: anywhere;
  }
  img {
    display: block;
    max-width: 100%;
    max-height: 14rem;
    margin: 0 auto 0.4rem;
  }
`;
const ACCEPTED = ['image/png', 'image/jpeg', 'image/gif', 'image/webp', 'image/avif', 'image/svg+xml'];

interface OtherProps {
  collection: string | null;
  line: ThingLine;
  thing: Thing;
  cases: readonly CaseView[];
  onDone(wish: WishedParts): void;
  onKeepCopy(collection: string): void;
}

/** What a browser can draw a part of. */
const CROPPED = /\.(?:png|jpe?g|webp|avif)$/i;

/** Another image in an image’s place, wherever it stands, or a part of itself; and a copy of one that another host serves. */
export function OtherImage({ collection, line, thing, cases, onDone, onKeepCopy }: OtherProps) {
  const [open, setOpen] = useState<Way | null>(null);
  const [lies] = line.collections;
  if (lies === undefined || line.collections.length > 1) return null;
  return (
    <Row>
      <Button $look="quiet" onPress={() => setOpen('choose')}>
        Put another image in its place…
      </Button>
      {line.sha256 !== null && CROPPED.test(line.name) && (
        <Button $look="quiet" onPress={() => setOpen('crop')}>
          Crop it or make it smaller…
        </Button>
      )}
      {line.traits.includes('borrowed') && (
        <Button $look="quiet" onPress={() => onKeepCopy(lies)}>
          Keep a copy of it here
        </Button>
      )}
      {open && <Replacing {...{ collection, line, thing, cases, lies, onDone }} way={open} onClose={() => setOpen(null)} />}
    </Row>
  );
}

type Way = 'choose' | 'crop';
type ReplacingProps = Omit<OtherProps, 'onKeepCopy'> & { lies: string; way: Way; onClose(): void };

function Replacing({ collection, line, thing, cases, lies, way, onDone, onClose }: ReplacingProps) {
  const [to, setTo] = useState<string | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const { chosen, choose } = useTicked(cases, () => true);
  const upload = async (file: File) => {
    const sent = await uploadImage(lies, file);
    setProblem(sent.ok ? null : sent.problem);
    if (sent.ok) setTo(sent.value.path);
  };
  if (to === null && way === 'crop')
    return (
      <Sheet title="Which part of it, and how wide?" open wide onClose={onClose} problem={problem}>
        <p>The part becomes an image of its own; the whole one stays in the collection.</p>
        <CropImage
          shown={proofAddress(lies, line.name)}
          name={line.name.replace(/^.*\//, '')}
          onCancel={onClose}
          onDone={(file) => void upload(file)}
        />
      </Sheet>
    );
  if (to === null)
    return (
      <Sheet title="Which image?" open wide onClose={onClose} problem={problem}>
        <ImageChooser collection={lies} onChoose={({ path }) => setTo(path)} />
        <Row>
          <FileTrigger acceptedFileTypes={ACCEPTED} onSelect={(files) => files?.[0] && void upload(files[0])}>
            <Button>Upload an image</Button>
          </FileTrigger>
          <Button onPress={onClose}>Cancel</Button>
        </Row>
      </Sheet>
    );
  const mend = { do: 'replace' as const, to };
  const parts = cases.flatMap((one): MendPart[] => (chosen.has(caseKey(one)) ? [{ thing: one.thing, alike: [one.case], mend }] : []));
  const uses = cases.reduce((sum, one) => sum + (chosen.has(caseKey(one)) ? one.uses : 0), 0);
  return (
    <Sheet title="Another image in its place" open wide onClose={onClose}>
      <Sides>
        <figure>
          {line.sha256 !== null && <img src={proofAddress(lies, line.name)} alt="The image as it is" />}
          <figcaption>{`Now: ${line.name}`}</figcaption>
        </figure>
        <figure>
          <img src={proofAddress(lies, to)} alt="The image that takes its place" />
          <figcaption>{`Then: ${to}`}</figcaption>
        </figure>
      </Sides>
      <p>What is said of it stays; its old sizes go, for they are those of another file.</p>
      <OnPages collection={lies} uses={thing.view?.uses ?? []} before={[...new Set(cases.map(({ name }) => name))]} after={to} />
      <Cases
        {...{ collection, cases, around: thing.around, chosen }}
        register="images"
        word="image"
        onChoose={choose}
        mendOf={() => mend}
        says={({ says }) => says ?? 'No alternative text'}
      />
      <Row>
        <Button
          $look="main"
          isDisabled={parts.length === 0}
          onPress={() => {
            onDone({ parts, renames: [] });
            onClose();
          }}
        >
          {`Put it in, ${counted(uses, 'use')}`}
        </Button>
        <Button onPress={() => setTo(null)}>{way === 'crop' ? 'Crop it again' : 'Choose another'}</Button>
        <Button onPress={onClose}>Cancel</Button>
      </Row>
    </Sheet>
  );
}
