import 'server-only';
export { isAway } from '@inkwell/store';
