import { problemAnswer, Trouble } from '@/server/v1/problems';

/** Whatever does not exist below /api is told as a problem, never as a page. */
const nothing = (): Response => problemAnswer(new Trouble('not-found', { detail: 'There is nothing at this address.' }));

export { nothing as DELETE, nothing as GET, nothing as HEAD, nothing as PATCH, nothing as POST, nothing as PUT };
