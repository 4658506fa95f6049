// What the search of schedules asks for: each a function over rows of whole numbers by time, told by their addresses.
// `npm run kernel` compiles it into src/lib/core/schedule/kernel/kernel-code.ts.
export {
	add,
	addKnown,
	addWithin,
	bothMarked,
	copy,
	fill,
	findLeast,
	firstWithin,
	firstWithinShort,
	keepFree,
	keepMarked,
	keepWithin,
	lastWithin,
	lastWithinShort,
	lesser,
	markFree
} from './rows';
export { mend, take } from './pools';
export { markUnit, ownLoads } from './loads';
export { addLag, findNext, leastFrom, slide, slideBack, slideHeld } from './windows';
