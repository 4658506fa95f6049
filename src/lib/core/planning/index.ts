export * from './input.ts';
export * from './course.ts';
export * from './batch-ref.ts';
export * from './expand.ts';
export * from './plan.ts';
export * from './day-plan.ts';
export * from './timing.ts';
export * from './proof-of-mix.ts';
