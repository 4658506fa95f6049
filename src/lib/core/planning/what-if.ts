import type { Step } from '../formula/index.ts';
import type { BakeDayInput } from './input.ts';

/** What a night might be like: nothing that is planned under it is true of the real one. */
export type WhatIf =
	/** The rooms are so many degrees warmer, or colder. */
	| { readonly kind: 'room'; readonly kelvins: number }
	/** So much of the yeast and culture, as a share of what the formulas say. */
	| { readonly kind: 'leaven'; readonly share: number }
	/** A drop that ordered so many times as much: another production, which the day is read with. */
	| { readonly kind: 'orders'; readonly dropId: string; readonly times: number };

/**
 * The day as it would be: every wait in a room follows it, every clock goes as much slower as there is less to raise it.
 * Model: time goes inversely with the leaven, as domain section 5 has it for yeast. Range: shares above 0.
 * Source: domain (the fermentation clock). Failures: none.
 * Example: with 80 % of the leaven a bulk that is ready in 200 minutes takes 250.
 */
export function asIfOf(input: BakeDayInput, what: readonly WhatIf[]): BakeDayInput {
	if (what.length === 0) return input;
	const steps = (list: readonly Step[]) => list.map((step) => stepAsIf(step, what));
	return {
		...input,
		builds: input.builds.map((build) => ({ ...build, steps: steps(build.steps) })),
		doughs: input.doughs.map((dough) => ({
			...dough,
			mixes: dough.mixes.map((mix) => ({ ...mix, steps: steps(mix.steps) }))
		})),
		products: input.products.map((product) => ({ ...product, steps: steps(product.steps) }))
	};
}

function stepAsIf(step: Step, what: readonly WhatIf[]): Step {
	if (step.kind !== 'wait') return step;
	return what.reduce((wait, one) => {
		switch (one.kind) {
			case 'orders':
				return wait;
			case 'room':
				return {
					...wait,
					legs: wait.legs.map((leg) =>
						leg.place === 'room'
							? { ...leg, ambientCelsius: leg.ambientCelsius + one.kelvins }
							: leg
					)
				};
			case 'leaven':
				return {
					...wait,
					clock: wait.clock && {
						...wait.clock,
						underMinutes: wait.clock.underMinutes / one.share,
						ripeMinutes: wait.clock.ripeMinutes / one.share,
						overMinutes: wait.clock.overMinutes / one.share
					}
				};
		}
	}, step);
}
