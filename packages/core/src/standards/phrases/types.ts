/** Words by language: lower case, tidied. A language is added by a file of this shape and its line in index.ts. */
export interface Phrases {
  /** Whole link texts that do not say where a link goes. */
  vagueLinks: readonly string[];
  /** Whole alternatives that describe nothing. */
  placeholders: readonly string[];
  /** Openings that say again what the role says. */
  announcements: readonly string[];
  /** Parts of a text that warn of a new window. */
  newWindow: readonly string[];
  /** What a remedy writes to give that warning. */
  newWindowNote: string;
  /** Whole headings that say nothing of their section. */
  vagueHeadings: readonly string[];
  /** Bare kinds of things: as the whole of an alternative they say too little. */
  thinAlternatives: readonly string[];
  /** Kinds of pictures that hold more than a short alternative can say. */
  complexImages: readonly string[];
  colourNames: readonly string[];
  /** Directions that lean on colour, as expressions with {colour} for any of `colourNames`. */
  colourCues: readonly string[];
  /** Directions that lean on place, shape or size, as expressions. */
  placeCues: readonly string[];
  /** Words that tell of a document or recording behind a link. */
  fileWords: readonly string[];
  /** Kinds of artwork: "drawing of" then says what the thing is. */
  artworks: readonly string[];
  /** What a table's typed caption begins with. */
  captionWords: readonly string[];
  transcriptWords: readonly string[];
  skipWords: readonly string[];
  requiredWords: readonly string[];
  /** Words that bring in what someone said. */
  quoteWords: readonly string[];
  /** The commonest words, by which a language is known. */
  functionWords: readonly string[];
}
