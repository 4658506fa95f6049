export * from './observed.ts';
export * from './estimate.ts';
export * from './estimate-within.ts';
export * from './learned-friction.ts';
export * from './learned-tub.ts';
export * from './learned-clock.ts';
export * from './learned-ripening.ts';
export * from './belief-over-time.ts';
