import type { Phrases } from './types.ts';

/** Portuguese. Common practice of the trade, gathered from memory. */
export const pt: Phrases = {
  vagueLinks: ['aqui', 'clique aqui', 'mais', 'mais informações', 'leia mais', 'ler mais', 'saiba mais', 'saber mais', 'ver mais', 'continuar a ler', 'ligação', 'link', 'este link', 'esta página', 'página', 'detalhes', 'descarregar', 'baixar'],
  placeholders: ['imagem', 'foto', 'fotografia', 'gráfico', 'ícone', 'sem título', 'texto alternativo'],
  announcements: ['imagem de', 'uma imagem de', 'foto de', 'uma foto de', 'fotografia de', 'gráfico de'],
  newWindow: ['nova janela', 'nova aba', 'novo separador', 'nova guia'],
  newWindowNote: 'abre num novo separador',
  vagueHeadings: ['título', 'subtítulo', 'secção', 'seção', 'capítulo', 'sem título', 'página', 'mais', 'nova página'],
  thinAlternatives: ['logo', 'logótipo', 'gráfico', 'diagrama', 'mapa', 'tabela', 'desenho', 'homem', 'mulher', 'criança', 'crianças', 'pessoa', 'pessoas', 'grupo', 'casa', 'edifício', 'árvore', 'flor', 'animal', 'carro', 'paisagem', 'fundo', 'seta', 'exemplo'],
  complexImages: ['gráfico', 'diagrama', 'infográfico', 'infografia', 'organograma', 'esquema', 'histograma', 'mapa', 'planta', 'linha do tempo'],
  colourNames: ['vermelho', 'verde', 'azul', 'amarelo', 'laranja', 'roxo', 'violeta', 'rosa', 'cinzento', 'cinza', 'castanho', 'preto', 'branco'],
  colourCues: ['a {colour}', 'em {colour}', '(?:o|a|os|as) (?:botão|caixa|texto|ligação|palavras|campos|linhas) {colour}s?'],
  placeCues: ['à (?:esquerda|direita)(?= |[.,;:!?)]|$)', 'no canto (?:superior|inferior)', 'o botão (?:redondo|quadrado)'],
  fileWords: ['pdf', 'word', 'excel', 'powerpoint', 'documento', 'folha de cálculo', 'diapositivos', 'zip', 'descarregar', 'baixar', 'áudio', 'vídeo', 'gravação', 'ficheiro', 'arquivo', 'docx', 'xlsx', 'mp3', 'mp4'],
  artworks: ['pintura', 'quadro', 'desenho', 'gravura', 'aguarela', 'esboço', 'fresco'],
  captionWords: ['tabela', 'quadro'],
  transcriptWords: ['transcrição', 'versão em texto'],
  skipWords: ['saltar para o conteúdo', 'ir para o conteúdo', 'pular para o conteúdo'],
  requiredWords: ['obrigatório', 'requerido'],
  quoteWords: ['disse', 'diz', 'escreveu', 'segundo'],
  functionWords: ['o', 'os', 'as', 'e', 'é', 'uma', 'que', 'em', 'para', 'não', 'por', 'com', 'do', 'da', 'dos', 'das', 'se', 'como', 'mais', 'mas', 'são', 'ao', 'um', 'na', 'no', 'foi', 'ou', 'de', 'a', 'ser', 'está', 'também', 'muito', 'já', 'quando', 'pela', 'pelo', 'seu', 'sua', 'ele', 'ela', 'até'],
};
