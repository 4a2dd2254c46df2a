import type { Phrases } from './types.ts';

/** Italian. Common practice of the trade, gathered from memory. */
export const it: Phrases = {
  vagueLinks: ['qui', 'clicca qui', 'cliccare qui', 'fai clic qui', 'più', 'di più', 'altro', 'leggi', 'leggi di più', 'leggi tutto', 'continua', 'continua a leggere', 'scopri di più', 'maggiori informazioni', 'link', 'questo link', 'questa pagina', 'pagina', 'dettagli', 'scarica'],
  placeholders: ['immagine', 'foto', 'fotografia', 'grafico', 'icona', 'senza titolo', 'testo alternativo'],
  announcements: ['immagine di', "un'immagine di", 'foto di', 'una foto di', 'fotografia di', 'grafico di'],
  newWindow: ['nuova finestra', 'nuova scheda'],
  newWindowNote: 'si apre in una nuova scheda',
  vagueHeadings: ['titolo', 'sottotitolo', 'sezione', 'capitolo', 'senza titolo', 'pagina', 'altro', 'nuova pagina'],
  thinAlternatives: ['logo', 'grafico', 'diagramma', 'mappa', 'tabella', 'disegno', 'uomo', 'donna', 'bambino', 'bambina', 'bambini', 'persona', 'persone', 'gruppo', 'casa', 'edificio', 'albero', 'fiore', 'animale', 'auto', 'paesaggio', 'sfondo', 'freccia', 'esempio'],
  complexImages: ['grafico', 'diagramma', 'infografica', 'organigramma', 'schema', 'istogramma', 'mappa', 'pianta', 'linea del tempo'],
  colourNames: ['rosso', 'verde', 'blu', 'giallo', 'arancione', 'viola', 'rosa', 'grigio', 'marrone', 'nero', 'bianco'],
  colourCues: ['in {colour}', '(?:il|la|le|i|gli) (?:pulsante|casella|testo|link|parole|campi|righe) {colour}'],
  placeCues: ['(?:a|sulla) (?:sinistra|destra)(?= |[.,;:!?)]|$)', 'in (?:alto|basso) a (?:sinistra|destra)', 'il pulsante (?:rotondo|quadrato)'],
  fileWords: ['pdf', 'word', 'excel', 'powerpoint', 'documento', 'foglio di calcolo', 'diapositive', 'zip', 'scarica', 'scaricare', 'audio', 'video', 'registrazione', 'file', 'docx', 'xlsx', 'mp3', 'mp4'],
  artworks: ['dipinto', 'quadro', 'disegno', 'incisione', 'acquerello', 'schizzo', 'affresco'],
  captionWords: ['tabella', 'tab.'],
  transcriptWords: ['trascrizione', 'versione testuale'],
  skipWords: ['vai al contenuto', 'salta al contenuto'],
  requiredWords: ['obbligatorio', 'richiesto'],
  quoteWords: ['disse', 'dice', 'scrisse', 'secondo'],
  functionWords: ['il', 'lo', 'gli', 'e', 'è', 'una', 'che', 'in', 'per', 'non', 'con', 'del', 'della', 'di', 'si', 'come', 'più', 'ma', 'sono', 'al', 'un', 'nel', 'questo', 'questa', 'anche', 'da', 'o', 'la', 'le', 'i', 'alla', 'dei', 'delle', 'nella', 'ha', 'essere', 'stato', 'suo', 'sua', 'dal', 'dalla', 'se', 'ci'],
};
