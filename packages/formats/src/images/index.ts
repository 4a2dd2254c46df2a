/** What draws images: a door of its own, for whoever has a thread to do it in. */
export { lookAtImage } from './lookAtImage.ts';
