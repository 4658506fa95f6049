export * from './cardinal-rate.ts';
export * from './temperature-path.ts';
export * from './dose.ts';
export * from './peak.ts';
