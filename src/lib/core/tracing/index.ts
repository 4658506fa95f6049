export {
	lotsOfUses,
	type Arrival,
	type LotKnown,
	type LotOfUse,
	type OnHandEntry,
	type Use
} from './lots.ts';
export { followed, type WentInto } from './follow.ts';
export { recallOf, type RecalledBatch } from './recall.ts';
export { NO_EVIDENCE, type Evidence, type EvidenceKey } from './evidence.ts';
export { CAUSES, SHOWN_BY, type Cause } from './causes.ts';
export { CAUSES_OF, causesOf, type RankedCause } from './faults.ts';
