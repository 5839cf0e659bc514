export { messageOfIssue } from './issue.ts';
export type { Issue } from './issue.ts';
export { distinct, sameMessage } from './message.ts';
export type { Message, Text } from './message.ts';
export { codeOf, say } from './say.ts';
export { bracketed, ownTextOf, textOf, useWording } from './textOf.ts';
