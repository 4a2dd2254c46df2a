/** What reads attachments: apart from the rest, for whoever reads none need not load a reader of PDFs. */
export { lookInto } from './look.ts';
