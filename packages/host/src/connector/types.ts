/** A place on a host where a collection lies. */
export interface HostPlace {
  place: string;
  title: string;
}

/** A page on a host, as it is listed. */
export interface HostPage {
  /** What the host calls it. */
  remote: string;
  /** Where it lies in its place: relative addresses in it start here. */
  address: string;
  title: string;
  contentType: string;
  /** Changes with its draft. */
  tag: string;
  /** Where readers find it; null while it is not published. */
  publicAddress: string | null;
}

/** With its draft. */
export interface HostText extends HostPage {
  html: string;
}

export interface HostFile {
  path: string;
  /** In bytes. */
  size: number;
  /** Changes with its bytes. */
  tag: string;
}

/** A draft that was taken, under its new tag; or not, because the page there is another one by now. */
export type Pushed = { ok: true; tag: string } | { ok: false; why: 'changed there' | 'gone there' };

/** A host that could not be asked, or did not answer as one does. */
export class HostTrouble extends Error {
  constructor(
    /** `away`: asked again later it may answer. */
    readonly kind: 'away' | 'not let in' | 'nonsense',
    message: string,
  ) {
    super(message);
  }
}

/**
 * What is asked of a host. All of it may throw HostTrouble. Nothing is changed there that is not as it was last seen: what changes
 * something takes the tag it was seen under.
 */
export interface Connector {
  places(): Promise<HostPlace[]>;
  /** Pages of a place in its order, some at a time. */
  pages(place: string): AsyncGenerator<HostPage[]>;
  read(remote: string): Promise<HostText | null>;
  push(remote: string, draft: { html: string; note: string }, tag: string): Promise<Pushed>;
  /** Publishes the draft that has this tag, with the files it shows. Gives where readers find it. */
  publish(
    remote: string,
    tag: string,
    files: readonly string[],
  ): Promise<(Pushed & { ok: true; address: string }) | (Pushed & { ok: false })>;
  unpublish(remote: string): Promise<void>;
  /** What the author wrote as readers are shown it, without the host's frame; null where nothing is shown. */
  shown(address: string): Promise<string | null>;
  files(place: string): Promise<HostFile[]>;
  file(place: string, path: string): Promise<Uint8Array | null>;
  /** Puts a file in the place of the one that has this tag; null: where there is none. */
  putFile(place: string, path: string, file: { mediaType: string; bytes: Uint8Array }, tag: string | null): Promise<Pushed>;
}
