export {
	BROWNINGS,
	FAULTS,
	LOOKED_AT,
	PIECE_DECISIONS,
	readinessOf,
	RESULT_KINDS,
	SCORED,
	SOUNDS,
	type Browning,
	type Fault,
	type LookedAt,
	type PieceDecision,
	type PortionRef,
	type ResultEntry,
	type ResultTold,
	type Scored,
	type Sound
} from './result-entry.ts';
export { countedOf, type CountedPortion } from './counted.ts';
export { shortsOf, type Short, type ShortDrop } from './short.ts';
export { evidenceOf, proofStanding, restStanding, type MixFacts } from './evidence-of.ts';
export { rescueOf, type Rescue } from './rescue.ts';
export { bakedOf, scoreOf, type BakedWeight } from './weighed.ts';
