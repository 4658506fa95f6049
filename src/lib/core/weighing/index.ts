export {
	deviationOf,
	inOrderOfBowl,
	lineState,
	type Deviation,
	type LineKind,
	type LineState,
	type LineToWeigh,
	type Weighed
} from './weighing.ts';
