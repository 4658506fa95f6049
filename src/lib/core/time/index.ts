export * from './bake-date.ts';
export * from './wall-time.ts';
export * from './bakery-clock.ts';
