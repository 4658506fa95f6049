export {
	bakeTimeOf,
	BAKE_EXPONENT,
	BAKE_REACH,
	type KnownBake,
	type BakeTimeFailure
} from './bake-time.ts';
