import type { PlannedProduct } from '../core/planning/index.ts';
import { formatNumber } from '../core/units/index.ts';

/** How a product is cut before it is baked: "one cut along, 6 mm deep"; empty where nobody wrote it down. */
export function scoreText({ score, scoreMm }: Pick<PlannedProduct, 'score' | 'scoreMm'>): string {
	const deep = scoreMm === null ? '' : `${formatNumber(scoreMm, 1)} mm deep`;
	return [score, deep].filter((part) => part !== '').join(', ');
}

/** How it is shaped, or where it is about to be baked, how it is scored; what is not written down is not told. */
export function methodText(
	product: Pick<PlannedProduct, 'shape' | 'score' | 'scoreMm'>,
	isScored: boolean
): string {
	const score = scoreText(product);
	if (!isScored) return product.shape;
	return score === '' ? product.shape : `scored: ${score}`;
}
