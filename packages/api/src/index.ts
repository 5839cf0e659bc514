export * from './calls.ts';
export * from './schemas.ts';
export * from './requests.ts';
export * from './routes.ts';
export * from './client.ts';
export * from './patch.ts';
export * from './partners.ts';
export * from './problemDetails.ts';
