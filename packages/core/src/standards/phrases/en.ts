import type { Phrases } from './types.ts';

/** English. Common practice of the trade, gathered from memory. */
export const en: Phrases = {
  vagueLinks: [
    'click', 'click here', 'click this', 'click this link', 'here', 'this', 'this link', 'this page', 'this site', 'this document', 'this file', 'link', 'links', 'more', 'more info',
    'more information', 'more details', 'read more', 'read on', 'see more', 'show more', 'view more', 'learn more', 'find out more', 'continue', 'continue reading', 'go', 'go here',
    'see here', 'look here', 'start here', 'page', 'website', 'web site', 'site', 'details', 'info', 'download', 'download here', 'download this', 'download file', 'view', 'open', 'pdf', 'follow this link', 'read this', 'tap here', 'press here', 'url', 'web page', 'next page', 'full story', 'full article',
  ],
  placeholders: [
    'image', 'images', 'img', 'photo', 'photograph', 'picture', 'pic', 'graphic', 'graphics', 'icon', 'logo image', 'spacer', 'blank', 'alt', 'alt text', 'alternative text', 'alt tag', 'untitled', 'placeholder',
    'image here', 'picture here', 'description', 'image description', 'insert image', 'insert alt text', 'insert alt text here', 'alt text here', 'null', 'undefined', 'none', 'n/a', 'na', 'todo', 'tbc', 'tbd', 'xxx', 'temp', 'test', 'figure', 'screenshot', 'bullet', 'thumbnail', 'banner', 'header image', 'decorative', 'decorative image', 'image 1', 'photo 1', 'picture 1',
  ],
  announcements: ['an image of', 'image of', 'image showing', 'a photo of', 'photo of', 'photo showing', 'a photograph of', 'photograph of', 'a picture of', 'picture of', 'picture showing', 'pic of', 'a graphic of', 'graphic of', 'graphic showing', 'an icon of', 'icon of', 'this is an image of', 'this is a photo of', 'this is a picture of', 'this image shows', 'this photo shows', 'this picture shows', 'image:', 'photo:', 'picture:'],
  newWindow: ['new window', 'new tab', 'new browser', 'another window', 'another tab', 'separate window', 'separate tab', 'pop-up', 'popup'],
  newWindowNote: 'opens in a new tab',
  vagueHeadings: ['untitled', 'heading', 'title', 'subtitle', 'subheading', 'section', 'chapter', 'header', 'text', 'more', 'more info', 'page', 'new section', 'new page', 'your heading here', 'heading here', 'click to edit', 'lorem ipsum', 'misc', 'stuff', 'todo', 'tbd', 'placeholder'],
  thinAlternatives: ['logo', 'chart', 'graph', 'diagram', 'map', 'table', 'illustration', 'drawing', 'man', 'woman', 'boy', 'girl', 'child', 'children', 'person', 'people', 'men', 'women', 'group', 'team', 'house', 'building', 'tree', 'flower', 'animal', 'car', 'landscape', 'view', 'portrait', 'scene', 'background', 'object', 'thing', 'example', 'arrow', 'button', 'menu', 'cover', 'poster', 'art', 'design', 'shape', 'infographic', 'plan', 'food', 'room', 'water', 'hand', 'hands', 'face', 'book', 'computer'],
  complexImages: ['chart', 'graph', 'diagram', 'infographic', 'flowchart', 'flow chart', 'pie chart', 'bar chart', 'histogram', 'scatter plot', 'timeline', 'schematic', 'cross-section', 'family tree', 'organigram', 'floor plan', 'map'],
  colourNames: ['red', 'green', 'blue', 'yellow', 'orange', 'purple', 'violet', 'pink', 'grey', 'gray', 'brown', 'turquoise', 'black', 'white'],
  colourCues: ['(?:in|marked|shown|highlighted|coloured|colored|written|printed|shaded) (?:in )?{colour}', 'the {colour} (?:ones|words?|text|links?|buttons?|boxe?s?|cells?|rows?|columns?|fields?|items?|areas?|lines?|bars?|icons?|letters|numbers|sections?|parts?)', '(?:items|words|fields|names|dates|entries|rows|cells) (?:that are|which are|are) {colour}'],
  placeCues: ['(?:on|at|to) the (?:left|right)(?:-hand side| side)?(?= |[.,;:!?)]|$)', 'the (?:round|square|triangular|oval|large|big|small) (?:button|box|icon|shape|link)', '(?:button|box|menu|panel|column|link|icon|sidebar) (?:on|at|to) the (?:left|right|top|bottom)', 'in the (?:top|bottom|upper|lower)(?: |-)(?:left|right)(?:-hand)? corner'],
  fileWords: ['pdf', 'word', 'excel', 'powerpoint', 'document', 'spreadsheet', 'slides', 'zip', 'download', 'audio', 'video', 'recording', 'file', 'doc', 'docx', 'xls', 'xlsx', 'ppt', 'pptx', 'mp3', 'mp4', 'csv', 'epub'],
  artworks: ['painting', 'drawing', 'etching', 'engraving', 'woodcut', 'watercolour', 'watercolor', 'sketch', 'fresco', 'photograph by', 'print by', 'lithograph'],
  captionWords: ['table', 'tab.'],
  transcriptWords: ['transcript', 'text version', 'read the recording', 'full text'],
  skipWords: ['skip', 'jump to', 'go to content', 'to main content', 'to content'],
  requiredWords: ['required', 'mandatory', 'must be filled', 'obligatory'],
  quoteWords: ['said', 'says', 'wrote', 'writes', 'according to'],
  functionWords: ['the', 'and', 'of', 'to', 'is', 'that', 'was', 'for', 'with', 'are', 'this', 'they', 'from', 'which', 'have', 'were', 'their', 'been', 'would', 'there', 'when', 'what', 'your', 'you', 'it', 'be', 'not', 'has', 'its', 'than', 'more', 'on', 'or', 'an', 'by', 'at', 'but', 'will', 'can', 'his', 'her', 'into', 'about', 'who', 'if', 'as', 'in', 'we', 'our', 'had', 'all', 'one'],
};
