import type { Phrases } from './types.ts';

/** Dutch. Common practice of the trade, gathered from memory. */
export const nl: Phrases = {
  vagueLinks: ['hier', 'klik hier', 'meer', 'meer info', 'meer informatie', 'lees meer', 'lees verder', 'verder lezen', 'link', 'deze link', 'deze pagina', 'pagina', 'details', 'downloaden', 'download'],
  placeholders: ['afbeelding', 'plaatje', 'foto', 'figuur', 'pictogram', 'naamloos', 'alternatieve tekst'],
  announcements: ['afbeelding van', 'een afbeelding van', 'foto van', 'een foto van', 'plaatje van', 'figuur van'],
  newWindow: ['nieuw venster', 'nieuw tabblad'],
  newWindowNote: 'opent in een nieuw tabblad',
  vagueHeadings: ['titel', 'ondertitel', 'kop', 'sectie', 'hoofdstuk', 'naamloos', 'pagina', 'meer', 'nieuwe pagina'],
  thinAlternatives: ['logo', 'grafiek', 'diagram', 'kaart', 'tabel', 'tekening', 'man', 'vrouw', 'kind', 'kinderen', 'persoon', 'mensen', 'groep', 'huis', 'gebouw', 'boom', 'bloem', 'dier', 'auto', 'landschap', 'achtergrond', 'pijl', 'voorbeeld'],
  complexImages: ['grafiek', 'diagram', 'infographic', 'stroomschema', 'staafdiagram', 'cirkeldiagram', 'kaart', 'plattegrond', 'tijdlijn', 'doorsnede', 'schema'],
  colourNames: ['rood', 'groen', 'blauw', 'geel', 'oranje', 'paars', 'roze', 'grijs', 'bruin', 'zwart', 'wit'],
  colourCues: ['in het {colour}', '(?:de|het) {colour}e? (?:knop|vak|tekst|link|woorden|velden|rijen)', '(?:de|het) (?:rode|groene|blauwe|gele|paarse) \\p{L}+'],
  placeCues: ['aan de (?:linker|rechter)kant', '(?:links|rechts)(?:boven|onder)', 'de (?:ronde|vierkante) knop'],
  fileWords: ['pdf', 'word', 'excel', 'powerpoint', 'document', 'rekenblad', 'dia', 'zip', 'download', 'downloaden', 'audio', 'video', 'opname', 'bestand', 'docx', 'xlsx', 'mp3', 'mp4'],
  artworks: ['schilderij', 'tekening', 'ets', 'gravure', 'aquarel', 'schets', 'fresco'],
  captionWords: ['tabel', 'tab.'],
  transcriptWords: ['transcript', 'uitgeschreven tekst', 'tekstversie'],
  skipWords: ['naar inhoud', 'naar de inhoud', 'direct naar', 'ga naar inhoud'],
  requiredWords: ['verplicht', 'vereist'],
  quoteWords: ['zei', 'zegt', 'schreef', 'volgens'],
  functionWords: ['de', 'het', 'een', 'en', 'van', 'is', 'niet', 'met', 'voor', 'op', 'zijn', 'dat', 'die', 'aan', 'ook', 'naar', 'bij', 'door', 'worden', 'wordt', 'maar', 'uit', 'om', 'te', 'deze', 'er', 'als', 'in', 'hij', 'zij', 'we', 'wij', 'heeft', 'hebben', 'nog', 'dan', 'of', 'ze', 'je', 'over', 'was', 'waar', 'wat'],
};
