export { acceptText, decodeHtml, hasMarkup, LARGEST_PAGE, type Decoded, type DecodeFailure } from './html/decode.ts';
