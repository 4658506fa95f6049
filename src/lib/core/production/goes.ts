/**
 * In how many goes something is mixed that no mixer takes whole, each as large as the others.
 *
 * Range: grams above 0; where nothing is known of mixers it is one. Source: definition. Failures: none.
 * Example: 70 kg on a mixer of 32 kg are three goes.
 */
export function goesOf(grams: number, mostGrams: number): number {
	return mostGrams > 0 ? Math.max(1, Math.ceil(grams / mostGrams - 1e-9)) : 1;
}
