export * from './schemas.ts';
export * from './routes.ts';
export * from './client.ts';
export * from './patch.ts';
export * from './partners.ts';
