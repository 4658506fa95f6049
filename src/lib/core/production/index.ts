export * from './demand.ts';
export * from './share-out.ts';
export * from './weigh-up.ts';
export * from './mixes.ts';
export * from './builds.ts';
export * from './day.ts';
