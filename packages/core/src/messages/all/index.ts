/**
 * Every sentence. Who only needs the first of them imports `messages`, and a page fetches these while it already
 * shows something; a process that words anything, a server or a worker, imports this once.
 */
import { LATER } from '../later.ts';
import { addSentences } from '../textOf.ts';

addSentences(LATER);
