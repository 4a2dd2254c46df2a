import { writeZip, type Packed } from './zips.ts';

/** One block of a document: a paragraph of a style, an entry of a list, a table's rows (the first its headers), or an image. */
export type Block =
  { style: string; text: string } | { bullet: string } | { rows: readonly (readonly string[])[] } | { image: Uint8Array; alt: string };

const text = (words: string) => `<w:r><w:t xml:space="preserve">${words.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</w:t></w:r>`;
const paragraph = (inside: string, properties = '') => `<w:p>${properties && `<w:pPr>${properties}</w:pPr>`}${inside}</w:p>`;

function blockXml(block: Block, nth: number): string {
  if ('bullet' in block) return paragraph(text(block.bullet), '<w:numPr><w:ilvl w:val="0"/><w:numId w:val="1"/></w:numPr>');
  if ('rows' in block) return `<w:tbl>${block.rows.map(rowXml).join('')}</w:tbl>`;
  if ('image' in block)
    return paragraph(
      `<w:r><w:drawing><wp:inline><wp:docPr id="${nth}" name="Image ${nth}" descr="${block.alt.replace(/"/g, '&quot;')}"/>` +
        '<a:graphic><a:graphicData uri="http://schemas.openxmlformats.org/drawingml/2006/picture"><pic:pic>' +
        `<pic:blipFill><a:blip r:embed="image${nth}"/></pic:blipFill></pic:pic></a:graphicData></a:graphic></wp:inline></w:drawing></w:r>`,
    );
  return paragraph(text(block.text), `<w:pStyle w:val="${block.style.replace(/ /g, '')}"/>`);
}

const rowXml = (cells: readonly string[], at: number) =>
  `<w:tr>${at === 0 ? '<w:trPr><w:tblHeader/></w:trPr>' : ''}` +
  `${cells.map((cell) => `<w:tc>${paragraph(text(cell))}</w:tc>`).join('')}</w:tr>`;

const relations = (lines: readonly string[]) =>
  `<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${lines.join('')}</Relationships>`;
const relation = (id: string, type: string, target: string) =>
  `<Relationship Id="${id}" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/${type}" Target="${target}"/>`;

const SPACES =
  'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main" ' +
  'xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships" ' +
  'xmlns:wp="http://schemas.openxmlformats.org/drawingml/2006/wordprocessingDrawing" ' +
  'xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main" ' +
  'xmlns:pic="http://schemas.openxmlformats.org/drawingml/2006/picture"';

/** The parts of a word-processor document (ECMA-376), as a word processor would write them. */
export function docxParts(blocks: readonly Block[], about: { title: string; language: string }): Packed[] {
  const styles = [...new Set(blocks.flatMap((block) => ('style' in block ? [block.style] : [])))];
  const images = blocks.flatMap((block, nth) => ('image' in block ? [{ nth, bytes: block.image }] : []));
  return [
    {
      name: '[Content_Types].xml',
      data:
        '<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types">' +
        '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>' +
        '<Default Extension="xml" ContentType="application/xml"/><Default Extension="png" ContentType="image/png"/>' +
        '<Override PartName="/word/document.xml" ' +
        'ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
    },
    { name: '_rels/.rels', data: relations([relation('main', 'officeDocument', 'word/document.xml')]) },
    {
      name: 'docProps/core.xml',
      data:
        '<cp:coreProperties xmlns:cp="http://schemas.openxmlformats.org/package/2006/metadata/core-properties" ' +
        `xmlns:dc="http://purl.org/dc/elements/1.1/"><dc:title>${about.title}</dc:title></cp:coreProperties>`,
    },
    { name: 'word/document.xml', data: `<w:document ${SPACES}><w:body>${blocks.map(blockXml).join('')}</w:body></w:document>` },
    {
      name: 'word/styles.xml',
      data:
        `<w:styles ${SPACES}><w:docDefaults><w:rPrDefault><w:rPr><w:lang w:val="${about.language}"/></w:rPr></w:rPrDefault>` +
        `</w:docDefaults>${styles.map(styleXml).join('')}</w:styles>`,
    },
    {
      name: 'word/numbering.xml',
      data:
        `<w:numbering ${SPACES}><w:abstractNum w:abstractNumId="1"><w:lvl w:ilvl="0"><w:numFmt w:val="bullet"/></w:lvl></w:abstractNum>` +
        '<w:num w:numId="1"><w:abstractNumId w:val="1"/></w:num></w:numbering>',
    },
    {
      name: 'word/_rels/document.xml.rels',
      data: relations([
        relation('styles', 'styles', 'styles.xml'),
        relation('numbering', 'numbering', 'numbering.xml'),
        ...images.map(({ nth }) => relation(`image${nth}`, 'image', `media/image${nth}.png`)),
      ]),
    },
    ...images.map(({ nth, bytes }) => ({ name: `word/media/image${nth}.png`, data: Buffer.from(bytes) })),
  ];
}

const styleXml = (style: string) =>
  `<w:style w:type="paragraph" w:styleId="${style.replace(/ /g, '')}"><w:name w:val="${style}"/></w:style>`;

export function writeDocx(file: string, blocks: readonly Block[], about: { title: string; language: string }): Promise<void> {
  return writeZip(file, docxParts(blocks, about));
}
