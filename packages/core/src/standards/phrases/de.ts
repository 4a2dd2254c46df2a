import type { Phrases } from './types.ts';

/** German. Common practice of the trade, gathered from memory. */
export const de: Phrases = {
  vagueLinks: ['hier', 'hier klicken', 'klicken sie hier', 'klick hier', 'mehr', 'mehr dazu', 'mehr erfahren', 'mehr lesen', 'weiterlesen', 'weiter', 'weitere informationen', 'mehr informationen', 'link', 'dieser link', 'diese seite', 'seite', 'details', 'herunterladen', 'download', 'webseite'],
  placeholders: ['bild', 'foto', 'grafik', 'abbildung', 'symbol', 'platzhalter', 'alternativtext', 'ohne titel', 'unbenannt'],
  announcements: ['ein bild von', 'bild von', 'bild:', 'ein foto von', 'foto von', 'foto:', 'grafik von', 'abbildung von', 'das bild zeigt', 'das foto zeigt'],
  newWindow: ['neuem fenster', 'neues fenster', 'neuem tab', 'neuer tab', 'neuen tab'],
  newWindowNote: 'öffnet in neuem Tab',
  vagueHeadings: ['überschrift', 'titel', 'untertitel', 'abschnitt', 'kapitel', 'mehr', 'seite', 'ohne titel', 'unbenannt', 'platzhalter', 'neue seite', 'neuer abschnitt'],
  thinAlternatives: ['logo', 'diagramm', 'karte', 'tabelle', 'zeichnung', 'mann', 'frau', 'kind', 'kinder', 'person', 'menschen', 'gruppe', 'haus', 'gebäude', 'baum', 'blume', 'tier', 'auto', 'landschaft', 'hintergrund', 'pfeil', 'beispiel'],
  complexImages: ['diagramm', 'grafik', 'infografik', 'flussdiagramm', 'säulendiagramm', 'kreisdiagramm', 'schaubild', 'karte', 'lageplan', 'zeitstrahl', 'querschnitt'],
  colourNames: ['rot', 'grün', 'blau', 'gelb', 'orange', 'lila', 'violett', 'rosa', 'grau', 'braun', 'schwarz', 'weiß'],
  colourCues: ['(?:in|farblich) {colour}(?:er|em|en)?', '(?:die|der|das|den|dem) {colour}(?:e|en|er|es|em) (?:\\p{L}+)'],
  placeCues: ['auf der (?:linken|rechten) seite', '(?:links|rechts) (?:oben|unten)', '(?:der|die|das|den) (?:runde|eckige|große|kleine)n? (?:knopf|schaltfläche|kasten|symbol)'],
  fileWords: ['pdf', 'word', 'excel', 'powerpoint', 'dokument', 'tabelle', 'folien', 'zip', 'herunterladen', 'download', 'audio', 'video', 'aufnahme', 'datei', 'docx', 'xlsx', 'mp3', 'mp4'],
  artworks: ['gemälde', 'zeichnung', 'radierung', 'kupferstich', 'holzschnitt', 'aquarell', 'skizze'],
  captionWords: ['tabelle', 'tab.'],
  transcriptWords: ['transkript', 'abschrift', 'textfassung', 'mitschrift'],
  skipWords: ['zum inhalt', 'zum hauptinhalt', 'direkt zum', 'überspringen'],
  requiredWords: ['pflichtfeld', 'erforderlich', 'notwendig'],
  quoteWords: ['sagte', 'sagt', 'schrieb', 'schreibt', 'laut'],
  functionWords: ['der', 'die', 'das', 'und', 'ist', 'nicht', 'von', 'mit', 'dem', 'den', 'ein', 'eine', 'auf', 'für', 'auch', 'sich', 'werden', 'wird', 'sind', 'oder', 'aber', 'wenn', 'durch', 'bei', 'nach', 'zu', 'es', 'im', 'am', 'wie', 'man', 'zum', 'zur', 'einen', 'einem', 'einer', 'hat', 'noch', 'nur', 'an', 'in', 'um', 'als', 'dass', 'ihr', 'ich', 'wir', 'sie', 'er', 'dann', 'wer', 'des', 'vom'],
};
