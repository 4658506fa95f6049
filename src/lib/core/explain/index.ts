export * from './explained.ts';
