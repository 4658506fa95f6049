import { centreOf, estimate, type Estimate, type Observation, type Prior } from './estimate.ts';

/**
 * Gives what is learned of one of many alike: a dough on a mixer whose other doughs were measured, too.
 *
 * Model: what is learned from the others of the group is the prior of this one, wider by how far members of
 * the group lie apart; its own observations then weigh as in `estimate`. So the first mix of a new dough
 * already knows its mixer. Range: as `estimate`; a spread between members above 0. Source: our default.
 * Failures: none; without any observation the group's prior, widened, is given back.
 * Example: others at 1.2 times their book make a dough that was never measured start near 1.2.
 */
export function estimateWithin(
	group: Prior,
	others: readonly Observation[],
	betweenMembers: number,
	own: readonly Observation[]
): Estimate {
	// Another member's reading tells of the group only as well as members are alike.
	const ofGroup = centreOf(
		group,
		others.map((other) => ({ ...other, spread: Math.hypot(other.spread, betweenMembers) }))
	);
	return estimate({ mean: ofGroup.mean, spread: Math.hypot(ofGroup.spread, betweenMembers) }, own);
}
