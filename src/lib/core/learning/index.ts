export * from './estimate.ts';
export * from './estimate-within.ts';
