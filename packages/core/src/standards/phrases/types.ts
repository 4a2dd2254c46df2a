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
  /** Whole link texts that turn to a neighbouring page of a book or site, or to its beginning. */
  pageTurning: readonly string[];
  /** Words by which a reader is told to do something, as expressions. */
  actWords: readonly string[];
  /** Whole texts of buttons that do not say what they do. */
  vagueButtons: readonly string[];
  /** How programs begin the descriptions they make up. */
  machineOpenings: readonly string[];
  /** Parts of template and placeholder text that was never replaced. */
  fillers: readonly string[];
  /** Bare names of kinds of controls and signs: as the name of a linked image they do not say where it leads. */
  controlKinds: readonly string[];
  /** The commonest words, by which a language is known. */
  functionWords: readonly string[];
}
