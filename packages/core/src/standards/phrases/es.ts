import type { Phrases } from './types.ts';

/** Spanish. Common practice of the trade, gathered from memory. */
export const es: Phrases = {
  vagueLinks: ['aquí', 'haga clic aquí', 'haz clic aquí', 'pulse aquí', 'clic aquí', 'más', 'más información', 'leer más', 'ver más', 'saber más', 'seguir leyendo', 'enlace', 'este enlace', 'esta página', 'página', 'detalles', 'descargar'],
  placeholders: ['imagen', 'foto', 'fotografía', 'gráfico', 'icono', 'sin título', 'texto alternativo'],
  announcements: ['imagen de', 'una imagen de', 'foto de', 'una foto de', 'fotografía de', 'gráfico de', 'esta imagen muestra'],
  newWindow: ['ventana nueva', 'nueva ventana', 'pestaña nueva', 'nueva pestaña'],
  newWindowNote: 'se abre en una pestaña nueva',
  vagueHeadings: ['título', 'subtítulo', 'sección', 'capítulo', 'sin título', 'página', 'más', 'nueva página'],
  thinAlternatives: ['logo', 'gráfico', 'diagrama', 'mapa', 'tabla', 'dibujo', 'hombre', 'mujer', 'niño', 'niña', 'niños', 'persona', 'personas', 'gente', 'grupo', 'casa', 'edificio', 'árbol', 'flor', 'animal', 'coche', 'paisaje', 'fondo', 'flecha', 'ejemplo'],
  complexImages: ['gráfico', 'gráfica', 'diagrama', 'infografía', 'organigrama', 'esquema', 'histograma', 'mapa', 'plano', 'línea de tiempo'],
  colourNames: ['rojo', 'verde', 'azul', 'amarillo', 'naranja', 'morado', 'violeta', 'rosa', 'gris', 'marrón', 'negro', 'blanco'],
  colourCues: ['en {colour}', '(?:el|la|los|las) (?:botón|casilla|texto|enlace|palabras|campos|filas) {colour}(?:s|es)?'],
  placeCues: ['a la (?:izquierda|derecha)(?= |[.,;:!?)]|$)', 'en la esquina (?:superior|inferior)', 'el botón (?:redondo|cuadrado)'],
  fileWords: ['pdf', 'word', 'excel', 'powerpoint', 'documento', 'hoja de cálculo', 'diapositivas', 'zip', 'descargar', 'audio', 'vídeo', 'grabación', 'archivo', 'docx', 'xlsx', 'mp3', 'mp4'],
  artworks: ['pintura', 'cuadro', 'dibujo', 'grabado', 'acuarela', 'boceto', 'fresco'],
  captionWords: ['tabla', 'cuadro'],
  transcriptWords: ['transcripción', 'versión en texto'],
  skipWords: ['saltar al contenido', 'ir al contenido'],
  requiredWords: ['obligatorio', 'requerido'],
  quoteWords: ['dijo', 'dice', 'escribió', 'según'],
  functionWords: ['el', 'los', 'las', 'y', 'es', 'una', 'que', 'en', 'para', 'no', 'por', 'con', 'del', 'se', 'como', 'más', 'pero', 'sus', 'este', 'esta', 'son', 'al', 'lo', 'ha', 'su', 'un', 'de', 'la', 'le', 'muy', 'sobre', 'entre', 'también', 'ser', 'está', 'era', 'fue', 'desde', 'cuando', 'si', 'ya', 'hay'],
};
