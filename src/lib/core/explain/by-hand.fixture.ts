import type { Explained } from './explained.ts';

/**
 * Works an explained number out from its leaves as a reader with a pencil would, by arithmetic of its own:
 * what is tested must not check itself.
 */
export function byHand(explained: Explained): number {
	if (explained.kind === 'given') return explained.value;
	const [first = NaN, ...others] = explained.inputs.map(byHand);
	const second = others[0] ?? NaN;
	let result = first;
	switch (explained.operation) {
		case 'sum':
			for (const one of others) result += one;
			return result;
		case 'difference':
			for (const one of others) result -= one;
			return result;
		case 'product':
			for (const one of others) result *= one;
			return result;
		case 'quotient':
			for (const one of others) result /= one;
			return result;
		case 'percent':
			return first * (second / 100);
		case 'per-percent':
			return first / (second / 100);
		case 'largest':
			for (const one of others) if (one > result) result = one;
			return result;
	}
}
