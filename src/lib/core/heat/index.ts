export * from './constants.ts';
export * from './dough-heat.ts';
export * from './factor-rule.ts';
export * from './ice.ts';
export * from './blend.ts';
export * from './water-order.ts';
