export * from './input.ts';
export * from './wait-course.ts';
export * from './course.ts';
export * from './expand.ts';
export * from './plan.ts';
export * from './day-plan.ts';
export * from './water-of-mix.ts';
export * from './dough-card.ts';
