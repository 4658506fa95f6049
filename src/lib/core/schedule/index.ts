export * from './problem.ts';
export * from './place-latest.ts';
export * from './assign-machines.ts';
export * from './check-plan.ts';
