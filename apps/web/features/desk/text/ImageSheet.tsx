'use client';
import type { Problem } from '@inkwell/review';
import { NodeSelection } from '@tiptap/pm/state';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { DropZone, FileTrigger, type FileDropItem } from 'react-aria-components';
import styled from 'styled-components';
import { Button } from '@/ui/Button';
import { Choice, TextBox } from '@/ui/Field';
import { Row } from '@/ui/Panel';
import { Sheet } from '@/ui/Sheet';
import { CropImage } from '../choose/CropImage';
import { ImageChooser } from '../choose/ImageChooser';
import { addressOfFile, shownFrom } from '../choose/place';
import { uploadImage } from '../choose/upload';
import { Warnings } from '../note/Warnings';
import type { Kept } from './schema';
import { markupOf, type SheetOfTools } from './sheetOfTools';

const Form = styled.form`
  display: grid;
  gap: 0.75rem;
  @media (min-width: 48rem) {
    grid-template-columns: 16rem minmax(0, 1fr);
    gap: 0.75rem 1.25rem;
  }
  > * {
    min-width: 0;
  }
  > div:last-child {
    grid-column: 1 / -1;
  }
`;
const Fields = styled.div`
  display: grid;
  gap: 0.75rem;
  align-content: start;
`;
const Shown = styled(DropZone)`
  display: grid;
  place-items: center;
  min-height: 10rem;
  margin-bottom: 0.5rem;
  border: 1px dashed var(--edge);
  background: #fff;
  color: #3f4858;
  text-align: center;
  font-size: 0.875rem;
  img {
    max-width: 100%;
    max-height: 14rem;
  }
  &[data-drop-target] {
    outline: 3px solid var(--gall);
  }
`;
const WAYS = [
  { value: 'says', label: 'It says something' },
  { value: 'decorates', label: 'It only decorates' },
];
const ACCEPTED = ['image/png', 'image/jpeg', 'image/gif', 'image/webp', 'image/avif', 'image/svg+xml'];

interface ImageAttributes {
  src: string;
  alt: string | null;
  kept: Kept | null;
}

/** Sizes and other renderings that were an image's own: another image has its own. */
const OF_ITS_FILE = ['width', 'height', 'srcset', 'sizes'];

/** The image that is chosen in the text; null where a new one is to be put in. */
function chosenIn({ editor }: SheetOfTools): ImageAttributes | null {
  const { selection } = editor.state;
  return selection instanceof NodeSelection && selection.node.type.name === 'image' ? (selection.node.attrs as ImageAttributes) : null;
}

interface Size {
  width: number;
  height: number;
}

/** The image as it is to be: its file, its words, its width on the page. */
function useDraft(sheet: SheetOfTools) {
  const [chosen] = useState(() => chosenIn(sheet));
  const [src, setSrc] = useState(chosen?.src ?? '');
  const [way, setWay] = useState(chosen?.alt === '' ? 'decorates' : 'says');
  const [alt, setAlt] = useState(chosen?.alt ?? '');
  const [width, setWidth] = useState(chosen?.kept?.width ?? '');
  const [own, setOwn] = useState<Size | null>(null);
  const written = src.trim();
  const takePath = (path: string) => {
    setSrc(addressOfFile(sheet.place, path));
    setWidth('');
    setOwn(null);
  };
  const attributes = (): ImageAttributes => ({
    src: written,
    alt: way === 'decorates' ? '' : alt.trim(),
    kept: keptWith(chosen, written, Number(width), own),
  });
  const worded = way === 'decorates' || alt.trim() !== '';
  const ready = written !== '' && worded && /^\d{0,5}$/.test(width.trim());
  const shown = written === '' ? null : shownFrom(sheet.place, written);
  return { chosen, src, setSrc, way, setWay, alt, setAlt, width, setWidth, own, setOwn, takePath, attributes, ready, shown };
}

type Draft = ReturnType<typeof useDraft>;

/**
 * An image, its words and its width in one step: from one's own files, or from the collection, whole or a part of it. It is put in with a
 * description, or marked as decorative, and not without either. `file`: an image that was dropped or pasted.
 */
export function ImageSheet(sheet: SheetOfTools & { file?: File | null }) {
  const { engine, page, place, onClose, onDone } = sheet;
  const draft = useDraft(sheet);
  const [step, setStep] = useState<'words' | 'choose' | 'crop'>('words');
  const take = (path: string) => {
    draft.takePath(path);
    setStep('words');
  };
  const sent = useUpload(sheet, take);
  const { chosen, src, alt, way, ready, shown } = draft;
  const warnable = useMemo(
    () => (ready && way === 'says' ? { kind: 'warned-of' as const, page, html: `<p>${markupOf('img', { src, alt })}</p>` } : null),
    [ready, way, page, src, alt],
  );
  const set = () => {
    const attrs = draft.attributes();
    onDone((chain) => (chosen ? chain.updateAttributes('image', attrs) : chain.insertContent({ type: 'image', attrs })));
  };
  const back = () => setStep('words');
  if (step === 'choose')
    return (
      <Sheet title="Choose an image" open wide onClose={back}>
        <ImageChooser
          collection={place.collection}
          onChoose={({ path, alternative }) => {
            take(path);
            if (alt === '' && alternative) draft.setAlt(alternative);
          }}
        />
        <Row>
          <Button onPress={back}>Back</Button>
        </Row>
      </Sheet>
    );
  if (step === 'crop' && shown)
    return (
      <Sheet title="Crop the image" open wide onClose={back} problem={sent.problem}>
        <CropImage shown={shown} name={src.replace(/^.*\//, '')} onCancel={back} onDone={(file) => void sent.upload(file)} />
      </Sheet>
    );
  return (
    <Sheet title="Image" open wide onClose={onClose} problem={sent.problem}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          if (ready) set();
        }}
      >
        <ItsFile draft={draft} sent={sent} onStep={setStep} />
        <ItsWords draft={draft}>
          <Warnings engine={engine} question={warnable} />
        </ItsWords>
        <Row>
          <Button type="submit" $look="main" isDisabled={!ready}>
            {chosen ? 'Set it' : 'Put it in'}
          </Button>
          <Button onPress={onClose}>Cancel</Button>
        </Row>
      </Form>
    </Sheet>
  );
}

interface ItsFileProps {
  draft: Draft;
  sent: ReturnType<typeof useUpload>;
  onStep(step: 'choose' | 'crop'): void;
}

/** The image as it looks, and the ways to another. */
function ItsFile({ draft: { src, shown, own, setOwn }, sent, onStep }: ItsFileProps) {
  return (
    <div>
      <Shown
        aria-label="Drop an image here"
        onDrop={({ items }) => {
          const dropped = items.find((item): item is FileDropItem => item.kind === 'file');
          if (dropped) void dropped.getFile().then(sent.upload);
        }}
      >
        {shown ? (
          <img
            src={shown}
            alt="The image as it is"
            onLoad={({ currentTarget: { naturalWidth, naturalHeight } }) => setOwn({ width: naturalWidth, height: naturalHeight })}
            onError={() => setOwn(null)}
          />
        ) : (
          <span>{src ? 'It lies on another host, and is not shown here.' : 'Drop an image here, or choose one.'}</span>
        )}
      </Shown>
      <Row>
        <Button onPress={() => onStep('choose')}>Choose from the collection</Button>
        <FileTrigger acceptedFileTypes={ACCEPTED} onSelect={(files) => files?.[0] && void sent.upload(files[0])}>
          <Button isDisabled={sent.sending}>{sent.sending ? 'Uploading…' : 'Upload an image'}</Button>
        </FileTrigger>
        {shown && own && /\.(png|jpe?g|webp|avif)$/i.test(src) && <Button onPress={() => onStep('crop')}>Crop it</Button>}
      </Row>
      <p role="status">{sent.said}</p>
    </div>
  );
}

/** What is said of the image, and how wide it is shown. */
function ItsWords({ draft, children }: { draft: Draft; children: ReactNode }) {
  const { way, setWay, alt, setAlt, src, setSrc, width, setWidth, own } = draft;
  return (
    <Fields>
      <Choice label="On this page" value={way} onChange={setWay} options={WAYS} />
      {way === 'says' && (
        <TextBox
          label="Alternative text: what does the image show?"
          value={alt}
          onChange={setAlt}
          passage
          hint={`A few words; it is announced as an image already.${alt ? ` ${[...alt].length} characters.` : ''}`}
        />
      )}
      {children}
      <TextBox label="Image file in the collection" value={src} onChange={setSrc} hint="Such as images/smoker.png." />
      <TextBox
        label="Width on the page"
        value={width}
        onChange={setWidth}
        hint={own ? `In pixels; empty for its own, ${own.width}.` : 'In pixels; empty for its own.'}
      />
    </Fields>
  );
}

/** What an image carries besides its address and words: of another file nothing of the former one, and its width when one is asked for. */
function keptWith(chosen: ImageAttributes | null, src: string, width: number, own: Size | null): Kept | null {
  const before = Object.entries(chosen?.kept ?? {});
  const same = chosen?.src === src && (chosen.kept?.width ?? '') === (width ? String(width) : '');
  if (same) return chosen.kept;
  const others = before.filter(([name]) => !OF_ITS_FILE.includes(name) || (chosen?.src === src && !['width', 'height'].includes(name)));
  const sized: [string, string][] = width > 0 ? [['width', String(width)]] : [];
  if (width > 0 && own) sized.push(['height', String(Math.max(1, Math.round((own.height * width) / own.width)))]);
  const kept = [...others, ...sized];
  return kept.length > 0 ? Object.fromEntries(kept) : null;
}

/** Sends an image to the collection. One that was dropped into the text is sent at once. */
function useUpload({ place, file }: SheetOfTools & { file?: File | null }, onHere: (path: string) => void) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [sending, setSending] = useState(false);
  const [said, setSaid] = useState('');
  const upload = async (image: File) => {
    setSending(true);
    const sent = await uploadImage(place.collection, image);
    setSending(false);
    setProblem(sent.ok ? null : sent.problem);
    if (!sent.ok) return;
    setSaid(sent.value.known ? `It is in the collection already, as ${sent.value.path}.` : `Taken in as ${sent.value.path}.`);
    onHere(sent.value.path);
  };
  const begun = useRef(false);
  useEffect(() => {
    if (!file || begun.current) return;
    begun.current = true;
    void upload(file);
    // A file comes once, with the sheet.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [file]);
  return { upload, problem, sending, said };
}
