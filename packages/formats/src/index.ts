export { acceptText, decodeHtml, hasMarkup, LARGEST_PAGE, type Decoded, type DecodeFailure } from './html/decode.ts';
export { encodeEdits, encodeText, type Encoded } from './html/encode.ts';
export { PROFILE_SCHEMA, readProfile, writeProfile, type ProfileRead } from './profile/profile.ts';
export { toCsv } from './reports/csv.ts';
export { toEarl } from './reports/earl.ts';
export { toJunit } from './reports/junit.ts';
export { toSarif } from './reports/sarif.ts';
export type { Report, ReportedFinding, ReportedPage, RuleText, RuleTexts } from './reports/report.ts';
