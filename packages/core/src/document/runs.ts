import { InsertionMode, Token, Tokenizer, type TokenHandler, type TokenizerOptions } from 'parse5';

/**
 * What a text, a raw text or a quoted value may go on with before the tokenizer has to look again. Surrogates and carriage returns are its
 * business.
 */
const IN_TEXT = /[^<&\0\r\ud800-\udfff]+/y;
const IN_RAW_TEXT = /[^<\0\r\ud800-\udfff]+/y;
const IN_DOUBLE_QUOTES = /[^"&\0\r\ud800-\udfff]+/y;
const IN_SINGLE_QUOTES = /[^'&\0\r\ud800-\udfff]+/y;
const IN_COMMENT = /[^<\-\0\r\ud800-\udfff]+/y;

const CARRIAGE_RETURN = 13;
/** Characters taken at one stride at most. */
const LONGEST_RUN = 2_000_000;

/** Where the standard treats white space after other characters as it treats those: one token serves for both. */
const MIXING: ReadonlySet<InsertionMode> = new Set([
  InsertionMode.IN_BODY,
  InsertionMode.IN_CAPTION,
  InsertionMode.IN_CELL,
  InsertionMode.TEXT,
]);

/**
 * parse5's tokenizer, taking a run of ordinary characters at one stride instead of one by one, and a line of words as one
 * token instead of one for each word. The tree is the same (page.test.ts holds it to parse5's own); its counts of lines and
 * columns are not kept. It must be given the whole source at once.
 */
export class RunTokenizer extends Tokenizer {
  constructor(
    options: TokenizerOptions,
    private readonly parser: TokenHandler & { insertionMode: InsertionMode },
  ) {
    super(options, parser);
  }

  protected override _stateData(cp: number): void {
    super._stateData(cp);
    this.strideInText(IN_TEXT);
  }

  protected override _stateRcdata(cp: number): void {
    super._stateRcdata(cp);
    this.strideInText(IN_TEXT);
  }

  protected override _stateRawtext(cp: number): void {
    super._stateRawtext(cp);
    this.strideInText(IN_RAW_TEXT);
  }

  protected override _stateScriptData(cp: number): void {
    super._stateScriptData(cp);
    this.strideInText(IN_RAW_TEXT);
  }

  protected override _stateAttributeValueDoubleQuoted(cp: number): void {
    super._stateAttributeValueDoubleQuoted(cp);
    this.stride(IN_DOUBLE_QUOTES);
  }

  protected override _stateAttributeValueSingleQuoted(cp: number): void {
    super._stateAttributeValueSingleQuoted(cp);
    this.stride(IN_SINGLE_QUOTES);
  }

  protected override _stateComment(cp: number): void {
    super._stateComment(cp);
    this.stride(IN_COMMENT);
  }

  private strideInText(ordinary: RegExp): void {
    if (this.currentCharacterToken?.type === Token.TokenType.CHARACTER && MIXING.has(this.parser.insertionMode)) this.stride(ordinary);
  }

  /** Goes on to the end of the run that the last character was added to; nowhere when it was not added to one. */
  private stride(ordinary: RegExp): void {
    const { preprocessor } = this;
    const next = preprocessor.pos + 1;
    // After a carriage return stands perhaps a line feed that does not count.
    if (this.runEnd !== next || preprocessor.html.charCodeAt(preprocessor.pos) === CARRIAGE_RETURN) return;
    // A run of many millions would exhaust the stack on which an expression remembers where it has been.
    const [text, from] =
      preprocessor.html.length > LONGEST_RUN ? [preprocessor.html.slice(next, next + LONGEST_RUN), next] : [preprocessor.html, 0];
    ordinary.lastIndex = next - from;
    if (!ordinary.test(text)) return;
    this.runEnd = from + ordinary.lastIndex;
    preprocessor.pos = this.runEnd - 1;
  }
}
