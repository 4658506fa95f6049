import type { Step } from '../formula/index.ts';
import type { LearnedFriction } from '../learning/index.ts';

/** Stirring a build by hand warms it by this much, give or take, in kJ/kg (our default). */
const WORK = 0.4;
const SPREAD = 0.3;

/** The friction of what is stirred by hand in its tub. */
export const BY_HAND: Pick<LearnedFriction, 'work' | 'spread' | 'source' | 'mixer'> = {
	work: { kilojoulesPerKilogram: WORK },
	spread: { kilojoulesPerKilogram: SPREAD },
	source: { kind: 'assumed' },
	mixer: { workKilojoulesPerKilogram: 0, program: null }
};

/** What a preparation comes to when it is stirred, by its steps; null where it has no such temperature. */
export function stirredTarget(steps: readonly Step[]): number | null {
	const mix = steps.find((step) => step.kind === 'hands-on' && step.activity === 'mix');
	return mix?.kind === 'hands-on' ? mix.endsAtCelsius : null;
}
