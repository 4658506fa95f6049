export * from './wait-course.ts';
export * from './room-trace.ts';
export * from './dough-story.ts';
export * from './dough-card.ts';
export * from './carried-dose.ts';
export * from './cold-air.ts';
export * from './watch-doughs.ts';
export * from './followed-log.ts';
