/**
 * Words that say nothing, by language, lower case, tidied. Common practice of the trade, gathered from memory; no published source.
 * A language is added by adding a key.
 */
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
}

export const PHRASES: Record<string, Phrases> = {
  en: {
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
  },
  de: {
    vagueLinks: ['hier', 'hier klicken', 'klicken sie hier', 'klick hier', 'mehr', 'mehr dazu', 'mehr erfahren', 'mehr lesen', 'weiterlesen', 'weiter', 'weitere informationen', 'mehr informationen', 'link', 'dieser link', 'diese seite', 'seite', 'details', 'herunterladen', 'download', 'webseite'],
    placeholders: ['bild', 'foto', 'grafik', 'abbildung', 'symbol', 'platzhalter', 'alternativtext', 'ohne titel', 'unbenannt'],
    announcements: ['ein bild von', 'bild von', 'bild:', 'ein foto von', 'foto von', 'foto:', 'grafik von', 'abbildung von', 'das bild zeigt', 'das foto zeigt'],
    newWindow: ['neuem fenster', 'neues fenster', 'neuem tab', 'neuer tab', 'neuen tab'],
    newWindowNote: 'öffnet in neuem Tab',
  },
  fr: {
    vagueLinks: ['ici', 'cliquez ici', 'cliquer ici', 'plus', 'en savoir plus', 'lire la suite', 'lire plus', 'suite', 'voir plus', 'lien', 'ce lien', 'cette page', 'page', 'détails', 'télécharger', 'plus d’infos', "plus d'infos", 'plus d’informations', "plus d'informations"],
    placeholders: ['image', 'photo', 'photographie', 'illustration', 'icône', 'sans titre', 'texte alternatif', 'vide'],
    announcements: ['image de', 'une image de', "image d'", 'photo de', 'une photo de', 'photographie de', 'illustration de', 'cette image montre', 'cette photo montre'],
    newWindow: ['nouvelle fenêtre', 'nouvel onglet'],
    newWindowNote: 'ouvre un nouvel onglet',
  },
  es: {
    vagueLinks: ['aquí', 'haga clic aquí', 'haz clic aquí', 'pulse aquí', 'clic aquí', 'más', 'más información', 'leer más', 'ver más', 'saber más', 'seguir leyendo', 'enlace', 'este enlace', 'esta página', 'página', 'detalles', 'descargar'],
    placeholders: ['imagen', 'foto', 'fotografía', 'gráfico', 'icono', 'sin título', 'texto alternativo'],
    announcements: ['imagen de', 'una imagen de', 'foto de', 'una foto de', 'fotografía de', 'gráfico de', 'esta imagen muestra'],
    newWindow: ['ventana nueva', 'nueva ventana', 'pestaña nueva', 'nueva pestaña'],
    newWindowNote: 'se abre en una pestaña nueva',
  },
  nl: {
    vagueLinks: ['hier', 'klik hier', 'meer', 'meer info', 'meer informatie', 'lees meer', 'lees verder', 'verder lezen', 'link', 'deze link', 'deze pagina', 'pagina', 'details', 'downloaden', 'download'],
    placeholders: ['afbeelding', 'plaatje', 'foto', 'figuur', 'pictogram', 'naamloos', 'alternatieve tekst'],
    announcements: ['afbeelding van', 'een afbeelding van', 'foto van', 'een foto van', 'plaatje van', 'figuur van'],
    newWindow: ['nieuw venster', 'nieuw tabblad'],
    newWindowNote: 'opent in een nieuw tabblad',
  },
  pt: {
    vagueLinks: ['aqui', 'clique aqui', 'mais', 'mais informações', 'leia mais', 'ler mais', 'saiba mais', 'saber mais', 'ver mais', 'continuar a ler', 'ligação', 'link', 'este link', 'esta página', 'página', 'detalhes', 'descarregar', 'baixar'],
    placeholders: ['imagem', 'foto', 'fotografia', 'gráfico', 'ícone', 'sem título', 'texto alternativo'],
    announcements: ['imagem de', 'uma imagem de', 'foto de', 'uma foto de', 'fotografia de', 'gráfico de'],
    newWindow: ['nova janela', 'nova aba', 'novo separador', 'nova guia'],
    newWindowNote: 'abre num novo separador',
  },
  it: {
    vagueLinks: ['qui', 'clicca qui', 'cliccare qui', 'fai clic qui', 'più', 'di più', 'altro', 'leggi', 'leggi di più', 'leggi tutto', 'continua', 'continua a leggere', 'scopri di più', 'maggiori informazioni', 'link', 'questo link', 'questa pagina', 'pagina', 'dettagli', 'scarica'],
    placeholders: ['immagine', 'foto', 'fotografia', 'grafico', 'icona', 'senza titolo', 'testo alternativo'],
    announcements: ['immagine di', "un'immagine di", 'foto di', 'una foto di', 'fotografia di', 'grafico di'],
    newWindow: ['nuova finestra', 'nuova scheda'],
    newWindowNote: 'si apre in una nuova scheda',
  },
};

type ListName = Exclude<keyof Phrases, 'newWindowNote'>;

const everyLanguage = new Map<ListName, ReadonlySet<string>>();

/** One list over all languages: pages often mix them, and a vague word is vague wherever it stands. */
export function phrasesOf(list: ListName): ReadonlySet<string> {
  let found = everyLanguage.get(list);
  if (!found) everyLanguage.set(list, (found = new Set(Object.values(PHRASES).flatMap((phrases) => phrases[list]))));
  return found;
}

/** The phrases of a language tag's primary language; English where we have none. */
export function phrasesFor(language: string): Phrases {
  return PHRASES[language.toLowerCase().split('-')[0]!] ?? PHRASES.en!;
}

/** Lower case, tidied, without the arrows, brackets and stops that people put around a phrase. */
export function bare(text: string): string {
  return text
    .toLowerCase()
    .replace(/[\s\u00a0]+/g, ' ')
    .replace(/^[\s>»›→←<«‹[({"'“”‘’.…·•|:;,!?-]+/u, '')
    .replace(/[\s>»›→←<«‹\])}"'“”‘’.…·•|:;,!?-]+$/u, '');
}
