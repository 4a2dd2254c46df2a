export { acceptText, decodeHtml, hasMarkup, LARGEST_PAGE, type Decoded, type DecodeFailure } from './html/decode.ts';
export { encodeEdits, encodeText, type Encoded } from './html/encode.ts';
export { PROFILE_SCHEMA, readProfile, writeProfile, type ProfileRead } from './profile/profile.ts';
export { writeReport, type ReportFormat } from './reports/stream.ts';
export type { ReportedFinding, ReportedPage, ReportHead, RuleText, RuleTexts } from './reports/report.ts';
