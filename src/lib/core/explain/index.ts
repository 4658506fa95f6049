export {
	given,
	worked,
	evaluate,
	leavesOf,
	type Explained,
	type Given,
	type Worked,
	type Unit,
	type Operation,
	type Term,
	type TermKey,
	type Source
} from './explained.ts';
