import { createClient } from '@keypost/api/client';

/** The typed way to the server: the one that served this page, or the one named when the interface is developed. */
export const server = createClient(process.env.EXPO_PUBLIC_API ?? '');
