import { fail, ok, type Result } from '../result.ts';
import type { Mass, Temperature } from '../units/index.ts';

export interface Blend {
	readonly hot: Mass;
	readonly cold: Mass;
}

export type BlendFailure =
	| { readonly kind: 'colder-than-cold-tap'; readonly coldest: Temperature }
	| { readonly kind: 'hotter-than-hot-tap'; readonly hottest: Temperature };

/**
 * Gives how much to draw from each of two taps.
 * Model: heat is shared by mass. Range: a wanted temperature between the taps. Source: domain
 * arithmetic. Failures: outside that range, with the limit that was passed.
 * Example: 12 kg at 31 degrees from taps at 12 and 55 is 5.302 kg hot and 6.698 kg cold.
 */
export function blendOfTaps(
	water: Mass,
	wanted: Temperature,
	cold: Temperature,
	hot: Temperature
): Result<Blend, BlendFailure> {
	if (wanted.celsius < cold.celsius) return fail({ kind: 'colder-than-cold-tap', coldest: cold });
	if (wanted.celsius > hot.celsius) return fail({ kind: 'hotter-than-hot-tap', hottest: hot });
	const span = hot.celsius - cold.celsius;
	const share = span > 0 ? (wanted.celsius - cold.celsius) / span : 0;
	return ok({
		hot: { grams: water.grams * share },
		cold: { grams: water.grams * (1 - share) }
	});
}
