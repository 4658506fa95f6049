export * from './ingredient.ts';
export * from './formula.ts';
export * from './resolve.ts';
export * from './figures.ts';
export * from './losses.ts';
export * from './process.ts';
