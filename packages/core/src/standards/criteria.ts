/**
 * The success criteria of WCAG 2.0, 2.1 and 2.2: number, handle, level and the version each came with are facts of the W3C
 * Recommendations (2008, 2018, 2023); from memory. The plain sentence is ours: it says what the criterion asks of a page.
 */
export type Level = 'A' | 'AA' | 'AAA';
export const LEVELS: readonly Level[] = ['A', 'AA', 'AAA'];
export type StandardVersion = '2.0' | '2.1' | '2.2';

export interface Criterion {
  id: string;
  title: string;
  level: Level;
  since: StandardVersion;
  /** What it asks, in our words. */
  asks: string;
  /** The version that dropped it. */
  obsoleteIn?: StandardVersion;
}

const ROWS: readonly (readonly [string, string, Level, StandardVersion, string])[] = [
  [
    '1.1.1',
    'Non-text Content',
    'A',
    '2.0',
    'Whatever is not text has words that do the same job, and what only decorates is kept out of the way.',
  ],
  [
    '1.2.1',
    'Audio-only and Video-only (Prerecorded)',
    'A',
    '2.0',
    'A recording that only sounds, or only shows, has its content in another form too.',
  ],
  ['1.2.2', 'Captions (Prerecorded)', 'A', '2.0', 'Recorded video with sound shows what is said and heard as text in time with it.'],
  [
    '1.2.3',
    'Audio Description or Media Alternative (Prerecorded)',
    'A',
    '2.0',
    'What a recorded video only shows is told in sound or in a full text.',
  ],
  ['1.2.4', 'Captions (Live)', 'AA', '2.0', 'Live video with sound is captioned while it runs.'],
  ['1.2.5', 'Audio Description (Prerecorded)', 'AA', '2.0', 'What a recorded video only shows is told in a sound track.'],
  ['1.2.6', 'Sign Language (Prerecorded)', 'AAA', '2.0', 'Recorded sound is interpreted in sign language.'],
  [
    '1.2.7',
    'Extended Audio Description (Prerecorded)',
    'AAA',
    '2.0',
    'Where pauses are too short to describe an image, the video waits for the description.',
  ],
  ['1.2.8', 'Media Alternative (Prerecorded)', 'AAA', '2.0', 'Recorded video has a full text that can be read in its place.'],
  ['1.2.9', 'Audio-only (Live)', 'AAA', '2.0', 'Live sound has a live text.'],
  [
    '1.3.1',
    'Info and Relationships',
    'A',
    '2.0',
    'What the look of a page says about its parts (this is a heading, a list, a table’s header) is also said in its markup.',
  ],
  ['1.3.2', 'Meaningful Sequence', 'A', '2.0', 'Where order carries meaning, the markup has that order.'],
  ['1.3.3', 'Sensory Characteristics', 'A', '2.0', 'Directions never rest on shape, size, place or sound alone.'],
  ['1.3.4', 'Orientation', 'AA', '2.1', 'A page works upright and on its side, unless one of them is essential.'],
  ['1.3.5', 'Identify Input Purpose', 'AA', '2.1', 'A field that asks about the user says in markup what it asks for.'],
  ['1.3.6', 'Identify Purpose', 'AAA', '2.1', 'The purpose of controls, icons and regions can be read from markup.'],
  ['1.4.1', 'Use of Color', 'A', '2.0', 'Colour is never the only way something is told.'],
  ['1.4.2', 'Audio Control', 'A', '2.0', 'Sound that starts by itself and lasts can be stopped.'],
  ['1.4.3', 'Contrast (Minimum)', 'AA', '2.0', 'Text stands out from its background by 4.5 to 1, large text by 3 to 1.'],
  ['1.4.4', 'Resize Text', 'AA', '2.0', 'Text can be doubled in size with nothing lost.'],
  ['1.4.5', 'Images of Text', 'AA', '2.0', 'Words are text, not an image of text.'],
  ['1.4.6', 'Contrast (Enhanced)', 'AAA', '2.0', 'Text stands out from its background by 7 to 1, large text by 4.5 to 1.'],
  ['1.4.7', 'Low or No Background Audio', 'AAA', '2.0', 'Speech is not drowned by sound behind it.'],
  ['1.4.8', 'Visual Presentation', 'AAA', '2.0', 'Blocks of text are narrow, open, not justified, and take the reader’s colours.'],
  ['1.4.9', 'Images of Text (No Exception)', 'AAA', '2.0', 'An image of text is used only for decoration or where its form is the point.'],
  ['1.4.10', 'Reflow', 'AA', '2.1', 'At 320 pixels of width nothing needs scrolling in two directions.'],
  ['1.4.11', 'Non-text Contrast', 'AA', '2.1', 'Controls and meaningful graphics stand out by 3 to 1.'],
  ['1.4.12', 'Text Spacing', 'AA', '2.1', 'Readers may widen the spacing of text and lose nothing.'],
  ['1.4.13', 'Content on Hover or Focus', 'AA', '2.1', 'What appears on pointing or focus can be dismissed, pointed at, and stays.'],
  ['2.1.1', 'Keyboard', 'A', '2.0', 'Everything can be done from a keyboard.'],
  ['2.1.2', 'No Keyboard Trap', 'A', '2.0', 'Focus can leave whatever it enters.'],
  ['2.1.3', 'Keyboard (No Exception)', 'AAA', '2.0', 'Everything, without exception, can be done from a keyboard.'],
  ['2.1.4', 'Character Key Shortcuts', 'A', '2.1', 'Single-key shortcuts can be turned off, changed, or work only on focus.'],
  ['2.2.1', 'Timing Adjustable', 'A', '2.0', 'A time limit can be turned off or lengthened.'],
  ['2.2.2', 'Pause, Stop, Hide', 'A', '2.0', 'What moves or updates by itself can be stopped.'],
  ['2.2.3', 'No Timing', 'AAA', '2.0', 'Nothing depends on being quick.'],
  ['2.2.4', 'Interruptions', 'AAA', '2.0', 'Interruptions can be put off.'],
  ['2.2.5', 'Re-authenticating', 'AAA', '2.0', 'Signing in again after a time-out loses no work.'],
  ['2.2.6', 'Timeouts', 'AAA', '2.1', 'Users are told how long they may be idle before work is lost.'],
  ['2.3.1', 'Three Flashes or Below Threshold', 'A', '2.0', 'Nothing flashes in a way that can cause seizures.'],
  ['2.3.2', 'Three Flashes', 'AAA', '2.0', 'Nothing flashes more than three times a second.'],
  ['2.3.3', 'Animation from Interactions', 'AAA', '2.1', 'Movement set off by use can be turned off.'],
  ['2.4.1', 'Bypass Blocks', 'A', '2.0', 'There is a way past what repeats on every page.'],
  ['2.4.2', 'Page Titled', 'A', '2.0', 'A page has a title that says what it is about.'],
  ['2.4.3', 'Focus Order', 'A', '2.0', 'Focus moves in an order that keeps the meaning.'],
  ['2.4.4', 'Link Purpose (In Context)', 'A', '2.0', 'Where a link goes can be told from its text with what stands around it.'],
  ['2.4.5', 'Multiple Ways', 'AA', '2.0', 'There is more than one way to find a page.'],
  ['2.4.6', 'Headings and Labels', 'AA', '2.0', 'Headings and labels say what they head or ask for.'],
  ['2.4.7', 'Focus Visible', 'AA', '2.0', 'One can see where keyboard focus is.'],
  ['2.4.8', 'Location', 'AAA', '2.0', 'One can tell where in a set of pages one is.'],
  ['2.4.9', 'Link Purpose (Link Only)', 'AAA', '2.0', 'Where a link goes can be told from its text alone.'],
  ['2.4.10', 'Section Headings', 'AAA', '2.0', 'Sections of content have headings.'],
  ['2.4.11', 'Focus Not Obscured (Minimum)', 'AA', '2.2', 'What has focus is not wholly covered.'],
  ['2.4.12', 'Focus Not Obscured (Enhanced)', 'AAA', '2.2', 'No part of what has focus is covered.'],
  ['2.4.13', 'Focus Appearance', 'AAA', '2.2', 'The mark of focus is large and strong enough.'],
  ['2.5.1', 'Pointer Gestures', 'A', '2.1', 'Gestures of many points or a path have a simple alternative.'],
  ['2.5.2', 'Pointer Cancellation', 'A', '2.1', 'A press can be taken back before it acts.'],
  ['2.5.3', 'Label in Name', 'A', '2.1', 'The words one sees on a control are in the name one says to it.'],
  ['2.5.4', 'Motion Actuation', 'A', '2.1', 'What moving the device does can be done otherwise too.'],
  ['2.5.5', 'Target Size (Enhanced)', 'AAA', '2.1', 'Targets are at least 44 by 44 pixels.'],
  ['2.5.6', 'Concurrent Input Mechanisms', 'AAA', '2.1', 'No means of input is shut out.'],
  ['2.5.7', 'Dragging Movements', 'AA', '2.2', 'What dragging does can be done with single presses.'],
  ['2.5.8', 'Target Size (Minimum)', 'AA', '2.2', 'Targets are at least 24 by 24 pixels or spaced so.'],
  ['3.1.1', 'Language of Page', 'A', '2.0', 'The page names its language in its markup.'],
  ['3.1.2', 'Language of Parts', 'AA', '2.0', 'A passage in another language names it.'],
  ['3.1.3', 'Unusual Words', 'AAA', '2.0', 'Words used in an unusual way are explained.'],
  ['3.1.4', 'Abbreviations', 'AAA', '2.0', 'Abbreviations can be looked up or are spelt out.'],
  ['3.1.5', 'Reading Level', 'AAA', '2.0', 'Hard text has a version that lower secondary schooling suffices for.'],
  ['3.1.6', 'Pronunciation', 'AAA', '2.0', 'Where meaning hangs on it, pronunciation is given.'],
  ['3.2.1', 'On Focus', 'A', '2.0', 'Focus alone changes nothing of context.'],
  ['3.2.2', 'On Input', 'A', '2.0', 'Changing a setting changes no context without warning.'],
  ['3.2.3', 'Consistent Navigation', 'AA', '2.0', 'Repeated navigation keeps its order.'],
  ['3.2.4', 'Consistent Identification', 'AA', '2.0', 'What does the same is named the same.'],
  ['3.2.5', 'Change on Request', 'AAA', '2.0', 'A change of context, such as a new window, happens only when asked for or announced.'],
  ['3.2.6', 'Consistent Help', 'A', '2.2', 'Help is found at the same place on every page.'],
  ['3.3.1', 'Error Identification', 'A', '2.0', 'A mistake in a form is named in text.'],
  ['3.3.2', 'Labels or Instructions', 'A', '2.0', 'Fields have labels or instructions.'],
  ['3.3.3', 'Error Suggestion', 'AA', '2.0', 'Where a correction is known, it is offered.'],
  ['3.3.4', 'Error Prevention (Legal, Financial, Data)', 'AA', '2.0', 'Weighty submissions can be checked, fixed or taken back.'],
  ['3.3.5', 'Help', 'AAA', '2.0', 'Help fits the place it is given.'],
  ['3.3.6', 'Error Prevention (All)', 'AAA', '2.0', 'Every submission can be checked, fixed or taken back.'],
  ['3.3.7', 'Redundant Entry', 'A', '2.2', 'Nothing has to be entered twice in one task.'],
  ['3.3.8', 'Accessible Authentication (Minimum)', 'AA', '2.2', 'Signing in needs no feat of memory, save a few exceptions.'],
  ['3.3.9', 'Accessible Authentication (Enhanced)', 'AAA', '2.2', 'Signing in needs no feat of memory.'],
  ['4.1.1', 'Parsing', 'A', '2.0', 'Markup is whole, nested properly, and ids are unique. WCAG 2.2 no longer asks it.'],
  ['4.1.2', 'Name, Role, Value', 'A', '2.0', 'Every control tells software its name, its role and its state.'],
  ['4.1.3', 'Status Messages', 'AA', '2.1', 'Messages are told without moving focus.'],
];

export const CRITERIA: readonly Criterion[] = ROWS.map(([id, title, level, since, asks]) => ({
  id,
  title,
  level,
  since,
  asks,
  ...(id === '4.1.1' ? { obsoleteIn: '2.2' as const } : {}),
}));

const byId = new Map(CRITERIA.map((criterion) => [criterion.id, criterion]));

export function criterionOf(id: string): Criterion | undefined {
  return byId.get(id);
}

const VERSIONS: readonly StandardVersion[] = ['2.0', '2.1', '2.2'];

/** Whether a version of the standard asks for a criterion at all, whatever its level. */
export function isAskedBy(criterion: Criterion, version: StandardVersion): boolean {
  const at = VERSIONS.indexOf(version);
  if (VERSIONS.indexOf(criterion.since) > at) return false;
  return criterion.obsoleteIn === undefined || VERSIONS.indexOf(criterion.obsoleteIn) > at;
}
