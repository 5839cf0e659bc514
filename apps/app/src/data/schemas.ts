import { ANSWERS, REFUSAL } from '@keypost/api/answers';

/** What answers of a server of another make are checked by. Apart, since a module of these is not run before it is used. */
export const schemas = { ANSWERS, REFUSAL } as const;
