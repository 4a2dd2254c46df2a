declare module '*.css';
declare module '@fontsource-variable/source-serif-4';
