import { rateAt } from '../fermentation/index.ts';
import type { RipenessClock } from '../formula/index.ts';
import { liftOf } from './wait-course.ts';

/** A proof is shortened to no less than this share of its own (our default). */
const LEAST_PROOF_SHARE = 0.4;

/**
 * Gives the minutes at the proof's reference temperature that a bulk ended early adds to the proof, or, ended
 * late, takes off it.
 *
 * Model: what is left of the bulk's ripe dose, carried at the share its clock names, turned from the reference
 * temperature of the one clock to that of the other by the rates of the proof. Range: a dose of 0 or more. Source: domain (fermentation clock), rosso-1993; the least proof is our default. Failures: none.
 * Example: 40 min left undone of a bulk that carries half, at the same reference, lengthen the proof by 20.
 */
export function carriedDose(bulk: RipenessClock, doseDone: number, proof: RipenessClock): number {
	const left = (bulk.ripeMinutes - doseDone) * bulk.carryShare;
	const turned =
		(left * rateAt(liftOf(proof), bulk.referenceCelsius)) /
		rateAt(liftOf(proof), proof.referenceCelsius);
	return Math.max(turned, (LEAST_PROOF_SHARE - 1) * proof.ripeMinutes);
}

/** A proof's clock with what the bulk left it. */
export function clockWithCarry(proof: RipenessClock, carried: number): RipenessClock {
	return {
		...proof,
		underMinutes: Math.max(1, proof.underMinutes + carried),
		ripeMinutes: Math.max(2, proof.ripeMinutes + carried),
		overMinutes: Math.max(3, proof.overMinutes + carried)
	};
}
