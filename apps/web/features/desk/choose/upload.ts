import type { BroughtImage } from '@inkwell/review';
import { sendBytes, type Sent } from '@/ui/send';

/** Takes an image of one's own into a collection. */
export function uploadImage(collection: string, file: File): Promise<Sent<BroughtImage>> {
  return sendBytes(`/api/collections/${encodeURIComponent(collection)}/image?name=${encodeURIComponent(file.name)}`, file);
}
