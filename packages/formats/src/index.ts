export { acceptText, decodeHtml, hasMarkup, LARGEST_PAGE, type Decoded, type DecodeFailure } from './html/decode.ts';
export { encodeEdits, encodeText, type Encoded } from './html/encode.ts';
export { PROFILE_SCHEMA, readProfile, writeProfile, type ProfileRead } from './profile/profile.ts';
export { csvRows, toCsvTable } from './reports/csv.ts';
export { writeReport, type ReportFormat } from './reports/stream.ts';
export type { ReportedCollection, ReportedFinding, ReportedPage, ReportHead, RuleText, RuleTexts } from './reports/report.ts';
export { leadsOutside } from './zip/names.ts';
export { limitsFrom, type Limits } from './zip/limits.ts';
export { isZip, RefusedZip, type Directory, type PackedEntry, type ZipRefusal } from './zip/directory.ts';
export { UnreadableEntry } from './zip/entry.ts';
export { writeNewZip } from './zip/newZip.ts';
export { spliceZip, type Added, type Mended } from './zip/splice.ts';
export {
  byCodePoint,
  folderSource,
  readInParts,
  readPlace,
  zipSource,
  type EntryPlace,
  type Source,
  type SourceFile,
  type Trouble,
} from './packages/source.ts';
export {
  contentTypeOf,
  readCollection,
  siteOrder,
  type Collection,
  type CollectionKind,
  type CollectionPage,
} from './packages/collection.ts';
export { UnreadableDocument, type Converted } from './documents/converted.ts';
export { convertDocx, isDocx } from './documents/docx.ts';
export { convertMhtml, isMhtml } from './documents/mhtml.ts';
export { isBareImages, pageOfImages } from './documents/images.ts';
export { pagesInXml, type Inside } from './packages/insideXml.ts';
export { nameFiles, namingIn, type Naming } from './packages/nameFiles.ts';
export { mendFile, type MendedText } from './packages/mendFile.ts';
export { ATTACHMENT_KINDS, attachmentKindOf, type AttachmentKind } from './attachments/kinds.ts';
export type { AttachmentFacts } from './attachments/look.ts';
export { gather, gatherBoundsFrom, type Gathered, type GatherBounds, type Wanted } from './fetching/gather.ts';
export { barredAddress, hostPolicyFrom, linkPolicyFrom, type HostPolicy } from './fetching/hosts.ts';
export { lookAtAddress, type Sighting } from './fetching/lookAtAddress.ts';
export { robotsOf, type Robots } from './fetching/robots.ts';
export { askAddress, fetchAddress, NotFetched } from './fetching/fetcher.ts';
export { addressesIn } from './fetching/sitemap.ts';
export { readImage, type ImageFacts } from './images/readImage.ts';
export { lookDistance, printDistance, type ImageLook } from './images/look.ts';
export { nameForFile, nameFromWords, plainName } from './images/nameForFile.ts';
export { readSheet, type SheetRead } from './sheets/readSheet.ts';
export { calendarFile, type DueDay } from './calendar.ts';
export { reportHtml } from './record/html.ts';
export { reportEarl } from './record/earl.ts';
export { htmlToPdf, NoPdf } from './record/pdf.ts';
export { FINDING_HEADS, reportXlsx, type FindingRow } from './record/xlsx.ts';
export type { ReportSaid } from './record/said.ts';
