import type { Sent } from '@/ui/send';
import { UNREACHED } from '@/ui/send';

export interface Package {
  name: string;
  body: Blob;
  /** The collection it is a newer version of. */
  newerOf: string | null;
}

/** Sends a package as its very bytes, telling how much has gone. Whatever goes wrong comes back as a problem in words. */
export function upload({ name, body, newerOf }: Package, told: (share: number) => void, signal: AbortSignal): Promise<Sent<number>> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    const failed = () => resolve({ ok: false, problem: UNREACHED });
    const newer = newerOf === null ? '' : `&newer=${encodeURIComponent(newerOf)}`;
    request.open('POST', `/api/packages?name=${encodeURIComponent(name)}${newer}`);
    request.setRequestHeader('content-type', 'application/octet-stream');
    request.responseType = 'json';
    request.upload.onprogress = ({ loaded, total }) => told(total > 0 ? loaded / total : 0);
    request.onload = () => (request.response ? resolve(request.response as Sent<number>) : failed());
    request.onerror = failed;
    request.onabort = failed;
    signal.addEventListener('abort', () => request.abort());
    request.send(body);
  });
}
