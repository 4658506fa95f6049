export {
	FAULTS,
	PIECE_DECISIONS,
	readinessOf,
	RESULT_KINDS,
	SCORED,
	type Fault,
	type PieceDecision,
	type PortionRef,
	type ResultEntry,
	type ResultTold,
	type Scored
} from './result-entry.ts';
export { countedOf, type CountedPortion } from './counted.ts';
export { shortsOf, type Short, type ShortDrop } from './short.ts';
export { evidenceOf, proofStanding, type MixFacts } from './evidence-of.ts';
export { rescueOf, type Rescue } from './rescue.ts';
export { bakedOf, scoreOf, type BakedWeight } from './weighed.ts';
