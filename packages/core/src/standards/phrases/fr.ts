import type { Phrases } from './types.ts';

/** French. Common practice of the trade, gathered from memory. */
export const fr: Phrases = {
  vagueLinks: ['ici', 'cliquez ici', 'cliquer ici', 'plus', 'en savoir plus', 'lire la suite', 'lire plus', 'suite', 'voir plus', 'lien', 'ce lien', 'cette page', 'page', 'détails', 'télécharger', 'plus d’infos', "plus d'infos", 'plus d’informations', "plus d'informations"],
  placeholders: ['image', 'photo', 'photographie', 'illustration', 'icône', 'sans titre', 'texte alternatif', 'vide'],
  announcements: ['image de', 'une image de', "image d'", 'photo de', 'une photo de', 'photographie de', 'illustration de', 'cette image montre', 'cette photo montre'],
  newWindow: ['nouvelle fenêtre', 'nouvel onglet'],
  newWindowNote: 'ouvre un nouvel onglet',
  vagueHeadings: ['titre', 'sous-titre', 'section', 'chapitre', 'sans titre', 'page', 'plus', 'nouvelle page'],
  thinAlternatives: ['logo', 'graphique', 'diagramme', 'carte', 'tableau', 'dessin', 'homme', 'femme', 'enfant', 'enfants', 'personne', 'personnes', 'groupe', 'maison', 'bâtiment', 'arbre', 'fleur', 'animal', 'voiture', 'paysage', 'arrière-plan', 'flèche', 'exemple'],
  complexImages: ['graphique', 'diagramme', 'infographie', 'organigramme', 'schéma', 'histogramme', 'camembert', 'carte', 'plan', 'frise'],
  colourNames: ['rouge', 'vert', 'bleu', 'jaune', 'orange', 'violet', 'rose', 'gris', 'brun', 'noir', 'blanc'],
  colourCues: ['en {colour}', '(?:le|la|les) (?:bouton|case|texte|lien|mot|mots|champ|champs|ligne|lignes) {colour}(?:e|s|es)?'],
  placeCues: ['(?:à|sur la) (?:gauche|droite)(?= |[.,;:!?)]|$)', 'en (?:haut|bas) à (?:gauche|droite)', 'le (?:bouton|cadre) (?:rond|carré)'],
  fileWords: ['pdf', 'word', 'excel', 'powerpoint', 'document', 'tableur', 'diaporama', 'zip', 'télécharger', 'audio', 'vidéo', 'enregistrement', 'fichier', 'docx', 'xlsx', 'mp3', 'mp4'],
  artworks: ['peinture', 'tableau', 'dessin', 'gravure', 'aquarelle', 'croquis', 'fresque'],
  captionWords: ['tableau', 'tab.'],
  transcriptWords: ['transcription', 'version texte', 'texte intégral'],
  skipWords: ['aller au contenu', 'passer au contenu', 'accéder au contenu'],
  requiredWords: ['obligatoire', 'requis'],
  quoteWords: ['dit', 'écrit', 'selon', 'déclare'],
  functionWords: ['le', 'la', 'les', 'des', 'et', 'est', 'une', 'que', 'dans', 'pour', 'pas', 'qui', 'sur', 'avec', 'par', 'sont', 'plus', 'ce', 'cette', 'au', 'aux', 'mais', 'ou', 'nous', 'vous', 'il', 'du', 'en', 'se', 'sa', 'son', 'ses', 'on', 'si', 'leur', 'ont', 'été', 'être', 'aussi', 'de', 'un', 'elle', 'ils', 'ne', 'comme', 'tout'],
};
