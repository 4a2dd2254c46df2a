/** The way to hosts, where pages are published. The server that ships beside it is entered by its own program, `server/main.ts`. */
export {
  HostTrouble,
  type Connector,
  type HostFile,
  type HostPage,
  type HostPlace,
  type HostText,
  type Pushed,
} from './connector/types.ts';
export { connectorTo } from './connector/connectorTo.ts';
export { hostConnector, type Ask, type Asked } from './connector/host.ts';
export { folderConnector } from './connector/folder.ts';
export { CONTENT_BEGINS, CONTENT_ENDS, contentOf, joinParts, splitParts, type Part } from './connector/parts.ts';
