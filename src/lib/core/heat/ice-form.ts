import type { Duration, Share } from '../units/index.ts';

/** What ice the house has; the form says how fast it melts. */
export const ICE_FORMS = ['none', 'flakes', 'cubes'] as const;
export type IceForm = (typeof ICE_FORMS)[number];

/** The most of the water that may be ice, and the mix that melts so much of it (our defaults). */
const CAPS: Readonly<Record<IceForm, { readonly most: number; readonly meltsIn: number }>> = {
	none: { most: 0, meltsIn: 1 },
	flakes: { most: 0.4, meltsIn: 4 },
	cubes: { most: 0.15, meltsIn: 8 }
};

/** The share a form is capped at in a mix that is long enough. */
export function usualIceCap(form: IceForm): Share {
	return { share: CAPS[form].most };
}

/**
 * Gives how much of a mix's water may be ice.
 *
 * Model: the cap of the bakery, and less in proportion when the mix is shorter than its form takes to melt:
 * flakes 4 min, cubes 8 min. Range: a cap from 0 to 1; minutes of the mixer turning, null where the formula
 * does not tell them. Source: our default. Failures: none; without ice the cap is 0.
 * Example: cubes capped at 15 % are capped at 7.5 % in a mix of 4 min.
 */
export function iceCap(form: IceForm, most: Share, mixing: Duration | null): Share {
	if (form === 'none') return { share: 0 };
	const melted = mixing === null ? 1 : Math.min(1, mixing.minutes / CAPS[form].meltsIn);
	return { share: most.share * melted };
}
