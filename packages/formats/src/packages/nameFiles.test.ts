import { nameFiles } from './nameFiles.ts';
import { readManifest } from './course.ts';
import { readPackageDocument } from './book.ts';

const bytes = (text: string) => new TextEncoder().encode(text);
const text = (read: Uint8Array | null) => new TextDecoder().decode(read ?? undefined);
const IMAGE = { path: 'OEBPS/images/two & three.png', mediaType: 'image/png' };

describe('files that a package did not name', () => {
  const book = `<?xml version="1.0"?>
<opf:package xmlns:opf="http://www.idpf.org/2007/opf" version="3.0"><opf:metadata/><opf:manifest>
<opf:item id="added-1" href="a.xhtml" media-type="application/xhtml+xml"/>
</opf:manifest><opf:spine><opf:itemref idref="added-1"/></opf:spine></opf:package>`;

  it('are named in a book’s package document, under an id of their own, seen from where that lies', () => {
    const named = text(nameFiles(bytes(book), { path: 'OEBPS/p.opf', kind: 'book' }, [IMAGE]));
    expect(named).toBe(
      book.replace(
        '</opf:manifest>',
        '<opf:item id="added-2" href="images/two%20%26%20three.png" media-type="image/png"/>\n</opf:manifest>',
      ),
    );
    const read = readPackageDocument(named, 'OEBPS/p.opf');
    expect(read.ok && read.contents.named.has(IMAGE.path)).toBe(true);
  });

  it('are named in a course’s manifest', () => {
    const course = '<manifest identifier="m"><organizations/><resources><resource identifier="r" href="a.html"/></resources></manifest>';
    const named = text(nameFiles(bytes(course), { path: 'imsmanifest.xml', kind: 'course' }, [{ ...IMAGE, path: 'images/new.png' }]));
    const read = readManifest(named, 'imsmanifest.xml');
    expect(read.ok && read.contents.named.has('images/new.png')).toBe(true);
    expect(named).toContain(
      '<resource identifier="added-1" type="webcontent" href="images/new.png"><file href="images/new.png"/></resource>',
    );
  });

  it('leave alone what has no place for them', () => {
    expect(nameFiles(bytes('<package/>'), { path: 'p.opf', kind: 'book' }, [IMAGE])).toBeNull();
  });
});
